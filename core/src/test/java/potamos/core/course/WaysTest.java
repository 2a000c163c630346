package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.heat.Burner;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.vessel.Vessel;

/** In what a kitchen makes so many litres: which pots, on which burners, in which oven, cooled in what. */
class WaysTest {

    private static final Formula WHITE = Book.whiteChicken();
    private static final Formula BROWN = Book.of("brown-veal");

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));

    private static Vessel named(String name, Vessel size) {
        return new Vessel(name, size.shape(), size.kappa(), size.metal(), size.handling());
    }

    private static Burner burner(String name, double kw) {
        return new Burner(name, Power.ofKilowatts(kw), 0.5);
    }

    private static double fullL(Vessel vessel) {
        Burner strongest = burner("burner 0", 9);
        return ChargeSolver.litresOfFull(WHITE, new Pot(vessel, strongest, Samples.VALLEY));
    }

    private static List<String> vessels(Equipment equipment, double litres) {
        return new Ways(equipment)
                .of(WHITE, litres)
                .map(Ways.Way::vessel)
                .distinct()
                .toList();
    }

    /** A little less than to the brim, in steps that a jug has. */
    @Test
    void aPotGivesWhatItGivesFullButForALittle() {
        Ways ways = new Ways(kitchen);
        List<Double> each = ways.mostOfEachL(WHITE);
        assertThat(each).hasSize(4).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        for (int i = 0; i < 4; i++) {
            double full = fullL(kitchen.vessels().get(3 - i));
            assertThat(each.get(i)).isLessThanOrEqualTo(0.98 * full + 1e-9).isGreaterThan(0.98 * full - 0.1 - 1e-9);
            assertThat(each.get(i) * 10).isCloseTo(Math.floor(each.get(i) * 10 + 0.5), within(1e-6));
        }
        assertThat(ways.mostL(WHITE)).isEqualTo(each.get(0));
    }

    @Test
    void aCupMakesNoStock() {
        List<Vessel> pots = new ArrayList<>(kitchen.vessels());
        pots.add(named("cup", Samples.cylinder(8, 9)));
        assertThat(new Ways(kitchen.withVessels(pots)).mostOfEachL(WHITE)).hasSize(4);
        assertThat(new Ways(kitchen.withVessels(List.of())).mostL(WHITE)).isZero();
        assertThat(new Ways(kitchen.withBurners(List.of())).mostL(WHITE))
                .as("nothing to put it on")
                .isZero();
    }

    @Test
    void theSmallestThatTakesThemIsTriedFirst() {
        assertThat(vessels(kitchen, 3)).containsExactly("pot 0", "pot 1", "pot 2", "pot 3");
        double second = new Ways(kitchen).mostOfEachL(WHITE).get(2);
        assertThat(vessels(kitchen, second)).containsExactly("pot 1", "pot 2", "pot 3");
        assertThat(vessels(kitchen, second + 0.1)).containsExactly("pot 2", "pot 3");
        assertThat(vessels(kitchen, 500)).isEmpty();
    }

    /** Ten pots, of which nobody looks through more than eight. */
    @Test
    void noMoreThanEightAreTried() {
        List<Vessel> pots = IntStream.range(0, 10)
                .mapToObj(i -> named("pot " + (9 - i), Samples.cylinder(28 + 2 * (9 - i), 30)))
                .toList();
        assertThat(vessels(kitchen.withVessels(pots), 3))
                .containsExactly("pot 0", "pot 1", "pot 2", "pot 3", "pot 4", "pot 5", "pot 6", "pot 7");
    }

    @Test
    void litresAreMadeInWholeStepsNeverLess() {
        Ways ways = new Ways(kitchen);
        assertThat(out(ways, 5.01)).isCloseTo(5.1, within(0.01));
        assertThat(out(ways, 5.1)).isCloseTo(5.1, within(0.01));
        assertThat(ways.of(WHITE, 5.01).findFirst())
                .isEqualTo(ways.of(WHITE, 5.1).findFirst());
    }

    private static double out(Ways ways, double litres) {
        return ways.of(WHITE, litres)
                .findFirst()
                .orElseThrow()
                .charge()
                .forecast()
                .yield()
                .mid();
    }

    /** Burners that are as strong as each other are one way, the strongest first; of four strengths three are tried. */
    @Test
    void burnersAreTakenByTheirStrength() {
        Equipment many = kitchen.withBurners(List.of(
                burner("small", 4), burner("left", 9), burner("middle", 7), burner("right", 9), burner("back", 6)));
        List<List<String>> on = new Ways(many)
                .of(WHITE, 3)
                .filter(way -> way.vessel().equals("pot 0"))
                .map(Ways.Way::burners)
                .toList();
        assertThat(on).containsExactly(List.of("left", "right"), List.of("middle"), List.of("back"));
    }

    @Test
    void whoNamesAPotOrABurnerGetsThat() {
        Ways ways = new Ways(kitchen);
        assertThat(ways.in(WHITE, 3, "pot 2", Optional.empty()))
                .isNotEmpty()
                .allMatch(way -> way.vessel().equals("pot 2"));
        assertThat(ways.in(WHITE, 3, "pot 2", Optional.of("burner 2")))
                .isNotEmpty()
                .allMatch(way -> way.burners().contains("burner 2"));
        assertThat(ways.in(WHITE, 3, "pot 2", Optional.of("nowhere"))).isEmpty();
        assertThat(ways.in(WHITE, 3, "gone", Optional.empty())).isEmpty();
        double full = ways.mostOfEachL(WHITE).get(1);
        assertThat(ways.in(WHITE, full, "pot 2", Optional.empty())).isNotEmpty();
        assertThat(ways.in(WHITE, full + 0.1, "pot 2", Optional.empty())).isEmpty();
    }

    /** The oven with a fan is quicker and comes first; what is not roasted needs none. */
    @Test
    void eachOvenIsAWayOfItsOwn() {
        List<Ways.Way> roasted = new Ways(kitchen)
                .of(BROWN, 3)
                .filter(way -> way.vessel().equals("pot 0"))
                .toList();
        assertThat(roasted.stream()
                        .map(way -> way.charge().roasting().orElseThrow().oven()))
                .startsWith("east")
                .contains("west");
        assertThat(roasted).allMatch(way -> way.oven().isEmpty());
        assertThat(new Ways(kitchen).of(WHITE, 3))
                .allMatch(way -> way.charge().roasting().isEmpty());
        assertThat(new Ways(kitchen.withOvens(List.of())).of(BROWN, 3))
                .as("a kitchen that has told of no oven roasts in the book's")
                .isNotEmpty();
    }

    @Test
    void aKettleStandsOnNoBurner() {
        Vessel kettle = new Vessel(
                "kettle",
                Samples.kettle().shape(),
                Samples.kettle().kappa(),
                Samples.kettle().metal(),
                Vessel.Handling.TILTED,
                Samples.kettle().build(),
                Optional.of(Power.ofKilowatts(12)));
        Equipment one = kitchen.withVessels(List.of(kettle)).withBurners(List.of());
        Ways.Way way = new Ways(one).of(WHITE, 20).findFirst().orElseThrow();
        assertThat(way.burners()).isEmpty();
        assertThat(way.burner()).isEmpty();
        assertThat(way.takes().things()).noneMatch(thing -> thing.kind() == Use.Kind.BURNER);
    }

    /** A kitchen with a chiller and no bath cools no more at once than the chiller takes, and nothing in one that is too warm for it. */
    @Test
    void whatCannotBeCooledIsNotMade() {
        Chiller blast = new Chiller("blast", Chiller.Kind.BLAST, 6.5, Temperature.ofCelsius(-20), 0, 0);
        Ways cold = new Ways(kitchen.withChillers(List.of(blast)));
        assertThat(cold.mostL(WHITE)).isEqualTo(6);
        assertThat(cold.mostOfEachL(WHITE)).startsWith(6.0);
        assertThat(cold.of(WHITE, 5))
                .isNotEmpty()
                .allMatch(way -> way.cooling().chiller().equals(Optional.of("blast")));
        Chiller mild = new Chiller("larder", Chiller.Kind.BLAST, 60, Temperature.ofCelsius(10), 0, 0);
        assertThat(new Ways(kitchen.withChillers(List.of(mild))).of(WHITE, 5)).isEmpty();
        assertThat(new Ways(kitchen.withContainers(List.of())).of(WHITE, 5)).isEmpty();
    }

    /** A batch is made one way alone: its pot, one of its burners, its oven, its chiller. */
    @Test
    void aWayKnowsWhatIsMadeByIt() {
        Ways ways = new Ways(kitchen);
        Ways.Way way =
                ways.in(BROWN, 3, "pot 1", Optional.of("burner 0")).findFirst().orElseThrow();
        assertThat(way.burners()).containsExactly("burner 0", "burner 1");
        Draft draft = way.startingAt(Weeks.MONDAY, "mine", kitchen, Optional.of("burner 1"));
        assertThat(way.makes(draft)).isTrue();
        assertThat(draft.start()).isEqualTo(Weeks.MONDAY);
        assertThat(Duration.between(draft.start(), draft.ready()).toSeconds())
                .isEqualTo(way.takes().endsAt());
        assertThat(way.makes(way.startingAt(Weeks.MONDAY, "mine", kitchen, Optional.of("burner 2"))))
                .isFalse();
        assertThat(way.makes(way.startingAt(Weeks.MONDAY, "mine", kitchen, Optional.empty())))
                .isFalse();
        assertThat(ways.in(BROWN, 3, "pot 2", Optional.of("burner 0"))).noneMatch(other -> other.makes(draft));
        assertThat(ways.in(BROWN, 3, "pot 1", Optional.of("burner 0")).filter(other -> other.makes(draft)))
                .containsExactly(way);
    }
}
