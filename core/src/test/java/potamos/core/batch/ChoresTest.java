package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
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
import potamos.core.formula.Phase;
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

    private static <P extends PrepPhase> int step(Worker worker, Class<P> phase) {
        List<Phase> procedure = worker.plan.charge().formula().procedure();
        return procedure.indexOf(
                procedure.stream().filter(phase::isInstance).findFirst().orElseThrow());
    }

    private static Optional<DueAct> due(Worker worker, DueAct.Kind kind) {
        return Due.first(worker.due(), kind);
    }

    private static void holds(Worker worker, DueAct.Kind kind, Instant due, int graceMin, DueAct.Cost cost) {
        Due.holds(due(worker, kind).orElseThrow(() -> new AssertionError("no " + kind)), due, graceMin, cost);
    }

    /** Bones at 210 °C: turned every quarter of an hour, looked at before their time, out when their shade is there. */
    @Test
    void aRoastIsTurnedLookedAtAndTakenOut() {
        Worker worker = new Worker(Book.of("brown-veal"), 6);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        int step = step(worker, PrepPhase.Roast.class);
        PrepPhase.Roast roast =
                (PrepPhase.Roast) worker.plan.charge().formula().procedure().get(step);
        holds(worker, DueAct.Kind.BEGIN, worker.now, 10, DueAct.Cost.TIME);
        worker.log(new ChoreEvent.Began(worker.stamp(), step));
        Instant began = worker.now;
        Duration takes = Chores.takes(worker.plan.charge(), roast);
        assertThat(takes).isGreaterThan(Duration.ofMinutes(25));
        holds(worker, DueAct.Kind.TURN, began.plus(Duration.ofMinutes(15)), 5, DueAct.Cost.FLAVOUR);
        long look = (long) (takes.toSeconds() * 0.85);
        holds(worker, DueAct.Kind.JUDGE_SHADE, began.plusSeconds(look), 5, DueAct.Cost.FLAVOUR);
        holds(worker, DueAct.Kind.END, began.plus(takes), 5, DueAct.Cost.FLAVOUR);
        assertThat(due(worker, DueAct.Kind.JUDGE_SHADE).orElseThrow().amount()).isEqualTo(5.5);
        assertThat(due(worker, DueAct.Kind.END).orElseThrow().amount()).isEqualTo(5.5);
        worker.pass(Duration.ofMinutes(9));
        worker.log(new ChoreEvent.Turned(worker.stamp(), 1));
        holds(worker, DueAct.Kind.TURN, began.plus(Duration.ofMinutes(24)), 5, DueAct.Cost.FLAVOUR);
        worker.pass(Duration.ofMinutes(10));
        worker.log(new LookEvent.CardRead(worker.stamp(), JudgingCard.SHADE, 4));
        Instant there = worker.now.plus(roast.longerAt(4));
        holds(worker, DueAct.Kind.JUDGE_SHADE, there, 5, DueAct.Cost.FLAVOUR);
        holds(worker, DueAct.Kind.END, there, 5, DueAct.Cost.FLAVOUR);
        worker.pass(Duration.ofMinutes(6));
        worker.log(new LookEvent.CardRead(worker.stamp(), JudgingCard.SHADE, 5.5));
        holds(worker, DueAct.Kind.END, worker.now, 5, DueAct.Cost.FLAVOUR);
        assertThat(due(worker, DueAct.Kind.TURN)).isEmpty();
        assertThat(due(worker, DueAct.Kind.JUDGE_SHADE)).isEmpty();
        worker.log(new ChoreEvent.Finished(worker.stamp(), step));
        int deglaze = step(worker, PrepPhase.Deglaze.class);
        assertThat(worker.due().stream()
                        .filter(act -> act.step() == deglaze)
                        .mapToDouble(DueAct::amount)
                        .sum())
                .as("a splash of 0.12 L to the kilogram, down to a quarter")
                .isCloseTo(0.03 * worker.plan.charge().run().raw().kg(), within(1e-9));
    }

    /** Trays that are out in four minutes are left alone. */
    @Test
    void aRoastThatIsNearlyDoneIsNotTurned() {
        Worker worker = new Worker(Book.of("brown-veal"), 6);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        int step = step(worker, PrepPhase.Roast.class);
        worker.log(new ChoreEvent.Began(worker.stamp(), step));
        Duration takes = Chores.takes(
                worker.plan.charge(), worker.plan.charge().formula().procedure().get(step));
        worker.pass(takes.minus(Duration.ofMinutes(19)));
        worker.log(new ChoreEvent.Turned(worker.stamp(), 1));
        assertThat(due(worker, DueAct.Kind.TURN)).isEmpty();
        worker.log(new LookEvent.CardRead(worker.stamp(), JudgingCard.SHADE, 1));
        assertThat(due(worker, DueAct.Kind.TURN))
                .as("it takes longer than was thought")
                .isPresent();
    }

    /** Frames soak for an hour, their water changed twice; a third time would be as they come out. */
    @Test
    void theWaterOfASoakIsChanged() {
        Worker worker = new Worker(Book.of("fish-fumet"), 4);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        int step = step(worker, PrepPhase.Soak.class);
        worker.log(new ChoreEvent.Began(worker.stamp(), step));
        Instant began = worker.now;
        holds(worker, DueAct.Kind.CHANGE_WATER, began.plus(Duration.ofMinutes(20)), 20, DueAct.Cost.CLARITY);
        assertThat(worker.due().stream().filter(act -> act.step() == step && act.kind() == DueAct.Kind.END))
                .singleElement()
                .satisfies(end -> {
                    assertThat(end.due()).isEqualTo(began.plus(Duration.ofMinutes(60)));
                    assertThat(end.late()).isEqualTo(began.plus(Duration.ofMinutes(90)));
                });
        worker.pass(Duration.ofMinutes(21));
        worker.log(new ChoreEvent.WaterChanged(worker.stamp()));
        holds(worker, DueAct.Kind.CHANGE_WATER, began.plus(Duration.ofMinutes(41)), 20, DueAct.Cost.CLARITY);
        worker.pass(Duration.ofMinutes(20));
        worker.log(new ChoreEvent.WaterChanged(worker.stamp()));
        assertThat(due(worker, DueAct.Kind.CHANGE_WATER)).isEmpty();
    }

    /** Spirits are poured with the burner off, and that is not put off. */
    @Test
    void beforeAFlameTheBurnerGoesOff() {
        Worker worker = new Worker(Book.of("shellfish"), 4);
        DueAct off = worker.awaiting(DueAct.Kind.BURNER_OFF);
        assertThat(off.cost()).isEqualTo(DueAct.Cost.SAFETY);
        assertThat(off.late()).isEqualTo(off.due());
        int step = step(worker, PrepPhase.Flame.class);
        assertThat(off.step()).isEqualTo(step);
        worker.log(new ChoreEvent.BurnerOff(worker.stamp()));
        assertThat(due(worker, DueAct.Kind.BURNER_OFF)).isEmpty();
        assertThat(worker.due()).anyMatch(act -> act.step() == step && act.kind() == DueAct.Kind.END);
    }

    /** What browns burns within minutes; what is rinsed does not. */
    @Test
    void whatBurnsIsNotLeftAlone() {
        Worker worker = new Worker(Book.of("shellfish"), 4);
        worker.does(worker.awaiting(DueAct.Kind.WEIGH));
        int step = step(worker, PrepPhase.Brown.class);
        worker.log(new ChoreEvent.Began(worker.stamp(), step));
        holds(worker, DueAct.Kind.END, worker.now.plus(Duration.ofMinutes(13)), 3, DueAct.Cost.FLAVOUR);
    }
}
