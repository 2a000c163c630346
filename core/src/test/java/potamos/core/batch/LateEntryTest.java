package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What is true and comes late, as from a tablet that had no connection. */
class LateEntryTest {

    private final Plan plan = Samples.plan();
    private final List<BatchEvent> events = new ArrayList<>();

    private Batch.Accepted log(BatchEvent event, int nowMinute) {
        Instant now = Samples.EIGHT.plus(Duration.ofMinutes(nowMinute));
        Batch.Accepted accepted = Batch.accept(plan, events, event, now);
        events.add(event);
        return accepted;
    }

    private void asItHappens(int minute, BatchEvent event) {
        log(event, minute);
    }

    private void simmer() {
        asItHappens(
                5,
                new ChoreEvent.WeighedIn(
                        Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        asItHappens(10, new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        asItHappens(12, new PotEvent.HeatOn(Samples.at(12)));
        asItHappens(50, new PotEvent.FirstFoam(Samples.at(50)));
        asItHappens(60, new PotEvent.SimmerReached(Samples.at(60)));
    }

    private void strained() {
        simmer();
        asItHappens(240, new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        asItHappens(270, new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
    }

    @Test
    void aTopUpOfTheSimmerIsTakenAfterThePotIsStrainedAndSaysWhatItChanged() {
        strained();
        Batch.Accepted accepted =
                log(new PotEvent.ToppedUp(Samples.at(150), Volume.ofLitres(1.5), Temperature.ofCelsius(90)), 300);
        BatchState before = accepted.before().orElseThrow();
        assertThat(accepted.state().stage()).isEqualTo(before.stage());
        assertThat(accepted.state().ledger()).isNotEqualTo(before.ledger());
        assertThat(Batch.believed(events).get(5)).isInstanceOf(PotEvent.ToppedUp.class);
    }

    @Test
    void whatIsLatestInsertsNothing() {
        simmer();
        Batch.Accepted accepted = log(new PotEvent.Skimmed(Samples.at(70), Volume.ofLitres(0.1)), 70);
        assertThat(accepted.before()).isEmpty();
    }

    @Test
    void whatMadeNoSenseAtItsMomentIsRefusedForThat() {
        strained();
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> log(new PotEvent.Skimmed(Samples.at(8), Volume.ofLitres(0.1)), 300))
                .withMessageContaining("not on the heat");
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> log(
                        new PotEvent.ToppedUp(Samples.at(150), Volume.ofLitres(400), Temperature.ofCelsius(90)), 300))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("litres"));
    }

    @Test
    void whatWouldLeaveALaterEntryWithoutAPlaceIsRefused() {
        strained();
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> log(new FinishEvent.Strained(Samples.at(250), Volume.ofLitres(13), 2, false), 300))
                .withMessageContaining("already strained");
    }

    @Test
    void aPlanAcceptedByAClockThatWasAheadDoesNotHoldUpWhatIsDoneNow() {
        Instant now = Samples.EIGHT.minus(Duration.ofHours(3));
        BatchEvent.Stamp stamp = new BatchEvent.Stamp("now", now, "IV");
        BatchEvent weighed = new ChoreEvent.WeighedIn(stamp, BatchEvent.BED, Mass.ofKg(9), "");
        assertThat(Batch.accept(plan, List.of(), weighed, now).state().weighed())
                .containsKey(BatchEvent.BED);
        // By a clock that is right it is before its time.
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Batch.accept(plan, List.of(), weighed, Samples.EIGHT.plusSeconds(60)))
                .withMessageContaining("before the plan");
    }

    private void readLater(int minute, double celsius, int enteredMinute) {
        Instant at = Samples.EIGHT.plus(Duration.ofMinutes(minute));
        Instant entered = Samples.EIGHT.plus(Duration.ofMinutes(enteredMinute));
        log(
                new ColdEvent.CoolingRead(
                        new BatchEvent.Stamp("read " + minute, at, "IV", entered), Temperature.ofCelsius(celsius)),
                enteredMinute);
    }

    private Outcome verdictAt(int minute) {
        return Batch.replay(plan, events, Samples.EIGHT.plus(Duration.ofMinutes(minute)))
                .cooling()
                .verdict()
                .orElseThrow()
                .overall();
    }

    @Test
    void readingsFromMemoryShowThatTheLimitsWereKeptOnlyWithAMark() {
        strained();
        asItHappens(272, new ColdEvent.CoolingBegan(Samples.at(272)));
        readLater(273, 85, 273);
        assertThat(verdictAt(900)).isEqualTo(Outcome.NOT_SHOWN);
        readLater(290, 57, 900);
        readLater(310, 35, 900);
        readLater(330, 21, 900);
        readLater(420, 10, 900);
        readLater(500, 4.5, 900);
        assertThat(verdictAt(900)).isEqualTo(Outcome.PASSED_ON_LATE_ENTRIES);
    }

