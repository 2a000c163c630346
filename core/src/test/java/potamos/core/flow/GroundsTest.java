package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.flow.Ground.Term;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Schools;
import potamos.core.quantity.Band;

/** What figures rest on: the terms make the figure again, and their doubts its band. */
class GroundsTest {

    static Stream<Formula> withABed() {
        return Book.formulas().stream().filter(formula -> !formula.bed().isEmpty());
    }

    private static Charge charge(Formula formula) {
        return Samples.plan(formula).charge();
    }

    private static double value(List<Ground> grounds, Term term) {
        return grounds.stream()
                .filter(ground -> ground.term() == term)
                .mapToDouble(Ground::value)
                .findFirst()
                .orElse(0);
    }

    @ParameterizedTest
    @MethodSource("withABed")
    void whatTheBedGivesInItsLiquorIsTheGelatin(Formula formula) {
        Charge charge = charge(formula);
        List<Ground> grounds = Grounds.gelatin(charge.run(), charge.forecast());
        double grams = value(grounds, Term.COLLAGEN) * value(grounds, Term.GIVEN) + value(grounds, Term.BROUGHT);
        double gelatin = charge.forecast().gelatinGPerL();
        assertThat(grams / value(grounds, Term.LIQUOR)).isCloseTo(gelatin, within(0.02 * gelatin + 0.01));
        assertThat(grounds).allSatisfy(ground -> assertThat(ground.bandShare()).isBetween(0.0, 1.0));
        double shares = grounds.stream().mapToDouble(Ground::bandShare).sum();
        assertThat(shares).isCloseTo(gelatin > 0.01 ? 1 : shares, within(1e-9));
    }

    @Test
    void theLargestDoubtIsTheOneThatMakesTheBand() {
        Charge charge = charge(Book.whiteChicken());
        Band band = charge.forecast().spread().gelatinGPerL();
        double half = (band.high() - band.low()) / 2 / Band.Z90;
        double byBones = charge.forecast().gelatinGPerL() * Luck.COLLAGEN_SD / half;
        double share = Grounds.gelatin(charge.run(), charge.forecast()).stream()
                .filter(ground -> ground.term() == Term.COLLAGEN)
                .findFirst()
                .orElseThrow()
                .bandShare();
        assertThat(share).isCloseTo(byBones * byBones, within(0.05));
    }

    @Test
    void aPotComesUpByItsWaterItsBurnerAndWhatOfItGoesIn() {
        Charge charge = charge(Book.whiteChicken());
        List<Ground> grounds = Grounds.bringUp(charge.run(), charge.forecast());
        assertThat(value(grounds, Term.WATER)).isEqualTo(charge.water().litres());
        double kw = value(grounds, Term.BURNER) * value(grounds, Term.INTO_THE_POT);
        double kelvin = value(grounds, Term.SIMMER_AT) - value(grounds, Term.WATER_AT);
        double least = value(grounds, Term.WATER) * 4.18 * kelvin / kw / 60;
        // Bones, metal and steam take their part too, and no more than as much again.
        assertThat(charge.forecast().bringUpMin()).isBetween(least, 2 * least);
    }

    @Test
    void steamRestsOnThePotAndItsFactor() {
        Charge charge = charge(Book.whiteChicken());
        List<Ground> grounds = Grounds.steam(charge.run(), charge.forecast());
        assertThat(value(grounds, Term.WIDTH))
                .isEqualTo(charge.run().vessel().shape().width().cm());
        assertThat(grounds.get(grounds.size() - 1).bandShare()).isEqualTo(1);
    }

    @Test
    void whatComesUpIsTheBedAndWhatGoesInColdAndNotWhatGoesInLater() {
        Charge charge = charge(Book.of("fish-fumet"));
        double early = charge.run().others().stream()
                .filter(other -> other.intoTheSimmer().isZero())
                .mapToDouble(other -> other.mass().kg())
                .sum();
        double all = charge.run().others().stream()
                .mapToDouble(other -> other.mass().kg())
                .sum();
        assertThat(early).isPositive();
        List<Ground> grounds = Grounds.bringUp(charge.run(), charge.forecast());
        assertThat(value(grounds, Term.SOLIDS))
                .isCloseTo(charge.run().bed().mass().kg() + early, within(1e-9));
        Charge chicken = charge(Book.whiteChicken());
        assertThat(value(Grounds.bringUp(chicken.run(), chicken.forecast()), Term.SOLIDS))
                .as("its vegetables go in later")
                .isCloseTo(chicken.run().bed().mass().kg(), within(1e-9));
    }

    @Test
    void inAnOvenItComesUpByWhatTheOvenIsSetTo() {
        Charge charge = charge(Schools.AS_WRITTEN
                .with(Schools.SIMMERS_IN, Schools.SimmersIn.THE_OVEN)
                .applyTo(Book.of("brown-beef")));
        List<Ground> grounds = Grounds.bringUp(charge.run(), charge.forecast());
        assertThat(grounds).extracting(Ground::term).contains(Term.OVEN_AT).doesNotContain(Term.BURNER);
        assertThat(value(grounds, Term.OVEN_AT))
                .isEqualTo(charge.run().simmer().oven().orElseThrow().celsius());
    }

    @Test
    void onlyWhatIsDrawnWithGelatinBringsAny() {
        Charge water = charge(Book.whiteChicken());
        assertThat(Grounds.gelatin(water.run(), water.forecast()))
                .extracting(Ground::term)
                .doesNotContain(Term.BROUGHT);
        assertThat(value(Grounds.gelatin(water.run(), water.forecast()), Term.COLLAGEN))
                .isCloseTo(water.run().raw().kg() * water.run().bed().kind().collagenGPerKg(), within(1e-9));
        assertThat(Term.COLLAGEN.measure()).isEqualTo(Ground.Measure.GRAMS);
    }
}
