package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Part;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
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
                new Pot(
                        POT,
                        here.burner(),
                        here.air(),
                        java.util.Optional.of(slow),
                        List.of(),
                        Temperature.ofCelsius(9)),
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
}
