package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Refusal;

class ChoresTest {

    static Stream<Formula> book() {
        return Book.formulas().stream();
    }

    @ParameterizedTest
    @MethodSource("book")
    void allOfThemStandBeforeTheWaterInTheOrderOfWork(Formula formula) {
        List<Integer> steps = Chores.of(formula);
        int fill = formula.procedure().indexOf(formula.fill());
        assertThat(steps)
                .isSorted()
                .doesNotHaveDuplicates()
                .allSatisfy(step -> assertThat(step).isLessThan(fill));
    }

    @ParameterizedTest
    @MethodSource("book")
    void togetherTheyTakeWhatEachTakes(Formula formula) {
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(45, 50)), Samples.litres(5));
        Duration sum = Duration.ZERO;
        for (int step : Chores.of(formula)) {
            Duration one = Chores.takes(charge, formula.procedure().get(step));
            assertThat(one).as("%s", formula.procedure().get(step)).isPositive();
            sum = sum.plus(one);
        }
        assertThat(Chores.length(charge)).isEqualTo(sum);
    }

    @Test
    void whatHappensInThePotIsNoneOfThem() {
        Formula veal = Book.of("white-veal");
        assertThat(veal.phase(PrepPhase.Blanch.class)).isPresent();
        assertThat(Chores.of(veal).stream().map(veal.procedure()::get)).noneMatch(PrepPhase.Blanch.class::isInstance);
    }

    @Test
    void aPhaseIsBegunOnceAndEndedOnce() {
        Worker worker = new Worker(Book.of("brown-veal"), 4);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        worker.log(new ChoreEvent.Began(worker.stamp(), 0));
        assertThatThrownBy(() -> worker.log(new ChoreEvent.Began(worker.stamp(), 0)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("under way");
        worker.log(new ChoreEvent.Finished(worker.stamp(), 0));
        assertThatThrownBy(() -> worker.log(new ChoreEvent.Finished(worker.stamp(), 0)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("already done");
    }

    @Test
    void whoFillsThePotAllTheSameIsNotStopped() {
        Worker worker = new Worker(Book.of("brown-veal"), 4);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        assertThat(worker.state().stage()).isEqualTo(Stage.PREPARE);
        worker.log(new PotEvent.Filled(
                worker.stamp(),
                worker.plan.charge().water(),
                worker.plan.charge().run().waterC()));
        assertThat(worker.state().stage()).isEqualTo(Stage.FILL);
        assertThat(worker.state().prep().done())
                .as("and what was not logged stays so")
                .isFalse();
    }

    /** What comes after a phase waits from when that was really done: neither a long soak nor a short one makes it late. */
    @ParameterizedTest
    @ValueSource(longs = {10, 25, 90})
    void nothingIsLateBecauseWhatWasBeforeItTookItsTime(long minutes) {
        Worker worker = new Worker(Book.of("fish-fumet"), 4);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        List<Integer> steps = Chores.of(worker.plan.charge().formula());
        for (int step : steps) {
            if (Chores.timed(worker.plan.charge().formula().procedure().get(step))) {
                worker.log(new ChoreEvent.Began(worker.stamp(), step));
            }
            worker.pass(Duration.ofMinutes(minutes));
            worker.log(new ChoreEvent.Finished(worker.stamp(), step));
            assertThat(worker.due())
                    .as("after step %s", step)
                    .allSatisfy(act -> assertThat(act.due()).isAfterOrEqualTo(worker.now));
            Instant ready = Outlook.of(worker.plan, worker.state()).ready();
            assertThat(ready).isAfter(worker.now);
        }
    }

    @Test
    void whatIsDoneEarlyBringsEverythingBehindItForward() {
        Worker worker = new Worker(Book.of("fish-fumet"), 4);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        int soak = Chores.of(worker.plan.charge().formula()).stream()
                .filter(step -> worker.plan.charge().formula().procedure().get(step) instanceof PrepPhase.Soak)
                .findFirst()
                .orElseThrow();
        worker.log(new ChoreEvent.Began(worker.stamp(), soak));
        Instant before = Outlook.of(worker.plan, worker.state()).ready();
        worker.pass(Duration.ofMinutes(5));
        worker.log(new ChoreEvent.Finished(worker.stamp(), soak));
        assertThat(Outlook.of(worker.plan, worker.state()).ready()).isBefore(before.minus(Duration.ofMinutes(30)));
    }
}
