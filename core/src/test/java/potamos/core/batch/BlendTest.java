package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.formula.Contents;
import potamos.core.formula.Contents.Trace;
import potamos.core.formula.Draw;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.safety.Kept;

/** Two lots poured together are a new lot with both parents. */
class BlendTest extends LoggedBatch {

    private static final LocalDate MADE = LocalDate.ofInstant(Samples.EIGHT, ZoneOffset.UTC);
    private static final Contents FISH = new Contents(Set.of(Allergen.FISH), Set.of(Trace.FISH), 2, false);
    private static final Contents THICK = new Contents(Set.of(), Set.of(Trace.BROWNED), 80, false);

    private String cold;

    private void stored(Kept kept) {
        coolInTime();
        ShelfEvent.Stored stored = new ShelfEvent.Stored(Samples.at(510), Volume.ofLitres(10), "", kept, "tub", 1);
        log(stored);
        cold = stored.stamp().id();
    }

    private LotEvent.Blended blended(int minute, String of, double litres, Contents other, double otherLitres) {
        Draw draw = new Draw("lot-" + minute, "Monday's", Volume.ofLitres(otherLitres), other, 1);
        return new LotEvent.Blended(
                Samples.at(minute), of, Volume.ofLitres(litres), draw, MADE.plusDays(1), "shelf 2", "tub", 2);
    }

    private static PutAway.Lot lot(BatchState state, BatchEvent of) {
        return state.shelf().lot(of.stamp().id()).orElseThrow();
    }

    @Test
    void theNewLotHasTheLitresOfBothAndTheOldOneHasSoMuchLess() {
        stored(Kept.COLD);
        LotEvent.Blended blend = blended(520, cold, 4, FISH, 2);
        BatchState state = log(blend);
        assertThat(lot(state, blend).left().litres()).isEqualTo(6);
        assertThat(state.shelf().lot(cold).orElseThrow().left().litres()).isEqualTo(6);
        // What another batch gave was never this one's to put away.
        assertThat(state.shelf().stored().litres()).isEqualTo(10);
        assertThatThrownBy(() -> log(blended(530, cold, 6.5, FISH, 2))).hasMessageContaining("left of this lot");
    }

    @Test
    void whatIsInEitherIsInTheNewLotAndItsGelatinIsTheMean() {
        stored(Kept.COLD);
        LotEvent.Blended blend = blended(520, cold, 4, FISH, 2);
        Contents own = plan.charge().contents();
        Contents both = lot(log(blend), blend).contents(plan);
        assertThat(both.allergens()).containsAll(own.allergens()).contains(Allergen.FISH);
        assertThat(both.traces()).contains(Trace.MEAT, Trace.FISH);
        assertThat(both.gelatinGPerL()).isCloseTo((4 * own.gelatinGPerL() + 2 * 2) / 6, within(1e-9));
        assertThat(both.unknown()).isFalse();
        assertThat(at(521).shelf().lot(cold).orElseThrow().contents(plan)).isEqualTo(own);
        Draw drawn = Expectation.drawn(blend.stamp().id(), "", Volume.ofLitres(1), plan, at(521));
        assertThat(drawn.contents()).isEqualTo(both);
        assertThat(drawn.saltGPerL())
                .isCloseTo((4 * plan.charge().character().salt().afterGPerL() + 2) / 6, within(1e-9));
    }

    /** Half of a blend of six litres, four of them its own, brings two of its own and one of the first other. */
    @Test
    void aBlendOfABlendHasThemAllInTheirShares() {
        stored(Kept.COLD);
        LotEvent.Blended first = blended(520, cold, 4, FISH, 2);
        log(first);
        LotEvent.Blended second = blended(530, first.stamp().id(), 3, THICK, 1);
        Contents all = lot(log(second), second).contents(plan);
        double own = plan.charge().contents().gelatinGPerL();
        assertThat(all.gelatinGPerL()).isCloseTo((2 * own + 1 * 2 + 1 * 80) / 4, within(1e-9));
        assertThat(all.traces()).contains(Trace.FISH, Trace.BROWNED);
    }

    @Test
    void itKeepsAsLongAsTheOneThatKeepsLeast() {
        stored(Kept.COLD);
        LotEvent.Blended blend = blended(520, cold, 4, FISH, 2);
        BatchState state = log(blend);
        LocalDate alone = state.shelf().lot(cold).orElseThrow().useBy(MADE, plan, ZoneOffset.UTC);
        assertThat(alone).isAfter(MADE.plusDays(1));
        assertThat(lot(state, blend).useBy(MADE, plan, ZoneOffset.UTC)).isEqualTo(MADE.plusDays(1));
        // Frozen it keeps as anything frozen does, and thawed for its day.
        BatchState frozen =
                log(new LotEvent.Moved(Samples.at(530), blend.stamp().id(), Kept.FROZEN, ""));
        assertThat(lot(frozen, blend).useBy(MADE, plan, ZoneOffset.UTC)).isAfter(alone);
    }

    @Test
    void whatLiesFrozenIsThawedBeforeItIsPouredToAnything() {
        stored(Kept.FROZEN);
        assertThatThrownBy(() -> log(blended(520, cold, 4, FISH, 2))).hasMessageContaining("frozen");
    }

    @Test
    void aCountPutsWhatIsThereInThePlaceOfWhatWasBelieved() {
        stored(Kept.COLD);
        BatchState less = log(new LotEvent.Counted(Samples.at(520), cold, Volume.ofLitres(8.5)));
        assertThat(less.shelf().left().litres()).isEqualTo(8.5);
        assertThat(less.shelf().missing().litres()).isCloseTo(1.5, within(1e-9));
        assertThatThrownBy(() -> log(new LotEvent.Counted(Samples.at(530), cold, Volume.ofLitres(10.5))))
                .hasMessageContaining("put away as this lot");
        BatchState found = log(new LotEvent.Counted(Samples.at(540), cold, Volume.ofLitres(9)));
        assertThat(found.shelf().missing().litres()).isCloseTo(1, within(1e-9));
        log(new ShelfEvent.Discarded(Samples.at(545), Volume.ofLitres(4), "no room", ShelfEvent.REST));
        assertThat(log(new LotEvent.Counted(Samples.at(550), cold, Volume.ZERO)).stage())
                .isEqualTo(Stage.DONE);
    }
}
