package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.function.BooleanSupplier;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.Samples.PotAndBones;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.WaterRule;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

class ChargeSolverTest {

    @ParameterizedTest
    @MethodSource("potamos.core.Samples#potsAndBones")
    void solvingForTheLitresThatBonesGiveReturnsTheBones(PotAndBones given) {
        Charge there = Samples.charge(given.vessel(), Samples.bones(given.bonesKg()));
        double litres = there.forecast().ledger().yield().litres();
        if (litres < 0.5) {
            return;
        }
        Charge back = Samples.charge(given.vessel(), Samples.litres(litres));
        assertThat(back.run().bed().mass().kg()).isCloseTo(given.bonesKg(), within(1e-6 * given.bonesKg()));
    }

    @ParameterizedTest
    @MethodSource("potamos.core.Samples#potsAndBones")
    void everyChargeClosesItsLedgerAndHasNoNegativeParts(PotAndBones given) {
        Charge charge = Samples.charge(given.vessel(), Samples.bones(given.bonesKg()));
        assertThat(charge.forecast().ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(charge.forecast().ledger().entries())
                .allSatisfy(entry -> assertThat(entry.amount().litres()).isNotNegative());
        assertThat(charge.measures())
                .allSatisfy(measure -> assertThat(measure.mass().kg()).isNotNegative());
        assertThat(charge.forecast().yield().low()).isNotNegative();
    }

    @ParameterizedTest
    @MethodSource("potamos.core.Samples#potsAndBones")
    void theQuickAnswerWhetherItFitsIsTheLongOne(PotAndBones given) {
        for (Formula formula : Book.formulas()) {
            Goal goal = Samples.litres(1 + given.bonesKg());
            Pot pot = Samples.pot(given.vessel());
            assertThat(orRefused(() -> ChargeSolver.fits(formula, pot, goal)))
                    .as(formula.slug())
                    .isEqualTo(orRefused(
                            () -> ChargeSolver.solve(formula, pot, goal).fits()));
        }
    }

    private static String orRefused(BooleanSupplier answer) {
        try {
            return Boolean.toString(answer.getAsBoolean());
        } catch (Refusal refused) {
            return refused.getMessage();
        }
    }

    @Test
    void waterDrawnFixesTheBonesByTheRatio() {
        Charge charge = Samples.charge(Samples.cylinder(36, 40), new Goal.WaterDrawn(Volume.ofLitres(17)));
        assertThat(charge.run().bed().mass().kg()).isCloseTo(10, within(1e-6));
    }

    @Test
    void aFullVesselStandsAtItsFillLine() {
        for (Vessel vessel : new Vessel[] {Samples.cylinder(36, 40), Samples.kettle()}) {
            Charge charge = Samples.charge(vessel, new Goal.FullVessel());
            assertThat(charge.levels().highest().cm())
                    .isCloseTo(vessel.fillLine().cm(), within(1e-6));
            assertThat(charge.fits()).isTrue();
        }
    }

    @Test
    void partsKeepTheirRatio() {
        Charge charge = Samples.charge(Samples.kettle(), Samples.litres(20));
        double bed = charge.run().bed().mass().kg();
        double onion = mass(charge, "onion");
        assertThat(onion).isCloseTo(0.06 * bed, within(1e-9));
        assertThat(onion / mass(charge, "carrot")).isCloseTo(2, within(1e-9));
        assertThat(charge.forecast().ledger().yield().litres()).isCloseTo(20, within(1e-6));
    }

    @Test
    void doublingTheChargeInTwiceTheAreaDoublesEverythingExtensive() {
        Charge one = Samples.charge(Samples.cylinder(30, 40), Samples.bones(8));
        Charge two = Samples.charge(Samples.cylinder(30 * Math.sqrt(2), 40), Samples.bones(16));
        assertThat(two.water().litres()).isCloseTo(2 * one.water().litres(), within(1e-9));
        assertThat(two.levels().filled().cm()).isCloseTo(one.levels().filled().cm(), within(1e-9));
        // The bring-up takes longer on the same burner, and strainer losses go with the width: hence a few per cent.
        assertThat(two.forecast().yield().mid())
                .isCloseTo(2 * one.forecast().yield().mid(), Percentage.withPercentage(3));
    }

    @Test
    void waterByCoverStandsSoFarOverTheBed() {
        Formula covered = Book.whiteChicken().withWater(new WaterRule.OverTheBed(Length.ofCm(4)));
        Charge charge = ChargeSolver.solve(covered, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(9));
        assertThat(charge.levels().cover().cm()).isCloseTo(4, within(1e-9));
    }

    @Test
    void waterByTheLineFillsToIt() {
        Formula line = Book.whiteChicken().withWater(new WaterRule.ToTheLine());
        Vessel vessel = Samples.cylinder(36, 40);
        Charge charge = ChargeSolver.solve(line, Samples.pot(vessel), Samples.bones(9));
        assertThat(charge.levels().highest().cm()).isCloseTo(vessel.fillLine().cm(), within(1e-9));
    }

    @Test
    void waterByTheYieldIsWhateverGivesIt() {
        Formula yield = Book.whiteChicken().withWater(new WaterRule.ForTheYield(1.4));
        Charge charge = ChargeSolver.solve(yield, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10));
        assertThat(charge.forecast().ledger().yield().litres()).isCloseTo(14, within(1e-6));
    }

