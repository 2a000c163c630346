package potamos.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

class BrowningTest {

    private static final Temperature AT_200 = Temperature.ofCelsius(200);

    @Test
    void fiftyMinutesAtTwoHundredInOneLayer() {
        assertThat(Browning.minutesTo(5.5, AT_200, 1, 1)).isCloseTo(50, within(1e-9));
        assertThat(Browning.minutesTo(5.5, Temperature.ofCelsius(130), 1, 1)).isCloseTo(500, within(1e-9));
        // Overnight in a low oven, as the long school does it.
        assertThat(Browning.minutesTo(5.5, Temperature.ofCelsius(120), 1, 1) / 60)
                .isBetween(11.0, 12.0);
        assertThat(Browning.minutesTo(5.5, AT_200, 1.6, Browning.CONVECTION)).isCloseTo(64, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(doubles = {2, 4, 5.5, 7})
    void theShadeAfterTheTimeIsTheShadeAskedFor(double shade) {
        double minutes = Browning.minutesTo(shade, AT_200, 1.2, 0.9);
        assertThat(Browning.shadeAfter(minutes, AT_200, 1.2, 0.9)).isCloseTo(shade, within(1e-9));
    }

    @Test
    void nothingGetsBlackerThanBlack() {
        assertThat(Browning.shadeAfter(900, AT_200, 1, 1)).isEqualTo(8);
        assertThatThrownBy(() -> Browning.minutesTo(9, AT_200, 1, 1)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Browning.minutesTo(5, Temperature.ofCelsius(400), 1, 1))
                .isInstanceOf(Refusal.class);
    }
}
