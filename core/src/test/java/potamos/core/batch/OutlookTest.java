package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;

/** What is left of a day, and what will come out of it, wherever the batch stands. */
class OutlookTest {

    private static final double LITRES = 4;

    static Stream<Formula> book() {
        return Book.formulas().stream();
    }

    private static Outlook outlook(Worker worker) {
        return Outlook.of(worker.plan, worker.state());
    }

    @ParameterizedTest
    @MethodSource("book")
    void fromEveryStageTheRestFollowsWithoutAGap(Formula formula) {
        Worker worker = new Worker(formula, LITRES);
        for (BatchState state = worker.state(); state.stage().open(); state = worker.state()) {
            Outlook outlook = Outlook.of(worker.plan, state);
            List<Timeline.Step> steps = outlook.timeline().steps();
            assertThat(steps).as("%s", state.stage()).isNotEmpty();
            assertThat(steps.get(0).stage()).isEqualTo(state.stage());
            for (int i = 1; i < steps.size(); i++) {
                assertThat(steps.get(i).from()).isEqualTo(steps.get(i - 1).to());
            }
            assertThat(outlook.ready()).isAfterOrEqualTo(worker.now);
            if (!worker.workOnce(state)) {
                worker.pass(Duration.ofMinutes(9));
            }
        }
        assertThat(outlook(worker).timeline().steps()).isEmpty();
    }

    @Test
    void aReductionInThePotLeavesItsStrainingAhead() {
        Worker worker = new Worker(Book.of("half-reduction"), LITRES).until(Stage.REDUCE);
        assertThat(outlook(worker).timeline().steps())
                .extracting(Timeline.Step::stage)
                .startsWith(Stage.REDUCE)
                .contains(Stage.STRAIN, Stage.COOL, Stage.STORE);
    }

    @Test
    void anHourMoreIsAnHourLaterForEverythingAfterIt() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES).until(Stage.SIMMER);
        Instant before = outlook(worker).ready();
        worker.pass(Duration.ofMinutes(1));
        worker.log(new PotEvent.Judged(worker.stamp(), false, Duration.ofMinutes(60)));
        assertThat(Duration.between(before, outlook(worker).ready())).isEqualTo(Duration.ofMinutes(60));
    }

    @Test
    void aDayThatIsLateSaysByHowMuch() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES);
        assertThat(outlook(worker).late()).isLessThanOrEqualTo(Duration.ZERO);
        worker.pass(Duration.ofMinutes(50));
        assertThat(outlook(worker).late()).isEqualTo(Duration.ofMinutes(50));
    }
}
