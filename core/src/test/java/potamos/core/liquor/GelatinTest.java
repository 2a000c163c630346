package potamos.core.liquor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.quantity.Temperature;

class GelatinTest {

    private static final Temperature AT_95 = Temperature.ofCelsius(95);

    @Test
    void aboutHalfIsOutAfterTheHalfTime() {
        assertThat(Gelatin.after(0, 100, 1.6, AT_95, 1.6)).isCloseTo(50, within(1.0));
    }

    @Test
    void longerGivesMoreUntilBreakdownWins() {
        double best = 0;
        double hoursOfBest = 0;
        for (double hours = 1; hours <= 120; hours++) {
            double grams = Gelatin.after(0, 100, 5, AT_95, hours);
            if (grams > best) {
                best = grams;
                hoursOfBest = hours;
            }
        }
        assertThat(best).isBetween(80.0, 100.0);
        assertThat(Gelatin.after(best, 0, 5, AT_95, 60)).isLessThan(0.6 * best);
        assertThat(hoursOfBest).isGreaterThan(24);
    }

    @Test
    void twoHalvesOfATimeAreTheWhole() {
        double half = Gelatin.after(0, 100, 3.2, AT_95, 2);
        assertThat(Gelatin.after(half, 100, 3.2, AT_95, 2))
                .isCloseTo(Gelatin.after(0, 100, 3.2, AT_95, 4), within(1e-9));
    }

    @Test
    void hotterIsFaster() {
        assertThat(Gelatin.speed(AT_95)).isCloseTo(1, within(1e-12));
        assertThat(Gelatin.speed(Temperature.ofCelsius(85))).isBetween(0.3, 0.6);
    }

    @ParameterizedTest
    @CsvSource({"0, POURS", "5.9, POURS", "6, COATS", "12, TREMBLES", "22, SETS", "35, SETS", "35.1, CUTS"})
    void bodyHasFiveWords(double gramsPerL, Body word) {
        assertThat(Body.of(gramsPerL)).isEqualTo(word);
    }
}
