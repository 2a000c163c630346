package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Schools;
import potamos.core.formula.WaterRule;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** What an old hand would say of a charge, and at which figure he begins to say it. */
class WarningsTest {

    private static Optional<Warning> said(Charge charge, Warning.Kind kind) {
        return charge.warnings().stream()
                .filter(warning -> warning.kind() == kind)
                .findFirst();
    }

    private static Charge charge(Formula formula, Vessel vessel, Goal goal) {
        return ChargeSolver.solve(formula, Samples.pot(vessel), goal);
    }

    private static Formula ratio(double litresPerKg) {
        return Book.whiteChicken().withWater(new WaterRule.PerKgBed(litresPerKg));
    }

    @Test
    void anOverfullPotRunsOverAndOneAboveItsLineOnlyNearlyDoes() {
        Vessel vessel = Samples.cylinder(36, 40);
        double full = charge(Book.whiteChicken(), vessel, new Goal.FullVessel())
                .run()
                .raw()
                .kg();
        double share =
                vessel.shape().brimful().litres() / vessel.workingVolume().litres();
        Charge above = charge(Book.whiteChicken(), vessel, Samples.bones(full * (1 + share) / 2));
        assertThat(said(above, Warning.Kind.OVER_THE_LINE)).hasValueSatisfying(warning -> {
            assertThat(warning.value()).isCloseTo(above.run().everythingIn().litres(), within(1e-12));
            assertThat(warning.limit()).isCloseTo(vessel.workingVolume().litres(), within(1e-12));
        });
        assertThat(said(above, Warning.Kind.RUNS_OVER)).isEmpty();
        assertThat(above.fits()).isFalse();
        Charge over = charge(Book.whiteChicken(), vessel, Samples.bones(full * share * 1.05));
        assertThat(said(over, Warning.Kind.RUNS_OVER)).isPresent();
        assertThat(said(over, Warning.Kind.OVER_THE_LINE)).isEmpty();
        Charge at = charge(Book.whiteChicken(), vessel, new Goal.FullVessel());
        assertThat(at.fits()).isTrue();
        assertThat(said(at, Warning.Kind.OVER_THE_LINE)).isEmpty();
    }

    @Test
    void theWaterThatIsSaidToCoverDoes() {
        Vessel vessel = Samples.cylinder(36, 40);
        Charge bare = charge(ratio(0.4), vessel, Samples.bones(10));
        Warning proud = said(bare, Warning.Kind.BED_PROUD).orElseThrow();
        assertThat(proud.value()).isCloseTo(4, within(1e-9));
        assertThat(said(bare, Warning.Kind.BED_BARE_LATER)).isEmpty();
        Charge covered = charge(ratio(proud.limit() / 10), vessel, Samples.bones(10));
        assertThat(covered.levels().cover().cm()).isCloseTo(0, within(1e-6));
        assertThat(said(covered, Warning.Kind.BED_PROUD)).isEmpty();
    }

    /** A pot of 5 kg with so much bed, at one litre to the kilogram. */
    @ParameterizedTest
    @CsvSource({"4.5, false", "5, false", "5.5, true"})
    void aboveFifteenKilogramsNobodyLiftsAlone(double bedKg, boolean heavy) {
        Charge charge = charge(ratio(1), Samples.cylinder(36, 40), Samples.bones(bedKg));
        assertThat(said(charge, Warning.Kind.HEAVY_LIFT).isPresent()).isEqualTo(heavy);
        said(charge, Warning.Kind.HEAVY_LIFT)
                .ifPresent(warning -> assertThat(warning.value()).isCloseTo(5 + 2 * bedKg, within(1e-9)));
    }

    @ParameterizedTest
    @CsvSource({"1.4, 1.5", "1.5, ", "2.0, ", "2.2, 2.0"})
    void aRatioOutsideTheUsualIsSaidWithTheNearerEnd(double litresPerKg, Double nearer) {
        Optional<Warning> unusual =
                said(charge(ratio(litresPerKg), Samples.kettle(), Samples.bones(10)), Warning.Kind.UNUSUAL_RATIO);
        assertThat(unusual.map(Warning::limit)).isEqualTo(Optional.ofNullable(nearer));
        unusual.ifPresent(warning -> assertThat(warning.value()).isCloseTo(litresPerKg, within(1e-9)));
    }

    @Test
    void aReductionHasNoRatioToBeUnusual() {
        Charge glaze = charge(Book.of("glaze"), Samples.cylinder(36, 40), new Goal.WaterDrawn(Volume.ofLitres(10)));
        assertThat(glaze.warnings())
                .extracting(Warning::kind)
                .doesNotContain(Warning.Kind.UNUSUAL_RATIO, Warning.Kind.BED_PROUD);
    }

