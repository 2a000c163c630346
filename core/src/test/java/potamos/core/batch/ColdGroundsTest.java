package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Projection;
import potamos.core.cooling.Reading;
import potamos.core.flow.Ground;
import potamos.core.flow.Ground.Term;
import potamos.core.flow.Why;
import potamos.core.formula.Book;
import potamos.core.quantity.Temperature;

/** What the time to cold rests on: the containers of the plan, until its own readings tell. */
class ColdGroundsTest {

    private final CoolingPlan plan = Samples.plan(Book.whiteChicken()).cooling();

    private static double value(List<Ground> grounds, Term term) {
        return grounds.stream()
                .filter(ground -> ground.term() == term)
                .mapToDouble(Ground::value)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void beforeAReadingItIsThePlan() {
        List<Ground> planned = ColdGrounds.of(plan, Optional.empty());
        assertThat(value(planned, Term.EACH)).isEqualTo(plan.each().litres());
        assertThat(value(planned, Term.CONTAINERS)).isEqualTo(plan.count());
        assertThat(value(planned, Term.STRAINED_AT)).isEqualTo(plan.from().celsius());
        assertThat(planned).noneMatch(ground -> ground.basis() == Why.Basis.MEASURED);
    }

    @Test
    void readingsTellHowQuicklyItCools() {
        List<Reading> readings = List.of(
                new Reading(Samples.EIGHT, Temperature.ofCelsius(80)),
                new Reading(Samples.EIGHT.plus(Duration.ofMinutes(10)), Temperature.ofCelsius(60)));
        Optional<Projection> own = Projection.from(readings, 0, 0.02);
        List<Ground> grounds = ColdGrounds.of(plan, own);
        assertThat(value(grounds, Term.STRAINED_AT)).isEqualTo(60);
        // From 80 to 60 °C over ice water a quarter of what parts it from its medium has gone.
        assertThat(value(grounds, Term.IN_TEN_MINUTES)).isCloseTo(0.25, within(0.06));
        assertThat(grounds.get(grounds.size() - 1).basis()).isEqualTo(Why.Basis.MEASURED);
        assertThat(grounds.get(grounds.size() - 1).bandShare()).isEqualTo(1);
    }
}
