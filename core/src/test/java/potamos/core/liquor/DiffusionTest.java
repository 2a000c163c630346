package potamos.core.liquor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import potamos.core.quantity.Temperature;

class DiffusionTest {

    private static final Temperature AT_95 = Temperature.ofCelsius(95);

    @ParameterizedTest
    @CsvSource({"120, 15", "480, 30"})
    void theLargestCutIsWhatCooksUse(double minutes, double mm) {
        assertThat(CutAdviser.of(Diffusion.Cut.CUBE, AT_95, minutes).largestMm())
                .isCloseTo(mm, within(1.0));
    }

    @Test
    void halfAnHourWantsThinSlices() {
        assertThat(CutAdviser.of(Diffusion.Cut.SLICE, AT_95, 30).largestMm()).isLessThan(6);
    }

    @ParameterizedTest
    @EnumSource(Diffusion.Cut.class)
    void theAdviceIsWhereTheSharesAre(Diffusion.Cut cut) {
        CutAdviser advice = CutAdviser.of(cut, AT_95, 180);
        assertThat(Diffusion.spent(cut, advice.largestMm(), AT_95, 180)).isCloseTo(CutAdviser.USED, within(1e-6));
        assertThat(Diffusion.spent(cut, advice.smallestMm(), AT_95, 120)).isCloseTo(CutAdviser.MUSH, within(1e-6));
        assertThat(advice.smallestMm()).isLessThan(advice.largestMm());
        assertThat(advice.fitOf(advice.smallestMm() - 0.1)).isEqualTo(CutAdviser.Fit.TOO_SMALL);
        assertThat(advice.fitOf((advice.smallestMm() + advice.largestMm()) / 2)).isEqualTo(CutAdviser.Fit.FITS);
        assertThat(advice.fitOf(advice.largestMm() + 0.1)).isEqualTo(CutAdviser.Fit.TOO_LARGE);
    }

    @ParameterizedTest
    @EnumSource(Diffusion.Cut.class)
    void spentRisesFromNothingToEverythingWithoutAStep(Diffusion.Cut cut) {
        double before = 0;
        for (double minutes = 0; minutes <= 3000; minutes += 0.5) {
            double spent = Diffusion.spent(cut, 15, AT_95, minutes);
            assertThat(spent).isBetween(before - 1e-9, 1.0);
            assertThat(spent - before).isLessThan(0.12);
            before = spent;
        }
        assertThat(Diffusion.spent(cut, 15, AT_95, 0)).isZero();
        assertThat(before).isGreaterThan(0.999);
    }

    @Test
    void shortTimesAndTheSeriesMeet() {
        // Either side of the change of form, a slab has lost the same to seven digits.
        double below = Diffusion.spent(Diffusion.Cut.SLICE, 10, AT_95, minutesAt(0.00499999, 10));
        double above = Diffusion.spent(Diffusion.Cut.SLICE, 10, AT_95, minutesAt(0.00500001, 10));
        assertThat(above - below).isBetween(0.0, 1e-6);
    }

    private static double minutesAt(double fourier, double mm) {
        return fourier * mm * mm * 1e-6 / Diffusion.coefficient(AT_95) / 60;
    }

    /** Thin it is a slice and thick a cube; between them it loses something between the two, and more the thicker. */
    @Test
    void whatAKnifeCutsIsASliceThatGrowsIntoACube() {
        assertThat(spent(Diffusion.Cut.AS_CUT, 3)).isEqualTo(spent(Diffusion.Cut.SLICE, 3));
        assertThat(spent(Diffusion.Cut.AS_CUT, 12)).isEqualTo(spent(Diffusion.Cut.CUBE, 12));
        assertThat(spent(Diffusion.Cut.AS_CUT, 40)).isEqualTo(spent(Diffusion.Cut.CUBE, 40));
        // Half-way between the two a slice's share, taken twice.
        assertThat(1 - spent(Diffusion.Cut.AS_CUT, 7.5))
                .isCloseTo(Math.pow(1 - spent(Diffusion.Cut.SLICE, 7.5), 2), within(1e-12));
    }

    private static double spent(Diffusion.Cut cut, double mm) {
        return Diffusion.spent(cut, mm, AT_95, 10);
    }

    @Test
    void aCutThatNothingIsTooSmallOrTooLargeForStopsAtWhatAKnifeCuts() {
        CutAdviser aMinuteInTheCold = CutAdviser.of(Diffusion.Cut.CUBE, Temperature.ofCelsius(1), 1);
        assertThat(aMinuteInTheCold.smallestMm()).isEqualTo(0.5);
        assertThat(aMinuteInTheCold.largestMm()).isEqualTo(0.5);
        assertThat(aMinuteInTheCold.fitOf(0.5)).isEqualTo(CutAdviser.Fit.FITS);
        assertThat(CutAdviser.of(Diffusion.Cut.CUBE, AT_95, 2880).largestMm()).isLessThan(300);
    }

    @Test
    void hotterIsQuickerAndLargerIsSlower() {
        double at85 = Diffusion.spent(Diffusion.Cut.CUBE, 15, Temperature.ofCelsius(85), 60);
        double at95 = Diffusion.spent(Diffusion.Cut.CUBE, 15, AT_95, 60);
        double larger = Diffusion.spent(Diffusion.Cut.CUBE, 20, AT_95, 60);
        assertThat(at85).isLessThan(at95);
        assertThat(larger).isLessThan(at95);
    }
}
