package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/** What is handed to a station, hot or cold, and what comes back of it. */
class SlipsTest extends LoggedBatch {

    private BatchState hand(int minute, double litres, String lot, Double celsius) {
        return log(
                new ShelfEvent.Delivered(Samples.at(minute), "soup", "", Volume.ofLitres(litres), lot, read(celsius)));
    }

    private BatchState back(int minute, String slip, double litres, Double celsius) {
        return log(new SlipEvent.Returned(
                Samples.at(minute), slip, Volume.ofLitres(litres), read(celsius), "too much for tonight"));
    }

    private static Optional<Temperature> read(Double celsius) {
        return Optional.ofNullable(celsius).map(Temperature::ofCelsius);
    }

    private String stored(double litres) {
        coolInTime();
        ShelfEvent.Stored stored =
                new ShelfEvent.Stored(Samples.at(510), Volume.ofLitres(litres), "", Kept.COLD, "tub", 2);
        log(stored);
        return stored.stamp().id();
    }

    /** Straight from the strainer to the station: what is left is what is cooled. */
    @Test
    void hotLitresGoToAStationBeforeAnythingIsPutAway() {
        strain();
        double out = at(272).out().orElseThrow().litres();
        BatchState handed = hand(274, 5, ShelfEvent.REST, 85.0);
        assertThat(Expectation.notPutAway(handed).litres()).isCloseTo(out - 5, within(1e-9));
        assertThat(handed.shelf().delivered().litres()).isEqualTo(5);
        assertThatThrownBy(() -> hand(275, out - 4.9, ShelfEvent.REST, 85.0))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.high()).isCloseTo(out - 5, within(1e-9)));
        coolTo(290, 57);
        coolTo(330, 21);
        coolTo(500, 4.5);
        assertThat(due(505).stream()
                        .filter(act -> act.kind() == Kind.STORE)
                        .findFirst()
                        .orElseThrow()
                        .amount())
                .isCloseTo(out - 5, within(1e-9));
    }

    @Test
    void itIsOfferedHotForAsLongAsItIs() {
        simmer();
        assertThat(Expectation.hot(plan, at(100))).isFalse();
        events.clear();
        strain();
        assertThat(Expectation.hot(plan, at(272))).isTrue();
        coolTo(290, 57);
        assertThat(Expectation.hot(plan, at(291))).isTrue();
        coolTo(300, 50);
        assertThat(Expectation.hot(plan, at(301))).isFalse();
    }

    @Test
    void allOfItHandedOutHotIsNothingLeftToDo() {
        strain();
        assertThat(hand(274, at(272).out().orElseThrow().litres(), ShelfEvent.REST, 70.0)
                        .stage())
                .isEqualTo(Stage.DONE);
    }

    /** At what neither keeps it hot nor cold it is handed to nobody; and what stands in a pot is handed over with a thermometer. */
    @ParameterizedTest
    @ValueSource(doubles = {5.5, 21, 56.5})
    void nothingIsHandedOverLukewarm(double celsius) {
        strain();
        assertThatThrownBy(() -> hand(274, 5, ShelfEvent.REST, celsius)).hasMessageContaining("57 °C or more");
        assertThatThrownBy(() -> hand(274, 5, ShelfEvent.REST, null))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("celsius"));
    }

    @ParameterizedTest
    @CsvSource({"3, true", "5, true", "5.1, false", "60, false", ", false"})
    void whatComesBackColdLiesInItsLotAgainAndAllElseIsThrownAway(Double celsius, boolean keeps) {
        String lot = stored(14);
        hand(520, 9, lot, 4.0);
        BatchState back = back(540, "e520", 4, celsius);
        assertThat(back.shelf().lot(lot).orElseThrow().left().litres()).isCloseTo(keeps ? 9 : 5, within(1e-9));
        assertThat(back.shelf().discarded().litres()).isCloseTo(keeps ? 0 : 4, within(1e-9));
        assertThat(back.shelf().left().litres()).isCloseTo(keeps ? 9 : 5, within(1e-9));
        assertThat(back.shelf().delivered().litres()).isEqualTo(9);
        assertThatThrownBy(() -> back(541, "e520", 5.5, celsius))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.high()).isCloseTo(5, within(1e-9)));
    }

    /** What was never put away has no lot to go back to, however cold it is. */
    @Test
    void whatWasHandedOutHotNeverComesBackOntoTheShelf() {
        strain();
        hand(274, 5, ShelfEvent.REST, 85.0);
        BatchState back = back(280, "e274", 2, 3.0);
        assertThat(back.shelf().discarded().litres()).isEqualTo(2);
        assertThat(back.shelf().left().litres()).isZero();
    }

    @Test
    void whatComesBackOpensABatchAgainThatWasDone() {
        String lot = stored(14);
        assertThat(hand(520, 14, lot, null).stage()).isEqualTo(Stage.DONE);
        assertThat(back(540, "e520", 6, 2.0).stage()).isEqualTo(Stage.ON_SHELF);
        assertThat(hand(550, 6, lot, null).stage()).isEqualTo(Stage.DONE);
        // What was handed out again since is not taken back under whoever has it.
        assertThatThrownBy(() -> log(new Amendment.Withdrawn(Samples.at(560), "e540", "")))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void aStationTakesOverOnceWhatItWasHanded() {
        String lot = stored(14);
        hand(520, 4, lot, null);
        BatchState taken = log(new SlipEvent.TakenOver(Samples.at(525), "e520", read(4.0)));
        assertThat(taken.shelf().slip("e520").orElseThrow().takenOver())
                .contains(Samples.at(525).at());
        assertThatThrownBy(() -> log(new SlipEvent.TakenOver(Samples.at(526), "e520", Optional.empty())))
                .hasMessageContaining("already taken over");
        assertThatThrownBy(() -> log(new SlipEvent.TakenOver(Samples.at(526), "another", Optional.empty())))
                .hasMessageContaining("nothing was handed out by that slip");
    }
}
