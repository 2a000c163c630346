package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.Samples.cylinder;
import static potamos.core.Samples.litres;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.flow.Forecast;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.heat.Cover;
import potamos.core.quantity.Band;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Estimate;
import potamos.core.vessel.Vessel;

/** Every figure that is foretold says how far it may be off. */
class SpreadTest {

    static Stream<Formula> book() {
        return Book.formulas().stream();
    }

    private static Charge charge(Formula formula) {
        return ChargeSolver.solve(formula, Samples.pot(cylinder(40, 45)), litres(12));
    }

    @ParameterizedTest
    @MethodSource("book")
    void bandsOpenAroundTheFigureOnBothSides(Formula formula) {
        Charge charge = charge(formula);
        Forecast forecast = charge.forecast();
        around(forecast.yield(), forecast.yield().mid());
        around(forecast.spread().bringUpMin(), forecast.bringUpMin());
        around(forecast.spread().evaporatedL(), forecast.evaporated().litres());
        if (forecast.gelatinGPerL() > 0) {
            around(forecast.spread().gelatinGPerL(), forecast.gelatinGPerL());
        }
        Character character = charge.character();
        assertThat(character.spread().clarity().low())
                .isLessThanOrEqualTo(character.clarity().index());
        assertThat(character.spread().clarity().high())
                .isBetween(character.clarity().index(), 100.0);
        for (Character.CutPart cut : character.cuts()) {
            assertThat(cut.spread().mid()).isEqualTo(cut.spent());
            assertThat(cut.spread().low()).isLessThanOrEqualTo(cut.spent()).isPositive();
            assertThat(cut.spread().high()).isBetween(cut.spent(), 1.0);
        }
    }

    private static void around(Band band, double figure) {
        assertThat(band.mid()).isCloseTo(figure, within(1e-9));
        assertThat(band.low()).isNotNegative().isLessThan(figure);
        assertThat(band.high()).isGreaterThan(figure);
    }

    @Test
    void aVesselWhoseSteamWasMeasuredIsSurer() {
        Vessel book = cylinder(36, 40);
        Vessel known = new Vessel(
                "known",
                book.shape(),
                new Estimate(book.kappa().value(), 0.02, Basis.CALIBRATED),
                book.metal(),
                book.handling());
        Forecast unsure = ChargeSolver.solve(Book.whiteChicken(), Samples.pot(book), litres(12))
                .forecast();
        Forecast sure = ChargeSolver.solve(Book.whiteChicken(), Samples.pot(known), litres(12))
                .forecast();
        assertThat(sure.spread().evaporatedL().sd())
                .isLessThan(unsure.spread().evaporatedL().sd() / 2);
        assertThat(sure.spread().gelatinGPerL().sd())
                .isLessThan(unsure.spread().gelatinGPerL().sd());
        assertThat(sure.yield().sd()).isLessThan(unsure.yield().sd());
    }

    @Test
    void vegetablesWithoutBonesHaveNoGelatinToBeUnsureOf() {
        Forecast light = charge(Book.of("vegetable-light")).forecast();
        assertThat(light.spread().gelatinGPerL()).isEqualTo(Band.exactly(0));
    }

    @Test
    void theGelatinOfAReducedStockIsAsUnsureAsItIsStrong() {
        Forecast once = charge(Book.of("brown-veal")).forecast();
        Forecast glaze = charge(Book.of("glaze")).forecast();
        assertThat(glaze.gelatinGPerL()).isGreaterThan(once.gelatinGPerL());
        assertThat(glaze.spread().gelatinGPerL().low()).isLessThan(glaze.gelatinGPerL());
    }

    @Test
    void underALidLittleSteamsAndLittleIsUnsure() {
        Formula open = Book.whiteChicken();
        Formula lid = open.withProcedure(open.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(
                                s.band(), s.usual(), s.least(), s.most(), Cover.LID_ON, s.topUp(), s.skim())
                        : phase)
                .toList());
        double unsureOpen = charge(open).forecast().spread().evaporatedL().sd();
        double unsureLid = charge(lid).forecast().spread().evaporatedL().sd();
        assertThat(unsureLid).isLessThan(unsureOpen / 3);
    }

    @Test
    void saltIsSpreadOverTheLitresThatComeOut() {
        Character character = charge(Book.of("vegetable-dark")).character();
        Band salt = character.spread().saltGPerL();
        assertThat(salt.mid()).isCloseTo(character.salt().afterGPerL(), within(1e-9));
        assertThat(salt.low()).isLessThanOrEqualTo(salt.mid());
        assertThat(salt.high()).isGreaterThanOrEqualTo(salt.mid());
    }
}