    /** Two trays of four kilograms in one layer. */
    @ParameterizedTest
    @CsvSource({"8, false, 1", "9, true, 1", "12.8, true, 1", "13, false, 2", "20, true, 2"})
    void traysAreCrowdedAndLoadsAreSeveral(double bedKg, boolean crowded, int loads) {
        Oven oven = new Oven("deck", 2, true, Oven.bookFactor(true));
        Pot pot = new Pot(Samples.kettle(), Samples.GAS, Samples.VALLEY, Optional.empty(), List.of(oven), Pot.BOOK_TAP);
        Charge charge = ChargeSolver.solve(Book.of("brown-beef"), pot, Samples.bones(bedKg));
        assertThat(said(charge, Warning.Kind.TRAYS_CROWDED).isPresent()).isEqualTo(crowded);
        assertThat(charge.roasting().orElseThrow().loads()).isEqualTo(loads);
        assertThat(said(charge, Warning.Kind.SEVERAL_LOADS).map(Warning::value))
                .isEqualTo(loads > 1 ? Optional.of((double) loads) : Optional.empty());
    }

    @Test
    void whatLeavesNextToNothingIsNotStarted() {
        Charge nothing = charge(ratio(0.45), Samples.cylinder(36, 40), Samples.bones(0.5));
        Warning left = said(nothing, Warning.Kind.NOTHING_LEFT).orElseThrow();
        assertThat(left.value()).isEqualTo(nothing.forecast().yield().mid()).isLessThan(left.limit());
        assertThat(nothing.fits()).isFalse();
        Charge something = charge(Book.whiteChicken(), Samples.cylinder(20, 25), Samples.bones(2));
        assertThat(something.forecast().yield().mid()).isGreaterThan(left.limit());
        assertThat(said(something, Warning.Kind.NOTHING_LEFT)).isEmpty();
    }

    @Test
    void aBedThatFallsDryIsSaidWithTheMinuteAndHowLongThePotStands() {
        Formula down = Schools.AS_WRITTEN
                .with(Schools.TOP_UP, Schools.LevelIs.LET_REDUCE)
                .with(Schools.SIMMER, Duration.ofHours(8))
                .applyTo(ratio(1.2));
        Charge charge = charge(down, Samples.cylinder(50, 40), Samples.bones(12));
        Warning bare = said(charge, Warning.Kind.BED_BARE_LATER).orElseThrow();
        double stands = charge.forecast().bringUpMin() + charge.forecast().simmerMin();
        assertThat(bare.limit()).isCloseTo(stands, within(1e-9));
        assertThat(bare.value()).isBetween(charge.forecast().bringUpMin(), stands);
    }

    /** The quick answer draws its lines where the long one does. */
    @Test
    void whatMayBeStartedIsFullToItsLineCoveredAndNotNothing() {
        Vessel vessel = Samples.cylinder(36, 40);
        assertThat(ChargeSolver.fits(Book.whiteChicken(), Samples.pot(vessel), new Goal.FullVessel()))
                .isTrue();
        Charge full = charge(Book.whiteChicken(), vessel, new Goal.FullVessel());
        assertThat(Warnings.startable(full.run(), full.levels(), 0.25)).isTrue();
        assertThat(Warnings.startable(full.run(), full.levels(), 0.2499)).isFalse();
        Charge.Levels covered = new Charge.Levels(
                full.levels().bedRaw(),
                full.levels().highest(),
                full.levels().bedRaw(),
                full.levels().bedSettled(),
                full.levels().fillLine());
        assertThat(Warnings.startable(full.run(), covered, 5)).isTrue();
        Charge more = charge(
                Book.whiteChicken(), vessel, Samples.bones(full.run().raw().kg() * (1 + 1e-6)));
        assertThat(Warnings.startable(more.run(), more.levels(), 5)).isFalse();
    }

    @Test
    void massAndMetalAreBothLifted() {
        Vessel light = new Vessel(
                "light", Samples.cylinder(36, 40).shape(), Vessel.bookKappa(), Mass.ofKg(1), Vessel.Handling.LIFTED);
        assertThat(said(charge(ratio(1), light, Samples.bones(6.9)), Warning.Kind.HEAVY_LIFT))
                .isEmpty();
        assertThat(said(charge(ratio(1), light, Samples.bones(7.1)), Warning.Kind.HEAVY_LIFT))
                .isPresent();
    }

    /** A large pot over a weak flame is lukewarm for hours: warned of after two, and for a chef alone after four. */
    @Test
    void aPotThatStaysLukewarmTooLongIsWarnedOf() {
        Burner weak = new Burner("weak", Power.ofKilowatts(8.4), 0.5);
        Pot pot = new Pot(Samples.cylinder(60, 90), weak, Samples.VALLEY);
        Warning slow = ChargeSolver.solve(Book.whiteChicken(), pot, new Goal.FullVessel()).warnings().stream()
                .filter(warning -> warning.kind() == Warning.Kind.SLOW_BRING_UP)
                .findFirst()
                .orElseThrow();
        assertThat(slow.value()).isBetween(120.0, 240.0);
        assertThat(slow.kind().stops()).isFalse();
        assertThat(slow.needsChef()).isFalse();
        assertThat(new Warning(Warning.Kind.SLOW_BRING_UP, 241, 120, "min").needsChef())
                .isTrue();
        assertThat(new Warning(Warning.Kind.HEAVY_LIFT, 241, 120, "kg").needsChef())
                .isFalse();
        Pot strong = new Pot(Samples.kettle(), Samples.GAS, Samples.VALLEY);
        assertThat(ChargeSolver.solve(Book.whiteChicken(), strong, new Goal.FullVessel())
                        .warnings())
                .extracting(Warning::kind)
                .doesNotContain(Warning.Kind.SLOW_BRING_UP);
    }
}
