package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.vessel.Vessel;

/** A course that keeps every rule, and each rule broken alone. */
class CourseTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(5));
    private static final Instant NOON = NOW.plus(Duration.ofHours(7));

    private static final Contents NOTHING = new Contents(Set.of(), Set.of(), 0, false);

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(1));
    private final Formula chicken = Book.whiteChicken();
    private final Call call = call("call", Set.of(), Duration.ofHours(18));

    private Call call(String id, Set<Allergen> without, Duration ahead) {
        return new Call(id, "Sauce", chicken, Volume.ofLitres(6), NOW.plus(ahead), 1, Needs.without(without));
    }

    private static Formula stock(String slug) {
        return Book.formulas().stream()
                .filter(formula -> formula.slug().equals(slug))
                .findFirst()
                .orElseThrow();
    }

    private static Draft draft(Equipment kitchen, Formula formula, double litres, Instant start, String id, int way) {
        Ways.Way made = new Ways(kitchen).of(formula, litres).toList().get(way);
        return made.startingAt(start, id, kitchen, made.burner());
    }

    private Draft six(Instant start) {
        return draft(kitchen, chicken, 6, start, "six", 0);
    }

    private Course course(Equipment equipment, List<Call> calls, List<Lot> lots, List<Draft> drafts, Allocation... to) {
        return new Course(equipment, NOW, UNTIL, calls, lots, Busy.NONE, drafts, List.of(to));
    }

    private static Allocation give(String call, String from, double litres) {
        return new Allocation(call, from, Volume.ofLitres(litres));
    }

    private static List<Broken.Rule> rules(Course course) {
        return course.check().stream().map(Broken::rule).distinct().toList();
    }

    @Test
    void oneBatchForOneCallKeepsEveryRule() {
        Course course = course(kitchen, List.of(call), List.of(), List.of(six(NOON)), give("call", "six", 6));
        assertThat(rules(course)).isEmpty();
        assertThat(course.unmet()).isEmpty();
        Values values = course.values();
        assertThat(values.broken()).isZero();
        assertThat(values.lateL()).isZero();
        assertThat(values.kwh()).isPositive();
    }

    @Test
    void nothingBeginsBeforeNowNorWhereNobodyIs() {
        assertThat(rules(course(kitchen, List.of(), List.of(), List.of(six(NOW.minusSeconds(60))))))
                .contains(Broken.Rule.NOT_IN_THE_PAST);
        List<Broken> night = course(kitchen, List.of(), List.of(), List.of(six(NOW.plus(Duration.ofHours(16)))))
                .check();
        assertThat(night).extracting(Broken::rule).contains(Broken.Rule.SOMEBODY_THERE);
        assertThat(night.get(0).from()).isAfterOrEqualTo(Instant.parse("2026-03-02T23:00:00Z"));
    }

    @Test
    void oneVesselHoldsOneStockAtATime() {
        Draft first = six(NOON);
        Draft second = new Draft(
                "other",
                first.charge(),
                Optional.of("burner 1"),
                first.oven(),
                first.cooling(),
                first.timeline(),
                first.useBy());
        List<Broken> broken =
                course(kitchen, List.of(), List.of(), List.of(first, second)).check();
        assertThat(broken).extracting(Broken::rule).contains(Broken.Rule.TAKEN_TWICE);
        assertThat(broken.get(0).drafts()).containsExactlyInAnyOrder("six", "other");
        assertThat(broken.get(0).thing()).isEqualTo("pot 0");
        Course running = new Course(
                kitchen,
                NOW,
                UNTIL,
                List.of(),
                List.of(),
                Busy.of(List.of(new Use(Use.Kind.VESSEL, "pot 0", NOW, NOON.plus(Duration.ofHours(1)), 1))),
                List.of(first),
                List.of());
        assertThat(rules(running)).containsExactly(Broken.Rule.TAKEN_TWICE);
    }

    /** Begun as the day begins, in the oven named east. */
    private static Draft roasted(Equipment kitchen, String slug, double litres, String vessel, int burner) {
        Ways.Way way = new Ways(kitchen)
                .in(stock(slug), litres, vessel, Optional.empty())
                .filter(one -> one.takes().things().stream()
                        .anyMatch(thing ->
                                thing.kind() == Use.Kind.OVEN && thing.name().equals("east")))
                .findFirst()
                .orElseThrow();
        return way.startingAt(
                NOW.plus(Duration.ofHours(1)),
                slug + " in " + vessel,
                kitchen,
                Optional.of(way.burners().get(burner)));
    }

    private static int trays(Draft draft) {
        return draft.charge().roasting().orElseThrow().trays();
    }

    /** Bones of two stocks lie on the trays of one oven at once; not on more trays than it has, and not at two heats. */
    @Test
    void anOvenTakesTraysAtOneHeatAsFarAsItHasThem() {
        Equipment six = Weeks.equipment(6, Unattended.ALLOWED, Weeks.longDays(2));
        Draft veal = roasted(six, "brown-veal", 10, "pot 1", 0);
        Draft beef = roasted(six, "brown-beef", 5, "pot 2", 1);
        assertThat(trays(veal) + trays(beef)).isLessThanOrEqualTo(6);
        assertThat(rules(course(six, List.of(), List.of(), List.of(veal, beef))))
                .isEmpty();

        Draft much = roasted(six, "brown-beef", 30, "pot 4", 1);
        assertThat(trays(veal) + trays(much)).isGreaterThan(6);
        List<Broken> crowded =
                course(six, List.of(), List.of(), List.of(veal, much)).check();
        assertThat(crowded).extracting(Broken::thing).containsOnly("east");

        Draft roots = roasted(six, "vegetable-dark", 3, "pot 2", 1);
        assertThat(trays(veal) + trays(roots)).isLessThanOrEqualTo(6);
        List<Broken> cooler =
                course(six, List.of(), List.of(), List.of(veal, roots)).check();
        assertThat(cooler).extracting(Broken::thing).containsOnly("east");

        // Out of order it takes no tray at any heat.
        Course without = course(six, List.of(), List.of(), List.of(veal))
                .busy(Busy.of(List.of(new Use(Use.Kind.OVEN, "east", NOW, UNTIL, 1))));
        assertThat(without.check()).extracting(Broken::thing).containsOnly("east");
    }

    /** A kitchen that has not said which ovens it has roasts all the same. */
    @Test
    void whereNobodyHasToldOfAnOvenBonesAreRoastedInOne() {
        Equipment untold = kitchen.withOvens(List.of());
        Course laid = laid(untold, stock("brown-veal"), 20, NOW.plus(Duration.ofHours(30)));
        assertThat(laid.drafts()).hasSize(1);
        assertThat(trays(laid.drafts().get(0))).isGreaterThan(1);
        assertThat(laid.values().lateL()).isZero();
    }

    /** Nobody has named the oven of a batch that is held where it is: it is roasted in the one that has room then. */
    @Test
    void whatIsHeldRoastsInTheOvenThatHasRoom() {
        Equipment six = Weeks.equipment(6, Unattended.ALLOWED, Weeks.longDays(2));
        Draft veal = roasted(six, "brown-veal", 10, "pot 1", 0);
        for (String slug : List.of("brown-beef", "vegetable-dark")) {
            Draft held = Draft.pinned(
                    course(six, List.of(), List.of(), List.of(veal)),
                    stock(slug),
                    Volume.ofLitres(4),
                    new Draft.Spot("pot 2", Optional.empty(), veal.start()),
                    "held");
            assertThat(held.charge().roasting().orElseThrow().oven())
                    .isEqualTo(slug.equals("brown-beef") ? "east" : "west");
            assertThat(held.burner()).isNotEqualTo(veal.burner()).isPresent();
            assertThat(course(six, List.of(), List.of(), List.of(veal, held)).check())
                    .isEmpty();
        }
    }

    /** What the check lets stand the planner finds: for two pots that must be started now the bones of both go into the only oven at once. */
    @Test
    void thePlannerPutsTwoRoastsOfOneHeatIntoTheOnlyOven() {
        Vessel size = Samples.cylinder(28, 30);
        Equipment two = Weeks.equipment(6, Unattended.ALLOWED, Weeks.longDays(2));
        Equipment oneOven = two.withOvens(two.ovens().subList(0, 1))
                .withVessels(Stream.of("left", "right")
                        .map(name -> new Vessel(name, size.shape(), size.kappa(), size.metal(), size.handling()))
                        .toList());
        Formula veal = stock("brown-veal");
        double most = new Ways(oneOven).mostL(veal);
        Course alone = laid(oneOven, veal, most, NOW);
        Course both = laid(oneOven, veal, 2 * most, alone.drafts().get(0).ready());
        assertThat(both.drafts()).extracting(Draft::vessel).containsExactlyInAnyOrder("left", "right");
        assertThat(both.values().lateL()).isZero();
        assertThat(both.ovens()).hasSize(2);
        assertThat(both.ovens()
                        .get(0)
                        .within(both.ovens().get(1).from(), both.ovens().get(1).to()))
                .isTrue();
    }

    private static Course laid(Equipment kitchen, Formula formula, double litres, Instant by) {
        Call wanted = new Call("call", "Sauce", formula, Volume.ofLitres(litres), by, 1, Needs.NONE);
        Course laid = Constructive.lay(Course.open(kitchen, NOW, UNTIL, List.of(wanted), List.of()))
                .course();
        assertThat(laid.check()).isEmpty();
        return laid;
    }

    @Test
    void whoeverStandsAtAPotThatIsUnderWayIsWantedThere() {
        Draft draft = six(NOON);
        Course alone = course(kitchen, List.of(), List.of(), List.of(draft));
        Instant begins = draft.timeline().start();
        Instant done = begins.plus(Duration.ofMinutes(5));
        Course beside =
                alone.busy(new Busy(List.of(), List.of(), List.of(new Attendance.Stretch(begins, done, 1)), List.of()));
        double before = wanted(alone, begins);
        assertThat(before).isPositive();
        assertThat(wanted(beside, begins)).isEqualTo(before + 1);
        assertThat(wanted(beside, done)).isEqualTo(wanted(alone, done));
        // One cook is there: every minute of it is booked twice.
        assertThat(beside.values().cookH() - alone.values().cookH()).isCloseTo(5 / 60.0, within(1e-6));
    }

    private static double wanted(Course course, Instant at) {
        return course.hands().stream()
                .filter(h -> !h.from().isAfter(at) && h.to().isAfter(at))
                .findFirst()
                .orElseThrow()
                .wanted();
    }

    /** Shellfish after meat follows a wash; meat after shellfish a clean-down. */
    @Test
    void aVesselIsCleanedDownBeforeAStockThatComesEarlierInTheOrder() {
        Formula shellfish = Book.formulas().stream()
                .filter(formula -> formula.family() == Family.SHELLFISH)
                .findFirst()
                .orElseThrow();
        for (boolean shellfishFirst : List.of(true, false)) {
            Formula before = shellfishFirst ? shellfish : chicken;
            Formula after = shellfishFirst ? chicken : shellfish;
            Draft one = draft(kitchen, before, 5, NOW.plus(Duration.ofHours(2)), "one", 0);
            Draft probe = draft(kitchen, after, 5, NOW, "two", 0);
            assertThat(probe.charge().run().vessel())
                    .isEqualTo(one.charge().run().vessel());
            Duration toTheVessel = Duration.between(probe.start(), vessel(probe).from());
            Draft two =
                    draft(kitchen, after, 5, vessel(one).to().plusSeconds(60).minus(toTheVessel), "two", 0);
            List<Broken.Rule> broken = rules(course(kitchen, List.of(), List.of(), List.of(one, two)));
            assertThat(broken.contains(Broken.Rule.CLEANED_DOWN)).isEqualTo(shellfishFirst);
        }
    }

    private static Use vessel(Draft draft) {
        return draft.uses().stream()
                .filter(use -> use.kind() == Use.Kind.VESSEL)
                .findFirst()
                .orElseThrow();
    }

    private static Use strained(Draft draft) {
        return draft.uses().stream()
                .filter(use -> use.kind() == Use.Kind.STRAINERS)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void twoBatchesAreStrainedAtOnceThroughTwoSetsAndNotThroughOne() {
        Draft one = draft(kitchen, chicken, 6, NOON, "one", 0);
        Ways.Way beside = new Ways(kitchen)
                .of(chicken, 14)
                .filter(way ->
                        !way.burner().equals(one.burner()) && !way.vessel().equals(one.vessel()))
                .findFirst()
                .orElseThrow();
        Draft other = beside.startingAt(NOON, "other", kitchen, beside.burner());
        Duration apart = Duration.between(strained(other).from(), strained(one).from());
        Draft together = beside.startingAt(NOON.plus(apart), "other", kitchen, beside.burner());
        assertThat(rules(course(kitchen.withStrainerSets(2), List.of(), List.of(), List.of(one, together))))
                .isEmpty();
        assertThat(rules(course(kitchen.withStrainerSets(0), List.of(), List.of(), List.of(one, together))))
                .isEmpty();
        List<Broken> broken = course(kitchen.withStrainerSets(1), List.of(), List.of(), List.of(one, together))
                .check();
        assertThat(broken).extracting(Broken::thing).containsOnly(Use.STRAINER_SET);
        // Washed, it takes the next.
        Duration after =
                Duration.between(strained(together).from(), strained(one).to());
        Draft next = beside.startingAt(together.start().plus(after), "other", kitchen, beside.burner());
        assertThat(rules(course(kitchen.withStrainerSets(1), List.of(), List.of(), List.of(one, next))))
                .isEmpty();
    }

    @Test
    void whatSwimsLeavesItsStrainerSetToBeCleanedDown() {
        Draft white = six(NOON);
        Duration wash = Duration.between(strainedUntil(white), strained(white).to());
        assertThat(wash).isEqualTo(Duration.ofMinutes(10));
        for (String slug : List.of("fish-fumet", "kelp-flake")) {
            Draft fish = draft(kitchen, stock(slug), 6, NOON, "fish", 0);
            Duration clean =
                    Duration.between(strainedUntil(fish), strained(fish).to());
            assertThat(clean).as(slug).isEqualTo(Duration.ofMinutes(30));
        }
    }

    private static Instant strainedUntil(Draft draft) {
        return draft.timeline()
                .step(potamos.core.batch.Stage.STRAIN)
                .orElseThrow()
                .to();
    }

    @Test
    void aCourseLaidWithOneStrainerSetStrainsOneAfterAnother() {
        List<Call> calls = List.of(
                call,
                new Call("more", "Soup", chicken, Volume.ofLitres(14), call.by(), 1, Needs.NONE),
                new Call("fish", "Soup", stock("fish-fumet"), Volume.ofLitres(5), call.by(), 1, Needs.NONE));
        Course laid = Constructive.lay(Course.open(kitchen.withStrainerSets(1), NOW, UNTIL, calls, List.of()))
                .course();
        assertThat(laid.unmet()).isEmpty();
        assertThat(laid.check()).isEmpty();
        List<Use> uses = laid.drafts().stream().map(CourseTest::strained).toList();
        assertThat(uses).hasSizeGreaterThan(1);
        for (Use use : uses) {
            assertThat(uses)
                    .filteredOn(other -> other.within(use.from(), use.to()))
                    .hasSize(1);
        }
    }

    @Test
    void noMoreIsGivenThanThereIsAndOnlyWhatIsFit() {
        List<Call> calls = List.of(call, call("w", Set.of(Allergen.CELERY), Duration.ofHours(18)));
        List<Draft> drafts = List.of(six(NOON));
        assertThat(rules(course(kitchen, calls, List.of(), drafts, give("call", "six", 5), give("call", "six", 5))))
                .containsExactly(Broken.Rule.ENOUGH_OF_IT);
        assertThat(rules(course(kitchen, calls, List.of(), drafts, give("w", "six", 5))))
                .containsExactly(Broken.Rule.FIT_FOR_ITS_CALL);
        Lot past = new Lot("past", chicken.slug(), Volume.ofLitres(9), NOW, NOW.plusSeconds(60), NOTHING);
        assertThat(rules(course(kitchen, calls, List.of(past), List.of(), give("call", "past", 5))))
                .containsExactly(Broken.Rule.FIT_FOR_ITS_CALL);
        assertThat(rules(course(kitchen, calls, List.of(), List.of(), give("call", "nowhere", 5))))
                .containsExactly(Broken.Rule.FIT_FOR_ITS_CALL);
    }

    @Test
    void lateIsWorseTheLaterAndMissingIsWorst() {
        Draft draft = six(NOON);
        List<Double> late = new ArrayList<>();
        for (Duration before : List.of(Duration.ZERO, Duration.ofHours(2), Duration.ofHours(6))) {
            Call sooner = new Call(
                    "call", "Sauce", chicken, Volume.ofLitres(6), draft.ready().minus(before), 2, Needs.NONE);
            late.add(course(kitchen, List.of(sooner), List.of(), List.of(draft), give("call", "six", 6))
                    .values()
                    .lateL());
        }
        late.add(course(kitchen, List.of(call), List.of(), List.of()).values().lateL() * 2);
        assertThat(late).isSorted().doesNotHaveDuplicates();
        assertThat(late.get(1)).isEqualTo(6 * 2 * 2 / 8.0);
    }

    @Test
    void whatNobodyCallsForByItsUseByIsWasted() {
        Lot lot = new Lot("lot", chicken.slug(), Volume.ofLitres(5), NOW, NOW.plus(Duration.ofDays(2)), NOTHING);
        assertThat(course(kitchen, List.of(), List.of(lot), List.of()).values().wastedL())
                .isEqualTo(5);
        Course used = course(kitchen, List.of(call), List.of(lot), List.of(), give("call", "lot", 5));
        assertThat(used.values().wastedL()).isZero();
        assertThat(used.unmet())
                .singleElement()
                .satisfies(unmet -> assertThat(unmet.litres().litres()).isEqualTo(1));
    }

    @Test
    void oneCookHasTwoHands() {
        Draft first = six(NOON);
        Draft second = draft(kitchen, stock("brown-veal"), 9, first.start(), "veal", 1);
        double alone =
                course(kitchen, List.of(), List.of(), List.of(first)).values().cookH();
        double both = course(kitchen, List.of(), List.of(), List.of(first, second))
                .values()
                .cookH();
        assertThat(both).isGreaterThan(2 * alone);
        Equipment two = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(3));
        assertThat(course(two, List.of(), List.of(), List.of(first, second))
                        .values()
                        .cookH())
                .isEqualTo(2 * alone);
    }
}
