package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

/** Cooling held against closed forms that are reckoned here anew. */
class CoolingOracleTest {

    private static final Container TALL = new Container(
            "tall",
            new Shape.Cylinder(Length.ofCm(20), Length.ofCm(40)),
            Container.Wall.STEEL,
            Length.ofMm(1),
            Volume.ofLitres(10));
    private static final double LITRES = 8;

    /** Wetted wall and bottom of 8 L in a cylinder of 20 cm, m². */
    private static final double WETTED_M2 = Math.PI * 0.01 + 4 * LITRES / 1000 / 0.2;

    private static CoolingPlan plan(Medium medium, double from, double until, boolean sets) {
        return new CoolingPlan(
                Volume.ofLitres(LITRES),
                Temperature.ofCelsius(from),
                TALL,
                1,
                List.of(new CoolingPlan.Leg(medium, Temperature.ofCelsius(until))),
                sets);
    }

    private static Medium medium(String name) {
        return switch (name) {
            case "store" -> new Medium.ColdStore(Temperature.ofCelsius(3));
            case "blast" -> new Medium.Blast("", Temperature.ofCelsius(-10));
            case "paddle" -> new Medium.IcePaddle(Mass.ofKg(4), Temperature.ofCelsius(20));
            case "stirred ice" -> new Medium.IceBath(Mass.ofKg(20), Mass.ofKg(30), Samples.MELTING, true);
            default -> new Medium.IceBath(Mass.ofKg(20), Mass.ofKg(30), Samples.MELTING, false);
        };
    }

    private static double perMinute(double inside, double outside) {
        double u = 1 / (1 / inside + 0.001 / Container.Wall.STEEL.conducts() + 1 / outside);
        return u * WETTED_M2 * 60 / (LITRES * 4.1 * 1000);
    }

    /** Stirred stock takes its heat to the wall quicker, stirred water takes it from there; set stock hardly moves. */
    @ParameterizedTest
    @CsvSource({
        "store, 60, true, 120, 9",
        "blast, 60, true, 120, 35",
        "paddle, 60, true, 400, 9",
        "stirred ice, 60, true, 400, 350",
        "still ice, 60, true, 120, 150",
        // Set, by conduction: 2.9 k/R through 10 cm is a shorter way than through the layer of 25 cm.
        "store, 15.9, true, 15.95, 9",
        "blast, 15.9, true, 15.95, 35",
        "still ice, 15.9, true, 15.95, 150",
        "store, 16, true, 120, 9",
        "store, 15.9, false, 120, 9",
        // What is stirred does not set.
        "stirred ice, 10, true, 400, 350",
        "stirred ice, 10, false, 400, 350",
    })
    void theRateIsThatOfThreeResistancesInARow(
            String name, double celsius, boolean sets, double inside, double outside) {
        Medium medium = medium(name);
        assertThat(Cooler.ratePerMin(plan(medium, 90, 5, sets), medium, celsius))
                .isCloseTo(perMinute(inside, outside), within(1e-12));
    }

    @Test
    void inAirThatStaysAsItIsTheStockFallsExponentially() {
        Medium store = medium("store");
        CoolingCurve curve = Cooler.curve(plan(store, 90, 30, true));
        double k = perMinute(120, 9);
        for (CoolingCurve.Point point : curve.points()) {
            assertThat(point.stockC()).isCloseTo(3 + 87 * Math.exp(-k * point.minute()), within(1e-9));
            assertThat(point.mediumC()).isEqualTo(3);
        }
        assertThat(curve.points()).hasSizeGreaterThan(20);
        assertThat(curve.points().get(1).minute()).isEqualTo(2);
        assertThat(curve.points().get(curve.points().size() - 1).stockC()).isBetween(29.0, 30.0);
        assertThat(curve.melted().kg()).isZero();
        double reaches = Math.log(87 / 27.0) / k;
        assertThat(curve.minutesTo(Temperature.ofCelsius(30)).orElseThrow()).isCloseTo(reaches, within(0.5));
    }

    @Test
    void aBathMeltsItsIceFirstAndWarmsAfterwardsByWhatIsLeft() {
        Medium.IceBath bath = new Medium.IceBath(Mass.ofKg(3), Mass.ofKg(20), Samples.MELTING, true);
        CoolingCurve curve = Cooler.curve(plan(bath, 90, 40, false));
        CoolingCurve.Point end = curve.points().get(curve.points().size() - 1);
        assertThat(curve.melted().kg()).isCloseTo(3, within(1e-9));
        double given = LITRES * 4.1 * (90 - end.stockC());
        assertThat(end.mediumC()).isCloseTo((given - 3 * 334) / (23 * 4.19), within(0.05));
        double stillIce = LITRES * 4.1 * 10;
        CoolingCurve enough = Cooler.curve(plan(bath, 90, 80, false));
        CoolingCurve.Point first = enough.points().get(enough.points().size() - 1);
        assertThat(first.mediumC()).isZero();
        assertThat(enough.melted().kg()).isCloseTo(stillIce / 334, within(0.12));
    }

