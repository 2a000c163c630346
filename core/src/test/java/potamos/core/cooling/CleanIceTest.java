package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

class CleanIceTest {

    private static CleanIce into(double litres, double celsius, double iceKg) {
        return CleanIce.into(Volume.ofLitres(litres), Temperature.ofCelsius(celsius), Mass.ofKg(iceKg));
    }

    @Test
    void aKilogramOfIceIsALitreMore() {
        assertThat(into(6, 85, 4).litres().litres()).isCloseTo(10, within(1e-9));
    }

    @Test
    void theHeatThatTheIceTakesIsTheHeatThatTheStockLoses() {
        CleanIce cold = into(6, 85, 4);
        double before = 6 * 4.1 * 85;
        double after = 6 * 4.1 * cold.temperature().celsius()
                + 4 * (333.55 + 4.186 * cold.temperature().celsius());
        assertThat(after).isCloseTo(before, within(before * 0.005));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 1, 2, 3, 4, 5})
    void moreIceIsColderAndNeverBelowNothing(double iceKg) {
        double here = into(6, 85, iceKg).temperature().celsius();
        double colder = into(6, 85, iceKg + 1).temperature().celsius();
        assertThat(colder).isLessThan(here).isNotNegative();
    }

    @Test
    void iceThatWouldNotMeltIsRefusedWithHowMuchWould() {
        assertThatThrownBy(() -> into(6, 85, 7)).isInstanceOfSatisfying(Refusal.class, refusal -> {
            assertThat(refusal.field()).isEqualTo("iceKg");
            assertThat(refusal.high()).isCloseTo(6 * 4.1 * 85 / 334, within(0.05));
        });
    }

    @ParameterizedTest
    @ValueSource(doubles = {-50, 16, 40})
    void aChillerThatIsNoneIsRefused(double airC) {
        assertThatThrownBy(
                        () -> new Chiller("walk-in", Chiller.Kind.COLD_STORE, 400, Temperature.ofCelsius(airC), 0, 0))
                .isInstanceOfSatisfying(
                        Refusal.class, r -> assertThat(r.field()).isEqualTo("airC"));
    }
}
