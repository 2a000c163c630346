package potamos.core.liquor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.quantity.Temperature;

class GelatinTest {

    private static final Temperature AT_95 = Temperature.ofCelsius(95);

    private static double after(double collagen, double halfTimeH, double hours) {
        return Gelatin.of(collagen).after(halfTimeH, AT_95, hours).grams();
    }

    @Test
    void aboutHalfIsOutAfterTheHalfTime() {
        assertThat(after(100, 1.6, 1.6)).isCloseTo(50, within(1.0));
        assertThat(Gelatin.of(100).after(1.6, AT_95, 1.6).collagen()).isCloseTo(50, within(1e-9));
    }

    /** The chain by hand, in steps of a second. */
    @Test
    void whatTheBonesGiveBreaksDownAndDoesNotComeBack() {
        double collagen = 100;
        double grams = 0;
        double gives = Math.log(2) / 3.2 / 3600;
        double lost = Math.log(2) / 60 / 3600;
        for (int second = 0; second < 24 * 3600; second++) {
            double out = gives * collagen;
            grams += out - lost * grams;
            collagen -= out;
        }
        Gelatin day = Gelatin.of(100).after(3.2, AT_95, 24);
        assertThat(day.grams()).isCloseTo(grams, within(0.01));
        assertThat(day.collagen()).isCloseTo(collagen, within(0.01));
    }

    /** A pot of beef knuckle that stands at 23.7 g/L after a day is at 19.8 after two. */
    @Test
    void bodyRisesPeaksAndDeclines() {
        double best = 0;
        double hoursOfBest = 0;
        for (double hours = 1; hours <= 120; hours++) {
            double grams = after(100, 5, hours);
            if (grams > best) {
                best = grams;
                hoursOfBest = hours;
            }
        }
        assertThat(best).isCloseTo(100 * Math.pow(12, -1 / 11.0), within(0.1));
        assertThat(hoursOfBest).isBetween(18.0, 22.0);
        Temperature simmer = Temperature.ofCelsius(93.5);
        double day = Gelatin.of(100).after(5, simmer, 24).grams();
        assertThat(Gelatin.of(100).after(5, simmer, 48).grams() / day).isCloseTo(19.8 / 23.7, within(0.01));
        assertThat(after(100, 5, 120)).isLessThan(best / 2.5);
        assertThat(new Gelatin(0, 80).after(5, AT_95, 60).grams()).isCloseTo(40, within(1e-9));
    }

    /** Bones that give exactly as fast as gelatin breaks down, and almost as fast: the closed form has no hole there. */
    @Test
    void equalRatesAreNoSpecialCase() {
        assertThat(after(100, 60, 30)).isCloseTo(after(100, 60 + 1e-6, 30), within(1e-5));
        assertThat(after(100, 60, 60)).isCloseTo(100 * Math.log(2) / 2, within(1e-9));
    }

    @Test
    void bonesWithoutCollagenKeepWhatWasBroughtForAWhile() {
        assertThat(new Gelatin(0, 10).after(0, AT_95, 60).grams()).isCloseTo(5, within(1e-9));
        assertThat(Gelatin.of(50).after(0, AT_95, 60).grams()).isZero();
    }

    @Test
    void bonesThatGiveMoreReadilyDoNotBreakDownFaster() {
        Gelatin quick = Gelatin.of(100).after(5, 1, 2, 5);
        assertThat(quick.collagen()).isCloseTo(25, within(1e-9));
        assertThat(quick.grams()).isGreaterThan(after(100, 5, 5));
        assertThat(new Gelatin(0, 10).after(5, 1, 2, 60).grams()).isCloseTo(5, within(1e-9));
    }

    @Test
    void twoHalvesOfATimeAreTheWhole() {
        Gelatin twice = Gelatin.of(100).after(3.2, AT_95, 2).after(3.2, AT_95, 2);
        assertThat(twice.grams()).isCloseTo(after(100, 3.2, 4), within(1e-9));
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
