package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.cooling.CoolingVerdict.Way;
import potamos.core.cooling.Medium;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/** What a record tells of the cooling of its batch, however the record came to say so. The heat ends at 240 and the pot is strained at 245. */
class CoolingLogTest {

    private final Plan plan = Samples.plan();
    private final List<BatchEvent> events = new ArrayList<>();

    private static Instant minute(int minute) {
        return Samples.EIGHT.plus(Duration.ofMinutes(minute));
    }

    private static BatchEvent.Stamp stamp(String what, int minute, int entered) {
        return new BatchEvent.Stamp(what + minute, minute(minute), "IV", minute(entered));
    }

    @BeforeEach
    void simmering() {
        events.add(new PotEvent.Filled(stamp("filled", 10, 10), plan.charge().water(), Temperature.ofCelsius(12)));
        events.add(new PotEvent.HeatOn(stamp("lit", 12, 12)));
        inThePot(30, 40);
        events.add(new PotEvent.SimmerReached(stamp("reached", 60, 60)));
    }

    private void inThePot(int minute, double celsius) {
        events.add(new PotEvent.TemperatureRead(stamp("pot", minute, minute), Temperature.ofCelsius(celsius), false));
    }

    private void strained() {
        events.add(new PotEvent.Judged(stamp("judged", 240, 240), true, Duration.ZERO));
        events.add(new FinishEvent.Strained(stamp("strained", 245, 245), Volume.ofLitres(14), 2, false));
    }

    private void read(int minute, double celsius, int entered, boolean byProbe) {
        events.add(new ColdEvent.CoolingRead(stamp("read", minute, entered), Temperature.ofCelsius(celsius), byProbe));
    }

    private void read(int minute, double celsius) {
        read(minute, celsius, minute, false);
    }

    private void corrected(String entry, Amendment.Change change, int minute) {
        events.add(Batch.correction(events, entry, change, stamp("corrected", minute, minute), "it was so"));
    }

    private BatchState.Cooling at(int minute) {
        return Batch.replay(plan, events, minute(minute)).cooling();
    }

    private Outcome outcome(int minute) {
        return at(minute).outcome();
    }

    private void cooledInTime() {
        read(246, 85);
        read(260, 58);
        read(370, 20);
        read(590, 5);
    }

    @Test
    void readAtTheStrainerNearTheUpperLimitAndBeforeEachDeadlineItPasses() {
        strained();
        cooledInTime();
        assertThat(outcome(600)).isEqualTo(Outcome.PASSED);
        assertThat(at(600).allowed()).containsExactly(Way.STORE);
    }

    /** It came up through 40 degrees, which says nothing; it stood at 55 from 150 on, which says that it cooled from its last hot reading. */
    @Test
    void aPotThatWasReadColdBeforeAnybodyJudgedItHasBeenCoolingSinceThen() {
        inThePot(100, 92);
        inThePot(150, 55);
        inThePot(200, 55);
        strained();
        assertThat(at(250).verdict().orElseThrow().stages())
                .allSatisfy(stage -> assertThat(stage.opened()).contains(minute(100)));
        read(250, 40);
        read(300, 20);
        read(400, 5);
        assertThat(outcome(410)).isNotIn(Outcome.PASSED, Outcome.PASSED_ON_LATE_ENTRIES);
    }

    @Test
    void aPotThatWasMadeHotAgainOnTheHeatSimmeredOn() {
        inThePot(150, 55);
        inThePot(160, 92);
        strained();
        cooledInTime();
        assertThat(outcome(600)).isEqualTo(Outcome.PASSED);
    }

    @Test
    void anEndThatIsMovedByAnHourPassesOnWhatWasToldLate() {
        strained();
        read(300, 50);
        read(400, 20);
        read(590, 5);
        assertThat(outcome(600)).isEqualTo(Outcome.NOT_SHOWN);
        corrected("judged240", Amendment.Change.of(minute(285)), 600);
        assertThat(outcome(601)).isEqualTo(Outcome.PASSED_ON_LATE_ENTRIES);
    }

    /** Told as it was read, and a minute later moved to before the deadline: that is told an hour after its moment. */
    @Test
    void aReadingThatIsMovedBackBeforeItsDeadlineIsToldLate() {
        strained();
        read(260, 58);
        read(420, 20);
        read(590, 5);
        assertThat(outcome(600)).isEqualTo(Outcome.NOT_SHOWN);
        events.add(
                events.size() - 1,
                Batch.correction(
                        events,
                        "read420",
                        Amendment.Change.of(minute(370)),
                        stamp("corrected", 421, 421),
                        "the clock on the wall"));
        assertThat(outcome(600)).isEqualTo(Outcome.PASSED_ON_LATE_ENTRIES);
    }

