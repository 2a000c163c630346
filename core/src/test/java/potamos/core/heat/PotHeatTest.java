package potamos.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

class PotHeatTest {

    private static final Vessel POT = Samples.cylinder(40, 40);
    private static final Volume FULL = Volume.ofLitres(30);

    private static PotHeat heat(Cover cover) {
        return new PotHeat(POT, 30, Volume.ofLitres(9), Samples.VALLEY, cover, 1);
    }

    @Test
    void anOpenFortyCentimetrePotSteamsAboutALitreAndAHalfAnHour() {
        assertThat(heat(Cover.OPEN).steamLPerH(Temperature.ofCelsius(93), Length.ofCm(30)))
                .isCloseTo(1.5, within(0.05));
    }

    @Test
    void hotterWiderAndMoreOpenAllSteamMore() {
        Length level = Length.ofCm(20);
        double open = heat(Cover.OPEN).steamLPerH(Temperature.ofCelsius(90), level);
        assertThat(heat(Cover.OPEN).steamLPerH(Temperature.ofCelsius(95), level))
                .isGreaterThan(open);
        assertThat(heat(Cover.PAPER_LID).steamLPerH(Temperature.ofCelsius(90), level))
                .isLessThan(open);
        PotHeat wider = new PotHeat(Samples.cylinder(50, 40), 30, Volume.ofLitres(9), Samples.VALLEY, Cover.OPEN, 1);
        assertThat(wider.steamLPerH(Temperature.ofCelsius(90), level)).isGreaterThan(open);
    }

    @Test
    void theBringUpAgreesWithAnAdaptiveIntegratorOfTheSameBalance() {
        PotHeat heat = heat(Cover.OPEN);
        PotHeat.BringUp ours = heat.bringUp(Temperature.ofCelsius(12), Temperature.ofCelsius(92), FULL, Samples.GAS);
        OrdinaryDifferentialEquation balance = new OrdinaryDifferentialEquation() {
            @Override
            public int getDimension() {
                return 2;
            }

            @Override
            public double[] computeDerivatives(double seconds, double[] y) {
                Temperature t = Temperature.ofCelsius(y[0]);
                Volume contents = Volume.ofLitres(FULL.litres() - y[1]);
                Length level = POT.shape().levelAt(contents);
                double steamLPerS = heat.steamLPerH(t, level) / 3600;
                double capacity = (contents.litres() - 9) * Water.HEAT_KJ_PER_KG_K + 30 + 5 * 0.5;
                double gainKw = Samples.GAS.delivered().watts() / 1000
                        - heat.wallLossW(t, level) / 1000
                        - steamLPerS * Water.evaporationKjPerKg(t);
                return new double[] {gainKw / capacity, steamLPerS};
            }
        };
        double[] end = new DormandPrince853Integrator(1e-3, 60, 1e-10, 1e-10)
                .integrate(balance, new ODEState(0, new double[] {12, 0}), ours.minutes() * 60)
                .getPrimaryState();
        assertThat(end[0]).isCloseTo(92, within(0.05));
        assertThat(end[1]).isCloseTo(ours.evaporated().litres(), within(0.01));
    }

    @Test
    void aBurnerTooWeakToSimmerIsRefused() {
        Burner candle = new Burner("candle", Power.ofKilowatts(0.4), 0.5);
        assertThatThrownBy(() ->
                        heat(Cover.OPEN).bringUp(Temperature.ofCelsius(12), Temperature.ofCelsius(92), FULL, candle))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("burnerKw"));
    }

    @Test
    void withoutHeatThePotCoolsTowardsTheAir() {
        PotHeat.Step step = heat(Cover.OPEN).step(Temperature.ofCelsius(90), FULL, Power.ofKilowatts(0), 60);
        assertThat(step.temperature().celsius()).isBetween(88.0, 90.0);
        assertThat(step.steam().litres()).isPositive();
    }

    @Test
    void atABoilSteamIsWhatTheHeatLeaves() {
        double kgPerH = Evaporation.boilingKgPerH(Power.ofKilowatts(4.5), 500, Temperature.ofCelsius(100));
        assertThat(kgPerH).isCloseTo(4.0 * 3600 / 2256.5, within(0.02));
        assertThat(Evaporation.boilingKgPerH(Power.ofKilowatts(0.3), 500, Temperature.ofCelsius(100)))
                .isZero();
    }
}
