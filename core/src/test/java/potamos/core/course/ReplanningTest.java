package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;

/** Something goes otherwise than it was laid. */
class ReplanningTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(7));
    private static final Formula CHICKEN = Book.whiteChicken();
    private static final Formula BROWN = Book.of("brown-veal");

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));

    private static Call call(String id, double litres, Duration ahead) {
        return new Call(id, id, CHICKEN, Volume.ofLitres(litres), NOW.plus(ahead), 1, Needs.NONE);
    }

    private Course laid(Call... calls) {
        return Constructive.lay(Course.open(kitchen, NOW, UNTIL, List.of(calls), List.of()))
                .course();
    }

    private static Course taken(Course course, Use... uses) {
        List<Use> all = new ArrayList<>(course.busy().uses());
        all.addAll(List.of(uses));
        return with(course, course.equipment(), course.calls(), course.lots(), all);
    }

    private static Course with(Course course, Equipment equipment, List<Call> calls, List<Lot> lots, List<Use> taken) {
        return new Course(
                equipment,
                course.now(),
                course.until(),
                calls,
                lots,
                Busy.of(taken).withIce(course.busy().ice()),
                List.of(),
                List.of());
    }

    private static Course asking(Course course, Call... calls) {
        return with(
                course,
                course.equipment(),
                List.of(calls),
                course.lots(),
                course.busy().uses());
    }

    private static String vessel(Draft draft) {
        return draft.charge().run().vessel().name();
    }

    private static Use out(Draft draft, Duration before, Duration after) {
        return new Use(
                Use.Kind.VESSEL,
                vessel(draft),
                draft.start().minus(before),
                draft.start().plus(after),
                1);
    }

    private static Replanning.WayOut only(List<Replanning.WayOut> ways, Replanning.How how) {
        return ways.stream().filter(way -> way.how() == how).findFirst().orElseThrow();
    }

    @Test
    void nothingIsProposedWhereNothingIsHit() {
        Course course = laid(call("sauce", 6, Duration.ofHours(16)));
        Draft draft = course.drafts().get(0);
        String other = kitchen.vessels().stream()
                .map(vessel -> vessel.name())
                .filter(name -> !name.equals(vessel(draft)))
                .findFirst()
                .orElseThrow();
        Use elsewhere = new Use(Use.Kind.VESSEL, other, NOW, UNTIL, 1);
        assertThat(Replanning.of(course, taken(course, elsewhere), Set.of())).isEmpty();
    }

    /** Its pot is out for the time of its start: it waits and is late, or goes into another pot and is not. */
    @Test
    void aPotThatIsOutIsWaitedForOrLeft() {
        Course course = laid(call("sauce", 6, Duration.ofHours(10)));
        Draft draft = course.drafts().get(0);
        Course trouble = taken(course, out(draft, Duration.ofHours(1), Duration.ofHours(4)));
        List<Replanning.WayOut> ways = Replanning.of(course, trouble, Set.of());
        assertThat(ways.get(0).how()).isEqualTo(Replanning.How.ELSEWHERE);
        assertThat(ways.get(0).told()).isEmpty();
        Draft there = ways.get(0).moved().get(0).to().orElseThrow();
        assertThat(vessel(there)).isNotEqualTo(vessel(draft));
        Replanning.WayOut wait = only(ways, Replanning.How.WAIT);
        Draft later = wait.moved().get(0).to().orElseThrow();
        assertThat(vessel(later)).isEqualTo(vessel(draft));
        assertThat(later.uses().get(0).from()).isAfterOrEqualTo(draft.start().plus(Duration.ofHours(4)));
        Replanning.Told told = wait.told().get(0);
        assertThat(told.was())
                .containsExactly(
                        new Replanning.Comes(told.call().by(), told.call().litres()));
        assertThat(told.is()).extracting(Replanning.Comes::at).containsExactly(later.ready());
        assertThat(told.missing().litres()).isCloseTo(0, within(1e-9));
    }

    /** What is under way has gone on into a batch that was planned after it: both are in the same course, and there is nothing to compare it with. */
    @Test
    void whatHasHappenedAlreadyHitsWhatWasPlannedAfterIt() {
        Course course = laid(call("sauce", 6, Duration.ofHours(10)));
        Draft draft = course.drafts().get(0);
        assertThat(Replanning.now(course, Set.of())).isEmpty();
        Course happened = taken(course, out(draft, Duration.ofHours(1), Duration.ofHours(4)))
                .with(course.drafts(), course.allocations());
        assertThat(Replanning.now(happened, Set.of())).isNotEmpty().allSatisfy(way -> {
            assertThat(way.course().check()).isEmpty();
            assertThat(way.moved()).extracting(Replanning.Moved::from).containsExactly(Optional.of(draft));
        });
        Replanning.WayOut wait = only(Replanning.now(happened, Set.of(draft.id())), Replanning.How.WAIT);
        assertThat(wait.told().get(0).is()).allMatch(comes -> comes.at().isAfter(draft.ready()));
    }

    /** Somebody else has its oven by now: that is what has to be seen, and it is not roasted in another one before anybody has said so. */
    @ParameterizedTest
    @ValueSource(strings = {"east", "west"})
    void whatIsAcceptedKeepsItsOven(String oven) {
        Use taken = new Use(Use.Kind.OVEN, oven, NOW, UNTIL, 1);
        Course open = taken(Course.open(kitchen, NOW, UNTIL, List.of(), List.of()), taken);
        Draft.Spot spot =
                new Draft.Spot(kitchen.vessels().get(3).name(), Optional.empty(), NOW.plus(Duration.ofHours(12)));
        Draft accepted =
                Draft.accepted(open, BROWN, Volume.ofLitres(8), spot, "batch", Optional.of(oven), Optional.empty());
        assertThat(accepted.charge().roasting().orElseThrow().oven()).isEqualTo(oven);
        assertThat(open.with(List.of(accepted), List.of()).check())
                .filteredOn(broken -> broken.rule() == Broken.Rule.TAKEN_TWICE)
                .extracting(Broken::thing)
                .containsExactly(oven);
        Draft chosen = Draft.pinned(open, BROWN, Volume.ofLitres(8), spot, "wish");
        assertThat(chosen.charge().roasting().orElseThrow().oven()).isNotEqualTo(oven);
    }

    /** A batch by night is somebody's own will, and one that is begun a little late is told of by its own next act. */
    @Test
    void whatWasPlannedKnowinglyIsNoTrouble() {
        Course course = laid(call("sauce", 6, Duration.ofHours(10)));
        Draft draft = course.drafts().get(0);
        Rota nobody = kitchen.rota().with(List.of(new Rota.Away(NOW, UNTIL, 2)));
        Course byNight = with(
                        course,
                        kitchen.withRota(nobody),
                        course.calls(),
                        course.lots(),
                        course.busy().uses())
                .with(course.drafts(), course.allocations());
        assertThat(byNight.check()).isNotEmpty();
        assertThat(Replanning.now(byNight, Set.of(draft.id()))).isEmpty();
    }

    /** Nothing that is large enough is free in time: a smaller one gives a part of it then. */
    @Test
    void aSmallerPotGivesInTimeWhatItHolds() {
        double most = new Ways(kitchen).mostL(CHICKEN);
        Course course = laid(call("sauce", most, Duration.ofHours(10)));
        assertThat(course.drafts()).hasSize(1);
        Draft draft = course.drafts().get(0);
        Course trouble = taken(course, out(draft, Duration.ofHours(2), Duration.ofHours(9)));
        Replanning.WayOut smaller = only(Replanning.of(course, trouble, Set.of()), Replanning.How.SMALLER);
        Replanning.Told told = smaller.told().isEmpty() ? null : smaller.told().get(0);
        double inTime = told == null ? most : told.is().get(0).litres().litres();
        assertThat(inTime).isGreaterThan(most * 0.25 - 0.2);
        assertThat(smaller.course().check()).isEmpty();
    }

    /** One that asks for more is met whole where there is time, and nobody else is moved for it. */
    @Test
    void aCallThatGrowsIsMadeLargerOrASecondTime() {
        Course course = laid(call("sauce", 4, Duration.ofHours(20)), call("soup", 3, Duration.ofHours(60)));
        Course more = asking(course, call("sauce", 7, Duration.ofHours(20)), call("soup", 3, Duration.ofHours(60)));
        List<Replanning.WayOut> ways = Replanning.of(course, more, Set.of());
        assertThat(ways).isNotEmpty().allSatisfy(way -> {
            assertThat(way.course().unmet()).isEmpty();
            assertThat(way.told()).isEmpty();
            assertThat(way.moved()).allMatch(moved -> moved.to().isPresent());
        });
    }

    /** Wanted sooner than it can be: that is said, and so is how much and when. */
    @Test
    void aCallThatCannotBeMetAsItIsChangedIsToldSo() {
        Course course = laid(call("sauce", 6, Duration.ofHours(30)));
        Course sooner = asking(course, call("sauce", 6, Duration.ofHours(1)));
        Replanning.WayOut way = Replanning.of(course, sooner, Set.of()).get(0);
        Replanning.Told told = way.told().get(0);
        assertThat(told.is()).allMatch(comes -> comes.at().isAfter(told.call().by()));
        assertThat(told.is().stream().mapToDouble(c -> c.litres().litres()).sum()
                        + told.missing().litres())
                .isCloseTo(6, within(0.06));
    }

    @Test
    void whileNobodyIsThereNothingIsBegun() {
        Course course = laid(call("sauce", 6, Duration.ofHours(16)));
        Draft draft = course.drafts().get(0);
        Rota away = kitchen.rota()
                .with(List.of(new Rota.Away(draft.start(), draft.start().plus(Duration.ofHours(1)), 2)));
        Equipment fewer = kitchen.withRota(away);
        Course trouble =
                with(course, fewer, course.calls(), course.lots(), course.busy().uses());
        assertThat(Replanning.of(course, trouble, Set.of())).isNotEmpty().allSatisfy(way -> {
            assertThat(way.moved()).isNotEmpty();
            assertThat(way.course().check()).isEmpty();
        });
    }

    /** What lacks within what a kitchen lets pass is nothing to tell a station, and no crumb of a sum is. */
    @Test
    void nobodyIsToldOfWhatNobodyMisses() {
        Call six = call("sauce", 6, Duration.ofHours(10));
        assertThat(told(six, 2, 2, 1.9).missing().litres()).isZero();
        assertThat(told(six, 0.1, 0.2, 5.7).missing().litres()).isZero();
        assertThat(told(six, 2, 2, 1).missing().litres()).isCloseTo(1, within(1e-9));
    }

    private static Replanning.Told told(Call call, double... comes) {
        return new Replanning.Told(
                call,
                List.of(),
                DoubleStream.of(comes)
                        .mapToObj(litres -> new Replanning.Comes(call.by(), Volume.ofLitres(litres)))
                        .toList());
    }

    @Test
    void whatIsHeldMovesOnlyWhereItCannotStay() {
        Course course = laid(
                call("sauce", 6, Duration.ofHours(16)),
                call("soup", 5, Duration.ofHours(40)),
                call("fish", 4, Duration.ofHours(64)));
        Draft hit = course.drafts().get(0);
        Set<String> held = course.drafts().stream().map(Draft::id).collect(Collectors.toSet());
        Course trouble = taken(course, out(hit, Duration.ofHours(1), Duration.ofHours(3)));
        assertThat(Replanning.of(course, trouble, held))
                .isNotEmpty()
                .allSatisfy(way -> assertThat(way.course().drafts())
                        .containsAll(course.drafts().subList(1, course.drafts().size())));
    }

    private enum Trouble {
        VESSEL,
        BURNER,
        OVEN,
        LOTS,
        CALL
    }

    /** Whatever the week and whatever happens to it: no way out breaks a rule, what it does not name stands as it stood, and who is told is told the truth. */
    @ParameterizedTest
    @EnumSource(Trouble.class)
    void everyWayOutIsOne(Trouble what) {
        int hits = 0;
        for (long seed = 1; seed <= 2; seed++) {
            Course before = Weeks.of(seed, 14, 4).laid().course();
            Course after = troubled(before, what);
            List<Replanning.WayOut> ways = Replanning.of(before, after, Set.of());
            hits += ways.size();
            assertThat(ways.size()).isLessThanOrEqualTo(3);
            for (Replanning.WayOut way : ways) {
                assertThat(way.course().check()).isEmpty();
                unmovedStand(before, way);
                assertThat(ways.stream().filter(other -> places(other).equals(places(way))))
                        .hasSize(1);
                tellsTheTruth(before, way);
                saysHowMuchMore(before, way);
            }
            theBestFirst(ways);
        }
        assertThat(hits).isPositive();
    }

    private static Course troubled(Course before, Trouble what) {
        Draft first = before.drafts().get(0);
        Instant from = first.start().minus(Duration.ofHours(2));
        Instant to = first.start().plus(Duration.ofHours(12));
        return switch (what) {
            case VESSEL -> taken(before, new Use(Use.Kind.VESSEL, vessel(first), from, to, 1));
            case BURNER -> taken(before, new Use(Use.Kind.BURNER, "burner 0", before.now(), UNTIL, 1));
            case OVEN ->
                taken(
                        before,
                        new Use(Use.Kind.OVEN, "east", before.now(), UNTIL, 1),
                        new Use(Use.Kind.OVEN, "west", before.now(), to, 1));
            case LOTS ->
                with(
                        before,
                        before.equipment(),
                        before.calls(),
                        List.of(),
                        before.busy().uses());
            case CALL ->
                with(
                        before,
                        before.equipment(),
                        before.calls().stream().map(ReplanningTest::larger).toList(),
                        before.lots(),
                        before.busy().uses());
        };
    }

    private static Call larger(Call call) {
        return new Call(
                call.id(),
                call.station(),
                call.formula(),
                call.litres().times(1.5),
                call.by().minus(Duration.ofHours(1)),
                call.weight(),
                call.needs());
    }

    private static Set<String> places(Replanning.WayOut way) {
        return way.course().drafts().stream()
                .map(draft -> vessel(draft) + draft.start() + draft.burner() + draft.oven() + draft.litres())
                .collect(Collectors.toSet());
    }

    private static void unmovedStand(Course before, Replanning.WayOut way) {
        Set<Draft> moved = new HashSet<>();
        way.moved().forEach(one -> one.from().ifPresent(moved::add));
        for (Draft draft : before.drafts()) {
            if (!moved.contains(draft)) {
                assertThat(way.course().drafts())
                        .anyMatch(there -> vessel(there).equals(vessel(draft))
                                && Duration.between(there.start(), draft.start())
                                                .abs()
                                                .toMinutes()
                                        < 1
                                && Math.abs(there.litres().litres()
                                                - draft.litres().litres())
                                        < 0.11);
            }
        }
        assertThat(way.moved())
                .noneMatch(one -> one.from().isPresent() && one.from().equals(one.to()));
    }

    private static void tellsTheTruth(Course before, Replanning.WayOut way) {
        Map<String, Double> missing = way.course().unmet().stream()
                .collect(Collectors.toMap(
                        unmet -> unmet.call().id(), unmet -> unmet.litres().litres()));
        way.told()
                .forEach(told -> assertThat(told.missing().litres())
                        .isCloseTo(missing.getOrDefault(told.call().id(), 0.0), within(0.06)));
        Set<String> told = way.told().stream().map(one -> one.call().id()).collect(Collectors.toSet());
        Set<String> shortBefore =
                before.unmet().stream().map(unmet -> unmet.call().id()).collect(Collectors.toSet());
        assertThat(missing.keySet()).allMatch(id -> told.contains(id) || shortBefore.contains(id));
    }

    /** What nobody would notice is nothing; the rest is told as it is, more or less. */
    private static void saysHowMuchMore(Course before, Replanning.WayOut way) {
        double late = way.values().lateL() - before.values().lateL();
        double hours = way.values().cookH() - before.values().cookH();
        assertThat(way.moreLateL()).isEqualTo(Math.abs(late) < Volume.A_JUG_L ? 0 : late);
        assertThat(way.moreCookH()).isEqualTo(Math.abs(hours) < Course.A_MOMENT_H ? 0 : hours);
    }

    /** The fewest litres late, then the fewest moves; what makes more trouble only where fewer come late by it. */
    private static void theBestFirst(List<Replanning.WayOut> ways) {
        assertThat(ways)
                .isSortedAccordingTo(Comparator.comparingLong(
                                (Replanning.WayOut way) -> way.values().lateSteps())
                        .thenComparingInt(way -> way.moved().size())
                        .thenComparing(Replanning.WayOut::values));
        Set<Replanning.How> simple = Set.of(Replanning.How.WAIT, Replanning.How.ELSEWHERE);
        ways.stream()
                .filter(way -> simple.contains(way.how()))
                .mapToLong(way -> way.values().lateSteps())
                .min()
                .ifPresent(least -> assertThat(ways)
                        .allMatch(way ->
                                simple.contains(way.how()) || way.values().lateSteps() < least));
    }
}
