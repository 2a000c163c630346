package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.flow.Run;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.PotPhase;
import potamos.core.formula.Substitution;
import potamos.core.heat.BoilDown;
import potamos.core.heat.Cover;
import potamos.core.heat.PotHeat;
import potamos.core.heat.SimmerBand;
import potamos.core.heat.Surroundings;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.vessel.Vessel;

/** Figures of a charge, reckoned here by hand. */
class ChargeFiguresTest {

    private static final Vessel POT = Samples.cylinder(40, 42);
    private static final Temperature BOILING = Temperature.ofCelsius(100);

    private static Charge charge(Formula formula, Goal goal) {
        return ChargeSolver.solve(formula, Samples.pot(POT), goal);
    }

    /**
     * An open lazy simmer of three hours, in which half of a note is gone after 45 min. Vegetables give half of theirs in 15 min and are in for 105: 0.1906 of a most of
     * 0.3849. Herbs in 8, in for 60: 0.3913 of 0.5660. Each kind counts alike: 59.3.
     */
    @Test
    void whatIsLeftOfTheNotesThatFade() {
        assertThat(Aroma.of(charge(Book.whiteChicken(), Samples.bones(10))).index())
                .isCloseTo(59.33, within(0.05));
    }

    @ParameterizedTest
    @CsvSource({"39.99, true", "40, false", "60, false"})
    void belowFortyNobodySmellsWhatWentIn(double index, boolean flat) {
        assertThat(new Aroma(index).flat()).isEqualTo(flat);
    }

    /** None where a lively simmer begins, a quarter in its middle, all of it where it ends; straight between. */
    @ParameterizedTest
    @CsvSource({"-0.2, 0", "0, 0", "0.25, 0.125", "0.5, 0.25", "0.75, 0.625", "1, 1", "1.5, 1"})
    void aPotBoilsForSoMuchOfItsTime(double along, double share) {
        double low = SimmerBand.LIVELY.low(BOILING).celsius();
        double high = SimmerBand.LIVELY.high(BOILING).celsius();
        Temperature at = Temperature.ofCelsius(low + along * (high - low));
        assertThat(SimmerBand.LIVELY.middle(BOILING).celsius()).isCloseTo((low + high) / 2, within(1e-9));
        assertThat(Clouding.boils(at, BOILING)).isCloseTo(share, within(1e-6));
    }

    /** What a formula fills cold comes as the tap has it; what it fills hot, as hot as it says. */
    @ParameterizedTest
    @CsvSource({"5, 8, 5", "20, 8, 20", "20.5, 20.5, 12", "60, 60, 12"})
    void waterComesFromTheTapUnlessItIsFilledHot(double formula, double filled, double tapOf) {
        Pot here = Samples.pot(POT);
        Pot cold =
                new Pot(here.vessel(), here.burner(), here.air(), here.simmerAt(), List.of(), Temperature.ofCelsius(8));
        assertThat(cold.filledAt(Temperature.ofCelsius(formula)).celsius()).isEqualTo(filled);
        assertThat(Pot.tapOf(Temperature.ofCelsius(formula)).celsius()).isEqualTo(tapOf);
    }

    @ParameterizedTest
    @CsvSource({"SLOW_BRING_UP, 240, false", "SLOW_BRING_UP, 240.1, true", "HEAVY_LIFT, 900, false"})
    void aPotThatIsLukewarmForFourHoursWantsAChef(Warning.Kind kind, double value, boolean chef) {
        assertThat(new Warning(kind, value, 120, "min").needsChef()).isEqualTo(chef);
    }

    /** Parts go in at their time before the end, or with the simmer where that would be before it; after it, never. */
    @ParameterizedTest
    @CsvSource({"30, 150", "179, 1", "180, 0.0166667", "300, 0.0166667"})
    void whatHasItsTimeBeforeTheEndGoesInNoSoonerThanTheSimmer(long before, double intoMin) {
        Duration into =
                ChargeSolver.intoTheSimmer(new Part.When.BeforeTheEnd(Duration.ofMinutes(before)), Duration.ofHours(3));
        assertThat(into.toMillis() / 60_000.0).isCloseTo(intoMin, within(1e-4));
    }

    @ParameterizedTest
    @CsvSource({"0, 0.0166667", "40, 40", "180, 180", "181, 180"})
    void whatGoesInAfterAWhileGoesInNoLaterThanTheEnd(long after, double intoMin) {
        Duration into =
                ChargeSolver.intoTheSimmer(new Part.When.IntoTheSimmer(Duration.ofMinutes(after)), Duration.ofHours(3));
        assertThat(into.toMillis() / 60_000.0).isCloseTo(intoMin, within(1e-4));
    }

