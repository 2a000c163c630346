package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.flow.Ledger;
import potamos.core.flow.Why;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What is weighed and read moves what is expected, in the direction in which it must. */
class ConditionedTest {

    private static final double LITRES = 12;

    private static Formula held(boolean hold) {
        Formula white = Book.whiteChicken();
        List<Phase> procedure = white.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(
                                s.band(),
                                s.usual(),
                                s.least(),
                                s.most(),
                                s.cover(),
                                new PotPhase.TopUp(
                                        hold ? Keeps.HELD : Keeps.LEFT,
                                        s.topUp().drop(),
                                        s.topUp().water()),
                                s.skim())
                        : phase)
                .toList();
        return white.withProcedure(procedure);
    }

    /** An hour and a half into its simmer, everything done that was due. */
    private static Worker simmering(boolean hold) {
        Worker worker = new Worker(held(hold), LITRES).until(Stage.SIMMER);
        for (int i = 0; i < 9; i++) {
            worker.passToNext(Duration.ofMinutes(10));
            while (worker.workOnce()) {
                // As planned.
            }
        }
        return worker;
    }

    private static void readLower(Worker worker, double cm) {
        double below = worker.plan
                .charge()
                .run()
                .vessel()
                .belowRim(worker.state().pot().level())
                .cm();
        worker.log(worker.level(below + cm));
    }

    private static double evaporated(BatchState state) {
        return state.ledger().of(Ledger.Cause.EVAPORATED).litres();
    }

    private static double toppedUpAhead(Worker worker) {
        Worker on = worker.another().until(Stage.STRAIN);
        return on.events.stream()
                .filter(PotEvent.ToppedUp.class::isInstance)
                .mapToDouble(event -> ((PotEvent.ToppedUp) event).water().litres())
                .sum();
    }

    @Test
    void whatALevelSaysIsMissingHasSteamedAwayAndIsNotPromisedTwice() {
        Worker worker = simmering(false);
        BatchState before = worker.state();
        readLower(worker, 1);
        BatchState after = worker.state();
        double gone = before.pot().contents().litres() - after.pot().contents().litres();
        assertThat(gone).isBetween(1.1, 1.3);
        assertThat(evaporated(after) - evaporated(before)).isCloseTo(gone, within(1e-6));
        assertThat(after.pot().kappa().mid())
                .isGreaterThan(1.08 * before.pot().kappa().mid());
        // It comes out short by what has gone, and by what goes on going.
        assertThat(after.expected().litres().mid())
                .isLessThan(before.expected().litres().mid() - gone);
        assertThat(after.pot().steamLPerH()).isGreaterThan(before.pot().steamLPerH() * 1.08);
        assertThat(after.ledger().error().litres()).isCloseTo(0, within(1e-9));
    }

    @Test
    void aHeldPotComesBackToItsMarkAndItsTopUpsGrow() {
        Worker worker = simmering(true);
        double promised = worker.state().expected().litres().mid();
        double ahead = toppedUpAhead(worker);
        readLower(worker, 1);
        assertThat(worker.state().expected().litres().mid()).isCloseTo(promised, within(0.03 * promised));
        assertThat(worker.state().expected().litres().mid()).isLessThanOrEqualTo(promised + 0.02);
        assertThat(toppedUpAhead(worker)).isGreaterThan(ahead + 1.1);
    }

    @Test
    void aHigherReadingTurnsTheSign() {
        Worker worker = simmering(false);
        BatchState before = worker.state();
        readLower(worker, -0.5);
        BatchState after = worker.state();
        assertThat(evaporated(after)).isLessThan(evaporated(before));
        assertThat(after.pot().kappa().mid()).isLessThan(before.pot().kappa().mid());
        assertThat(after.expected().litres().mid())
                .isGreaterThan(before.expected().litres().mid());
        assertThat(after.expected().litres().high())
                .isLessThan(after.pot().liquor().litres());
    }

    @Test
    void readingsNarrowWhatIsNotKnownAndOldOnesFade() {
        Worker worker = simmering(false);
        double sd = worker.state().pot().kappa().sd();
        readLower(worker, 0);
        assertThat(worker.state().pot().kappa().sd()).isLessThan(sd);
        readLower(worker, 1.5);
        double misled = worker.state().pot().kappa().mid();
        // Ten minutes later somebody looks again: it was a slip. Both count until the next, which settles it.
        worker.pass(Duration.ofMinutes(10));
        readLower(worker, -1.5);
        double doubted = worker.state().pot().kappa().mid();
        assertThat(doubted).isLessThan(misled);
        worker.pass(Duration.ofMinutes(60));
        readLower(worker, -0.3);
        assertThat(worker.state().pot().kappa().mid()).isLessThan(doubted);
    }

    @Test
    void whatNoSteamExplainsIsBookedAsTheReadingThatItIs() {
        Worker worker = simmering(false);
        BatchState before = worker.state();
        readLower(worker, -4);
        BatchState after = worker.state();
        assertThat(after.ledger().of(Ledger.Cause.READ_HIGHER).litres()).isGreaterThan(3);
        assertThat(after.pot().kappa()).isEqualTo(before.pot().kappa());
        assertThat(after.ledger().error().litres()).isCloseTo(0, within(1e-9));
        worker.pass(Duration.ofMinutes(1));
        readLower(worker, 9);
        BatchState lower = worker.state();
        assertThat(lower.ledger().of(Ledger.Cause.READ_LOWER).litres()).isGreaterThan(3);
        assertThat(lower.pot().kappa()).isEqualTo(before.pot().kappa());
        assertThat(lower.expected().litres().mid())
                .isLessThan(before.expected().litres().mid());
    }

    /** A ruler in a hot pot reads the hot volume: reading what is expected changes nothing, whatever the temperature. */
    @ParameterizedTest
    @ValueSource(doubles = {40, 70, 93})
    void aReadingAsExpectedChangesNothing(double celsius) {
        Worker worker = simmering(false);
        worker.log(new PotEvent.TemperatureRead(worker.stamp(), Temperature.ofCelsius(celsius)));
        BatchState before = worker.state();
        readLower(worker, 0);
        BatchState after = worker.state();
        assertThat(after.pot().contents().litres())
                .isCloseTo(before.pot().contents().litres(), within(1e-9));
        assertThat(after.pot().level().cm()).isCloseTo(before.pot().level().cm(), within(1e-9));
        assertThat(evaporated(after)).isCloseTo(evaporated(before), within(1e-9));
    }

    @Test
    void lessBonesAreLessWaterAndLessStockBeforeTheWaterIsDrawn() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES);
        double planned = worker.plan.charge().run().raw().kg();
        double weighed = planned * 7 / 9.05;
        worker.log(new ChoreEvent.WeighedIn(worker.stamp(), BatchEvent.BED, Mass.ofKg(weighed), "L7"));
        Plan stands = Batch.standing(worker.plan, worker.events);
        assertThat(stands.charge().run().raw().kg()).isCloseTo(weighed, within(1e-9));
        assertThat(stands.charge().water().litres() / weighed)
                .isCloseTo(worker.plan.charge().water().litres() / planned, within(1e-9));
        double out = stands.charge().forecast().yield().mid();
        assertThat(out).isBetween(LITRES * 0.7, LITRES * 0.8);
        assertThat(stands.charge().levels().filled().cm())
                .isLessThan(worker.plan.charge().levels().filled().cm() - 3);
        double onions = part(stands, "onion");
        assertThat(onions / part(worker.plan, "onion")).isCloseTo(7 / 9.05, within(1e-9));
        assertThat(Expectation.litresOut(stands, worker.state()).mid()).isEqualTo(out);
        DueAct fill = DueActs.of(stands, worker.state()).stream()
                .filter(act -> act.kind() == Kind.FILL)
                .findFirst()
                .orElseThrow();
        assertThat(fill.amount()).isCloseTo(stands.charge().water().litres(), within(1e-9));
        // Asked twice it is the same plan.
        assertThat(Batch.standing(stands, worker.events)).isEqualTo(stands);
    }

    /** Out of two boxes it is the same as at once on the scale; what is taken back is not in the pot. */
    @Test
    void whatIsTakenOutOfSeveralBoxesAddsUp() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES);
        worker.log(new ChoreEvent.Took(worker.stamp(), BatchEvent.BED, Mass.ofKg(4), "A"));
        ChoreEvent.Took second = new ChoreEvent.Took(worker.stamp(), BatchEvent.BED, Mass.ofKg(3), "B");
        worker.log(second);
        assertThat(worker.state().weighed().get(BatchEvent.BED).kg()).isEqualTo(7);
        Plan boxes = Batch.standing(worker.plan, worker.events);
        Worker scale = new Worker(Book.whiteChicken(), LITRES);
        scale.log(new ChoreEvent.WeighedIn(scale.stamp(), BatchEvent.BED, Mass.ofKg(7), ""));
        assertThat(boxes.charge())
                .isEqualTo(Batch.standing(scale.plan, scale.events).charge());
        worker.log(new Amendment.Withdrawn(worker.stamp(), second.stamp().id(), ""));
        assertThat(Batch.standing(worker.plan, worker.events)
                        .charge()
                        .run()
                        .raw()
                        .kg())
                .isEqualTo(4);
        // What is weighed as a whole stands in the place of what was taken.
        worker.log(new ChoreEvent.WeighedIn(worker.stamp(), BatchEvent.BED, Mass.ofKg(6), ""));
        assertThat(worker.state().weighed().get(BatchEvent.BED).kg()).isEqualTo(6);
    }

    private static double part(Plan plan, String id) {
        return plan.charge().measures().stream()
                .filter(measure -> measure.part().id().equals(id))
                .findFirst()
                .orElseThrow()
                .mass()
                .kg();
    }

    @Test
    void theWaysOnFromABedThatIsNotAsPlannedAreToldWithWhatTheyGive() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES);
        Mass planned = worker.plan.charge().run().raw();
        assertThat(Weighing.of(worker.plan, worker.state())).isEmpty();
        worker.log(new ChoreEvent.WeighedIn(worker.stamp(), BatchEvent.BED, planned.times(0.75), ""));
        Weighing less = Weighing.of(worker.plan, worker.state()).orElseThrow();
        assertThat(less.ways())
                .extracting(Weighing.Way::kind)
                .containsExactly(Weighing.Kind.SAME_RATIO, Weighing.Kind.SAME_WATER, Weighing.Kind.FETCH_MORE);
        Weighing.Way ratio = less.ways().get(0);
        Weighing.Way water = less.ways().get(1);
        Weighing.Way fetch = less.ways().get(2);
        assertThat(ratio.out().mid()).isLessThan(0.8 * LITRES);
        assertThat(ratio.gelatinGPerL()).isCloseTo(fetch.gelatinGPerL(), within(0.5));
        assertThat(water.out().mid()).isCloseTo(LITRES, within(1.0));
        assertThat(water.gelatinGPerL()).isLessThan(0.85 * fetch.gelatinGPerL());
        assertThat(fetch.out().mid()).isCloseTo(LITRES, within(1e-6));
        assertThat(fetch.bed()).isEqualTo(planned);
        Worker more = new Worker(Book.whiteChicken(), LITRES);
        more.log(new ChoreEvent.WeighedIn(more.stamp(), BatchEvent.BED, planned.times(1.2), ""));
        assertThat(Weighing.of(more.plan, more.state()).orElseThrow().ways())
                .extracting(Weighing.Way::kind)
                .containsExactly(Weighing.Kind.SAME_RATIO, Weighing.Kind.SAME_WATER, Weighing.Kind.SPLIT_OFF);
        more.log(new PotEvent.Filled(more.stamp(), Volume.ofLitres(15), Temperature.ofCelsius(12)));
        assertThat(Weighing.of(more.plan, more.state())).isEmpty();
    }

    @Test
    void partsAsWeighedTakeTheirRoomAndTheirLiquor() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES);
        double onions = part(worker.plan, "onion");
        worker.log(new ChoreEvent.WeighedIn(worker.stamp(), "onion", Mass.ofKg(3 * onions), ""));
        Plan stands = Batch.standing(worker.plan, worker.events);
        assertThat(part(stands, "onion")).isCloseTo(3 * onions, within(1e-12));
        assertThat(stands.charge().run().raw())
                .isEqualTo(worker.plan.charge().run().raw());
        double heldMore =
                stands.charge().forecast().ledger().of(Ledger.Cause.UPTAKE).litres()
                        - worker.plan
                                .charge()
                                .forecast()
                                .ledger()
                                .of(Ledger.Cause.UPTAKE)
                                .litres();
        assertThat(heldMore).isCloseTo(2 * onions * 0.25, within(1e-9));
    }

    @Test
    void aPotThatNobodyTurnsDownGoesOnHeatingAndItsActsGrowLate() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES).until(Stage.BRING_UP);
        double minutes = worker.plan.charge().forecast().bringUpMin();
        worker.pass(Duration.ofMinutes((long) minutes + 120));
        BatchState state = worker.state();
        double boils = worker.plan.charge().run().air().boilingPoint().celsius();
        assertThat(state.pot().temperature().celsius()).isGreaterThan(boils - 1);
        assertThat(evaporated(state)).isGreaterThan(8);
        assertThat(state.pot().boiledMin()).isBetween(100.0, 121.0);
        List<DueAct> due = DueActs.of(worker.plan, state);
        // It boils dry: it is turned down before it is topped up, and both before its foam.
        assertThat(due).extracting(DueAct::kind).startsWith(Kind.TURN_DOWN, Kind.TOP_UP);
        for (DueAct act : due.stream().filter(act -> act.kind() != Kind.TOP_UP).toList()) {
            Duration late = Duration.between(act.due(), worker.now);
            assertThat(late.toMinutes()).as("%s", act.kind()).isBetween(115L, 130L);
            assertThat(worker.now).isAfter(act.costsFrom());
        }
        assertThat(ClaritySoFar.of(worker.plan, state).soFar().index()).isLessThan(10);
        worker.pass(Duration.ofMinutes(5));
        assertThat(worker.due().get(0).due()).isEqualTo(due.get(0).due());
    }

    @Test
    void whatAThermometerTakesBackHasNotHappenedYet() {
        Worker worker = new Worker(Book.whiteChicken(), LITRES).until(Stage.BRING_UP);
        worker.pass(Duration.ofMinutes((long) worker.plan.charge().forecast().bringUpMin() + 10));
        assertThat(worker.state().pot().simmers()).isPresent();
        worker.log(new PotEvent.TemperatureRead(worker.stamp(), Temperature.ofCelsius(60)));
        assertThat(worker.state().pot().simmers()).isEmpty();
        assertThat(worker.state().pot().foams()).isEmpty();
        assertThat(worker.due()).allSatisfy(act -> assertThat(act.due()).isAfter(worker.now));
    }

    @Test
    void aPotReadAtTheBoilSteamsWithItsBurnersHeatUntilItIsTurnedDown() {
        Worker worker = simmering(false);
        double before = evaporated(worker.state());
        double boiled = worker.state().pot().boiledMin();
        worker.log(new PotEvent.TemperatureRead(worker.stamp(), Temperature.ofCelsius(99.9)));
        assertThat(worker.due().get(0).kind()).isEqualTo(Kind.TURN_DOWN);
        assertThat(worker.due().get(0).due()).isEqualTo(worker.now);
        worker.pass(Duration.ofMinutes(60));
        BatchState hour = worker.state();
        // 4.5 kW less what the walls take, at 2 257 kJ for each litre.
        assertThat(evaporated(hour) - before).isBetween(5.9, 6.8);
        assertThat(hour.pot().steamLPerH()).as("as it says itself").isCloseTo(evaporated(hour) - before, within(0.3));
        assertThat(hour.pot().boiledMin() - boiled).isCloseTo(60, within(1.0));
        assertThat(ClaritySoFar.of(worker.plan, hour).soFar().index())
                .isLessThan(ClaritySoFar.of(worker.plan, hour).planned().index() - 5);
        worker.log(new PotEvent.TurnedDown(worker.stamp()));
        worker.pass(Duration.ofMinutes(60));
        assertThat(evaporated(worker.state()) - evaporated(hour)).isLessThan(2);
        assertThat(worker.due()).extracting(DueAct::kind).doesNotContain(Kind.TURN_DOWN);
    }

    @Test
    void whatEndsOrSavesAPotComesBeforeWhatMeasuresIt() {
        Worker worker = simmering(true);
        worker.pass(Duration.ofHours(4));
        List<DueAct> due = worker.due();
        assertThat(due).extracting(DueAct::kind).contains(Kind.READ_LEVEL, Kind.JUDGE);
        List<Kind> late = due.stream()
                .filter(act -> act.lateAt(worker.now))
                .map(DueAct::kind)
                .toList();
        assertThat(late.indexOf(Kind.JUDGE)).isLessThan(late.indexOf(Kind.READ_LEVEL));
        assertThat(late.indexOf(Kind.JUDGE)).isLessThan(late.indexOf(Kind.READ_TEMPERATURE));
        assertThat(late.get(0).measures()).isFalse();
    }

    @Test
    void aForgottenPotIsNeverPromisedMoreThanIsInIt() {
        for (int hours = 1; hours <= 20; hours++) {
            Worker worker = simmering(false);
            worker.pass(Duration.ofHours(hours));
            BatchState state = worker.state();
            assertThat(state.expected().litres().high())
                    .isLessThanOrEqualTo(state.pot().liquor().litres() + 0.5);
            assertThat(state.expected().litres().low()).isNotNegative();
        }
    }

    @Test
    void aLongLetDownIsNeverPromisedMoreThanWasDrawn() {
        Formula long1100 = held(false).simmeredFor(Duration.ofMinutes(1100));
        var charge = ChargeSolver.solve(
                long1100, Samples.pot(Samples.cylinder(40, 45)), new Goal.WaterDrawn(Volume.ofLitres(17)));
        assertThat(charge.forecast().yield().high()).isLessThan(17 + 1.0);
        assertThat(charge.forecast().yield().low()).isNotNegative();
    }

    @Test
    void aLevelBelowWhatTheBedTakesLeavesNoLiquorAndNoNonsense() {
        Worker worker = simmering(false);
        worker.log(worker.level(44));
        BatchState state = worker.state();
        assertThat(state.pot().liquor().litres()).isZero();
        assertThat(state.expected().litres().mid()).isZero();
        assertThat(state.ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(Length.ofCm(44).cm()).isPositive();
    }

    /** What an expectation rests on, and what of it is not known: once the steam has been read, less of it is. */
    @Test
    void theReasonsAddUpAndSayWhatTheyRestOn() {
        Worker worker = simmering(false);
        Expected before = worker.state().expected();
        assertThat(sum(before)).isCloseTo(before.litres().mid(), within(0.05));
        assertThat(before.why().stream().mapToDouble(Why::bandShare).sum()).isCloseTo(1, within(1e-6));
        assertThat(reason(before, Ledger.Cause.WATER).basis()).isEqualTo(Why.Basis.MEASURED);
        assertThat(reason(before, Ledger.Cause.UPTAKE).basis()).isEqualTo(Why.Basis.BOOK);
        Worker unread = new Worker(held(false), LITRES).until(Stage.SIMMER);
        Expected atFirst = unread.state().expected();
        assertThat(reason(atFirst, Ledger.Cause.EVAPORATED).basis()).isEqualTo(Why.Basis.BOOK);
        assertThat(reason(before, Ledger.Cause.EVAPORATED).basis()).isEqualTo(Why.Basis.MEASURED);
        assertThat(before.litres().sd()).isLessThan(atFirst.litres().sd());
        List<Why> planned = Expectation.why(worker.plan, new Worker(held(false), LITRES).state());
        assertThat(planned.stream().mapToDouble(Why::bandShare).sum()).isBetween(0.9, 1.0 + 1e-9);
        worker.until(Stage.STRAIN);
        worker.log(new FinishEvent.Strained(worker.stamp(), Volume.ofLitres(7), 2, false));
        assertThat(worker.state().expected().why())
                .allSatisfy(why -> assertThat(why.bandShare()).isZero());
    }

    private static double sum(Expected expected) {
        return expected.why().stream()
                .mapToDouble(why -> why.term().inward()
                        ? why.litres().litres()
                        : -why.litres().litres())
                .sum();
    }

    private static Why reason(Expected expected, Ledger.Cause term) {
        return expected.why().stream()
                .filter(why -> why.term() == term)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatRanOverTheRimIsGoneAndThePotBoilsOn() {
        Worker worker = simmering(false);
        BatchState before = worker.state();
        worker.log(new MishapEvent.BoiledOver(worker.stamp(), Volume.ofLitres(1.5)));
        BatchState after = worker.state();
        assertThat(before.pot().liquor().litres() - after.pot().liquor().litres())
                .isCloseTo(1.5, within(1e-9));
        assertThat(after.ledger().of(Ledger.Cause.SPILT).litres()).isCloseTo(1.5, within(1e-9));
        assertThat(after.ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(after.expected().litres().mid())
                .isCloseTo(before.expected().litres().mid() - 1.5, within(0.2));
        assertThat(worker.due().get(0).kind()).isEqualTo(Kind.TURN_DOWN);
        worker.pass(Duration.ofMinutes(10));
        assertThat(worker.state().pot().boiledMin()).isCloseTo(before.pot().boiledMin() + 10, within(0.5));
    }

    @Test
    void aLidThatWasLeftOnKeepsTheSteamIn() {
        Worker open = simmering(false);
        Worker lid = open.another();
        lid.log(new MishapEvent.LidOn(lid.stamp()));
        open.pass(Duration.ofMinutes(60));
        lid.pass(Duration.ofMinutes(60));
        double steamed = evaporated(open.state()) - evaporated(lid.state());
        assertThat(steamed).isBetween(0.6, 1.2);
        lid.log(new MishapEvent.LidOff(lid.stamp()));
        assertThat(lid.state().pot().steamLPerH()).isCloseTo(open.state().pot().steamLPerH(), within(0.02));
    }

    @Test
    void whatWasPickedOutGivesNothing() {
        Worker whole = new Worker(Book.of("brown-veal"), 6).until(Stage.FILL);
        Worker picked = whole.another();
        double bed = picked.state().weighed().get(BatchEvent.BED).kg();
        picked.log(new MishapEvent.PickedOut(picked.stamp(), Mass.ofKg(bed * 0.2)));
        whole.until(Stage.REST);
        picked.until(Stage.REST);
        assertThat(picked.state().pot().gelatinGPerL())
                .isCloseTo(0.75 * whole.state().pot().gelatinGPerL(), within(1.5));
    }

    @Test
    void saltThatWentInByMistakeStaysThroughTheReduction() {
        Worker worker = simmering(true);
        assertThat(Expectation.salted(worker.plan, worker.state())).isEmpty();
        worker.log(new MishapEvent.Salted(worker.stamp(), Mass.ofKg(0.06)));
        double expected = worker.state().expected().litres().mid();
        double planned = worker.plan.charge().character().salt().gPerL();
        double salty =
                Expectation.salted(worker.plan, worker.state()).orElseThrow().gPerL();
        assertThat(salty).isCloseTo(60 / expected + planned, within(0.02 * salty));
        // A second hand in the salt box adds to the first.
        worker.log(new MishapEvent.Salted(worker.stamp(), Mass.ofKg(0.06)));
        assertThat(Expectation.salted(worker.plan, worker.state()).orElseThrow().gPerL() - planned)
                .isCloseTo(2 * (salty - planned), within(0.02 * salty));
    }

    @Test
    void whatIsDroppedOrPouredElsewhereCannotBePutAway() {
        Worker worker = simmering(true).until(Stage.COOL);
        double out = worker.state().out().orElseThrow().litres();
        worker.log(new MishapEvent.Dropped(worker.stamp(), Volume.ofLitres(2)));
        worker.log(new MishapEvent.WrongPan(worker.stamp(), Volume.ofLitres(1.5), "the fumet"));
        assertThat(worker.state().shelf().spoiled().litres()).isEqualTo(3.5, within(1e-9));
        double proposed =
                new Proposals(worker.plan, worker.state()).litresLeft().litres();
        assertThat(proposed).isCloseTo(out - 3.5, within(1e-9));
        worker.log(new MishapEvent.Dropped(worker.stamp(), Volume.ofLitres(out - 3.5)));
        assertThat(worker.state().stage()).isEqualTo(Stage.DONE);
    }

    @Test
    void aProbeThatContradictsThePotIsAskedAboutUntilItIsRead() {
        Worker worker = simmering(true);
        for (int i = 0; i < 3; i++) {
            worker.passToNext(Duration.ofMinutes(10));
        }
        double reckoned = worker.state().pot().temperature().celsius();
        Optional<Temperature> near = Optional.of(Temperature.ofCelsius(reckoned - 3));
        assertThat(kinds(DueActs.of(worker.plan, worker.state(), near)))
                .isEqualTo(kinds(DueActs.of(worker.plan, worker.state())));
        Optional<Temperature> cold = Optional.of(Temperature.ofCelsius(reckoned - 12));
        DueAct asked = DueActs.of(worker.plan, worker.state(), cold).stream()
                .filter(act -> act.kind() == Kind.READ_TEMPERATURE)
                .findFirst()
                .orElseThrow();
        assertThat(asked.due()).isEqualTo(worker.state().now());
        worker.log(new PotEvent.TemperatureRead(worker.stamp(), Temperature.ofCelsius(reckoned)));
        assertThat(kinds(DueActs.of(worker.plan, worker.state(), cold)))
                .isEqualTo(kinds(DueActs.of(worker.plan, worker.state())));
    }

    private static List<Kind> kinds(List<DueAct> acts) {
        return acts.stream().map(DueAct::kind).toList();
    }
}
