package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

/** How a leg of cooling begins, goes over into the next, and ends: held against heat balances by hand. */
class CoolingLegsTest {

    private static final double HALF_A_MINUTE = 0.5;

    private static CoolingPlan plan(double litres, double from, boolean sets, CoolingPlan.Leg... legs) {
        return new CoolingPlan(
                Volume.ofLitres(litres), Temperature.ofCelsius(from), Samples.bain(), 1, List.of(legs), sets);
    }

    private static CoolingPlan.Leg leg(Medium medium, double until) {
        return new CoolingPlan.Leg(medium, Temperature.ofCelsius(until));
    }

    private static Medium.IceBath bath(double iceKg, double waterKg, double drawnAt) {
        return new Medium.IceBath(Mass.ofKg(iceKg), Mass.ofKg(waterKg), Temperature.ofCelsius(drawnAt), true);
    }

    private static CoolingCurve.Point last(CoolingCurve curve) {
        return curve.points().get(curve.points().size() - 1);
    }

    /** 60 kg of water at 16 °C give 4022.4 kJ on the way to nothing: that melts 12.04 kg, or five of five and warms what is left over 65 kg. */
    @ParameterizedTest
    @CsvSource({"30, 16, 0, 12.043", "5, 16, 8.637, 5", "30, 0, 0, 0"})
    void aBathIsMadeReadyOutOfItsOwnIce(double iceKg, double drawnAt, double mediumC, double meltedKg) {
        CoolingCurve none = Cooler.curve(plan(8, 40, false, leg(bath(iceKg, 60, drawnAt), 50)));
        assertThat(none.points()).hasSize(1);
        assertThat(last(none).mediumC()).isCloseTo(mediumC, within(1e-3));
        assertThat(none.melted().kg()).isCloseTo(meltedKg, within(1e-3));
    }

    /** Its heat and that of the melted ice, reckoned in steps as small as nobody would take. */
    @ParameterizedTest
    @CsvSource({"4, 85, 30", "0.8, 85, 40", "8, 60, 12"})
    void aPaddleTakesItsShareBesideTheAir(double iceKg, double from, double until) {
        double litres = 8;
        double air = 20;
        double kjPerK = litres * 4.1;
        Medium.IcePaddle paddle = new Medium.IcePaddle(Mass.ofKg(iceKg), Temperature.ofCelsius(air));
        CoolingPlan plan = plan(litres, from, false, leg(paddle, until));
        double perMinute = Cooler.ratePerMin(plan, paddle, from);
        double stock = from;
        double ice = iceKg;
        double minute = 0;
        double step = 0.001;
        while (stock > until && minute < 2000) {
            double taken = Math.min(stock * 0.14 * 300 * step * 60 / 1000, ice * 334);
            stock -= perMinute * (stock - air) * step + taken / kjPerK;
            ice -= taken / 334;
            minute += step;
        }
        CoolingCurve curve = Cooler.curve(plan);
        assertThat(curve.minutesTo(Temperature.ofCelsius(until)).orElseThrow())
                .isCloseTo(minute, within(0.02 * minute));
        assertThat(curve.melted().kg()).isCloseTo(iceKg - ice, within(0.02 * iceKg));
    }

    /** Down to below the air only as long as there is ice in it; then nothing more happens, and nobody waits two days for it. */
    @Test
    void aPaddleGoesBelowTheAirAndEndsWithItsIce() {
        Temperature ten = Temperature.ofCelsius(10);
        Medium much = new Medium.IcePaddle(Mass.ofKg(18), Temperature.ofCelsius(20));
        assertThat(Cooler.curve(plan(8, 60, false, leg(much, 10))).minutesTo(ten))
                .isPresent();
        Medium little = new Medium.IcePaddle(Mass.ofKg(4), Temperature.ofCelsius(20));
        CoolingCurve short_ = Cooler.curve(plan(8, 60, false, leg(little, 10)));
        assertThat(short_.minutesTo(ten)).isEmpty();
        assertThat(short_.melted().kg()).isCloseTo(4, within(1e-6));
        assertThat(last(short_).minute()).isLessThan(48 * 60);
    }

    /** As near to its medium as makes no difference it stays; no later than it is told for the longest. */
    @Test
    void aLegThatCannotReachItsEndStopsAtItsMedium() {
        Medium warm = new Medium.Blast("", Temperature.ofCelsius(6));
        CoolingCurve.Point end = last(Cooler.curve(plan(0.4, 80, false, leg(warm, 3))));
        assertThat(end.stockC()).isBetween(6.0, 6.06);
        assertThat(end.minute()).isLessThan(24 * 60);
        Medium slow = new Medium.ColdStore(Temperature.ofCelsius(3));
        assertThat(last(Cooler.curve(plan(10, 80, true, leg(slow, 3.01)))).minute())
                .isLessThanOrEqualTo(48 * 60);
    }

