package potamos.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuantityTest {

    @Test
    void usCustomaryUnitsConvertExactly() {
        assertThat(Mass.ofPounds(1).kg()).isEqualTo(0.45359237);
        assertThat(Volume.ofUsGallons(1).litres()).isEqualTo(3.785411784);
        assertThat(Length.ofInches(1).cm()).isEqualTo(2.54);
        assertThat(Temperature.ofFahrenheit(212).celsius()).isCloseTo(100, within(1e-12));
        assertThat(Mass.ofKg(7.3).pounds()).isCloseTo(7.3 / 0.45359237, within(1e-12));
        assertThat(Temperature.ofCelsius(5).fahrenheit()).isEqualTo(41);
    }

    @Test
    void notANumberIsNoQuantity() {
        assertThatThrownBy(() -> Volume.ofLitres(Double.NaN)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Mass.ofKg(Double.POSITIVE_INFINITY)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Temperature.ofCelsius(-300)).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @CsvSource({"4, 0.1, 0.5", "0, 0.1, 0.1", "0.3, 0.1, 0.1", "33, 0.1, 2", "18, 1, 2", "100, 0.1, 10"})
    void aFigureIsShownNoFinerThanATenthOfItsBand(double band, double finest, double step) {
        assertThat(Rounding.step(band, finest)).isCloseTo(step, within(1e-12));
    }

    @Test
    void roundingGoesToTheNearestStep() {
        assertThat(Rounding.to(17.3982, 0.1)).isCloseTo(17.4, within(1e-12));
        assertThat(Rounding.to(-0.25, 0.5)).isEqualTo(-0.5);
    }

    @ParameterizedTest
    @CsvSource({"2, true", "5, true", "1.999, false", "5.001, false", "NaN, false", "Infinity, false"})
    void bothEndsOfARangeMakeSense(double value, boolean passes) {
        if (passes) {
            assertThat(Refusal.unlessWithin("kg", value, 2, 5, "kg")).isEqualTo(value);
            assertThat(Refusal.unlessFinite("kg", value, "kg")).isEqualTo(value);
            return;
        }
        assertThatThrownBy(() -> Refusal.unlessWithin("kg", value, 2, 5, "kg"))
                .isInstanceOfSatisfying(Refusal.class, refusal -> {
                    assertThat(refusal.hasRange()).isTrue();
                    assertThat(refusal.low()).isEqualTo(2);
                    assertThat(refusal.high()).isEqualTo(5);
                });
    }

    @Test
    void aBandSpansEightyPercentOfANormalEstimate() {
        Band band = Estimate.book(10, 0.1).band();
        assertThat(band.sd()).isCloseTo(1, within(1e-12));
        assertThat(band.high() - band.mid()).isCloseTo(1.2815515655446004, within(1e-12));
        assertThat(band.mid() - band.low()).isCloseTo(1.2815515655446004, within(1e-12));
        assertThatThrownBy(() -> new Band(2, 1, 3)).isInstanceOf(Refusal.class);
    }
}
