package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.formula.BookTest.assertField;

import java.time.Duration;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.heat.Cover;
import potamos.core.liquor.Clarity;
import potamos.core.quantity.Mass;

/** Each school changes what it is said to change, and those that contradict are refused. */
class SchoolsTest {

    private static Charge charge(Formula formula, Schools schools) {
        return ChargeSolver.solve(schools.applyTo(formula), Samples.pot(Samples.kettle()), Samples.bones(12));
    }

    private static Schools blanch(boolean blanch) {
        return with(Optional.of(blanch), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    private static Schools with(
            Optional<Boolean> blanch,
            Optional<Schools.Tomato> tomato,
            Optional<Schools.Roast> roast,
            Optional<Schools.Density> density,
            Optional<Schools.Herbs> herbs) {
        return new Schools(
                Optional.empty(),
                blanch,
                tomato,
                Optional.empty(),
                roast,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                density,
                herbs,
                Optional.empty());
    }

    private static Schools kept(
            Optional<Cover> cover, Optional<Schools.TopUp> topUp, Optional<Duration> simmer, Optional<Boolean> press) {
        return new Schools(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                simmer,
                cover,
                Optional.empty(),
                press,
                Optional.empty(),
                Optional.empty(),
                topUp);
    }

    private static Schools tomato(Schools.Tomato tomato) {
        return with(Optional.empty(), Optional.of(tomato), Optional.empty(), Optional.empty(), Optional.empty());
    }

    private static Schools density(Schools.Density density) {
        return with(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(density), Optional.empty());
    }

    private static Schools herbs(Schools.Herbs herbs) {
        return with(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(herbs));
    }

    @Test
    void asWrittenChangesNothing() {
        for (Formula formula : Book.formulas()) {
            assertThat(Schools.asWritten().applyTo(formula)).isEqualTo(formula);
        }
    }

    @Test
    void blanchingBuysClarity() {
        double raw =
                charge(Book.whiteChicken(), blanch(false)).character().clarity().index();
        double blanched =
                charge(Book.whiteChicken(), blanch(true)).character().clarity().index();
        assertThat(blanched).isGreaterThan(raw + 5);
    }

    @Test
    void aLidKeepsLitresAndALowerLevelCostsThem() {
        Schools open = kept(
                Optional.of(Cover.OPEN), Optional.of(Schools.TopUp.LET_REDUCE), Optional.empty(), Optional.empty());
        Schools lid = kept(
                Optional.of(Cover.PAPER_LID),
                Optional.of(Schools.TopUp.LET_REDUCE),
                Optional.empty(),
                Optional.empty());
        Charge reduced = charge(Book.whiteChicken(), open);
        Charge covered = charge(Book.whiteChicken(), lid);
        assertThat(covered.forecast().yield().mid())
                .isGreaterThan(reduced.forecast().yield().mid() + 1);
        assertThat(covered.forecast().gelatinGPerL())
                .isLessThan(reduced.forecast().gelatinGPerL());
    }

    @Test
    void pressingBuysLitresWithClarity() {
        Schools pressed = kept(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(true));
        Charge as = charge(Book.whiteChicken(), Schools.asWritten());
        Charge after = charge(Book.whiteChicken(), pressed);
        assertThat(after.forecast().yield().mid())
                .isGreaterThan(as.forecast().yield().mid());
        assertThat(after.character().clarity().shares())
                .extracting(Clarity.Share::cause)
                .contains(Clarity.Cause.PRESSED);
    }

    @Test
    void withoutTomatoNothingThickens() {
        Charge none = charge(Book.formulas().get(0), tomato(Schools.Tomato.NONE));
        assertThat(none.measures()).noneMatch(m -> m.part().kind() == Part.Kind.TOMATO);
        assertThat(none.character().clarity().shares())
                .extracting(Clarity.Share::cause)
                .doesNotContain(Clarity.Cause.THICKENED);
    }

    @Test
    void overnightIsCoolerAndLonger() {
        Schools overnight = with(
                Optional.empty(),
                Optional.empty(),
                Optional.of(Schools.Roast.OVERNIGHT),
                Optional.empty(),
                Optional.empty());
        Phase.Roast roast = overnight
                .applyTo(Book.formulas().get(0))
                .phase(Phase.Roast.class)
                .orElseThrow();
        assertThat(roast.oven().celsius()).isEqualTo(120);
        assertThat(roast.turnEvery()).isEqualTo(Duration.ofMinutes(120));
    }

    @Test
    void theLightSchoolUsesHalfTheVegetablesForALitreOnceReduced() {
        Charge dense = ChargeSolver.solve(
                density(Schools.Density.DENSE).applyTo(Book.of("vegetable-light")),
                Samples.pot(Samples.kettle()),
                Samples.litres(10));
        Charge light = ChargeSolver.solve(
                density(Schools.Density.LIGHT_REDUCED).applyTo(Book.of("vegetable-light")),
                Samples.pot(Samples.kettle()),
                Samples.litres(10));
        assertThat(light.forecast().ledger().yield().litres()).isCloseTo(10, within(1e-6));
        assertThat(light.boilDownMin()).isPositive();
        assertThat(light.run().raw().kg() / dense.run().raw().kg()).isBetween(0.7, 1.3);
        assertThat(light.water().litres()).isGreaterThan(1.5 * dense.water().litres());
    }

    @Test
    void driedHerbsByHalfTheWeightOrAThirdOfTheVolume() {
        Mass fresh = thyme(Schools.asWritten());
        assertThat(thyme(herbs(Schools.Herbs.DRIED_HALF_WEIGHT)).kg()).isCloseTo(fresh.kg() / 2, within(1e-12));
        Item thyme = Pantry.find("thyme").orElseThrow();
        double litres = fresh.kg() / thyme.kgPerL();
        assertThat(thyme(herbs(Schools.Herbs.DRIED_THIRD_VOLUME)).kg())
                .isCloseTo(litres / 3 * thyme.driedKgPerL(), within(1e-12));
    }

    private static Mass thyme(Schools schools) {
        return charge(Book.whiteChicken(), schools).measures().stream()
                .filter(m -> m.part().id().equals("thyme"))
                .findFirst()
                .orElseThrow()
                .mass();
    }

    @Test
    void contradictionsAreRefusedOnTheirField() {
        Formula brown = Book.formulas().get(0);
        Formula white = Book.whiteChicken();
        assertField("blanch", () -> blanch(true).applyTo(brown));
        assertField("tomato", () -> tomato(Schools.Tomato.ON_THE_BONES).applyTo(white));
        assertField("density", () -> density(Schools.Density.DENSE).applyTo(white));
        assertField(
                "roast",
                () -> with(
                                Optional.empty(),
                                Optional.empty(),
                                Optional.of(Schools.Roast.HOT_AND_FAST),
                                Optional.empty(),
                                Optional.empty())
                        .applyTo(white));
        Schools squeeze = kept(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(true));
        assertField("press", () -> squeeze.applyTo(Book.of("kelp-flake")));
        Schools held = kept(Optional.empty(), Optional.of(Schools.TopUp.HOLD), Optional.empty(), Optional.empty());
        assertField("topUp", () -> held.applyTo(Book.of("glaze")));
    }
}
