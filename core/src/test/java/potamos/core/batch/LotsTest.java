package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/** What is put away, and what leaves it. */
class LotsTest extends LoggedBatch {

    @Test
    void noMoreIsDeliveredThanTheLotHolds() {
        coolInTime();
        log(new ShelfEvent.Stored(Samples.at(510), Volume.ofLitres(13), "cold store", Kept.COLD, "", 1));
        log(new ShelfEvent.Delivered(Samples.at(520), "soup", "call", Volume.ofLitres(9), ""));
        assertThatThrownBy(() -> log(new ShelfEvent.Delivered(Samples.at(530), "sauce", "", Volume.ofLitres(5), "")))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.high()).isCloseTo(4, within(1e-9)));
    }

    private static ShelfEvent.Stored stored(int minute, double litres, Kept kept) {
        return new ShelfEvent.Stored(Samples.at(minute), Volume.ofLitres(litres), "", kept, "tub", 2);
    }

    /** Half of it cold, some frozen: what nobody has put away stays in sight until somebody does, or pours it away. */
    @Test
    void oneBatchIsPutAwayInSeveralLotsAndItsRestNeverVanishes() {
        coolInTime();
        double out = at(500).out().orElseThrow().litres();
        ShelfEvent.Stored cold = stored(510, 8, Kept.COLD);
        BatchState first = log(cold);
        assertThat(first.stage()).isEqualTo(Stage.STORE);
        DueAct rest = due(511).get(0);
        assertThat(rest.kind()).isEqualTo(Kind.STORE);
        assertThat(rest.amount()).isCloseTo(out - 8, within(1e-9));
        ShelfEvent.Stored frozen = stored(512, 4, Kept.FROZEN);
        BatchState second = log(frozen);
        assertThat(second.stage()).isEqualTo(Stage.STORE);
        assertThat(second.shelf().lots()).extracting(PutAway.Lot::kept).containsExactly(Kept.COLD, Kept.FROZEN);
        assertThatThrownBy(() -> log(stored(513, out - 11, Kept.COLD)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.high()).isCloseTo(out - 12, within(1e-9)));
        BatchState poured =
                log(new ShelfEvent.Discarded(Samples.at(514), Volume.ofLitres(out - 12), "no room", ShelfEvent.REST));
        assertThat(poured.stage()).isEqualTo(Stage.ON_SHELF);
        assertThat(poured.shelf().left().litres()).isCloseTo(12, within(1e-9));
        assertThat(poured.shelf().spoiled().litres()).isCloseTo(out - 12, within(1e-9));
    }

    @Test
    void eachLotGivesOfItsOwnAndWhatLiesFrozenIsThawedFirst() {
        coolInTime();
        ShelfEvent.Stored cold = stored(510, 8, Kept.COLD);
        ShelfEvent.Stored frozen = stored(512, 4, Kept.FROZEN);
        log(cold);
        log(frozen);
        String ice = frozen.stamp().id();
        assertThatThrownBy(() -> deliver(520, 1, ice)).hasMessageContaining("frozen");
        assertThatThrownBy(() -> deliver(520, 8.5, cold.stamp().id())).hasMessageContaining("left of this lot");
        BatchState handed = deliver(521, 3, cold.stamp().id());
        assertThat(handed.shelf().lot(cold.stamp().id()).orElseThrow().left().litres())
                .isEqualTo(5);
        assertThat(handed.shelf().lot(ice).orElseThrow().left().litres()).isEqualTo(4);
        BatchState thawed = log(new LotEvent.Moved(Samples.at(600), ice, Kept.COLD, "Cold store"));
        assertThat(thawed.shelf().lot(ice).orElseThrow().thawed()).isTrue();
        assertThatThrownBy(() -> log(new LotEvent.Moved(Samples.at(610), ice, Kept.FROZEN, "")))
                .hasMessageContaining("not frozen again");
        assertThat(deliver(620, 4, ice).shelf().left().litres()).isEqualTo(5);
        // The lot that litres went out of is not taken back under them.
        assertThatThrownBy(() -> log(
                        new Amendment.Withdrawn(Samples.at(630), cold.stamp().id(), "")))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void theOnlyLotNeedNotBeNamedAndLiesNoLessFrozenForThat() {
        coolInTime();
        log(stored(510, 8, Kept.FROZEN));
        assertThatThrownBy(() -> deliver(520, 1, "")).hasMessageContaining("frozen");
        log(new LotEvent.Moved(Samples.at(600), at(590).shelf().lots().get(0).id(), Kept.COLD, "Cold store"));
        BatchState handed = deliver(610, 3, "");
        assertThat(handed.shelf().lots())
                .singleElement()
                .satisfies(lot -> assertThat(lot.left().litres()).isEqualTo(5));
        log(stored(620, 2, Kept.COLD));
        assertThatThrownBy(() -> deliver(630, 1, "")).hasMessageContaining("which lot");
    }

    private BatchState deliver(int minute, double litres, String lot) {
        return log(new ShelfEvent.Delivered(Samples.at(minute), "soup", "", Volume.ofLitres(litres), lot));
    }

    private static ShelfEvent.Stored cubes(double litres, Kept kept, int cubes) {
        return new ShelfEvent.Stored(Samples.at(510), Volume.ofLitres(litres), "", kept, "tray", 2, cubes);
    }

    @Test
    void cubesAreTakenOutOfTheFreezerOneByOne() {
        coolInTime();
        ShelfEvent.Stored tray = cubes(1.5, Kept.FROZEN, 40);
        log(tray);
        PutAway.Lot left = deliver(520, 0.45, tray.stamp().id())
                .shelf()
                .lot(tray.stamp().id())
                .orElseThrow();
        assertThat(left.cubesLeft()).isEqualTo(28);
        assertThat(left.kept()).isEqualTo(Kept.FROZEN);
        PutAway.Lot melted = log(new LotEvent.Moved(
                        Samples.at(600), tray.stamp().id(), Kept.COLD, ""))
                .shelf()
                .lot(tray.stamp().id())
                .orElseThrow();
        assertThat(melted.cubesLeft()).isZero();
        assertThat(melted.left().litres()).isCloseTo(1.05, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"1.5, COLD, 40, only what is frozen", "1.5, FROZEN, 5, ''", "1.5, FROZEN, 301, ''"})
    void cubesAreFrozenAndOfASizeForAHand(double litres, Kept kept, int many, String why) {
        coolInTime();
        assertThatThrownBy(() -> log(cubes(litres, kept, many)))
                .hasMessageContaining(why)
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("cubes"));
    }

    @ParameterizedTest
    @ValueSource(ints = {6, 300})
    void theLargestAndTheSmallestCubeAreTaken(int many) {
        coolInTime();
        assertThat(log(cubes(1.5, Kept.FROZEN, many)).shelf().lots())
                .extracting(PutAway.Lot::cubesLeft)
                .containsExactly(many);
    }
}
