package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.batch.Plan;
import potamos.core.charge.Needs;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.Container;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Foreseen;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

/** What cools: ice, a chiller's litres and containers are there or not, at a time. */
class ColdTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(5));
    private static final Instant NOON = NOW.plus(Duration.ofHours(7));
    private static final Duration HOUR = Duration.ofHours(1);

    private static final Chiller CABINET =
            new Chiller("cabinet", Chiller.Kind.BLAST, 10, Temperature.ofCelsius(-5), 0, 0);

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));
    private final Formula chicken = Book.whiteChicken();

    private static Chiller bath(double iceKg) {
        return new Chiller("bath", Chiller.Kind.ICE_BATH, 100, Temperature.ofCelsius(1), iceKg, 0);
    }

    private Call call(String id, double litres, Duration ahead) {
        return new Call(id, "Sauce", chicken, Volume.ofLitres(litres), NOW.plus(ahead), 1, Needs.NONE);
    }

    private Course open(Equipment equipment, Busy busy, Call... calls) {
        return new Course(equipment, NOW, UNTIL, List.of(calls), List.of(), busy, List.of(), List.of());
    }

    private Course drafted(Equipment equipment, Draft... drafts) {
        return new Course(equipment, NOW, UNTIL, List.of(), List.of(), Busy.NONE, List.of(drafts), List.of());
    }

    /** Six litres in a pot of their own. */
    private Draft six(Equipment equipment, String id, Instant start, int pot, Optional<String> chiller) {
        Ways.Way way = new Ways(equipment)
                .in(chicken, 6, "pot " + pot, Optional.of("burner " + pot))
                .filter(one -> one.cooling().chiller().equals(chiller))
                .findFirst()
                .orElseThrow();
        return way.startingAt(start, id, equipment, Optional.of("burner " + pot));
    }

    private static List<Broken.Rule> rules(Course course) {
        return course.check().stream().map(Broken::rule).distinct().toList();
    }

    private static List<Use> inTheCabinet(Course course) {
        return course.drafts().stream()
                .flatMap(draft -> draft.uses().stream())
                .filter(use -> use.kind() == Use.Kind.CHILLER)
                .toList();
    }

    @Test
    void iceThatIsNotThereAtItsHourIsMissed() {
        Equipment little = kitchen.withChillers(List.of(bath(3)));
        assertThat(rules(drafted(little, six(little, "six", NOON, 0, Optional.empty()))))
                .containsExactly(Broken.Rule.ICE_THERE);
    }

    @Test
    void whatThereIsNoIceForIsCooledInTheChiller() {
        Equipment both = kitchen.withChillers(List.of(bath(3), CABINET));
        Course laid = Constructive.lay(open(both, Busy.NONE, call("one", 6, HOUR.multipliedBy(30))))
                .course();
        assertThat(laid.unmet()).isEmpty();
        assertThat(laid.check()).isEmpty();
        assertThat(laid.drafts()).singleElement().satisfies(draft -> {
            assertThat(draft.ice()).isEmpty();
            assertThat(draft.cooling().foreseen().verdict()).isNotEqualTo(Foreseen.Verdict.FAIL);
        });
        assertThat(inTheCabinet(laid)).singleElement().satisfies(use -> {
            assertThat(use.name()).isEqualTo("cabinet");
            assertThat(use.amount()).isEqualTo((int)
                    Math.ceil(laid.drafts().get(0).charge().toCool().litres()));
        });
        Course without = Constructive.lay(
                        open(kitchen.withChillers(List.of(bath(3))), Busy.NONE, call("one", 6, HOUR.multipliedBy(30))))
                .course();
        assertThat(without.unmet()).hasSize(1);
    }

    @Test
    void whereThereIsIceTheChillerIsLeftAlone() {
        Equipment both = kitchen.withChillers(List.of(bath(100), CABINET));
        Course laid = Constructive.lay(open(both, Busy.NONE, call("one", 6, HOUR.multipliedBy(30))))
                .course();
        assertThat(inTheCabinet(laid)).isEmpty();
        assertThat(laid.drafts())
                .singleElement()
                .satisfies(draft -> assertThat(draft.ice()).isPresent());
    }

    @Test
    void aChillerTakesNoMoreLitresAtOnceThanItHasRoomFor() {
        Equipment only = kitchen.withChillers(List.of(CABINET));
        Draft first = six(only, "first", NOON, 0, Optional.of("cabinet"));
        Draft beside = six(only, "beside", NOON, 1, Optional.of("cabinet"));
        assertThat(drafted(only, first, beside).check()).isNotEmpty().allSatisfy(broken -> {
            assertThat(broken.rule()).isEqualTo(Broken.Rule.TAKEN_TWICE);
            assertThat(broken.thing()).isEqualTo("cabinet");
        });
        Equipment larger =
                kitchen.withChillers(List.of(new Chiller("cabinet", Chiller.Kind.BLAST, 20, CABINET.air(), 0, 0)));
        assertThat(drafted(larger, first, beside).check()).isEmpty();

        Instant cold = first.ready();
        Course laid = Constructive.lay(open(
                        only,
                        Busy.NONE,
                        new Call("a", "Sauce", chicken, Volume.ofLitres(8), cold, 1, Needs.NONE),
                        new Call("b", "Soup", chicken, Volume.ofLitres(8), cold, 1, Needs.NONE)))
                .course();
        List<Use> uses = inTheCabinet(laid);
        assertThat(laid.check()).isEmpty();
        assertThat(uses).hasSize(2);
        assertThat(uses.get(0).within(uses.get(1).from(), uses.get(1).to())).isFalse();
    }

    @Test
    void aKitchenWithAChillerAndNoBathHasABathOnlyForWhatTheChillerDoesNotTake() {
        Equipment only = kitchen.withChillers(List.of(CABINET));
        assertThat(only.coolings(Volume.ofLitres(10))).containsExactly(Optional.of(CABINET));
        assertThat(only.coolings(Volume.ofLitres(10.5))).containsExactly(Optional.empty());
        Equipment both = kitchen.withChillers(List.of(CABINET, bath(0)));
        assertThat(both.coolings(Volume.ofLitres(4))).containsExactly(Optional.empty(), Optional.of(CABINET));
        assertThat(both.ice())
                .as("a bath of which no ice is told is never short")
                .isEmpty();
        assertThat(kitchen.withChillers(List.of()).coolings(Volume.ofLitres(4))).containsExactly(Optional.empty());
    }

    @Test
    void aChillerThatIsOutOfOrderTakesNothing() {
        Equipment only = kitchen.withChillers(List.of(CABINET));
        Use broken = Use.whole(Use.Kind.CHILLER, "cabinet", NOW, NOW.plus(Duration.ofDays(2)));
        Course begun = open(only, Busy.of(List.of(broken)), call("one", 6, HOUR.multipliedBy(80)));
        Course laid = Constructive.lay(begun).course();
        assertThat(laid.drafts()).isNotEmpty();
        assertThat(inTheCabinet(laid)).allSatisfy(use -> assertThat(use.from()).isAfterOrEqualTo(broken.to()));
        Puzzle puzzle = new Puzzle(begun, () -> false);
        assertThat(puzzle.resources())
                .allSatisfy(resource -> assertThat(resource.taken())
                        .allSatisfy(thing -> assertThat(thing.amount()).isLessThanOrEqualTo(resource.there())));
    }

    @Test
    void moreContainersHeldAtOnceThanThereAreAreToldToTheSolverAsAll() {
        Use all = new Use(Use.Kind.CONTAINER, "bain", NOW, NOW.plus(HOUR.multipliedBy(6)), 12);
        Use more =
                new Use(Use.Kind.CONTAINER, "bain", NOW.plus(HOUR.multipliedBy(4)), NOW.plus(HOUR.multipliedBy(9)), 8);
        String bain = kitchen.containers().get(0).container().name();
        Puzzle puzzle = new Puzzle(
                open(
                        kitchen,
                        Busy.of(List.of(all.called(bain), more.called(bain))),
                        call("one", 6, HOUR.multipliedBy(30))),
                () -> false);
        List<Puzzle.Thing> taken = puzzle.resources().stream()
                .map(Puzzle.Resource::taken)
                .filter(things -> !things.isEmpty())
                .findFirst()
                .orElseThrow();
        assertThat(taken)
                .extracting(thing -> List.of(thing.from() / 3600, thing.to() / 3600, (long) thing.amount()))
                .containsExactly(List.of(0L, 4L, 12L), List.of(4L, 6L, 16L), List.of(6L, 9L, 8L));
    }

    @Test
    void containersThatOthersFillTomorrowAreNotInTheWayToday() {
        Draft way = six(kitchen, "six", NOON, 0, Optional.empty());
        String bain = kitchen.containers().get(0).container().name();
        Instant tomorrow = NOON.plus(Duration.ofHours(20));
        Use all = new Use(Use.Kind.CONTAINER, bain, tomorrow, tomorrow.plus(HOUR.multipliedBy(9)), 16);
        Opening opening = new Opening(
                way.charge(),
                way.timeline().parts(),
                way.burner(),
                Optional.of(way.cooling()),
                open(kitchen, Busy.of(List.of(all))));
        assertThat(opening.at(NOON, way.ready()).free()).isTrue();
        Opening.Proposal then =
                opening.at(NOON.plus(Duration.ofHours(18)), way.ready().plus(Duration.ofDays(1)));
        assertThat(then.taken()).contains(Use.Kind.CONTAINER);
        Opening.Proposal before = opening.latest(tomorrow.plus(HOUR.multipliedBy(4)));
        assertThat(before.good()).isTrue();
        assertThat(before.timeline().ready()).isBeforeOrEqualTo(tomorrow);
    }

    /** A plan keeps how the containers that are cold last are cooled, and of the bath only their share. */
    @Test
    void theIceOfAPlanIsThatOfAllItsContainersTogether() {
        ContainerSplit.Owned bain = kitchen.containers().get(0);
        Container narrow = new Container(
                "narrow",
                new Shape.Cylinder(Length.ofCm(14), Length.ofCm(30)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(4));
        Equipment mixed = kitchen.withContainers(
                List.of(new ContainerSplit.Owned(bain.container(), 1), new ContainerSplit.Owned(narrow, 3)));
        Draft draft = new Ways(mixed)
                .of(chicken, 16)
                .findFirst()
                .map(way -> way.startingAt(NOON, "sixteen", mixed, way.burner()))
                .orElseThrow();
        ContainerSplit split = draft.cooling();
        assertThat(split.groups()).as("kinds of containers").hasSize(2);
        Plan plan = new Plan(
                draft.charge(),
                mixed.limits(),
                split.slowestGroup().plan(),
                Plan.Filled.of(split),
                split.slowestGroup().curve(),
                draft.timeline(),
                draft.ready(),
                draft.litres(),
                NOW);
        assertThat(plan.cooled().litres()).isCloseTo(draft.charge().toCool().litres(), within(1e-9));
        assertThat(plan.ice().orElseThrow().kg()).isCloseTo(split.ice().kg(), within(1e-6));
        assertThat(plan.ice().orElseThrow().kg())
                .isGreaterThan(plan.cooling().bath().orElseThrow().ice().kg() * 1.1);
    }
}
