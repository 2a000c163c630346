package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.quantity.Refusal;

/** Tables that are opened in a spreadsheet. */
class TableTest {

    private static String line(Object... cells) {
        return Table.written(lines -> lines.add(cells)).trim();
    }

    @Test
    void eachThingIsWrittenAsWhatItIs() {
        assertThat(line("Soup", 3.25, 7, true, LocalDate.of(2026, 3, 3), new BigDecimal("1.50")))
                .isEqualTo("Soup,3.250,7,true,2026-03-03,1.50");
        assertThat(line("a", Optional.of("b"), Optional.empty(), null, "c")).isEqualTo("a,b,,,c");
        assertThat(line("veal, brown", "said \"so\"")).isEqualTo("\"veal, brown\",\"said \"\"so\"\"\"");
    }

    /** Whoever names a station after a formula does not get it run on somebody's machine. */
    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+1", "-1", "@SUM(A1)"})
    void aTextThatBeginsLikeAFormulaStaysAText(String text) {
        assertThat(line(text)).isEqualTo("'" + text);
    }

    @ParameterizedTest
    @CsvSource({
        "'station,litres\nSoup,\"12\n', 'does not close it'",
        "'station,litres\nSoup\uFFFD,12\n', 'no UTF-8'",
        "'station,litres\n', 'no line under its heading'",
        "'station,litres\na,1\nb,2\nc,3\n', 'too many lines'",
    })
    void whatCannotBeReadAsItWasMeantIsRefused(String text, String reason) {
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Table.read(text, "station, litres", 2))
                .withMessageContaining(reason);
    }

    @Test
    void aNumberBelowNothingStaysANumber() {
        assertThat(line(-18.0, -2, new BigDecimal("-0.5"), Optional.of(-1.0))).isEqualTo("-18.000,-2,-0.5,-1.000");
    }
}