    @Test
    void aPaddleTakesWhatItsIceCanAndNoMore() {
        CoolingCurve paddled = Cooler.curve(plan(medium("paddle"), 90, 45, false));
        CoolingCurve bare =
                Cooler.curve(plan(new Medium.IcePaddle(Mass.ofKg(0.5), Temperature.ofCelsius(20)), 90, 45, false));
        assertThat(paddled.melted().kg()).isBetween(0.5, 4.0);
        assertThat(bare.melted().kg()).isCloseTo(0.5, within(1e-9));
        double quick = paddled.minutesTo(Temperature.ofCelsius(45)).orElseThrow();
        assertThat(quick).isLessThan(bare.minutesTo(Temperature.ofCelsius(45)).orElseThrow() / 2);
        // In the first minutes it takes 42 W for each kelvin, beside what the air takes.
        double air = perMinute(400, 9) * 70;
        double ice = 0.14 * 300 * 90 * 60 / 1000 / (LITRES * 4.1);
        double fell = 90 - paddled.points().get(1).stockC();
        assertThat(fell / 2).isCloseTo(air + ice, within((air + ice) * 0.12));
    }

    @Test
    void aCurveIsReadBetweenItsPoints() {
        CoolingCurve curve = new CoolingCurve(
                List.of(
                        new CoolingCurve.Point(0, 80, 80, 0),
                        new CoolingCurve.Point(10, 40, 40, 0),
                        new CoolingCurve.Point(30, 20, 20, 0)),
                Mass.ofKg(0));
        assertThat(curve.minutesTo(Temperature.ofCelsius(60)).orElseThrow()).isEqualTo(5);
        assertThat(curve.minutesTo(Temperature.ofCelsius(40)).orElseThrow()).isEqualTo(10);
        assertThat(curve.minutesTo(Temperature.ofCelsius(25)).orElseThrow()).isEqualTo(25);
        assertThat(curve.minutesTo(Temperature.ofCelsius(20)).orElseThrow()).isEqualTo(30);
        assertThat(curve.minutesTo(Temperature.ofCelsius(80)).orElseThrow()).isZero();
        assertThat(curve.minutesTo(Temperature.ofCelsius(95)).orElseThrow()).isZero();
        assertThat(curve.minutesTo(Temperature.ofCelsius(19.9))).isEmpty();
    }

