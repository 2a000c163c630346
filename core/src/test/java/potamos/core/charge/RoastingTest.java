package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.Samples.cylinder;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.batch.Stage;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.heat.Browning;
import potamos.core.heat.Oven;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.schedule.Planner;

class RoastingTest {

    private static final Oven STILL = new Oven("West", 2, false, Oven.bookFactor(false));
    private static final Oven FAN = new Oven("East", 6, true, Oven.bookFactor(true));
    private static final Formula BEEF = Book.of("brown-beef");

    private static Charge charge(double bedKg, Oven... ovens) {
        Pot place = Samples.pot(cylinder(60, 60));
        Pot pot = new Pot(place.vessel(), place.burner(), place.air(), Optional.empty(), List.of(ovens), Pot.BOOK_TAP);
        return ChargeSolver.solve(BEEF, pot, new Goal.BedInHand(Mass.ofKg(bedKg)));
    }

    private static Roasting roasting(double bedKg, Oven... ovens) {
        return charge(bedKg, ovens).roasting().orElseThrow();
    }

    @Test
    void takesTheOvenThatIsDoneFirst() {
        assertThat(roasting(8, STILL, FAN).oven()).isEqualTo("East");
        assertThat(roasting(8, STILL).oven()).isEqualTo("West");
    }

    @Test
    void oneLayerTakesTheBooksTimeWithTheOvensFactor() {
        Roasting one = roasting(8, FAN);
        assertThat(one.trays()).isEqualTo(2);
        assertThat(one.crowd()).isEqualTo(1);
        assertThat(one.minutes().mid())
                .isCloseTo(Browning.minutesTo(5.5, Temperature.ofCelsius(210), 1, Browning.CONVECTION), within(1e-9));
    }

    @Test
    void aCrowdedTrayTakesLongerAndIsWarnedOf() {
        Charge crowded = charge(12, STILL);
        Roasting roast = crowded.roasting().orElseThrow();
        assertThat(roast.crowd()).isCloseTo(1.5, within(1e-9));
        assertThat(roast.minutes().mid())
                .isCloseTo(1.5 * roasting(8, STILL).minutes().mid(), within(1e-9));
        assertThat(crowded.warnings()).extracting(Warning::kind).contains(Warning.Kind.TRAYS_CROWDED);
        assertThat(crowded.fits()).as("a crowded tray is no reason not to cook").isTrue();
    }

    @Test
    void whatTheOvenDoesNotTakeAtOnceGoesInAfterwards() {
        Charge much = charge(20, STILL);
        Roasting roast = much.roasting().orElseThrow();
        assertThat(roast.loads()).isEqualTo(2);
        assertThat(roast.crowd()).isLessThanOrEqualTo(Oven.MOST_CROWDED);
        assertThat(roast.wholeMin()).isCloseTo(2 * roast.minutes().mid(), within(1e-9));
        assertThat(much.warnings()).extracting(Warning::kind).contains(Warning.Kind.SEVERAL_LOADS);
    }

    @Test
    void anOvenThatWasMeasuredIsSurerThanTheBook() {
        Oven known = new Oven("East", 6, true, new Estimate(0.9, 0.03, Basis.CALIBRATED));
        Roasting measured = roasting(8, known);
        Roasting book = roasting(8, FAN);
        assertThat(measured.minutes().mid() / book.minutes().mid()).isCloseTo(0.9 / 0.8, within(1e-9));
        assertThat(measured.minutes().sd() / measured.minutes().mid())
                .isLessThan(book.minutes().sd() / book.minutes().mid());
    }

    @Test
    void thePlanCountsTheRoastInTheKitchensOven() {
        double inStill = minutesOfPreparing(charge(8, STILL));
        double inFan = minutesOfPreparing(charge(8, FAN));
        double differs = roasting(8, STILL).wholeMin() - roasting(8, FAN).wholeMin();
        assertThat(inStill - inFan).isCloseTo(differs, within(0.1));
    }

    private static double minutesOfPreparing(Charge charge) {
        return Planner.hotParts(charge).stream()
                .filter(part -> part.stage() == Stage.PREPARE)
                .mapToDouble(part -> part.length().toSeconds() / 60.0)
                .sum();
    }

    @Test
    void aStockThatIsNotRoastedHasNone() {
        Charge white = ChargeSolver.solve(Book.whiteChicken(), Samples.pot(cylinder(36, 40)), Samples.litres(12));
        assertThat(white.roasting()).isEmpty();
    }
}
