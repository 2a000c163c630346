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

    /** Of a litre measured at 20 °C, from the density tables. */
    @ParameterizedTest
    @CsvSource({"20, 1", "60, 1.01526", "90, 1.03408", "100, 1.04158"})
    void aLitreTakesMoreRoomInAHotPot(double celsius, double litres) {
        assertThat(Water.room(Temperature.ofCelsius(celsius))).isCloseTo(litres, within(5e-5));
    }

    @Test
    void airThatIsAsMoistAsTheLiquorTakesNothingFromIt() {
        Air moist = new Air(Length.ZERO, Temperature.ofCelsius(30), 1, 0.1);
        Air dry = new Air(Length.ZERO, Temperature.ofCelsius(30), 0.5, 0.1);
        double half = Evaporation.kgPerM2H(Temperature.ofCelsius(30), dry, Cover.OPEN, 1);
        assertThat(Evaporation.kgPerM2H(Temperature.ofCelsius(30), moist, Cover.OPEN, 1))
                .isZero();
        // 2.1 kPa lacking, as far as still air over a pool carries it.
        assertThat(half).isCloseTo(3600 * 2.123 * (0.089 + 0.00782) / 2430, within(0.005));
        Air draught = new Air(Length.ZERO, Temperature.ofCelsius(30), 0.5, 0.3);
        assertThat(Evaporation.kgPerM2H(Temperature.ofCelsius(30), draught, Cover.OPEN, 1) / half)
                .isCloseTo((0.089 + 3 * 0.00782) / (0.089 + 0.00782), within(1e-9));
    }

    @Test
    void steamThatLeavesCarriesMoreAlongTheNearerTheBoil() {
        assertThat(Evaporation.stefan(0.01)).isCloseTo(1.005, within(1e-4));
        assertThat(Evaporation.stefan(0.8)).isCloseTo(2, within(0.02));
        assertThat(Evaporation.stefan(1)).isFinite().isGreaterThan(Evaporation.stefan(0.99));
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
