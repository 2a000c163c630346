package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.flow.Ledger;
import potamos.core.formula.Book;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

class BatchTest extends LoggedBatch {

    @Test
    void eachActLeadsToTheNextStage() {
        assertThat(at(0).stage()).isEqualTo(Stage.WEIGH_IN);
        fillAndLight();
        assertThat(at(12).stage()).isEqualTo(Stage.BRING_UP);
        events.clear();
        simmer();
        assertThat(at(61).stage()).isEqualTo(Stage.SIMMER);
        log(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        assertThat(at(241).stage()).isEqualTo(Stage.REST);
        assertThat(at(265).stage()).isEqualTo(Stage.STRAIN);
        events.clear();
        coolInTime();
        assertThat(at(500).stage()).isEqualTo(Stage.STORE);
        log(new ShelfEvent.Stored(Samples.at(510), Volume.ofLitres(14), "cold store", Kept.COLD, "", 1));
        assertThat(at(511).stage()).isEqualTo(Stage.ON_SHELF);
        log(new ShelfEvent.Delivered(Samples.at(520), "soup", "call", Volume.ofLitres(14), ""));
        assertThat(at(521).stage()).isEqualTo(Stage.DONE);
    }

    @Test
    void theReplayedPotAgreesWithTheForecastWhenThePlanIsFollowed() {
        fillAndLight();
        int reached = 12 + (int) plan.charge().forecast().bringUpMin();
        log(new PotEvent.SimmerReached(Samples.at(reached)));
        double replayed = at(reached).pot().contents().litres();
        double planned = plan.charge().run().filling().litres()
                - plan.charge().forecast().course().get(1).evaporatedL();
        assertThat(replayed).isCloseTo(planned, within(0.05));
    }

    @Test
    void timeSteamsThePotDown() {
        simmer();
        double before = at(70).pot().liquor().litres();
        double after = at(130).pot().liquor().litres();
        assertThat(before - after).isCloseTo(at(70).pot().steamLPerH(), within(0.05));
    }

    @Test
    void aLevelReadingOverrulesTheModelAndTheLedgerKeepsTheDifference() {
        simmer();
        log(new PotEvent.LevelRead(Samples.at(120), Length.ofCm(14)));
        assertThat(at(120).pot().level().cm()).isCloseTo(26, within(1e-6));
    }

    @Test
    void theMeasuredYieldClosesTheLedgerWithWhatIsUnexplained() {
        strain();
        Ledger ledger = at(280).ledger();
        assertThat(ledger.yield().litres()).isEqualTo(14);
        assertThat(ledger.error().litres()).isCloseTo(0, within(1e-9));
        assertThat(ledger.unexplained().litres()).isNotZero();
    }

    @Test
    void notYetMovesTheEndAndEverythingAfterIt() {
        simmer();
        Instant before = Outlook.of(plan, at(235)).ready();
        log(new PotEvent.Judged(Samples.at(235), false, Duration.ofMinutes(30)));
        assertThat(Outlook.of(plan, at(235)).ready()).isEqualTo(before.plus(Duration.ofMinutes(30)));
    }

    @Test
    void aCorrectionReplacesAnEventAndKeepsBoth() {
        simmer();
        double wrong = at(70).pot().contents().litres();
        PotEvent.Filled fill = (PotEvent.Filled) events.get(1);
        log(new Amendment.Corrected(
                new BatchEvent.Stamp("c1", Samples.at(70).at(), "IV"),
                fill.stamp().id(),
                new PotEvent.Filled(fill.stamp(), fill.water().plus(Volume.ofLitres(1)), fill.temperature()),
                "misread the jug"));
        assertThat(at(70).pot().contents().litres() - wrong).isCloseTo(1, within(0.05));
        assertThat(events).contains(fill);
    }

    @Test
    void aWithdrawnEventDidNotHappen() {
        simmer();
        log(new Amendment.Withdrawn(
                new BatchEvent.Stamp("w1", Samples.at(61).at(), "IV"), "e" + reached(), "tapped too early"));
        assertThat(at(62).stage()).isEqualTo(Stage.BRING_UP);
    }

    @Test
    void eventsThatArriveLateAreTakenInTheOrderInWhichTheyHappened() {
        simmer();
        BatchState inOrder = at(130);
        List<BatchEvent> shuffled = new ArrayList<>(events);
        java.util.Collections.reverse(shuffled);
        BatchState late = Batch.replay(plan, shuffled, Samples.EIGHT.plus(Duration.ofMinutes(130)));
        assertThat(late).isEqualTo(inOrder);
    }

    @Test
    void nothingIsStrainedBeforeItIsJudgedOrTwice() {
        simmer();
        assertThatThrownBy(() -> log(new FinishEvent.Strained(Samples.at(200), Volume.ofLitres(14), 2, false)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("judge");
        events.clear();
        strain();
        assertThatThrownBy(() -> log(new FinishEvent.Strained(Samples.at(275), Volume.ofLitres(14), 2, false)))
                .hasMessageContaining("already strained");
    }

    @Test
    void moreThanThePotHeldCannotComeOut() {
        simmer();
        log(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        assertThatThrownBy(() -> log(new FinishEvent.Strained(Samples.at(262), Volume.ofLitres(90), 2, false)))
                .isInstanceOfSatisfying(Refusal.class, refusal -> {
                    assertThat(refusal.field()).isEqualTo("litres");
                    assertThat(refusal.high()).isBetween(14.0, 42.0);
                });
    }

    @Test
    void aTopUpThatWouldRunOverIsRefusedWithTheRoomLeft() {
        simmer();
        assertThatThrownBy(() ->
                        log(new PotEvent.ToppedUp(Samples.at(70), Volume.ofLitres(60), Temperature.ofCelsius(85))))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.high()).isPositive());
    }

    @Test
    void aFailedCoolingIsReheatedOnceOrThrownAwayButNeverStored() {
        strain();
        coolTo(273, 80);
        coolTo(300, 56);
        coolTo(360, 40);
        coolTo(430, 30);
        assertThat(at(430).cooling().verdict().orElseThrow().overall()).isEqualTo(Outcome.FAILED);
        assertThat(due(430).get(0).kind()).isEqualTo(Kind.RESCUE);
        assertThatThrownBy(() -> log(
                        new ShelfEvent.Stored(Samples.at(431), Volume.ofLitres(14), "cold store", Kept.COLD, "", 1)))
                .hasMessageContaining("reheat");
        BatchState reheated = log(new ColdEvent.Reheated(Samples.at(440), Temperature.ofCelsius(75)));
        assertThat(reheated.cooling().verdict().orElseThrow().overall()).isNotEqualTo(Outcome.FAILED);
        coolTo(460, 57);
        coolTo(600, 30);
        assertThatThrownBy(() -> log(new ColdEvent.Reheated(Samples.at(610), Temperature.ofCelsius(75))))
                .hasMessageContaining("once already");
        log(new ShelfEvent.Discarded(Samples.at(620), Volume.ofLitres(14), "too slow twice", ""));
        assertThat(at(621).stage()).isEqualTo(Stage.DONE);
    }

    @Test
    void dueActsFollowTheWork() {
        assertThat(due(0)).extracting(DueAct::kind).containsExactly(Kind.WEIGH);
        fillAndLight();
        assertThat(due(20)).extracting(DueAct::kind).containsExactly(Kind.FIRST_FOAM, Kind.TURN_DOWN);
        assertThat(due(20).get(0).due()).isAfter(at(20).now());
        events.clear();
        simmer();
        assertThat(due(62)).extracting(DueAct::kind).contains(Kind.SKIM, Kind.TOP_UP, Kind.ADD, Kind.JUDGE);
        assertThat(due(200)).anySatisfy(act -> {
            assertThat(act.parts()).containsExactly("onion", "carrot", "celery");
            assertThat(act.lateAt(at(200).now())).isTrue();
        });
    }

    @Test
    void whatIsExpectedStaysNearThePlanWhileThePlanIsFollowedAndFallsWhenTheTopUpIsForgotten() {
        double planned = plan.charge().forecast().yield().mid();
        simmer();
        assertThat(Expectation.litresOut(plan, at(70)).mid()).isCloseTo(planned, within(0.8));
        assertThat(Expectation.litresOut(plan, at(238)).mid()).isLessThan(planned - 1.5);
    }

    @Test
    void skimmingRelaxesAfterTheFirstHour() {
        simmer();
        Duration early = Duration.between(Samples.at(reached() - 2).at(), skim(62).due());
        assertThat(early).isEqualTo(Duration.ofMinutes(15));
        log(new PotEvent.Skimmed(Samples.at(140), Volume.ofLitres(0.05)));
        assertThat(Duration.between(Samples.at(140).at(), skim(141).due())).isEqualTo(Duration.ofMinutes(45));
    }

    @Test
    void aPotThatWasTurnedDownBeforeItWasSkimmedStillHasItsFoam() {
        fillAndLight();
        log(new PotEvent.SimmerReached(Samples.at(60)));
        assertThat(skim(62).due()).isEqualTo(Samples.at(60).at());
        log(new PotEvent.Skimmed(Samples.at(63), Volume.ofLitres(0.05)));
        assertThat(skim(64).due()).isEqualTo(Samples.at(78).at());
    }

    @Test
    void aBareBedIsToppedUpAtOnce() {
        simmer();
        log(new PotEvent.LevelRead(Samples.at(150), Length.ofCm(26)));
        DueAct first = due(150).get(0);
        assertThat(first.kind()).isEqualTo(Kind.TOP_UP);
        assertThat(first.due()).isEqualTo(at(150).now());
        assertThat(first.amount()).isGreaterThan(5);
    }

    /** A short simmer is not topped up by its plan; one that boiled dry is filled to its mark all the same. */
    @Test
    void aBedThatStandsBareGetsAllThatIsMissing() {
        Plan fumet = Samples.plan(Book.of("fish-fumet"));
        List<BatchEvent> forgotten = List.of(
                new ChoreEvent.WeighedIn(
                        Samples.at(5),
                        BatchEvent.BED,
                        fumet.charge().run().bed().mass(),
                        "L1"),
                new PotEvent.Filled(Samples.at(10), fumet.charge().water(), Temperature.ofCelsius(12)),
                new PotEvent.HeatOn(Samples.at(12)));
        BatchState dry = Batch.replay(fumet, forgotten, Samples.at(240).at());
        assertThat(dry.pot().bedTop()).isGreaterThan(dry.pot().level());
        DueAct topUp = DueActs.of(fumet, dry).stream()
                .filter(act -> act.kind() == Kind.TOP_UP)
                .findFirst()
                .orElseThrow();
        assertThat(topUp.amount())
                .isCloseTo(dry.pot().toMark().litres(), within(1e-9))
                .isGreaterThan(1);
        assertThat(topUp.due()).isBetween(dry.pot().simmers().orElseThrow(), dry.now());
    }

    /** What is forgotten grows late from when it was due, and not from now on for ever. */
    @Test
    void aTopUpThatIsForgottenIsLate() {
        simmer();
        readLevel(70, 1);
        Instant due = topUp(71).due();
        int then = (int) Duration.between(Samples.at(0).at(), due).toMinutes();
        assertThat(then).isBetween(75, 150);
        DueAct forgotten = topUp(then + 45);
        assertThat(forgotten.due()).isBetween(due.minusSeconds(600), due.plusSeconds(600));
        assertThat(forgotten.lateAt(at(then + 45).now())).isTrue();
        assertThat(forgotten.amount()).isGreaterThan(topUp(71).amount());
        // Who reads the level knows it from then on; who tops it up begins anew.
        readLevel(then + 46, 0);
        assertThat(topUp(then + 47).due()).isEqualTo(Samples.at(then + 46).at());
        log(new PotEvent.ToppedUp(
                Samples.at(then + 48), Volume.ofLitres(forgotten.amount()), Temperature.ofCelsius(12)));
        assertThat(topUp(then + 49).due()).isAfter(at(then + 49).now());
    }

    private void readLevel(int minute, double lowerCm) {
        Length expected = plan.charge().run().vessel().belowRim(at(minute).pot().level());
        log(new PotEvent.LevelRead(Samples.at(minute), Length.ofCm(expected.cm() + lowerCm)));
    }

    /** Then it can be put away; and where it is not yet there, it is not asked for at every moment. */
    @Test
    void aStockIsReadWhenItShouldBeCold() {
        strain();
        coolTo(273, 74);
        coolTo(280, 40);
        coolTo(290, 14);
        CoolingVerdict verdict = at(291).cooling().verdict().orElseThrow();
        Instant cold = verdict.stages().get(1).projected().orElseThrow();
        assertThat(cold).isBetween(Samples.at(296).at(), Samples.at(320).at());
        assertThat(first(Kind.READ_COOLING, 291).due()).isEqualTo(cold);
        coolTo(310, 5.2);
        assertThat(first(Kind.READ_COOLING, 311).due())
                .isAfterOrEqualTo(Samples.at(315).at());
    }

    @Test
    void aPlanToBlanchAsksForIt() {
        Plan blanching = Samples.plan(Book.whiteChicken().blanched(true));
        List<BatchEvent> weighed =
                List.of(new ChoreEvent.WeighedIn(Samples.at(5), BatchEvent.BED, Mass.ofKg(10), "L1"));
        assertThat(Batch.replay(blanching, weighed, Samples.at(6).at()).stage()).isEqualTo(Stage.PREPARE);
        List<BatchEvent> rinsed = new ArrayList<>(weighed);
        rinsed.add(new ChoreEvent.Finished(Samples.at(15), 0));
        assertThat(Batch.replay(blanching, rinsed, Samples.at(16).at()).stage()).isEqualTo(Stage.BLANCH);
    }

    @ParameterizedTest
    @MethodSource("potamos.core.batch.RandomDays#seeds")
    @Tag("days")
    void whateverIsAcceptedLeavesFiniteFiguresAndAClosedLedger(long seed) {
        RandomDays.Day day = RandomDays.run(plan, seed);
        BatchState state = day.state();
        assertThat(state.ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(state.pot().liquor().litres()).isNotNegative();
        assertThat(state.shelf().left().litres()).isGreaterThan(-1e-6);
        assertThat(day.accepted()).isGreaterThan(3);
        assertThat(DueActs.of(plan, state))
                .allSatisfy(act -> assertThat(act.amount()).isFinite().isNotNegative());
    }

    private DueAct topUp(int minute) {
        return first(Kind.TOP_UP, minute);
    }

    private DueAct skim(int minute) {
        return first(Kind.SKIM, minute);
    }

    private DueAct first(Kind kind, int minute) {
        return due(minute).stream()
                .filter(act -> act.kind() == kind)
                .findFirst()
                .orElseThrow();
    }
}