    /** Reduced before it is strained or after, as its procedure has them; what is not reduced boils down for no time. */
    @Test
    void aReductionComesWhereItsProcedureHasIt() {
        int reduced = 0;
        for (Formula formula : Book.formulas()) {
            List<?> steps = formula.procedure();
            int reduce = -1;
            int strain = -1;
            for (int i = 0; i < steps.size(); i++) {
                reduce = steps.get(i) instanceof FinishPhase.Reduce ? i : reduce;
                strain = steps.get(i) instanceof FinishPhase.Strain ? i : strain;
            }
            Charge charge = charge(formula, Samples.litres(4));
            assertThat(charge.run().reduction().beforeStraining())
                    .as(formula.slug())
                    .isEqualTo(reduce >= 0 && reduce < strain);
            assertThat(charge.boilDownMin() > 0).as(formula.slug()).isEqualTo(reduce >= 0);
            reduced += reduce >= 0 ? 1 : 0;
        }
        assertThat(reduced).isPositive();
    }

    /** Bones lose weight in the oven; what was deglazed with is told by the raw bones. */
    @ParameterizedTest
    @ValueSource(strings = {"brown-veal", "brown-beef", "white-chicken"})
    void theBedIsWhatTheOvenLeavesOfIt(String slug) {
        Formula formula = Book.of(slug);
        Charge charge = charge(formula, Samples.bones(10));
        assertThat(charge.run().raw().kg()).isEqualTo(10);
        assertThat(charge.run().bed().mass().kg()).isCloseTo(10 * formula.keepsMass(), within(1e-9));
        assertThat(charge.deglazing().litres()).isCloseTo(slug.equals("white-chicken") ? 0 : 1.2, within(1e-9));
        assertThat(charge.rest().litres()).isCloseTo(charge.water().litres(), within(1e-9));
        assertThat(charge.toCool().litres()).isEqualTo(charge.forecast().yield().mid());
    }

    /** Weighed as planned it is as planned; of a tenth more bones, a tenth more water; a part that is left out is missed and nothing else is. */
    @Test
    void whatWasWeighedIsRunByTheSameRatio() {
        Charge planned = charge(Book.whiteChicken(), Samples.bones(10));
        Charge same = ChargeSolver.weighed(planned, planned.formula(), Mass.ofKg(10), Map.of());
        assertThat(same.forecast().yield().mid())
                .isEqualTo(planned.forecast().yield().mid());
        Charge more = ChargeSolver.weighed(planned, planned.formula(), Mass.ofKg(11), Map.of());
        assertThat(more.water().litres()).isCloseTo(1.1 * planned.water().litres(), within(1e-9));
        Charge without =
                ChargeSolver.weighed(planned, planned.formula(), Mass.ofKg(10), Map.of("onion", Mass.ofKg(0.001)));
        assertThat(without.water().litres()).isEqualTo(planned.water().litres());
        assertThat(without.forecast().yield().mid())
                .isGreaterThan(planned.forecast().yield().mid());
        Pot here = Samples.pot(POT);
        Temperature slow = Temperature.ofCelsius(86);
        Charge kept = ChargeSolver.solve(
                planned.formula(),
                new Pot(POT, here.burner(), here.air(), Optional.of(slow), List.of(), Temperature.ofCelsius(9)),
                Samples.bones(10));
        Charge again = ChargeSolver.weighed(kept, planned.formula(), Mass.ofKg(10), Map.of());
        assertThat(again.run().simmerAt()).isEqualTo(slow);
        assertThat(again.run().waterC().celsius()).isEqualTo(9);
    }

    @Test
    void whoNeedsNothingNeedsNone() {
        assertThat(Needs.NONE.none()).isTrue();
        assertThat(Needs.without(Set.of(Allergen.CELERY)).none()).isFalse();
        assertThat(new Needs(Set.of(), Set.of(Needs.Need.PALE)).none()).isFalse();
    }

    /** Wine has its notes at once and loses half of them in every 45 min; vegetables that go in with it do not change what is left of it. */
    @Test
    void wineIsCountedFromTheMomentItIsIn() {
        Formula fumet = simmering(
                Book.of("fish-fumet"),
                simmer -> simmer.withBand(SimmerBand.LAZY).withCover(Cover.OPEN));
        Formula wine = fumet.withParts(fumet.parts().stream()
                .filter(part -> part.kind() == Part.Kind.WINE)
                .toList());
        Charge charge = charge(wine, Samples.bones(8));
        double minutes = charge.run().simmer().usual().toMinutes();
        double halves = minutes / 45;
        assertThat(wine.parts()).isNotEmpty();
        assertThat(Aroma.of(charge).index()).isCloseTo(100 * Math.pow(0.5, halves), within(0.1));
        assertThat(Aroma.of(charge(wine.withParts(List.of()), Samples.bones(8))).index())
                .as("nothing fades where there is nothing")
                .isEqualTo(100);
    }

