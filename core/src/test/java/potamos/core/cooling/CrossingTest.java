package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

class CrossingTest {

    private static final Temperature WARM = Temperature.ofCelsius(21);
    private static final Temperature COLD = Temperature.ofCelsius(5);

    private static Crossing crossing(CoolingPlan plan, Temperature at) {
        return Cooler.crossings(plan, Cooler.curve(plan), List.of(at)).get(0);
    }

    private static CoolingPlan inAir(double airC) {
        Container bain = new Container(
                "bain",
                new Shape.Cylinder(Length.ofCm(24), Length.ofCm(25)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(10));
        return new CoolingPlan(
                Volume.ofLitres(10),
                Temperature.ofCelsius(85),
                bain,
                1,
                List.of(new CoolingPlan.Leg(new Medium.ColdStore(Temperature.ofCelsius(airC)), COLD)),
                true);
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 10, 20})
    void theBandOpensOnBothSides(double litres) {
        Crossing cold = crossing(Samples.iceBath(litres), WARM);
        assertThat(cold.earliest().orElseThrow()).isLessThan(cold.minute().orElseThrow());
        assertThat(cold.latest().orElseThrow()).isGreaterThan(cold.minute().orElseThrow());
    }

    @Test
    void inAirThatKeepsItsTemperatureTimeGoesWithTheInverseOfTheTransfer() {
        Crossing warm = crossing(inAir(3), WARM);
        double early = warm.minute().orElseThrow() / warm.earliest().orElseThrow();
        double late = warm.minute().orElseThrow() / warm.latest().orElseThrow();
        // Half a minute of step on a time of hours.
        assertThat(early + late).as("as much quicker as slower").isCloseTo(2, within(0.01));
        assertThat(early).isCloseTo(1.231, within(0.01));
    }

    @Test
    void whatNeverGetsThereHasNoTime() {
        Crossing never = crossing(inAir(6), COLD);
        assertThat(never.minute()).isEmpty();
        assertThat(never.latest()).isEmpty();
    }

    @Test
    void whatStartsBelowIsThereAtOnce() {
        Crossing hot = crossing(Samples.iceBath(10), Temperature.ofCelsius(95));
        assertThat(hot.minute()).hasValue(0);
        assertThat(hot.latest()).hasValue(0);
    }

    @Test
    void theSlowestGroupOfASplitIsTheOneThatDecides() {
        Container shallow = new Container(
                "pan",
                new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(6.5)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(8));
        Container deep = new Container(
                "bucket",
                new Shape.Cylinder(Length.ofCm(30), Length.ofCm(40)),
                Container.Wall.PLASTIC,
                Length.ofMm(3),
                Volume.ofLitres(22));
        Medium bath = new Medium.IceBath(Mass.ofKg(40), Mass.ofKg(60), Samples.MELTING, true);
        ContainerSplit split = ContainerSplit.best(
                Volume.ofLitres(28),
                Temperature.ofCelsius(85),
                List.of(new ContainerSplit.Owned(shallow, 1), new ContainerSplit.Owned(deep, 1)),
                bath,
                true,
                Samples.US);
        assertThat(split.containers()).isEqualTo(2);
        assertThat(split.slowestGroup().container().name()).isEqualTo("bucket");
        assertThat(split.groups().stream()
                        .mapToDouble(g -> g.count() * g.each().litres())
                        .sum())
                .isCloseTo(28, within(1e-9));
    }
}