    /** The core of what has set hangs behind; moved into the chiller it is where it was, and behind that too in the end. */
    @Test
    void theCoreGoesOverFromOneMediumToTheNextAsItIs() {
        Medium store = new Medium.ColdStore(Temperature.ofCelsius(3));
        Medium blast = new Medium.Blast("", Temperature.ofCelsius(-10));
        CoolingCurve curve = Cooler.curve(plan(8, 60, true, leg(store, 12), leg(blast, 2)));
        List<CoolingCurve.Point> points = curve.points();
        int moved = 0;
        for (int i = 1; i < points.size(); i++) {
            CoolingCurve.Point before = points.get(i - 1);
            CoolingCurve.Point after = points.get(i);
            assertThat(after.coreC()).isLessThanOrEqualTo(before.coreC() + 1e-9);
            if (before.minute() == after.minute()) {
                moved++;
                assertThat(before.mediumC()).isEqualTo(3);
                assertThat(after.mediumC()).isEqualTo(-10);
                assertThat(after.coreC())
                        .isCloseTo(before.coreC(), within(1e-9))
                        .isGreaterThan(after.stockC() + 0.5);
                assertThat(before.coreC()).isBetween(11.0, 12.0);
            }
        }
        assertThat(moved).isEqualTo(1);
        assertThat(last(curve).coreC()).isBetween(1.0, 2.0);
    }

    /** Above 16 °C, in stirred water, or without gelatin the core is as warm as the rest; set and still it comes to be 1.6 times as far from its medium. */
    @Test
    void onlyTheCoreOfWhatHasSetHangsBehind() {
        Medium store = new Medium.ColdStore(Temperature.ofCelsius(0));
        CoolingCurve set = Cooler.curve(plan(8, 40, true, leg(store, 0.2)));
        assertThat(set.points())
                .filteredOn(point -> point.stockC() > 16.5)
                .isNotEmpty()
                .allSatisfy(point -> assertThat(point.coreC()).isCloseTo(point.stockC(), within(1e-9)));
        assertThat(set.points())
                .filteredOn(point -> point.stockC() < 3)
                .isNotEmpty()
                .allSatisfy(point -> assertThat(point.coreC() / point.stockC()).isBetween(1.5, 1.6001));
        double perMinute = Cooler.ratePerMin(plan(8, 10, true, leg(store, 0.2)), store, 10);
        CoolingCurve from = Cooler.curve(plan(8, 10, true, leg(store, 0.2)));
        // Of what the core lacks, so much is there after ten minutes.
        double grown = 1 - Math.exp(-perMinute * 10 / 0.6);
        CoolingCurve.Point ten = from.points().stream()
                .filter(point -> point.minute() == 10)
                .findFirst()
                .orElseThrow();
        assertThat(ten.coreC() / ten.stockC()).isCloseTo(1 + 0.6 * grown, within(1e-6));
        for (CoolingCurve flows : List.of(
                Cooler.curve(plan(8, 40, false, leg(store, 1))),
                Cooler.curve(plan(8, 40, true, leg(bath(20, 30, 0), 1))))) {
            assertThat(flows.points())
                    .allSatisfy(point -> assertThat(point.coreC()).isCloseTo(point.stockC(), within(1e-9)));
        }
    }

    /** A point every other minute and one where it ends, to half a minute. */
    @Test
    void aCurveHasAPointEveryOtherMinuteAndOneAtItsEnd() {
        CoolingCurve curve = Cooler.curve(plan(8, 60, false, leg(bath(20, 30, 0), 20)));
        List<CoolingCurve.Point> points = curve.points();
        for (int i = 0; i < points.size() - 1; i++) {
            assertThat(points.get(i).minute()).isEqualTo(2 * i);
            assertThat(points.get(i).stockC()).isGreaterThan(20);
        }
        assertThat(last(curve).stockC()).isLessThanOrEqualTo(20);
        assertThat(last(curve).minute() % HALF_A_MINUTE).isZero();
        assertThat(last(curve).minute())
                .isGreaterThan(2 * (points.size() - 2))
                .isLessThanOrEqualTo(2 * (points.size() - 1));
    }

