package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.batch.GuardTableTest.PLAN;
import static potamos.core.batch.GuardTableTest.event;
import static potamos.core.batch.GuardTableTest.upTo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.figure.Figures;
import potamos.core.quantity.Refusal;

/** How much may be logged, and what may be said of what was logged: each refusal with its field, its reason and its range. */
class GuardAmountsTest {

    private static final double BRIMFUL =
            PLAN.charge().run().vessel().shape().brimful().litres();

    private static BatchState accept(List<BatchEvent> events, BatchEvent event) {
        return Batch.accept(PLAN, events, event, event.stamp().at()).state();
    }

    private static Refusal refused(List<BatchEvent> events, BatchEvent event) {
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> accept(events, event));
        assertThat(refusal).as(event.toString()).isNotNull();
        return refusal;
    }

    private static BatchState state(List<BatchEvent> events, int minute) {
        return Batch.replay(PLAN, events, Samples.EIGHT.plus(Duration.ofMinutes(minute)));
    }

    private static BatchEvent.Stamp stamp(int minute) {
        Instant at = Samples.EIGHT.plus(Duration.ofMinutes(minute));
        return new BatchEvent.Stamp("amendment" + minute, at, "IV");
    }

    /** So much is let pass, and a drop more is refused with exactly that as the most. */
    private static void atMost(String stand, int minute, String kind, Map<String, Object> beside, double most) {
        Map<String, Object> just = new java.util.HashMap<>(beside);
        just.put("litres", most);
        accept(upTo(stand), event(kind, minute, just));
        Map<String, Object> more = new java.util.HashMap<>(beside);
        more.put("litres", most + 0.01);
        Refusal refusal = refused(upTo(stand), event(kind, minute, more));
        assertThat(refusal.field()).isEqualTo("litres");
        assertThat(refusal.low()).isZero();
        assertThat(refusal.high()).isCloseTo(most, within(1e-9));
    }

    @Test
    void nothingIsFilledOverTheRimOfWhatLiesInThePot() {
        double bones = 9.0 / PLAN.charge().run().bed().kind().trueKgPerL();
        atMost("flamed", 95, "filled", Map.of("celsius", 12.0), BRIMFUL - bones);
        double there = state(upTo("simmering"), 151).pot().contents().litres();
        atMost("simmering", 151, "topped-up", Map.of("celsius", 85.0), BRIMFUL - there);
    }

    @Test
    void noMoreComesOutThanThePotHeldByMoreThanAJugIsOff() {
        double held = state(upTo("passed"), 351).pot().contents().litres();
        atMost("passed", 351, "strained", Map.of(), held * 1.05);
        atMost("strained", 356, "reduced", Map.of(), 11);
        atMost("cold", 881, "stored", Map.of(), 5.5);
        atMost("stored", 886, "delivered", Map.of("stationId", "soup"), 5.5);
    }

    @Test
    void whatWasThrownAwayIsNotPutAway() {
        List<BatchEvent> events = upTo("cold");
        events.add(event("discarded", 881, Map.of("litres", 2.0, "words", "spilt")));
        Refusal refusal = refused(events, event("stored", 882, Map.of("litres", 4.0)));
        assertThat(refusal.high()).isCloseTo(3.5, within(1e-9));
        events.add(event("stored", 882, Map.of("litres", 3.0)));
        assertThat(refused(events, event("discarded", 883, Map.of("litres", 3.5, "words", "spilt")))
                        .high())
                .isCloseTo(3, within(1e-9));
    }

    @Test
    void noThermometerInAPotReadsFarAboveTheBoil() {
        double boils = PLAN.charge().run().air().boilingPoint().celsius();
        accept(upTo("simmering"), event("temperature-read", 151, Map.of("celsius", boils + 2.9)));
        Refusal refusal = refused(upTo("simmering"), event("temperature-read", 151, Map.of("celsius", boils + 3.1)));
        assertThat(refusal.high()).isCloseTo(boils + 3, within(1e-9));
    }

    @Test
    void aLevelIsInThePot() {
        double height = PLAN.charge().run().vessel().shape().height().cm();
        accept(upTo("simmering"), event("level-read", 151, Map.of("belowRimCm", height)));
        Refusal refusal = refused(upTo("simmering"), event("level-read", 151, Map.of("belowRimCm", height + 0.1)));
        assertThat(refusal.high()).isEqualTo(height);
    }

    @Test
    void theShadeIsHeldAgainstBonesThatWereInTheOven() {
        Map<String, Object> shade = Map.of("card", "SHADE", "value", 4.0);
        refused(upTo("soaked"), event("card-read", 37, shade));
        assertThat(accept(upTo("roasting"), event("card-read", 41, shade)).stage())
                .isEqualTo(Stage.PREPARE);
        accept(upTo("roasted"), event("card-read", 91, shade));
    }

    @Test
    void aPhaseThatIsNoneOfThoseBeforeTheWaterIsRefusedByItsPlace() {
        assertThat(refused(upTo("weighed"), event("began", 6, Map.of("step", 7)))
                        .field())
                .isEqualTo("step");
        assertThat(refused(upTo("weighed"), event("added", 6, Map.of("part", "brick", "kg", 1.0)))
                        .getMessage())
                .isNotBlank();
        assertThat(refused(upTo("simmering"), event("added", 151, Map.of("part", "brick", "kg", 1.0)))
                        .field())
                .isEqualTo("part");
    }

    @Test
    void nothingHappenedBeforeThePlanNorAfterItWasGivenUp() {
        BatchEvent early = event("weighed-in", -1, Map.of("part", "bed", "kg", 9.0));
        Instant now = Samples.EIGHT.plus(Duration.ofMinutes(1));
        Refusal before = catchThrowableOfType(Refusal.class, () -> Batch.accept(PLAN, List.of(), early, now));
        assertThat(before.field()).isEqualTo("at");
        // A plan that a clock ahead of time accepted does not hold up what is done now.
        assertThat(accept(List.of(), early).weighed()).containsKey(BatchEvent.BED);
        List<BatchEvent> over = upTo("simmering");
        over.add(event("abandoned", 160, Map.of("words", "power cut")));
        assertThat(refused(over, event("skimmed", 161, Map.of("litres", 0.1))).getMessage())
                .contains("given up");
        assertThat(accept(over, event("noted", 161, Map.of("words", "told the chef")))
                        .stage())
                .isEqualTo(Stage.ABANDONED);
    }

    @Test
    void anAmendmentNamesAnEntryThatStands() {
        List<BatchEvent> events = new ArrayList<>(upTo("filled"));
        Figures fourteen = new Figures(Map.of("litres", 14.0));
        assertThat(catchThrowableOfType(
                                Refusal.class,
                                () -> Batch.correction(
                                        events, "nobody's", Amendment.Change.of(fourteen), stamp(97), "misread"))
                        .field())
                .isEqualTo("corrects");
        Amendment.Corrected corrected =
                Batch.correction(events, "filled95", Amendment.Change.of(fourteen), stamp(97), "misread");
        assertThat(accept(events, corrected).pot().contents().litres())
                .isCloseTo(state(events, 97).pot().contents().litres() - 1, within(1e-6));
        events.add(corrected);
        assertThat(refused(
                                events,
                                new Amendment.Withdrawn(
                                        stamp(98), corrected.stamp().id(), "no"))
                        .getMessage())
                .contains("correct the first entry again");
        Amendment.Withdrawn withdrawn = new Amendment.Withdrawn(stamp(99), "filled95", "the other pot");
        assertThat(accept(events, withdrawn).course()).isEmpty();
        events.add(withdrawn);
        assertThat(refused(events, new Amendment.Withdrawn(stamp(100), "filled95", "again"))
                        .getMessage())
                .contains("withdrawn already");
    }

    @Test
    void aLotIsTakenBackAndNotCorrectedAndNotUnderWhatWentOutOfIt() {
        List<BatchEvent> events = upTo("stored");
        Amendment.Corrected less = Batch.correction(
                events, "stored785", Amendment.Change.of(new Figures(Map.of("litres", 4.0))), stamp(786), "misread");
        assertThat(refused(events, less).getMessage()).contains("withdraw it");
        accept(events, new Amendment.Withdrawn(stamp(786), "stored785", "wrong shelf"));
        Refusal gone = refused(upTo("gone"), new Amendment.Withdrawn(stamp(791), "stored785", "wrong shelf"));
        assertThat(gone.getMessage()).contains("gone out");
    }

    @Test
    void aCorrectionIsOfTheSameKind() {
        List<BatchEvent> events = upTo("filled");
        Fact other = (Fact) event("topped-up", 95, Map.of("litres", 1.0, "celsius", 12.0));
        Amendment.Corrected corrected = new Amendment.Corrected(stamp(97), "filled95", other, "mixed up");
        assertThat(refused(events, corrected).field()).isEqualTo("corrects");
    }
}
