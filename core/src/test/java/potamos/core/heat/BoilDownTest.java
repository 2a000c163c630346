package potamos.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

class BoilDownTest {

    private static BoilDown down(double fraction, double litres, double kw, double heat) {
        Burner burner = new Burner("ring", Power.ofKilowatts(kw), 0.5);
        return BoilDown.to(fraction, Volume.ofLitres(litres), Samples.cylinder(40, 40), burner, Samples.VALLEY, heat);
    }

    @Test
    void steamIsWhatIsGone() {
        assertThat(down(0.25, 12, 9, 1).steam().litres()).isCloseTo(9, within(1e-9));
        assertThat(down(1, 12, 9, 1).minutes()).isZero();
    }

    @Test
    void theHeatDecidesAndTheWallsTakeTheirShare() {
        // 4.5 kW into water at 2 257 kJ/kg are 7.2 kg/h before the walls.
        double perHour = 9 / (down(0.25, 12, 9, 1).minutes() / 60);
        assertThat(perHour).isBetween(5.8, 7.2);
    }

    /** The walls take less the lower the pot stands: litre by litre, what the heat leaves on the way down. */
    @Test
    void theTimeIsThatOfEveryLitreOnTheWayDown() {
        Vessel pot = Samples.cylinder(40, 40);
        PotHeat heat = new PotHeat(pot, 0, Volume.ZERO, Samples.VALLEY, Cover.OPEN, 1);
        Temperature boiling = Samples.VALLEY.boilingPoint();
        double hours = 0;
        for (int ml = 3_000; ml < 12_000; ml++) {
            Length level = pot.shape().levelAt(Volume.ofLitres((ml + 0.5) / 1000));
            hours += 0.001 / heat.heatLeavesLPerH(boiling, level, Power.ofKilowatts(4.5));
        }
        assertThat(down(0.25, 12, 9, 1).minutes()).isCloseTo(hours * 60, within(0.01));
    }

    @Test
    void halfTheHeatTakesMoreThanTwiceAsLong() {
        assertThat(down(0.5, 12, 9, 0.5).minutes())
                .isGreaterThan(2 * down(0.5, 12, 9, 1).minutes());
    }

    @ParameterizedTest
    @CsvSource({"0, toFraction, 1", "1.2, toFraction, 1", "0.5, heat, 0", "0.5, heat, 1.4"})
    void whatCannotBeIsRefusedByItsField(double fraction, String field, double heat) {
        assertThatThrownBy(() -> down(fraction, 12, 9, heat))
                .isInstanceOfSatisfying(
                        Refusal.class, r -> assertThat(r.field()).isEqualTo(field));
    }

    @Test
    void aFlameTooSmallIsNotSaidToBoil() {
        assertThatThrownBy(() -> down(0.5, 20, 0.4, 0.5))
                .isInstanceOfSatisfying(
                        Refusal.class, r -> assertThat(r.field()).isEqualTo("heatKw"));
    }

    @ParameterizedTest
    @EnumSource(SimmerBand.class)
    void everySimmerLiesBelowTheBoilHigherUpAsWell(SimmerBand band) {
        Temperature valley = Samples.VALLEY.boilingPoint();
        Temperature mountain = Temperature.ofCelsius(96.2);
        for (Temperature boiling : new Temperature[] {valley, mountain}) {
            assertThat(band.high(boiling)).isLessThan(boiling);
            assertThat(band.low(boiling)).isLessThan(band.middle(boiling));
            assertThat(band.middle(boiling)).isLessThan(band.high(boiling));
        }
        assertThat(band.middle(valley).above(band.middle(mountain))).isCloseTo(valley.above(mountain), within(1e-9));
    }

    @Test
    void anOvenSpreadsAMassOverItsTraysAndThenOverLoads() {
        Oven two = new Oven("West", 2, false, Oven.bookFactor(false));
        assertThat(two.traysFor(Mass.ofKg(3))).isEqualTo(1);
        assertThat(two.traysFor(Mass.ofKg(5))).isEqualTo(2);
        assertThat(two.traysFor(Mass.ofKg(4))).as("a full tray is one").isEqualTo(1);
        assertThat(two.crowdFor(Mass.ofKg(5))).isEqualTo(1);
        assertThat(two.crowdFor(Mass.ofKg(10))).isCloseTo(1.25, within(1e-9));
        assertThat(two.loadsFor(Mass.ofKg(12.8))).isEqualTo(1);
        assertThat(two.loadsFor(Mass.ofKg(12.9))).isEqualTo(2);
        assertThat(two.crowdFor(Mass.ofKg(12.9))).isLessThan(two.crowdFor(Mass.ofKg(12.8)));
        assertThat(two.factor().value()).isEqualTo(1);
        assertThat(Oven.book().factor().value()).as("moving air roasts sooner").isLessThan(1);
    }
}
