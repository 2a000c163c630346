package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.formula.Usual.Matter;
import potamos.core.quantity.Temperature;

/** What is unusual is said, with the usual range, and never forbidden. */
class UsualTest {

    static Stream<Formula> book() {
        return Book.formulas().stream();
    }

    private static List<Matter> matters(Formula formula) {
        return Usual.remarks(formula).stream().map(Usual.Remark::matter).toList();
    }

    @ParameterizedTest
    @MethodSource("book")
    void theBookIsUsual(Formula formula) {
        assertThat(Usual.remarks(formula)).as(formula.name()).isEmpty();
    }

    @Test
    void water() {
        Formula thin = Book.whiteChicken().withWater(new WaterRule.PerKgBed(3));
        Usual.Remark remark = Usual.remarks(thin).get(0);
        assertThat(remark.matter()).isEqualTo(Matter.WATER);
        assertThat(remark.value()).isEqualTo(3);
        assertThat(remark.usual().nearer(3)).isEqualTo(remark.usual().high());
        assertThat(remark.usual().nearer(0.2)).isEqualTo(remark.usual().low());
    }

    @Test
    void simmer() {
        assertThat(matters(Book.of("fish-fumet").simmeredFor(Duration.ofMinutes(50))))
                .containsExactly(Matter.SIMMER);
        assertThat(matters(Book.whiteChicken().simmeredFor(Duration.ofMinutes(30))))
                .containsExactly(Matter.SIMMER);
        assertThat(matters(Book.of("brown-beef").simmeredFor(Duration.ofHours(24))))
                .as("the long school is a school")
                .isEmpty();
    }

    @Test
    void vegetablesAndTomato() {
        Formula veal = Book.of("brown-veal");
        assertThat(matters(veal.withParts(more(veal, "onion", 30)))).containsExactly(Matter.VEGETABLES);
        assertThat(matters(veal.withParts(more(veal, "tomato-paste", 12)))).containsExactly(Matter.TOMATO);
    }

    private static List<Part> more(Formula formula, String item, double percent) {
        return formula.parts().stream()
                .map(p -> p.id().equals(item)
                        ? new Part(p.item(), new Part.Amount.PercentOfBed(percent), p.when(), p.cutMm())
                        : p)
                .toList();
    }

    @Test
    void ovenAndShade() {
        assertThat(matters(roasted(260, 5.5))).containsExactly(Matter.OVEN);
        assertThat(matters(roasted(120, 5.5))).as("overnight is a school").isEmpty();
        assertThat(matters(roasted(210, 7))).containsExactly(Matter.SHADE);
        assertThat(matters(roasted(210, 2))).containsExactly(Matter.SHADE);
    }

    private static Formula roasted(double celsius, double shade) {
        Formula veal = Book.of("brown-veal");
        return veal.withProcedure(veal.procedure().stream()
                .map(p -> p instanceof PrepPhase.Roast r
                        ? new PrepPhase.Roast(Temperature.ofCelsius(celsius), shade, r.turnEvery(), r.keepsMass())
                        : p)
                .toList());
    }

    @Test
    void keeping() {
        Formula fumet = Book.of("fish-fumet");
        Formula old = new Formula(
                fumet.slug(),
                fumet.name(),
                fumet.family(),
                1,
                fumet.bed(),
                fumet.water(),
                fumet.parts(),
                fumet.procedure(),
                4,
                3,
                fumet.cautions());
        assertThat(matters(old)).containsExactly(Matter.KEEPING);
    }

    @Test
    void aRangeHoldsItsEnds() {
        Usual.Range range = new Usual.Range(1.4, 1.9);
        assertThat(range.holds(1.4)).isTrue();
        assertThat(range.holds(1.9)).isTrue();
        assertThat(range.holds(1.3999)).isFalse();
        assertThat(range.holds(1.9001)).isFalse();
    }
}
