package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.formula.Book;
import potamos.core.formula.Family;
import potamos.core.formula.Part;
import potamos.core.formula.PrepPhase;

/** What is asked of a cook fits what is in the pot. */
class QuestionsTest {

    @Test
    void aFumetIsLetGoOnForMinutesAndBonesForAnHour() {
        assertThat(NotYet.longer(Samples.plan(Book.of("fish-fumet")))).last().isEqualTo(Duration.ofMinutes(15));
        assertThat(NotYet.longer(Samples.plan(Book.of("brown-veal")))).last().isEqualTo(Duration.ofMinutes(60));
    }

    @ParameterizedTest
    @EnumSource(Family.class)
    void nobodyLooksForMarrowInWhatHasNone(Family family) {
        List<SpentSign> signs = SpentSign.of(family);
        assertThat(signs.contains(SpentSign.MARROW_GONE)).isEqualTo(family == Family.BROWN);
        boolean bones = signs.contains(SpentSign.BONE_POROUS);
        assertThat(bones && signs.contains(SpentSign.VEGETABLES_SOFT)).isFalse();
    }

    @Test
    void aPhaseNamesWhatGoesIntoThePan() {
        Charge charge = Samples.plan(Book.of("brown-veal")).charge();
        PrepPhase.Brown brown = charge.formula().phase(PrepPhase.Brown.class).orElseThrow();
        assertThat(Chores.handles(charge, brown))
                .isNotEmpty()
                .allMatch(measure -> measure.part().kind() == Part.Kind.VEGETABLE
                        || measure.part().kind() == Part.Kind.FAT);
        PrepPhase.CookTomato tomato =
                charge.formula().phase(PrepPhase.CookTomato.class).orElseThrow();
        assertThat(Chores.handles(charge, tomato))
                .allMatch(measure -> measure.part().kind() == Part.Kind.TOMATO);
    }

    @Test
    void whatIsPouredOnTheDrippingsIsToldBeforeItIsCookedDown() {
        Charge charge = Samples.plan(Book.of("brown-veal")).charge();
        PrepPhase.Deglaze deglaze =
                charge.formula().phase(PrepPhase.Deglaze.class).orElseThrow();
        double poured = charge.deglazing().litres();
        assertThat(poured)
                .isCloseTo(
                        deglaze.litresPerKgBed()
                                * deglaze.times()
                                * charge.run().raw().kg(),
                        within(1e-9));
        assertThat(charge.run().poured().litres()).isLessThan(poured);
        assertThat(Samples.plan(Book.whiteChicken()).charge().deglazing().litres())
                .isZero();
    }
}
