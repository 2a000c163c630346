package potamos.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

class PotHeatTest {

    private static final Vessel POT = Samples.cylinder(40, 40);
    private static final Volume FULL = Volume.ofLitres(30);
    private static final int STEP_S = 60;
    private static final double BOILS = Samples.VALLEY.boilingPoint().celsius();

    private static PotHeat heat(Cover cover) {
        return new PotHeat(POT, 30, Volume.ofLitres(9), Samples.VALLEY, cover, 1);
    }

    @Test
    void anOpenFortyCentimetrePotSteamsAboutALitreAndAHalfAnHour() {
        assertThat(heat(Cover.OPEN).steamLPerH(Temperature.ofCelsius(93), Length.ofCm(30)))
                .isCloseTo(1.5, within(0.08));
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
        double celsius = 12;
        double steam = 0;
        int seconds = 0;
        while (celsius < 92) {
            PotHeat.Step step = heat.step(
                    Temperature.ofCelsius(celsius),
                    FULL.minus(Volume.ofLitres(steam)),
                    Samples.GAS.delivered(),
                    STEP_S);
            celsius = step.temperature().celsius();
            steam += step.steam().litres();
            seconds += STEP_S;
        }
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
                .integrate(balance, new ODEState(0, new double[] {12, 0}), seconds)
                .getPrimaryState();
        assertThat(celsius).isCloseTo(end[0], within(0.05));
        assertThat(steam).isCloseTo(end[1], within(0.01));
    }

    /** 4.5 kW under 30 L at 12 °C: the boil after three quarters of an hour, then 7 L an hour less what the walls take. */
    @Test
    void aPotThatNobodyTurnsDownComesToTheBoilAndSteamsWhatTheHeatLeaves() {
        PotHeat heat = heat(Cover.OPEN);
        double celsius = 80;
        double before = celsius;
        for (int i = 0; i < 60; i++) {
            PotHeat.Step step = heat.step(Temperature.ofCelsius(celsius), FULL, Samples.GAS.delivered(), STEP_S);
            celsius = step.temperature().celsius();
            assertThat(celsius).isBetween(before - 0.05, BOILS + 1e-9);
            before = celsius;
        }
        assertThat(celsius).isBetween(BOILS - 0.5, BOILS);
        double anHour = 60
                * heat.step(Temperature.ofCelsius(celsius), FULL, Samples.GAS.delivered(), 60)
                        .steam()
                        .litres();
        double wallsKw = 12 * (Math.PI * 0.04 + 0.3 / 10) * 74 / 1000;
        assertThat(anHour).isCloseTo((4.5 - wallsKw) * 3600 / 2256.5, within(0.7));
        assertThat(anHour).isGreaterThan(3 * heat.steamLPerH(Temperature.ofCelsius(93), Length.ofCm(24)));
    }

    /** What comes to the boil within a step has steamed what many short ones say. */
    @Test
    void aStepOverTheBoilIsItsSecondsAddedUp() {
        PotHeat heat = heat(Cover.LID_AJAR);
        Power strong = Power.ofKilowatts(20);
        PotHeat.Step whole = heat.step(Temperature.ofCelsius(BOILS - 6), FULL, strong, 120);
        double celsius = BOILS - 6;
        double steam = 0;
        for (int second = 0; second < 120; second++) {
            PotHeat.Step step = heat.step(Temperature.ofCelsius(celsius), FULL, strong, 1);
            celsius = step.temperature().celsius();
            steam += step.steam().litres();
        }
        assertThat(whole.temperature().celsius())
                .isCloseTo(celsius, within(1e-6))
                .isCloseTo(BOILS, within(1e-6));
        assertThat(whole.steam().litres()).isCloseTo(steam, within(0.02 * steam));
    }

    /** A burner turned low, one turned off, and one that is more than the pot can steam below the boil. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.4, 1.2, 6})
    void aPotLeftToItsHeatRestsWhereAStepMovesItNoMore(double kw) {
        PotHeat heat = heat(Cover.OPEN);
        Temperature rests = heat.settlesAt(FULL, Power.ofKilowatts(kw));
        assertThat(heat.step(rests, FULL, Power.ofKilowatts(kw), 120)
                        .temperature()
                        .celsius())
                .isCloseTo(rests.celsius(), within(1e-3));
        assertThat(rests.celsius())
                .isBetween(Samples.VALLEY.temperature().celsius(), BOILS)
                .isLessThanOrEqualTo(heat.withCover(Cover.LID_ON)
                        .settlesAt(FULL, Power.ofKilowatts(kw))
                        .celsius());
        assertThat(rests.celsius() == BOILS).isEqualTo(kw == 6);
    }

    @Test
    void inAnOvenThePotTakesHeatInThroughItsWalls() {
        PotHeat inside = heat(Cover.LID_ON).in(Surroundings.oven(Temperature.ofCelsius(120)));
        assertThat(inside.wallLossW(Temperature.ofCelsius(90), Length.ofCm(20))).isNegative();
        assertThat(inside.settlesAt(FULL, Power.ofKilowatts(0)).celsius()).isBetween(85.0, BOILS);
    }

    /** The outflow of steam lifts the correlation: nothing at the usual simmer, half as much again in a lively one, with no jump on the way to the boil. */
    @Test
    void nearTheBoilSteamGrowsWithoutAJumpToWhatTheHeatLeaves() {
        PotHeat heat = heat(Cover.OPEN);
        double plain = Evaporation.kgPerM2H(Temperature.ofCelsius(BOILS - 6.5), Samples.VALLEY, Cover.OPEN, 1);
        assertThat(heat.steamLPerM2H(Temperature.ofCelsius(BOILS - 6.5))).isCloseTo(plain, within(1e-9));
        assertThat(heat.steamLPerM2H(Temperature.ofCelsius(BOILS - 2.75)) / plain)
                .isBetween(1.4, 1.6);
        double last = heat.steamLPerM2H(Temperature.ofCelsius(20));
        for (double celsius = 21; celsius < BOILS; celsius += 0.1) {
            double now = heat.steamLPerM2H(Temperature.ofCelsius(celsius));
            assertThat(now).isGreaterThan(last);
            last = now;
        }
    }

    @Test
    void anotherFactorIsAnotherSteamAndNothingElse() {
        Temperature t = Temperature.ofCelsius(90);
        assertThat(heat(Cover.OPEN).withKappa(0.5).steamLPerM2H(t))
                .isCloseTo(heat(Cover.OPEN).steamLPerM2H(t) / 2, within(1e-9));
        assertThat(heat(Cover.OPEN).withKappa(0.5).wallLossW(t, Length.ofCm(20)))
                .isEqualTo(heat(Cover.OPEN).wallLossW(t, Length.ofCm(20)));
        double leaves = heat(Cover.OPEN).heatLeavesLPerH(t, Length.ofCm(20), Power.ofKilowatts(2));
        assertThat(leaves)
                .isCloseTo(
                        (2000 - heat(Cover.OPEN).wallLossW(t, Length.ofCm(20))) * 3.6 / Water.evaporationKjPerKg(t),
                        within(1e-9));
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