    @Test
    void aPotTooSmallSaysSoAndHowMuchItTakes() {
        Vessel small = Samples.cylinder(28, 20);
        Charge charge = Samples.charge(small, Samples.litres(20));
        assertThat(charge.fits()).isFalse();
        assertThat(charge.warnings()).anySatisfy(warning -> {
            assertThat(warning.kind()).isEqualTo(Warning.Kind.RUNS_OVER);
            assertThat(warning.limit()).isCloseTo(small.workingVolume().litres(), within(1e-9));
        });
    }

    @Test
    void tooLittleWaterLeavesTheBedProudAndTellsTheWaterThatCovers() {
        Formula dry = Book.whiteChicken().withWater(new WaterRule.PerKgBed(0.9));
        Charge charge = ChargeSolver.solve(dry, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10));
        Warning proud = charge.warnings().stream()
                .filter(w -> w.kind() == Warning.Kind.BED_PROUD)
                .findFirst()
                .orElseThrow();
        Formula wet = Book.whiteChicken().withWater(new WaterRule.PerKgBed(proud.limit() / 10));
        Charge covered = ChargeSolver.solve(wet, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10));
        assertThat(covered.levels().cover().cm()).isCloseTo(0, within(1e-6));
    }

    @Test
    void aHeavyPotIsNotLiftedAloneButAKettleTilts() {
        assertThat(Samples.charge(Samples.cylinder(36, 40), Samples.bones(10)).warnings())
                .extracting(Warning::kind)
                .contains(Warning.Kind.HEAVY_LIFT);
        assertThat(Samples.charge(Samples.kettle(), Samples.bones(10)).warnings())
                .extracting(Warning::kind)
                .doesNotContain(Warning.Kind.HEAVY_LIFT);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -3, 1e7, Double.NaN, Double.NEGATIVE_INFINITY})
    void impossibleGoalsAreRefused(double litres) {
        assertThatThrownBy(() -> Samples.litres(litres)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Samples.bones(litres)).isInstanceOf(Refusal.class);
    }

    private static double mass(Charge charge, String part) {
        return charge.measures().stream()
                .filter(m -> m.part().id().equals(part))
                .findFirst()
                .orElseThrow()
                .mass()
                .kg();
    }

    @Test
    void aWaterLineIsMetWhereItWasDrawn() {
        Pot pot = Samples.pot(Samples.kettle());
        Charge charge = ChargeSolver.solve(Book.whiteChicken(), pot, new Goal.Line(Length.ofCm(22)));
        assertThat(pot.vessel().shape().levelAt(charge.run().filling()).cm()).isCloseTo(22, within(0.01));
        Charge fuller = ChargeSolver.solve(Book.whiteChicken(), pot, new Goal.Line(Length.ofCm(24)));
        assertThat(fuller.run().raw().kg()).isGreaterThan(charge.run().raw().kg());
    }
}
