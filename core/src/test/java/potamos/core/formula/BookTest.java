package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Warning;
import potamos.core.flow.Ledger;
import potamos.core.liquor.CutAdviser;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.vessel.Vessel;

/** Every formula of the book is a stock that can be made, solved from any side, inside what the trade calls usual. */
class BookTest {

    static Stream<Formula> formulas() {
        return Book.formulas().stream();
    }

    static Stream<Formula> withABed() {
        return formulas().filter(formula -> !formula.bed().isEmpty());
    }

    private static Charge inAKettle(Formula formula, Goal goal) {
        return ChargeSolver.solve(formula, Samples.pot(Samples.kettle()), goal);
    }

    @ParameterizedTest
    @EnumSource(Family.class)
    void everyFamilyHasAFormula(Family family) {
        assertThat(Book.formulas()).extracting(Formula::family).contains(family);
    }

    @Test
    void slugsAreTheirOwn() {
        assertThat(Book.formulas())
                .hasSizeGreaterThanOrEqualTo(16)
                .extracting(Formula::slug)
                .doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @MethodSource("formulas")
    void nothingInTheBookIsUnusual(Formula formula) {
        assertThat(Usual.remarks(formula)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("formulas")
    void litresAskedForComeOutAndTheLedgerCloses(Formula formula) {
        Charge charge = inAKettle(formula, Samples.litres(5));
        Ledger ledger = charge.forecast().ledger();
        assertThat(ledger.yield().litres()).isCloseTo(5, within(1e-6));
        assertThat(ledger.error().litres()).isCloseTo(0, within(1e-9));
        assertThat(ledger.entries())
                .allSatisfy(entry -> assertThat(entry.amount().litres()).isNotNegative());
        assertThat(charge.forecast().yield().low()).isLessThan(5).isPositive();
        assertThat(charge.fits()).as("%s", charge.warnings()).isTrue();
    }

    @ParameterizedTest
    @MethodSource("formulas")
    void everyCutFitsItsSimmer(Formula formula) {
        assertThat(inAKettle(formula, Samples.litres(5)).character().cuts())
                .allSatisfy(cut -> assertThat(cut.fit()).as(cut.name()).isEqualTo(CutAdviser.Fit.FITS));
    }

    @ParameterizedTest
    @MethodSource("withABed")
    void forthAndBackGivesTheBedAgain(Formula formula) {
        double kg = inAKettle(formula, Samples.litres(9)).run().raw().kg();
        double litres = inAKettle(formula, Samples.bones(kg))
                .forecast()
                .ledger()
                .yield()
                .litres();
        assertThat(litres).isCloseTo(9, within(1e-6));
    }

    @ParameterizedTest
    @MethodSource("formulas")
    void aFullVesselAndItsWaterAreTheSameCharge(Formula formula) {
        Charge full = inAKettle(formula, new Goal.FullVessel());
        Charge byWater = inAKettle(formula, new Goal.WaterDrawn(full.water()));
        assertThat(byWater.run().everythingIn().litres())
                .isCloseTo(Samples.kettle().workingVolume().litres(), within(1e-6));
    }

    @Test
    void aReductionHasNoBedAndIsSolvedFromItsStock() {
        Charge half = inAKettle(Book.of("half-reduction"), new Goal.WaterDrawn(Volume.ofLitres(20)));
        assertThat(half.run().raw().kg()).isZero();
        // Twenty litres and what is left of the wine, less steam and strainer, then halved.
        assertThat(half.forecast().yield().mid()).isBetween(9.0, 10.5);
        assertThat(half.forecast().gelatinGPerL()).isBetween(33.0, 40.0);
        assertThat(half.boilDownMin()).isBetween(60.0, 300.0);
        assertThatThrownBy(() -> inAKettle(Book.of("half-reduction"), Samples.bones(3)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("no bed");
    }

    @Test
    void aGlazeIsATenthOrSoAndCuts() {
        Charge glaze = inAKettle(Book.of("glaze"), new Goal.WaterDrawn(Volume.ofLitres(30)));
        assertThat(glaze.forecast().yield().mid() / 30).isBetween(0.09, 0.125);
        assertThat(glaze.forecast().body().name()).isEqualTo("CUTS");
    }

    @Test
    void aRoastedVegetableBedShrinksBeforeItMeetsItsWater() {
        Charge dark = inAKettle(Book.of("vegetable-dark"), Samples.bones(10));
        assertThat(dark.run().raw().kg()).isEqualTo(10);
        assertThat(dark.run().bed().mass().kg()).isCloseTo(4.5, within(1e-9));
    }

    @Test
    void pressedVegetablesGiveTheirOwnWater() {
        Formula pressed = Schools.AS_WRITTEN.with(Schools.PRESS, true).applyTo(Book.of("vegetable-light"));
        Ledger drained = inAKettle(Book.of("vegetable-light"), Samples.bones(10))
                .forecast()
                .ledger();
        Ledger given = inAKettle(pressed, Samples.bones(10)).forecast().ledger();
        assertThat(drained.of(Ledger.Cause.UPTAKE).litres()).isPositive();
        assertThat(given.of(Ledger.Cause.UPTAKE).litres()).isZero();
        assertThat(given.of(Ledger.Cause.GIVEN_BY_SOLIDS).litres()).isGreaterThan(2);
        assertThat(given.yield().litres()).isGreaterThan(drained.yield().litres() + 4);
    }

    @Test
    void allergensComeFromBedAndParts() {
        assertThat(Book.of("fish-fumet").allergens())
                .contains(Allergen.FISH, Allergen.MILK, Allergen.CELERY, Allergen.SULPHITES);
        assertThat(Book.of("shellfish").allergens()).contains(Allergen.CRUSTACEANS);
        assertThat(Book.of("vegetable-seaweed-barley").allergens()).contains(Allergen.GLUTEN);
        assertThat(Book.of("kelp-flake").allergens()).containsExactly(Allergen.FISH);
    }

    @Test
    void tooSmallAVesselForItsBedIsSaid() {
        Vessel small = Samples.cylinder(20, 15);
        Charge charge = ChargeSolver.solve(Book.of("shellfish"), Samples.pot(small), Samples.bones(6));
        assertThat(charge.warnings()).extracting(Warning::kind).contains(Warning.Kind.RUNS_OVER);
    }

    @Test
    void whatIsNoFormulaIsRefusedWithItsField() {
        Formula base = Book.whiteChicken();
        assertField("bed", () -> base.withBed(List.of()));
        assertField("bed", () -> base.withBed(List.of(new Formula.BedShare(Beds.VEAL, 0.7))));
        assertField(
                "parts",
                () -> base.withParts(List.of(base.parts().get(0), base.parts().get(0))));
        assertField("procedure", () -> base.withProcedure(List.of(base.fill(), base.strain(), base.simmer())));
        assertField("procedure", () -> base.withProcedure(List.of(base.fill(), base.strain())));
        assertField("slug", () -> base.named("White Chicken", "x", 1));
        assertField("name", () -> base.named("ok", " ", 1));
    }

    @Test
    void whatIsUnusualIsSaidWithTheUsualRange() {
        Formula thin = Book.whiteChicken().withWater(new WaterRule.PerKgBed(3)).simmeredFor(Duration.ofMinutes(40));
        assertThat(Usual.remarks(thin))
                .extracting(Usual.Remark::matter)
                .containsExactly(Usual.Matter.WATER, Usual.Matter.SIMMER);
        Usual.Remark water = Usual.remarks(thin).get(0);
        assertThat(water.value()).isEqualTo(3);
        assertThat(water.usual()).isEqualTo(new Usual.Range(1.5, 2.0));
    }

    @Test
    void oneItemStandsForAnotherInTheSameRatio() {
        Item leek = Pantry.find("leek").orElseThrow();
        Formula swapped = Substitution.replace(Book.whiteChicken(), "onion", leek);
        Charge before = inAKettle(Book.whiteChicken(), Samples.bones(10));
        Charge after = inAKettle(swapped, Samples.bones(10));
        assertThat(after.measures().get(0).part().id()).isEqualTo("leek");
        assertThat(after.measures().get(0).mass())
                .isEqualTo(before.measures().get(0).mass());
        assertField(
                "by",
                () -> Substitution.replace(
                        Book.whiteChicken(), "onion", Pantry.find("salt").orElseThrow()));
        assertField("item", () -> Substitution.replace(Book.whiteChicken(), "leek", leek));
    }

    static void assertField(String field, org.assertj.core.api.ThrowableAssert.ThrowingCallable call) {
        assertThatThrownBy(call)
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo(field));
    }
}
