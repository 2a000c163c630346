package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.formula.Beds;
import potamos.core.formula.Book;
import potamos.core.larder.Larder;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;

/** What is still to be weighed in of a mix of pork bones and chicken wings, and of its parts. */
class ToWeighInTest {

    private static final String PORK = Beds.PORK.id();
    private static final String WINGS = Beds.CHICKEN_WINGS.id();

    private final Plan plan = Samples.plan(Book.of("white-pork-chicken"));
    private final Map<String, Mass> wanted = Larder.wanted(plan.charge());
    private final List<BatchEvent> events = new ArrayList<>();
    private final Map<String, Mass> taken = new HashMap<>();

    private void take(String part, String goods, double kg) {
        events.add(new ChoreEvent.Took(Samples.at(events.size()), part, Mass.ofKg(kg), "box"));
        taken.merge(goods, Mass.ofKg(kg), Mass::plus);
    }

    private void weigh(String part, double kg) {
        events.add(new ChoreEvent.WeighedIn(Samples.at(events.size()), part, Mass.ofKg(kg), ""));
    }

    private double still(String goods) {
        BatchState state = Batch.replay(plan, events, Samples.at(events.size()).at());
        return ToWeighIn.of(plan.charge(), state, taken).get(goods).kg();
    }

    private double wanted(String goods) {
        return wanted.get(goods).kg();
    }

    @Test
    void beforeAnythingIsInAllOfItIsWanted() {
        assertThat(wanted).containsKeys(PORK, WINGS).hasSizeGreaterThan(2);
        wanted.forEach((goods, mass) -> assertThat(still(goods)).isEqualTo(mass.kg()));
    }

    /** Whoever has taken all the pork still wants all the wings. */
    @Test
    void ofAMixEachKindIsWantedByItself() {
        take(BatchEvent.BED, PORK, wanted(PORK));
        assertThat(still(PORK)).isZero();
        assertThat(still(WINGS)).isEqualTo(wanted(WINGS));
        take(BatchEvent.BED, WINGS, 1);
        assertThat(still(WINGS)).isCloseTo(wanted(WINGS) - 1, within(1e-9));
    }

    @Test
    void aMixThatIsWeighedAsAWholeHasOfEachKindItsShare() {
        weigh(BatchEvent.BED, (wanted(PORK) + wanted(WINGS)) / 2);
        assertThat(still(PORK)).isCloseTo(wanted(PORK) / 2, within(1e-9));
        assertThat(still(WINGS)).isCloseTo(wanted(WINGS) / 2, within(1e-9));
    }

    @Test
    void moreThanPlannedLeavesNothingAndNothingIsOwed() {
        take(BatchEvent.BED, PORK, wanted(PORK) + 2);
        assertThat(still(PORK)).isZero();
        assertThat(still(WINGS)).isEqualTo(wanted(WINGS));
    }

    @Test
    void aPartIsWantedUntilItIsWeighedAndTheBedUntilThePotIsFilled() {
        String part = wanted.keySet().stream()
                .filter(goods -> !plan.charge().formula().inBed(goods))
                .findFirst()
                .orElseThrow();
        take(part, part, wanted(part) / 2);
        assertThat(still(part)).isCloseTo(wanted(part) / 2, within(1e-9));
        weigh(BatchEvent.BED, 3);
        events.add(new PotEvent.Filled(Samples.at(30), plan.charge().water(), Temperature.ofCelsius(12)));
        assertThat(still(PORK)).isZero();
        assertThat(still(WINGS)).isZero();
        assertThat(still(part)).isPositive();
        events.add(new PotEvent.Added(Samples.at(31), part, Mass.ofKg(wanted(part) / 2)));
        assertThat(still(part)).isZero();
    }
}
