package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

class CoolerTest {

    private static final Temperature HOT = Temperature.ofCelsius(90);
    private static final Temperature WARM = Temperature.ofCelsius(21);
    private static final Temperature COLD = Temperature.ofCelsius(5);

    @Test
    void twentyLitresFromNinetyToTwentyOneTakeAboutSixteenKilosOfIce() {
        assertThat(Cooler.iceNeeded(Volume.ofLitres(20), HOT, WARM).kg()).isCloseTo(16, within(0.5));
    }

    /** By heat alone it is less than a bath of tap water needs: what it needs takes the stock there, and two thirds of it do not. */
    @Test
    void theIceOfABathIsWhatTakesItsStockThere() {
        double needed = Cooler.iceForBath(Volume.ofLitres(20), HOT, COLD, Mass.ofKg(20), Temperature.ofCelsius(16))
                .kg();
        assertThat(needed)
                .isGreaterThan(Cooler.iceNeeded(Volume.ofLitres(20), HOT, COLD).kg());
        assertThat(inBathWith(needed).minutesTo(COLD)).isPresent();
        assertThat(inBathWith(needed * 2 / 3).minutesTo(COLD)).isEmpty();
    }

    private static CoolingCurve inBathWith(double iceKg) {
        Medium.IceBath bath = new Medium.IceBath(Mass.ofKg(iceKg), Mass.ofKg(20), Temperature.ofCelsius(16), true);
        return Cooler.curve(new CoolingPlan(
                Volume.ofLitres(20), HOT, Samples.bain(), 2, List.of(new CoolingPlan.Leg(bath, COLD)), true));
    }

    @Test
    void aFullPotInTheColdStoreFailsByHours() {
        Container pot = new Container(
                "pot",
                new Shape.Cylinder(Length.ofCm(36), Length.ofCm(40)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(20));
        CoolingPlan plan = new CoolingPlan(
                Volume.ofLitres(20),
                HOT,
                pot,
                1,
                List.of(new CoolingPlan.Leg(new Medium.ColdStore(Temperature.ofCelsius(3)), COLD)),
                true);
        assertThat(Cooler.curve(plan).minutesTo(WARM).orElseThrow()).isGreaterThan(5 * 60);
        assertThat(Cooler.curve(plan).minutesTo(COLD).orElseThrow()).isGreaterThan(12 * 60);
    }

    @Test
    void theIceBathTakesTwoBainsThroughInTime() {
        CoolingCurve curve = Cooler.curve(Samples.iceBath(20));
        double start = curve.minutesTo(Temperature.ofCelsius(57)).orElseThrow();
        assertThat(curve.minutesTo(WARM).orElseThrow() - start).isLessThan(120);
        assertThat(curve.minutesTo(COLD).orElseThrow() - start).isLessThan(360);
    }

    @Test
    void moreIceCoolsNoSlower() {
        double before = Double.POSITIVE_INFINITY;
        for (double ice : new double[] {0, 4, 8, 16, 32}) {
            CoolingPlan plan = new CoolingPlan(
                    Volume.ofLitres(20),
                    HOT,
                    Samples.bain(),
                    2,
                    List.of(new CoolingPlan.Leg(
                            new Medium.IceBath(Mass.ofKg(ice), Mass.ofKg(60), Samples.MELTING, true),
                            Temperature.ofCelsius(30))),
                    true);
            double minutes =
                    Cooler.curve(plan).minutesTo(Temperature.ofCelsius(30)).orElse(Double.POSITIVE_INFINITY);
            assertThat(minutes).isLessThanOrEqualTo(before);
            before = minutes;
        }
    }

    @Test
    void heatLeavingTheStockIsHeatReachingTheBath() {
        Medium.IceBath bath = new Medium.IceBath(Mass.ofKg(5), Mass.ofKg(60), Samples.MELTING, true);
        CoolingPlan plan = new CoolingPlan(
                Volume.ofLitres(20),
                HOT,
                Samples.bain(),
                2,
                List.of(new CoolingPlan.Leg(bath, Temperature.ofCelsius(40))),
                false);
        CoolingCurve curve = Cooler.curve(plan);
        CoolingCurve.Point end = curve.points().get(curve.points().size() - 1);
        double given = 20 * 4.1 * (90 - end.stockC());
        double taken = curve.melted().kg() * 334 + 65 * 4.19 * end.mediumC();
        // The melt water counts with the bath from the moment it melts, so the two differ by its own small warming.
        assertThat(taken).isCloseTo(given, within(given * 0.02));
    }
}