    @ParameterizedTest
    @CsvSource({"true, 400", "false, 400"})
    void nobodyCanSayThatAProbeReadIt(boolean byProbe, int entered) {
        strained();
        read(260, 58);
        read(370, 20, entered, byProbe);
        read(590, 5);
        assertThat(outcome(600)).isEqualTo(Outcome.PASSED_ON_LATE_ENTRIES);
    }

    @Test
    void whatStoodFailedPassesByACorrectionAloneAndSaysSo() {
        strained();
        read(260, 58);
        read(390, 30);
        assertThat(outcome(391)).isEqualTo(Outcome.FAILED);
        read(375, 20, 395, false);
        read(400, 19);
        read(590, 5);
        assertThat(outcome(600)).isEqualTo(Outcome.FAILED);
        events.add(new Amendment.Withdrawn(stamp("withdrawn", 610, 610), "read390", "beside the pan"));
        assertThat(outcome(620)).isEqualTo(Outcome.PASSED_AFTER_CORRECTION);
        assertThat(at(620).allowed()).containsExactly(Way.RELEASE, Way.DISCARD);
    }

    @Test
    void whatIsNotProvenIsPutAwayWhenSomebodyVouchesForItAndNotBefore() {
        strained();
        read(250, 80);
        read(740, 4);
        assertThat(outcome(745)).isEqualTo(Outcome.NOT_SHOWN);
        BatchEvent stored = new ShelfEvent.Stored(stamp("stored", 760, 760), Volume.ofLitres(14), "", Kept.COLD, "", 1);
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Batch.accept(plan, events, stored, minute(760)))
                .withMessageContaining("a chef vouches for it");
        BatchEvent handed = new ShelfEvent.Delivered(
                stamp("handed", 760, 760),
                "soup",
                "",
                Volume.ofLitres(2),
                ShelfEvent.REST,
                java.util.Optional.of(Temperature.ofCelsius(4)));
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Batch.accept(plan, events, handed, minute(760)))
                .withMessageContaining("a chef vouches for it");
        assertThat(DueActs.of(plan, Batch.replay(plan, events, minute(750))))
                .extracting(DueAct::kind)
                .contains(DueAct.Kind.RELEASE)
                .doesNotContain(DueAct.Kind.STORE);
        BatchEvent released = new ColdEvent.Released(stamp("released", 755, 755), "the chiller's own log");
        Batch.accept(plan, events, released, minute(755));
        events.add(released);
        Batch.accept(plan, events, stored, minute(760));
        assertThat(at(760).mayBePutAway()).isTrue();
    }

    @Test
    void aSingleTwoDegreesIsReadAgainBeforeItIsPutAway() {
        strained();
        read(250, 2);
        BatchEvent stored = new ShelfEvent.Stored(stamp("stored", 252, 252), Volume.ofLitres(14), "", Kept.COLD, "", 1);
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Batch.accept(plan, events, stored, minute(252)))
                .withMessageContaining("read it again");
        assertThat(DueActs.of(plan, Batch.replay(plan, events, minute(252))))
                .filteredOn(act -> act.kind() == DueAct.Kind.READ_COOLING)
                .extracting(DueAct::due)
                .containsExactly(minute(255));
    }

    @Test
    void aReadingThatIsAheadOfTheClockCounts() {
        strained();
        cooledInTime();
        assertThat(at(580).verdict().orElseThrow().stages())
                .isEqualTo(at(600).verdict().orElseThrow().stages());
    }

    /** Down to 20 °C in its bath, from there in the cold store: what it cools towards is what it stands in. */
    @Test
    void itIsForetoldByWhatItStandsIn() {
        CoolingPlan bath = plan.cooling();
        Medium store = new Medium.ColdStore(Temperature.ofCelsius(2));
        CoolingPlan two = new CoolingPlan(
                bath.litres(),
                bath.from(),
                bath.container(),
                bath.count(),
                List.of(
                        new CoolingPlan.Leg(bath.medium(), Temperature.ofCelsius(20)),
                        new CoolingPlan.Leg(store, Temperature.ofCelsius(4))),
                bath.sets());
        Plan inTwo = new Plan(
                plan.charge(),
                plan.limits(),
                two,
                plan.into(),
                plan.curve(),
                plan.timeline(),
                plan.readyBy(),
                plan.called(),
                plan.accepted());
        strained();
        double iced = bath.medium().start().celsius();
        assertThat(iced).isNotEqualTo(2);
        for (double celsius : new double[] {60, 20.5, 20, 8, 3}) {
            List<BatchEvent> read = new ArrayList<>(events);
            read.add(new ColdEvent.CoolingRead(stamp("read", 250, 250), Temperature.ofCelsius(celsius)));
            assertThat(Batch.replay(inTwo, read, minute(251))
                            .cooling()
                            .projection()
                            .orElseThrow()
                            .mediumC())
                    .isEqualTo(celsius > 20 ? iced : 2);
        }
    }
}