    /** Set in a bath that nobody stirs, a layer gives its heat to one side: by 2.5 · 0.55 W/m/K over its depth, or a cylinder by its radius. */
    @Test
    void whatHasSetInStillWaterConductsToOneSide() {
        Container shallow = new Container(
                "pan",
                new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(10)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(12));
        double litres = 53 * 32.5 * 4 / 1000;
        Medium still = new Medium.IceBath(Mass.ofKg(20), Mass.ofKg(30), Samples.MELTING, false);
        CoolingPlan plan = new CoolingPlan(
                Volume.ofLitres(litres), Temperature.ofCelsius(60), shallow, 1, List.of(leg(still, 5)), true);
        double inside = 2.5 * 0.55 / 0.04;
        double u = 1 / (1 / inside + 0.001 / 16 + 1 / 150.0);
        double m2 = (53 * 32.5 + 2 * (53 + 32.5) * 4) / 10_000;
        assertThat(Cooler.ratePerMin(plan, still, 10)).isCloseTo(u * m2 * 60 / (litres * 4100), within(1e-6));
        assertThat(Cooler.ratePerMin(plan, still, 20)).isGreaterThan(2 * Cooler.ratePerMin(plan, still, 10));
    }

    @ParameterizedTest
    @CsvSource({
        // 20 L by 80 K at 4.1 kJ, 40 kg of water by 7 K at 4.19: 7733.2 kJ; a kilogram takes 334 and 20.95; 15 % more.
        "85, 5, 12, 25.055",
        // Down to three the bath ends there as well.
        "85, 3, 12, 27.317",
        // Water that is colder than the bath will end gives nothing.
        "85, 5, 2, 21.253",
        // Colder than it is to be already.
        "4, 5, 5, 0",
        // Not so cold: the bath ends at five all the same.
        "85, 20, 12, 21.069",
    })
    void theIceOfABathIsItsHeatAndItsWatersAndASeventhOfThatInVain(double from, double to, double drawnAt, double kg) {
        Mass ice = Cooler.iceForBath(
                Volume.ofLitres(20),
                Temperature.ofCelsius(from),
                Temperature.ofCelsius(to),
                Mass.ofKg(40),
                Temperature.ofCelsius(drawnAt));
        assertThat(ice.kg()).isCloseTo(kg, within(0.005));
    }

    @Test
    void aBathStandsInTwiceItsLitresOfWater() {
        Temperature cold = Temperature.ofCelsius(5);
        Temperature tap = Temperature.ofCelsius(12);
        Medium.IceBath made = Cooler.bath(Volume.ofLitres(20), Temperature.ofCelsius(85), cold, tap);
        assertThat(made.water().kg()).isEqualTo(40);
        assertThat(made.ice().kg()).isCloseTo(25.055, within(0.005));
        assertThat(made.drawnAt()).isEqualTo(tap);
        assertThat(made.stirred()).isTrue();
        assertThat(Cooler.bath(Volume.ofLitres(0.3), Temperature.ofCelsius(85), cold, tap)
                        .water()
                        .kg())
                .isEqualTo(1);
    }

    /** What a split is cooled in, which a course counts by: a bath with its ice, or a chiller by its name. */
    @Test
    void aSplitTellsWhatItIsCooledIn() {
        List<ContainerSplit.Owned> bains =
                List.of(new ContainerSplit.Owned(Samples.bain(), 0), new ContainerSplit.Owned(Samples.bain(), 4));
        Medium.IceBath ice = bath(30, 40, 0);
        ContainerSplit bathed =
                ContainerSplit.best(Volume.ofLitres(15), CoolingPlan.STRAINED, bains, ice, false, Samples.US);
        assertThat(bathed.ice().kg()).isCloseTo(30, within(1e-9));
        assertThat(bathed.chiller()).isEmpty();
        assertThat(bathed.medium()).isEqualTo(ice);
        assertThat(bathed.groups())
                .allSatisfy(group -> assertThat(group.count()).isPositive());
        Medium blast = new Medium.Blast("cabinet", Temperature.ofCelsius(-10));
        ContainerSplit blown =
                ContainerSplit.best(Volume.ofLitres(6), CoolingPlan.STRAINED, bains, blast, false, Samples.US);
        assertThat(blown.ice().kg()).isZero();
        assertThat(blown.chiller()).isEqualTo(Optional.of("cabinet"));
        assertThat(blown.slowestGroup().plan().bath()).isEmpty();
        assertThat(new Chiller("cabinet", Chiller.Kind.BLAST, 10.9, Temperature.ofCelsius(-5), 0, 0).wholeLitres())
                .isEqualTo(10);
    }

    @Test
    void whatFailsOrWillFailIsCountedOnByNobody() {
        assertThat(EnumSet.allOf(CoolingVerdict.Outcome.class))
                .filteredOn(CoolingVerdict.Outcome::fails)
                .containsExactlyInAnyOrder(CoolingVerdict.Outcome.FAILED, CoolingVerdict.Outcome.WILL_FAIL);
    }
}
