package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.formula.BookTest.assertField;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ConversionTest {

    @ParameterizedTest
    @CsvSource({
        "6, us-qt, L, 5.678117676",
        "1, us-gal, L, 3.785411784",
        "1, lb, kg, 0.45359237",
        "16, oz, lb, 1",
        "1, us-cup, mL, 236.5882365",
        "100, C, F, 212",
        "14, F, C, -10",
        "1, in, mm, 25.4"
    })
    void unitsOfOneKindAreExact(double value, String from, String to, double expected) {
        Conversion.Converted converted = Conversion.convert(value, from, to, Optional.empty());
        assertThat(converted.value()).isCloseTo(expected, within(1e-9));
        assertThat(converted.basis()).isEqualTo(Conversion.Basis.EXACT);
    }

    @Test
    void weightsVolumesAndCountsOfAnItemGoForthAndBack() {
        Optional<Item> onion = Pantry.find("onion");
        double kg = Conversion.convert(12, "piece", "kg", onion).value();
        assertThat(kg).isCloseTo(12 * onion.orElseThrow().pieceG() / 1000, within(1e-12));
        double qt = Conversion.convert(kg, "kg", "us-qt", onion).value();
        assertThat(Conversion.convert(qt, "us-qt", "piece", onion).value()).isCloseTo(12, within(1e-9));
        assertThat(Conversion.convert(1, "L", "kg", onion).basis()).isEqualTo(Conversion.Basis.DENSITY);
    }

    @Test
    void whatCannotBeConvertedIsRefusedOnItsField() {
        assertField("from", () -> Conversion.convert(1, "firkin", "L", Optional.empty()));
        assertField("item", () -> Conversion.convert(1, "L", "kg", Optional.empty()));
        assertField("to", () -> Conversion.convert(1, "L", "C", Optional.empty()));
        assertField("item", () -> Conversion.convert(1, "piece", "kg", Pantry.find("salt")));
        assertField("value", () -> Conversion.convert(Double.NaN, "L", "mL", Optional.empty()));
    }
}
