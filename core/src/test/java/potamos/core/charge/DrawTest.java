package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.charge.Needs.Need;
import potamos.core.flow.Ledger;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Contents.Trace;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.liquor.Body;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/** What is drawn with stock has all that the stock had. */
class DrawTest {

    private static final Contents VEAL = new Contents(Set.of(Allergen.CELERY), Set.of(Trace.MEAT), 24, false);
    private static final Formula HALF = Book.of("half-reduction");

    private static Draw draw(String source, double litres, Contents contents, double saltGPerL) {
        return new Draw(source, source, Volume.ofLitres(litres), contents, saltGPerL);
    }

    private static Charge of(Formula formula, double water, Draw... draws) {
        return ChargeSolver.solve(
                formula.drawing(List.of(draws)),
                Samples.pot(Samples.cylinder(36, 40)),
                new Goal.WaterDrawn(Volume.ofLitres(water)));
    }

    private static double grams(Charge charge) {
        return charge.forecast().gelatinGPerL() * charge.forecast().yield().mid();
    }

    /** Half the litres hold what all of them held: nothing boils away but water. */
    @ParameterizedTest
    @ValueSource(doubles = {6, 24, 60})
    void aReductionStartsFromTheGelatinOfItsStock(double gelatin) {
        Contents stock = new Contents(Set.of(), Set.of(), gelatin, false);
        Charge charge = of(HALF, 8, draw("A", 8, stock, 0));
        double out = charge.forecast().yield().mid();
        double left = grams(charge) / (8 * gelatin);
        double litres = out / 8;
        assertThat(litres).isBetween(0.4, 0.55);
        // A little stays on the strainer, and a little breaks down.
        assertThat(left).isBetween(0.85, 1.0);
        assertThat(charge.forecast().body()).isEqualTo(Body.of(charge.forecast().gelatinGPerL()));
    }

    /** A pot of stock alone has no bed to weigh: it is as much as was drawn, and as planned until something is. */
    @Test
    void whatWasDrawnIsWhatThereIsWhereThereIsNoBed() {
        Charge planned = of(HALF, 8, draw("A", 8, VEAL, 0));
        Charge more = ChargeSolver.weighed(
                planned, planned.formula().drawing(List.of(draw("A", 9, VEAL, 0))), Mass.ZERO, Map.of());
        assertThat(more.water().litres()).isCloseTo(9, within(1e-9));
        assertThat(more.forecast().yield().mid())
                .isGreaterThan(planned.forecast().yield().mid() + 0.4);
        Charge nothingYet = ChargeSolver.weighed(planned, HALF, Mass.ZERO, Map.of());
        assertThat(nothingYet.water().litres()).isCloseTo(8, within(1e-9));
    }

    @Test
    void saltIsReducedWithItAndOfTwoLotsEachBringsItsShare() {
        Charge one = of(HALF, 8, draw("A", 8, VEAL, 2));
        Charge two = of(HALF, 8, draw("A", 2, VEAL, 8), draw("B", 6, VEAL, 0));
        assertThat(two.character().salt().afterGPerL())
                .isCloseTo(one.character().salt().afterGPerL(), within(1e-9));
        double salt =
                one.character().salt().afterGPerL() * one.forecast().yield().mid();
        assertThat(salt).isBetween(0.9 * 16, 16.0);
        Contents strong = new Contents(Set.of(), Set.of(), 40, false);
        Charge mixed = of(HALF, 8, draw("A", 4, strong, 0), draw("B", 4, VEAL, 0));
        Charge asOne = of(HALF, 8, draw("A", 8, new Contents(Set.of(), Set.of(), 32, false), 0));
        assertThat(mixed.forecast().gelatinGPerL()).isCloseTo(asOne.forecast().gelatinGPerL(), within(1e-9));
    }

