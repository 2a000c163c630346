package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Temperature;

/** Every formula of the book worked through by doing what is due, and what each family asks for on the way. */
class FamiliesTest {

    /** A glaze of more would need a larger pot than the one that all of them are worked in. */
    private static final double LITRES = 4;

    static Stream<Formula> book() {
        return Book.formulas().stream();
    }

    private static Worker batch(String slug) {
        return new Worker(Book.of(slug), LITRES);
    }

    @ParameterizedTest
    @MethodSource("book")
    void doingWhatIsDueBringsEveryStockToTheShelf(Formula formula) {
        Worker worker = new Worker(formula, LITRES).until(Stage.ON_SHELF);
        BatchState state = worker.state();
        assertThat(state.stage()).isEqualTo(Stage.ON_SHELF);
        assertThat(worker.due()).isEmpty();
        assertThat(state.ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(state.shelf().stored().litres()).isCloseTo(LITRES, within(0.12 * LITRES));
        assertThat(state.prep().done()).isTrue();
        assertThat(state.cooling().verdict().orElseThrow().overall()).isEqualTo(CoolingVerdict.Outcome.PASSED);
    }

    @ParameterizedTest
    @MethodSource("book")
    void theDayTakesAboutAsLongAsThePlan(Formula formula) {
        Worker worker = new Worker(formula, LITRES).until(Stage.COOL);
        Duration planned = Duration.between(
                worker.plan.timeline().start(),
                worker.plan.timeline().from(Stage.COOL).get(0).from());
        Duration took = Duration.between(worker.plan.timeline().start(), worker.now);
        // The worker weighs, fills and strains in no time at all; the plan allows a person's time for each.
        assertThat(took).isLessThanOrEqualTo(planned.plusMinutes(20));
        assertThat(took).isGreaterThan(planned.minusMinutes(75));
    }

    @ParameterizedTest
    @MethodSource("book")
    void everyActKnowsWhenItIsLateAndWhatThatCosts(Formula formula) {
        Worker worker = new Worker(formula, LITRES);
        for (BatchState state = worker.state(); state.stage().open(); state = worker.state()) {
            for (DueAct act : DueActs.of(worker.plan, state)) {
                assertThat(act.late()).isAfterOrEqualTo(act.due());
                assertThat(act.costsFrom()).isAfter(act.late());
                assertThat(act.amount()).isFinite().isNotNegative();
                assertThat(act.lateAt(act.due())).isFalse();
                assertThat(act.lateAt(act.late().plusSeconds(1))).isTrue();
            }
            if (!worker.workOnce(state)) {
                worker.pass(Duration.ofMinutes(7));
            }
        }
    }

    @Test
    void aRoastIsTurnedOnItsCadenceAndJudgedBeforeItComesOut() {
        Worker worker = batch("brown-veal");
        DueAct turn = worker.awaiting(Kind.TURN);
        BatchState.Chore roast = worker.state().prep().chores().get(0);
        assertThat(Duration.between(roast.began().orElseThrow(), turn.due())).isEqualTo(Duration.ofMinutes(15));
        assertThat(worker.plan.charge().formula().procedure().get(turn.step())).isInstanceOf(PrepPhase.Roast.class);
        DueAct judge = worker.awaiting(Kind.JUDGE_SHADE);
        assertThat(judge.amount()).isEqualTo(5.5);
        assertThat(judge.cost()).isEqualTo(Cost.FLAVOUR);
    }

    @Test
    void aShadeThatIsNotThereYetMovesTheEndOfTheRoast() {
        Worker worker = batch("brown-veal");
        worker.awaiting(Kind.JUDGE_SHADE);
        DueAct before = end(worker);
        worker.pass(Duration.between(worker.now, before.due()));
        worker.log(new LookEvent.CardRead(worker.stamp(), JudgingCard.SHADE, 4));
        assertThat(end(worker).due()).isAfter(before.due());
        // Told to look again in ten minutes, it is ten minutes.
        assertThat(worker.awaiting(Kind.JUDGE_SHADE).due()).isEqualTo(worker.now.plus(Duration.ofMinutes(10)));
        worker.log(new LookEvent.CardRead(worker.stamp(), JudgingCard.SHADE, 6));
        assertThat(end(worker).due()).as("there: out at once").isEqualTo(worker.now);
        PrepPhase.Roast roast =
                worker.plan.charge().formula().phase(PrepPhase.Roast.class).orElseThrow();
        assertThat(IntStream.rangeClosed(1, 8).mapToObj(roast::stands))
                .containsExactly(
                        PrepPhase.Roast.Stands.BELOW,
                        PrepPhase.Roast.Stands.BELOW,
                        PrepPhase.Roast.Stands.BELOW,
                        PrepPhase.Roast.Stands.BELOW,
                        PrepPhase.Roast.Stands.BELOW,
                        PrepPhase.Roast.Stands.THERE,
                        PrepPhase.Roast.Stands.SCORCHED,
                        PrepPhase.Roast.Stands.SCORCHED);
        PrepPhase.Roast pale = new PrepPhase.Roast(roast.oven(), 4, roast.turnEvery(), roast.keepsMass());
        assertThat(pale.stands(5)).isEqualTo(PrepPhase.Roast.Stands.DARKER);
        assertThat(worker.due()).extracting(DueAct::kind).doesNotContain(Kind.JUDGE_SHADE, Kind.TURN);
    }

    private static DueAct end(Worker worker) {
        return worker.due().stream()
                .filter(act -> act.kind() == Kind.END)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aSoakGetsFreshWaterOnItsCadence() {
        Worker worker = batch("fish-fumet");
        DueAct first = worker.awaiting(Kind.CHANGE_WATER);
        worker.pass(Duration.between(worker.now, first.due()));
        worker.log(new ChoreEvent.WaterChanged(worker.stamp()));
        DueAct second = worker.awaiting(Kind.CHANGE_WATER);
        assertThat(Duration.between(first.due(), second.due())).isEqualTo(Duration.ofMinutes(20));
    }

    @Test
    void aFishStockIsLateAtItsLimitAndNotBefore() {
        Worker worker = batch("fish-fumet").until(Stage.SIMMER);
        DueAct judge = worker.awaiting(Kind.JUDGE);
        var reached = worker.state().simmer().reached().orElseThrow();
        assertThat(Duration.between(reached, judge.due())).isEqualTo(Duration.ofMinutes(25));
        assertThat(Duration.between(reached, judge.late())).isEqualTo(Duration.ofMinutes(35));
    }

    @Test
    void nothingIsFlamedBeforeTheBurnerIsOff() {
        Worker worker = batch("shellfish");
        DueAct off = worker.awaiting(Kind.BURNER_OFF);
        assertThat(off.cost()).isEqualTo(Cost.SAFETY);
        DueAct flame = worker.due().stream()
                .filter(act -> act.kind() == Kind.END && act.step() == off.step())
                .findFirst()
                .orElseThrow();
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> worker.does(flame))
                .hasMessageContaining("burner");
        worker.does(off);
        worker.does(flame);
        assertThat(worker.due()).extracting(DueAct::kind).doesNotContain(Kind.BURNER_OFF);
    }

    @Test
    void kelpComesOutBeforeTheBoilAndFlakesGoInAfterIt() {
        Worker worker = batch("kelp-flake");
        DueAct hold = worker.awaiting(Kind.HOLD);
        assertThat(hold.amount()).isEqualTo(65);
        DueAct out = worker.awaiting(Kind.KELP_OUT);
        DueAct boil = worker.due().stream()
                .filter(act -> act.kind() == Kind.TURN_DOWN)
                .findFirst()
                .orElseThrow();
        assertThat(out.due()).isBefore(boil.due());
        DueAct flakes = worker.awaiting(Kind.FLAKES_IN);
        assertThat(worker.state().simmer().ended()).hasValue(flakes.due());
        assertThat(flakes.amount())
                .isCloseTo(0.7 * worker.plan.charge().run().raw().kg(), within(1e-9));
        worker.pass(Duration.ofMinutes(2));
        worker.does(flakes);
        DueAct strain = worker.awaiting(Kind.STRAIN);
        assertThat(Duration.between(worker.state().added().get(flakes.parts().get(0)), strain.due()))
                .as("untouched for as long as the rest")
                .isEqualTo(Duration.ofMinutes(4));
    }

    @Test
    void aHeldPotWaitsAtItsTemperature() {
        Worker worker = batch("kelp-flake");
        DueAct hold = worker.awaiting(Kind.HOLD);
        worker.pass(Duration.between(worker.now, hold.due()));
        worker.does(hold);
        worker.pass(Duration.ofMinutes(10));
        assertThat(worker.state().pot().temperature().celsius()).isCloseTo(65, within(0.5));
        worker.pass(Duration.ofMinutes(15));
        assertThat(worker.state().pot().temperature().celsius()).isGreaterThan(66);
    }

    @Test
    void aReductionInThePotComesBeforeItsStraining() {
        Worker worker = batch("half-reduction").until(Stage.REDUCE);
        DueAct reduce = worker.awaiting(Kind.REDUCE);
        double before = worker.state().pot().liquor().litres();
        assertThat(reduce.amount()).isCloseTo(before / 2, within(1e-9));
        worker.pass(Duration.ofMinutes(30));
        worker.does(reduce);
        worker.until(Stage.STRAIN);
        assertThat(worker.state().path())
                .extracting(BatchState.Entered::stage)
                .containsSubsequence(Stage.SIMMER, Stage.REDUCE, Stage.STRAIN);
    }

    @Test
    void aReductionAfterStrainingMeasuresWhatIsLeft() {
        Formula light = Book.of("vegetable-light");
        List<Phase> phases = new java.util.ArrayList<>(light.procedure());
        int strain = phases.indexOf(light.strain());
        phases.removeIf(FinishPhase.Reduce.class::isInstance);
        phases.add(strain + 1, new FinishPhase.Reduce(0.5));
        Worker worker = new Worker(light.withProcedure(phases), LITRES).until(Stage.REDUCE);
        double strained = worker.state().strained().orElseThrow().litres();
        assertThat(worker.state().out()).as("not yet").isEmpty();
        DueAct reduce = worker.awaiting(Kind.REDUCE);
        assertThat(reduce.amount()).isCloseTo(strained / 2, within(1e-9));
        worker.does(reduce);
        assertThat(worker.state().out().orElseThrow().litres()).isCloseTo(strained / 2, within(1e-9));
        assertThat(worker.state().ledger().error().litres()).isCloseTo(0, within(1e-9));
        worker.until(Stage.ON_SHELF);
        assertThat(worker.state().shelf().stored().litres()).isCloseTo(strained / 2, within(1e-9));
    }

    @Test
    void aStockThatSetsIsTestedAndTastedBeforeItsEnd() {
        Worker worker = batch("white-chicken").until(Stage.SIMMER);
        DueAct taste = worker.awaiting(Kind.TASTE);
        DueAct set = worker.awaiting(Kind.SET_TEST);
        var end = worker.state().simmer().plannedEnd().orElseThrow();
        assertThat(taste.due()).isBefore(set.due());
        assertThat(set.due()).isBefore(end);
        worker.pass(Duration.between(worker.now, taste.due()));
        worker.does(taste);
        assertThat(worker.due()).extracting(DueAct::kind).doesNotContain(Kind.TASTE);
    }

    @Test
    void vegetablesAreNotTestedForASet() {
        Worker worker = batch("vegetable-dark").until(Stage.REST);
        assertThat(worker.done).doesNotContain(Kind.SET_TEST);
        assertThat(worker.done).contains(Kind.TURN, Kind.JUDGE_SHADE);
    }

    @Test
    void everyStrainerBeforeTheLastIsAnActOfItsOwn() {
        Worker worker = batch("brown-beef").until(Stage.COOL);
        assertThat(worker.state().finish().passes()).isEqualTo(2);
        assertThat(worker.done).contains(Kind.PASS, Kind.STRAIN);
    }

    @Test
    void fatThatSetsIsLiftedFromTheColdStockBeforeItIsPutAway() {
        Worker worker = batch("brown-beef");
        DueAct degrease = worker.awaiting(Kind.DEGREASE);
        assertThat(worker.state().stage()).isEqualTo(Stage.STORE);
        assertThat(degrease.amount()).isPositive();
        worker.does(degrease);
        assertThat(worker.state().finish().degreased().orElseThrow().litres()).isEqualTo(degrease.amount());
    }

    @Test
    void whatWasRoastedDownMeetsTheWaterLighter() {
        Worker worker = batch("vegetable-dark");
        DueAct weigh = worker.awaiting(Kind.WEIGH);
        assertThat(weigh.amount()).isEqualTo(worker.plan.charge().run().raw().kg());
        worker.until(Stage.BRING_UP);
        double inThePot = worker.plan.charge().run().bed().mass().kg();
        assertThat(inThePot).isLessThan(weigh.amount());
        assertThat(worker.state().pot().contents().litres())
                .isCloseTo(worker.plan.charge().run().filling().litres(), within(0.01));
    }

    @Test
    void coldWaterStandsOnKelpBeforeTheBurnerIsLit() {
        Worker worker = batch("kelp-flake");
        DueAct light = worker.awaiting(Kind.LIGHT);
        assertThat(Duration.between(worker.state().course().get(0).at(), light.due()))
                .isEqualTo(Duration.ofMinutes(40));
    }

    @Test
    void aShadeBeforeAnythingIsInTheOvenIsRefused() {
        Worker worker = batch("brown-veal");
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> worker.log(new LookEvent.CardRead(worker.stamp(), JudgingCard.SHADE, 5)))
                .hasMessageContaining("oven");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> worker.log(new ChoreEvent.Turned(worker.stamp(), 0)))
                .hasMessageContaining("oven");
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> worker.log(new ChoreEvent.Finished(worker.stamp(), 55)))
                .hasMessageContaining("no such phase");
    }

    @Test
    void aHotterReadingThanTheSteepEndsNothingByItself() {
        Worker worker = batch("kelp-flake");
        DueAct hold = worker.awaiting(Kind.HOLD);
        worker.pass(Duration.between(worker.now, hold.due()));
        worker.does(hold);
        worker.log(new PotEvent.TemperatureRead(worker.stamp(), Temperature.ofCelsius(72)));
        worker.pass(Duration.ofMinutes(12));
        assertThat(worker.state().pot().temperature().celsius()).isBetween(64.0, 69.0);
    }
}