    @Test
    void readingsEnteredAsTheyWereReadNeedNoMark() {
        strained();
        asItHappens(272, new ColdEvent.CoolingBegan(Samples.at(272)));
        int[] minutes = {273, 290, 310, 330, 420, 500};
        double[] celsius = {85, 57, 35, 21, 10, 4.5};
        for (int i = 0; i < minutes.length; i++) {
            readLater(minutes[i], celsius[i], minutes[i] + 14);
        }
        assertThat(verdictAt(900)).isEqualTo(Outcome.PASSED);
    }

    @Test
    void aReadingCorrectedHoursAfterwardsCountsAsEnteredThen() {
        strained();
        asItHappens(272, new ColdEvent.CoolingBegan(Samples.at(272)));
        int[] minutes = {273, 290, 380, 405, 430, 500};
        double[] celsius = {85, 57, 31, 25, 15, 4.5};
        for (int i = 0; i < minutes.length; i++) {
            readLater(minutes[i], celsius[i], minutes[i]);
        }
        assertThat(verdictAt(520)).isNotIn(Outcome.PASSED, Outcome.PASSED_ON_LATE_ENTRIES);
        Instant later = Samples.EIGHT.plus(Duration.ofMinutes(900));
        Fact right = new ColdEvent.CoolingRead(
                new BatchEvent.Stamp("read 405", Samples.EIGHT.plus(Duration.ofMinutes(405)), "IV", later),
                Temperature.ofCelsius(20.5));
        log(new Amendment.Corrected(new BatchEvent.Stamp("c", later, "IV"), "read 405", right, "misread"), 900);
        assertThat(verdictAt(900)).isEqualTo(Outcome.PASSED_ON_LATE_ENTRIES);
    }

    private void moved(String entry, int minute, int nowMinute) {
        Instant now = Samples.EIGHT.plus(Duration.ofMinutes(nowMinute));
        Instant happened = Samples.EIGHT.plus(Duration.ofMinutes(minute));
        BatchEvent.Stamp stamp = new BatchEvent.Stamp("moved " + entry + minute, now, "MR");
        log(Batch.correction(events, entry, Amendment.Change.of(happened), stamp, "the clock on the wall"), nowMinute);
    }

    private String idAt(int minute) {
        return Samples.at(minute).id();
    }

    @Test
    void anEntryIsMovedToWhenItReallyWas() {
        strained();
        moved(idAt(60), 75, 300);
        BatchState state = Batch.replay(plan, events, Samples.EIGHT.plus(Duration.ofMinutes(300)));
        assertThat(state.simmer().reached()).contains(Samples.EIGHT.plus(Duration.ofMinutes(75)));
        // What was not named stays: it is still the entry of the same person.
        Fact reached = Batch.believed(events).get(4);
        assertThat(reached).isInstanceOf(PotEvent.SimmerReached.class);
        assertThat(reached.stamp().by()).isEqualTo(Samples.at(60).by());
        assertThat(reached.stamp().late()).isTrue();
    }

    @Test
    void anEntryIsNotMovedPastWhatFollowsFromIt() {
        strained();
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> moved(idAt(12), 55, 300))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("happenedAt"))
                .withMessageContaining("told after it");
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> moved(idAt(60), 250, 300))
                .withMessageContaining("told after it");
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> moved(idAt(60), 11, 300))
                .withMessageContaining("light the burner first");
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> moved(idAt(60), 310, 300))
                .withMessageContaining("not come yet");
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> moved(idAt(5), -10, 300))
                .withMessageContaining("before the plan");
    }

    @Test
    void aReadingMovedHoursAfterwardsIsFromMemory() {
        strained();
        asItHappens(272, new ColdEvent.CoolingBegan(Samples.at(272)));
        int[] minutes = {273, 290, 310, 416, 420, 500};
        double[] celsius = {85, 57, 35, 21, 10, 4.5};
        for (int i = 0; i < minutes.length; i++) {
            readLater(minutes[i], celsius[i], minutes[i]);
        }
        Outcome asTold = verdictAt(520);
        moved("read 416", 330, 900);
        assertThat(asTold).isNotEqualTo(Outcome.PASSED);
        assertThat(verdictAt(900)).isEqualTo(Outcome.PASSED_ON_LATE_ENTRIES);
    }
}
