package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

class ContainerSplitTest {

    @ParameterizedTest
    @ValueSource(doubles = {10.0001, 10.02, 10.3, 20.001, 29.999, 0.6})
    void aLadlefulMoreThanTheContainersHoldIsNoReasonToRefuse(double litres) {
        List<ContainerSplit.Owned> owned = List.of(
                new ContainerSplit.Owned(Samples.bain(), 2),
                new ContainerSplit.Owned(
                        new Container(
                                "tub",
                                new Shape.Cylinder(Length.ofCm(20), Length.ofCm(19)),
                                Container.Wall.PLASTIC,
                                Length.ofMm(2),
                                Volume.ofLitres(5)),
                        3));
        Medium bath = new Medium.IceBath(Mass.ofKg(30), Mass.ofKg(40), Samples.MELTING, true);
        ContainerSplit split =
                ContainerSplit.best(Volume.ofLitres(litres), Temperature.ofCelsius(85), owned, bath, true, Samples.US);
        assertThat(split.groups().stream()
                        .mapToDouble(g -> g.count() * g.each().litres())
                        .sum())
                .isCloseTo(litres, within(1e-9));
        assertThat(split.groups()).allSatisfy(g -> assertThat(g.each().litres()).isGreaterThan(0.05));
    }

    private static final Temperature HOT = Temperature.ofCelsius(85);

    private static final Container PAN = new Container(
            "65 mm pan",
            new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(6.5)),
            Container.Wall.STEEL,
            Length.ofMm(1),
            Volume.ofLitres(8));

    private static final Container STOCKPOT = new Container(
            "20 L pot",
            new Shape.Cylinder(Length.ofCm(30), Length.ofCm(32)),
            Container.Wall.STEEL,
            Length.ofMm(1),
            Volume.ofLitres(20));

    private static ContainerSplit.Owned owned(Container container, int count) {
        return new ContainerSplit.Owned(container, count);
    }

    private static ContainerSplit best(double litres, Medium medium, ContainerSplit.Owned... owned) {
        return ContainerSplit.best(Volume.ofLitres(litres), HOT, List.of(owned), medium, false, Samples.US);
    }

    private static double placed(ContainerSplit split) {
        return split.groups().stream()
                .mapToDouble(g -> g.count() * g.each().litres())
                .sum();
    }

    @Test
    void everyLitreIsPlacedAndTheFewestContainersThatPassAreTaken() {
        Medium bath = new Medium.IceBath(Mass.ofKg(60), Mass.ofKg(60), Samples.MELTING, true);
        ContainerSplit split = best(30, bath, owned(Samples.bain(), 6), owned(PAN, 6));
        assertThat(placed(split)).isCloseTo(30, within(1e-9));
        assertThat(split.foreseen().verdict()).isEqualTo(Foreseen.Verdict.PASS);
        assertThat(split.containers()).isEqualTo(3);
    }

    @Test
    void slowAirWantsShallowPans() {
        Medium blast = new Medium.Blast("", Temperature.ofCelsius(-5));
        ContainerSplit split = best(16, blast, owned(STOCKPOT, 2), owned(PAN, 12));
        assertThat(split.groups()).allMatch(g -> g.container() == PAN);
        assertThat(placed(split)).isCloseTo(16, within(1e-9));
    }

    @Test
    void aStockpotInTheColdStoreFailsByHours() {
        Medium store = new Medium.ColdStore(Temperature.ofCelsius(3));
        ContainerSplit split = best(20, store, owned(STOCKPOT, 1));
        assertThat(split.foreseen().verdict()).isEqualTo(Foreseen.Verdict.FAIL);
        double takes = split.foreseen().stages().get(0).takesMin().orElseThrow();
        assertThat(takes).isGreaterThan(120 + 3 * 60);
    }

    @Test
    void moreThanTheContainersHoldIsRefusedWithWhatTheyDo() {
        Medium bath = new Medium.IceBath(Mass.ofKg(20), Mass.ofKg(20), Samples.MELTING, true);
        assertThatThrownBy(() -> best(50, bath, owned(PAN, 2)))
                .isInstanceOfSatisfying(Refusal.class, r -> assertThat(r.high()).isCloseTo(16, within(1e-9)));
    }

    @Test
    void aPaddleCoolsFasterThanAirAloneUntilItsIceIsGone() {
        CoolingPlan air = plan(new Medium.ColdStore(Temperature.ofCelsius(20)));
        CoolingPlan paddle = plan(new Medium.IcePaddle(Mass.ofKg(5), Temperature.ofCelsius(20)));
        double withPaddle =
                Cooler.curve(paddle).minutesTo(Temperature.ofCelsius(57)).orElseThrow();
        double without = Cooler.curve(air).minutesTo(Temperature.ofCelsius(57)).orElseThrow();
        assertThat(withPaddle).isLessThan(without / 3);
        assertThat(Cooler.curve(paddle).melted().kg()).isCloseTo(5, within(1e-6));
    }

    private static CoolingPlan plan(Medium medium) {
        return new CoolingPlan(
                Volume.ofLitres(10),
                HOT,
                Samples.bain(),
                1,
                List.of(new CoolingPlan.Leg(medium, Temperature.ofCelsius(25))),
                false);
    }

    @Test
    void cleanIceTakesTheHeatThatItsMeltingNeeds() {
        CleanIce mixed = CleanIce.into(Volume.ofLitres(10), HOT, Mass.ofKg(6));
        assertThat(mixed.litres().litres()).isEqualTo(16);
        double heatIn = 10 * 4.1 * (85 - mixed.temperature().celsius());
        double heatOut = 6 * 334 + 6 * 4.19 * mixed.temperature().celsius();
        assertThat(heatIn).isCloseTo(heatOut, within(1e-6));
        assertThatThrownBy(() -> CleanIce.into(Volume.ofLitres(10), HOT, Mass.ofKg(20)))
                .isInstanceOf(Refusal.class);
    }

    /** A pan and four bains in one bath: each kind gets of its ice what it has of the litres, and no container more than it holds. */
    @Test
    void theBathIsSharedOutByLitresAndNoContainerIsOverfull() {
        Medium.IceBath bath = new Medium.IceBath(Mass.ofKg(60), Mass.ofKg(50), Samples.MELTING, true);
        ContainerSplit split = best(44, bath, owned(Samples.bain(), 4), owned(PAN, 1));
        assertThat(split.groups()).hasSize(2);
        double ice = 0;
        double water = 0;
        for (ContainerSplit.Group group : split.groups()) {
            double litres = group.count() * group.each().litres();
            Medium.IceBath part = (Medium.IceBath) group.plan().legs().get(0).medium();
            assertThat(part.ice().kg()).isCloseTo(60 * litres / 44, within(1e-9));
            ice += part.ice().kg();
            water += part.water().kg();
            assertThat(group.each().litres())
                    .isLessThanOrEqualTo(group.container().holds().litres() + 1e-9);
        }
        assertThat(ice).isCloseTo(60, within(1e-9));
        assertThat(water).isCloseTo(50, within(1e-9));
    }
}
