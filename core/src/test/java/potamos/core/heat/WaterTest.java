package potamos.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

class WaterTest {

    @ParameterizedTest
    @CsvSource({"0.01, 0.6117", "20, 2.339", "50, 12.352", "90, 70.18", "100, 101.42", "120, 198.67"})
    void saturationPressureAgreesWithTheSteamTables(double celsius, double kpa) {
        assertThat(Water.saturationKpa(Temperature.ofCelsius(celsius))).isCloseTo(kpa, within(kpa * 0.003));
    }

    @ParameterizedTest
    @CsvSource({"60, 2357.7", "80, 2308.0", "90, 2282.5", "100, 2256.4"})
    void heatOfEvaporationAgreesWithTheSteamTables(double celsius, double kjPerKg) {
        assertThat(Water.evaporationKjPerKg(Temperature.ofCelsius(celsius)))
                .isCloseTo(kjPerKg, within(kjPerKg * 0.003));
    }

    @Test
    void waterBoilsAtTheBookTemperatureBySeaAndLowerInTheMountains() {
        assertThat(Water.boilingPoint(Length.ZERO).celsius()).isCloseTo(99.97, within(0.01));
        assertThat(Water.boilingPoint(Length.ofCm(115_000)).celsius()).isBetween(96.1, 96.2);
    }

    @Test
    void anAltitudeAboveEveryKitchenIsRefusedWithItsRange() {
        assertThatThrownBy(() -> Water.boilingPoint(Length.ofCm(900_000)))
                .isInstanceOfSatisfying(Refusal.class, refusal -> {
                    assertThat(refusal.field()).isEqualTo("altitudeM");
                    assertThat(refusal.high()).isEqualTo(5500);
                });
    }
}