    private static Projection projected(double perMinute, double... minuteAndCelsius) {
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < minuteAndCelsius.length; i += 2) {
            readings.add(new Reading(minute(minuteAndCelsius[i]), Temperature.ofCelsius(minuteAndCelsius[i + 1])));
        }
        return Projection.from(readings, 1, perMinute).orElseThrow();
    }

    private static Instant minute(double minute) {
        return Samples.EIGHT.plus(Duration.ofMillis((long) (minute * 60_000)));
    }

    @Test
    void aProjectionGoesOnFromTheLastReading() {
        Projection projection = projected(0.03, 10, 41);
        assertThat(projection.at(minute(30)).celsius()).isCloseTo(1 + 40 * Math.exp(-0.6), within(1e-6));
        assertThat(projection.at(minute(0)).celsius()).isCloseTo(41, within(1e-9));
        assertThat(projection.reaches(Temperature.ofCelsius(41))).contains(minute(10));
        assertThat(projection.reaches(Temperature.ofCelsius(50))).contains(minute(10));
        assertThat(projection.reaches(Temperature.ofCelsius(1))).isEmpty();
        assertThat(projection.reaches(Temperature.ofCelsius(0))).isEmpty();
        Instant cold = projection.reaches(Temperature.ofCelsius(5)).orElseThrow();
        assertThat(Duration.between(minute(10 + Math.log(10) / 0.03), cold).abs())
                .isLessThan(Duration.ofSeconds(2));
    }

    @Test
    void onlyTheLastFourReadingsSayHowFastItGoes() {
        double slow = 0.01;
        double[] told = new double[10];
        told[0] = 0;
        told[1] = 95;
        for (int i = 1; i < 5; i++) {
            told[2 * i] = 60 + 20 * i;
            told[2 * i + 1] = 1 + 40 * Math.exp(-slow * 20 * i);
        }
        assertThat(projected(0.5, told).perMinute()).isCloseTo(slow, within(1e-9));
    }

    @Test
    void whatIsAsColdAsItsBathSaysNothingOfHowFastItGoes() {
        assertThat(projected(0.02, 0, 40, 100, 1.1).perMinute()).isEqualTo(0.02);
        assertThat(Projection.from(List.of(), 1, 0.02)).isEmpty();
        List<Reading> warming = List.of(
                new Reading(minute(0), Temperature.ofCelsius(20)), new Reading(minute(10), Temperature.ofCelsius(30)));
        assertThat(Projection.from(warming, 1, 0.02)).isEmpty();
    }

    @Test
    void aFullContainerIsNotDividedOverTwo() {
        assertThat(TALL.neededFor(Volume.ofLitres(20))).isEqualTo(2);
        assertThat(TALL.neededFor(Volume.ofLitres(20.1))).isEqualTo(3);
        assertThat(TALL.neededFor(Volume.ofLitres(0.1))).isEqualTo(1);
    }

    private static CoolingCurve through(double... minuteAndCelsius) {
        List<CoolingCurve.Point> points = new ArrayList<>();
        for (int i = 0; i < minuteAndCelsius.length; i += 2) {
            points.add(
                    new CoolingCurve.Point(minuteAndCelsius[i], minuteAndCelsius[i + 1], minuteAndCelsius[i + 1], 0));
        }
        return new CoolingCurve(points, Mass.ofKg(0));
    }

    @Test
    void whatIsForeseenIsCountedFromTheThresholdAndNotFromStraining() {
        Foreseen foreseen = Foreseen.of(through(0, 90, 30, 57, 130, 21, 300, 5), Samples.US);
        assertThat(foreseen.stages().get(0).takesMin().orElseThrow()).isEqualTo(100);
        assertThat(foreseen.stages().get(1).takesMin().orElseThrow()).isEqualTo(270);
        assertThat(foreseen.verdict()).isEqualTo(Foreseen.Verdict.PASS);
        assertThat(Foreseen.of(through(0, 57, 109, 21, 300, 5), Samples.US).verdict())
                .isEqualTo(Foreseen.Verdict.TIGHT);
        assertThat(Foreseen.of(through(0, 57, 120, 21, 300, 5), Samples.US).verdict())
                .isEqualTo(Foreseen.Verdict.TIGHT);
        assertThat(Foreseen.of(through(0, 57, 121, 21, 300, 5), Samples.US).verdict())
                .isEqualTo(Foreseen.Verdict.FAIL);
        assertThat(Foreseen.of(through(0, 57, 60, 21, 300, 6), Samples.US).verdict())
                .isEqualTo(Foreseen.Verdict.FAIL);
    }

    @Test
    void whereNothingPassesTheShallowestFillIsTheBest() {
        Container pan = new Container(
                "pan",
                new Shape.Cylinder(Length.ofCm(36), Length.ofCm(12)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(10));
        ContainerSplit best = ContainerSplit.best(
                Volume.ofLitres(20),
                Temperature.ofCelsius(90),
                List.of(new ContainerSplit.Owned(TALL, 8), new ContainerSplit.Owned(pan, 8)),
                medium("store"),
                true,
                Samples.US);
        assertThat(best.foreseen().verdict()).isEqualTo(Foreseen.Verdict.FAIL);
        assertThat(best.groups())
                .allSatisfy(group -> assertThat(group.container()).isEqualTo(pan));
        assertThat(best.groups().get(0).each().litres()).isCloseTo(2.5, within(1e-9));
        assertThat(best.containers()).isEqualTo(8);
    }

    @Test
    void anIceBathIsSharedOutByLitresAndNobodyTakesOutAContainerForALadleful() {
        Container small = new Container(
                "small",
                new Shape.Cylinder(Length.ofCm(20), Length.ofCm(20)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(5));
        ContainerSplit split = ContainerSplit.best(
                Volume.ofLitres(15.2),
                Temperature.ofCelsius(90),
                List.of(new ContainerSplit.Owned(small, 3), new ContainerSplit.Owned(TALL, 1)),
                new Medium.IceBath(Mass.ofKg(40), Mass.ofKg(60), Samples.MELTING, true),
                false,
                Samples.US);
        double litres = 0;
        double ice = 0;
        for (ContainerSplit.Group group : split.groups()) {
            assertThat(group.each().litres()).isGreaterThanOrEqualTo(0.5 - 1e-9);
            litres += group.plan().litres().litres();
            ice += ((Medium.IceBath) group.plan().legs().get(0).medium()).ice().kg();
        }
        assertThat(litres).isCloseTo(15.2, within(1e-9));
        assertThat(ice).isCloseTo(40, within(1e-9));
    }
}