    @Test
    void whatIsInTheStockIsInIt() {
        Contents fish = new Contents(Set.of(Allergen.FISH, Allergen.MILK), Set.of(Trace.FISH), 8, false);
        Contents contents =
                of(HALF, 8, draw("A", 5, VEAL, 0), draw("B", 3, fish, 0)).contents();
        assertThat(contents.allergens()).contains(Allergen.CELERY, Allergen.FISH, Allergen.MILK);
        assertThat(contents.traces()).contains(Trace.MEAT, Trace.FISH);
        assertThat(contents.unknown()).isFalse();
        Needs without = Needs.without(Set.of(Allergen.CELERY));
        assertThat(without.refused("it", contents)).hasValue("it contains celery");
        Contents clean = of(HALF, 8, draw("A", 8, new Contents(Set.of(), Set.of(), 20, false), 0))
                .contents();
        assertThat(without.refused("it", clean)).isEmpty();
    }

    /** Vegetables that are wetted with a stock of bones are no stock without meat, however green they are. */
    @Test
    void vegetablesDrawnWithAMeatStockAreNotMeatFree() {
        Formula vegetables = Book.of("vegetable-light");
        Needs meatFree = new Needs(Set.of(), Set.of(Need.MEAT_FREE));
        assertThat(meatFree.refused("it", of(vegetables, 10).contents())).isEmpty();
        assertThat(meatFree.refused(
                        "it", of(vegetables, 10, draw("A", 1, VEAL, 0)).contents()))
                .isPresent();
    }

    /** The second wetting of yesterday's bones in the place of half of today's water. */
    @Test
    void stockInThePlaceOfSomeOfTheWaterAddsWhatItBrings() {
        Formula brown = Book.of("brown-veal");
        Charge water = of(brown, 20);
        Contents second = new Contents(Set.of(), Set.of(Trace.MEAT), 8, false);
        Charge wetted = of(brown, 20, draw("A", 10, second, 0));
        assertThat(wetted.water().litres()).isCloseTo(20, within(1e-6));
        assertThat(wetted.run().raw().kg()).isCloseTo(water.run().raw().kg(), within(1e-9));
        assertThat(wetted.forecast().ledger().of(Ledger.Cause.STOCK).litres()).isCloseTo(10, within(1e-6));
        assertThat(wetted.forecast().ledger().of(Ledger.Cause.WATER).litres()).isCloseTo(10, within(1e-6));
        assertThat(water.forecast().ledger().of(Ledger.Cause.STOCK).litres()).isZero();
        double more = grams(wetted) - grams(water);
        assertThat(more).isBetween(0.5 * 80, 80.0);
        assertThat(wetted.contents().unknown()).isFalse();
    }

    @Test
    void whatIsDrawnFitsWhatThePotTakes() {
        assertThatThrownBy(() -> of(HALF, 8, draw("A", 9, VEAL, 0))).isInstanceOfSatisfying(Refusal.class, refusal -> {
            assertThat(refusal.field()).isEqualTo("draws");
            assertThat(refusal.high()).isCloseTo(8, within(1e-6));
        });
        // A reduction is made of stock alone; what is missing of it is no water.
        assertThatThrownBy(() -> of(HALF, 8, draw("A", 4, VEAL, 0)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.low()).isCloseTo(8, within(1e-6)));
        assertThat(of(Book.of("brown-veal"), 20, draw("A", 4, VEAL, 0))
                        .contents()
                        .unknown())
                .isFalse();
        assertThatThrownBy(() -> draw("A", 0, VEAL, 0)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> draw("A", 1, VEAL, 61)).isInstanceOf(Refusal.class);
    }

    /** Half a glaze is no glaze to be made again. */
    @Test
    void nothingIsReducedToAPaste() {
        Contents glaze = new Contents(Set.of(), Set.of(), 120, false);
        assertThatThrownBy(() -> of(Book.of("glaze"), 14, draw("A", 14, glaze, 0)))
                .hasMessageContaining("paste");
    }

    @Test
    void whatIsNotKnownOfOneLotIsNotKnownOfTheWhole() {
        assertThat(of(HALF, 8).contents().unknown()).isTrue();
        assertThat(of(HALF, 8, draw("A", 6, VEAL, 0), draw("B", 2, Contents.UNKNOWN, 0))
                        .contents()
                        .unknown())
                .isTrue();
    }
}