    private static Formula simmering(Formula formula, UnaryOperator<PotPhase.Simmer> change) {
        return formula.withProcedure(formula.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer simmer ? change.apply(simmer) : phase)
                .toList());
    }

    private static Formula inTheOven(double celsius, Cover cover) {
        return simmering(
                Book.whiteChicken(),
                simmer -> simmer.withOven(Optional.of(Temperature.ofCelsius(celsius)))
                        .withCover(cover));
    }

    /** Hot enough it keeps the simmer that the formula wants; too cool, it is said how hot it keeps the pot: three degrees short of where that would settle. */
    @Test
    void anOvenKeepsAPotAsHotAsItCan() {
        Vessel small = Samples.cylinder(24, 22);
        Pot pot = Samples.pot(small);
        Charge hot = ChargeSolver.solve(inTheOven(180, Cover.LID_ON), pot, Samples.bones(2));
        assertThat(hot.run().simmerAt().celsius())
                .isCloseTo(SimmerBand.LAZY.middle(Samples.VALLEY.boilingPoint()).celsius(), within(1e-9));
        assertThatThrownBy(() -> ChargeSolver.solve(inTheOven(100, Cover.OPEN), pot, Samples.bones(2)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("no more than %.0f °C".formatted(settlesIn(small, hot.run(), 100) - 3));
    }

    /** Where an open pot would settle in an oven, °C. */
    private static double settlesIn(Vessel vessel, Run run, double ovenC) {
        return new PotHeat(
                        vessel,
                        run.bed().mass().kg() * run.bed().kind().heatKjPerKgK(),
                        run.bed().displacedVolume(),
                        Samples.VALLEY,
                        Cover.OPEN,
                        vessel.kappa().value())
                .in(Surroundings.oven(Temperature.ofCelsius(ovenC)))
                .settlesAt(run.filling(), Power.ofKilowatts(0))
                .celsius();
    }

    @Test
    void aKettleGoesIntoNoOven() {
        assertThatThrownBy(() -> ChargeSolver.solve(
                        inTheOven(180, Cover.LID_ON), Samples.pot(Samples.kettle()), Samples.bones(20)))
                .isInstanceOf(Refusal.class)
                .extracting("field")
                .isEqualTo("vesselId");
    }

    /** A rest of twenty minutes; reduced before it is strained where the procedure is written so. */
    @Test
    void restAndReductionAreWhereTheProcedureHasThem() {
        Formula chicken = Book.whiteChicken();
        assertThat(charge(chicken, Samples.bones(8)).run().restMin()).isEqualTo(20);
        List<Phase> before = new ArrayList<>();
        List<Phase> after = new ArrayList<>();
        for (Phase phase : chicken.procedure()) {
            if (phase instanceof FinishPhase.Strain) {
                before.add(new FinishPhase.Reduce(0.5));
            }
            before.add(phase);
            after.add(phase);
            if (phase instanceof FinishPhase.Strain) {
                after.add(new FinishPhase.Reduce(0.5));
            }
        }
        Charge reducedFirst = charge(chicken.withProcedure(before), Samples.bones(8));
        Charge strainedFirst = charge(chicken.withProcedure(after), Samples.bones(8));
        assertThat(reducedFirst.run().reduction().beforeStraining()).isTrue();
        assertThat(strainedFirst.run().reduction().beforeStraining()).isFalse();
        double minutes = BoilDown.to(
                        0.5,
                        Volume.ofLitres(2 * strainedFirst.forecast().yield().mid()),
                        POT,
                        Samples.GAS,
                        Samples.VALLEY,
                        0.5)
                .minutes();
        assertThat(strainedFirst.boilDownMin()).isCloseTo(minutes, within(1e-6));
    }

    /** Wine is poured and not lifted out; a quarter of a litre is a batch, and less is none. */
    @Test
    void whatIsPouredIsNoSolidAndAQuarterOfALitreIsABatch() {
        Charge fumet = charge(Book.of("fish-fumet"), Samples.bones(8));
        assertThat(fumet.run().others())
                .isNotEmpty()
                .noneMatch(solids -> solids.part().kind() == Part.Kind.WINE);
        assertThat(fumet.run().poured().litres()).isPositive();
        assertThat(Warnings.startable(fumet.run(), fumet.levels(), 0.25)).isTrue();
        assertThat(Warnings.startable(fumet.run(), fumet.levels(), 0.249)).isFalse();
    }

    /** Fennel would stand in for celery, but not where fennel is in it already. */
    @Test
    void nothingStandsInThatIsThereAlready() {
        Needs needs = Needs.without(Set.of(Allergen.CELERY));
        Formula chicken = Book.whiteChicken();
        Item fennel = needs.swapped(chicken).orElseThrow().by();
        assertThat(needs.swapped(Substitution.replace(chicken, "carrot", fennel)))
                .isEmpty();
    }
}
