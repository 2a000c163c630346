package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.batch.Stage;
import potamos.core.charge.Needs;
import potamos.core.charge.Roasting;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** One batch made two, and two made one. */
class ReshapingTest {

    private static final Instant NOW = Weeks.MONDAY;
    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));

    private static Call call(String id, Formula formula, double litres, Duration ahead) {
        return new Call(id, id, formula, Volume.ofLitres(litres), NOW.plus(ahead), 1, Needs.NONE);
    }

    private Course laid(Call... calls) {
        return Constructive.lay(Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(5)), List.of(calls), List.of()))
                .course();
    }

    private static String vessel(Draft draft) {
        return draft.charge().run().vessel().name();
    }

    @Test
    void halvesAreTheWholeInTwoPotsAndInTime() {
        Course course = laid(call("sauce", Book.whiteChicken(), 9, Duration.ofHours(20)));
        Draft whole = course.drafts().get(0);
        List<Draft> halves = Reshaping.split(course, whole.id(), "other");
        assertThat(halves).extracting(Draft::id).containsExactly(whole.id(), "other");
        assertThat(halves.stream().mapToDouble(d -> d.litres().litres()).sum())
                .isCloseTo(whole.litres().litres(), within(0.1));
        assertThat(halves.get(0).start()).isEqualTo(whole.start());
        assertThat(vessel(halves.get(0))).isEqualTo(vessel(whole));
        assertThat(vessel(halves.get(1))).isNotEqualTo(vessel(whole));
        assertThat(halves).allMatch(half -> !half.ready().isAfter(NOW.plus(Duration.ofHours(20))));
        assertThat(course.with(halves, List.of()).check()).isEmpty();
    }

    @Test
    void twoOfOneStockBecomeOneForTheEarlierCall() {
        Course course = laid(
                call("sauce", Book.whiteChicken(), 4, Duration.ofHours(20)),
                call("soup", Book.whiteChicken(), 5, Duration.ofHours(44)));
        assertThat(course.drafts()).hasSize(2);
        Draft both = Reshaping.join(
                course, course.drafts().get(0).id(), course.drafts().get(1).id());
        assertThat(both.litres().litres()).isCloseTo(9, within(0.15));
        assertThat(both.ready()).isBeforeOrEqualTo(NOW.plus(Duration.ofHours(20)));
        assertThat(course.with(List.of(both), List.of()).check()).isEmpty();
    }

    @Test
    void whatCannotBeIsRefusedWithItsReason() {
        Course course = laid(
                call("sauce", Book.whiteChicken(), 0.6, Duration.ofHours(20)),
                call("jus", Book.of("brown-beef"), 4, Duration.ofHours(40)));
        Draft small = course.drafts().stream()
                .filter(draft -> draft.litres().litres() < 1)
                .findFirst()
                .orElseThrow();
        Draft veal = course.drafts().stream()
                .filter(draft -> draft != small)
                .findFirst()
                .orElseThrow();
        assertThatThrownBy(() -> Reshaping.split(course, small.id(), "other"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("too small");
        assertThatThrownBy(() -> Reshaping.join(course, small.id(), veal.id()))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("same stock");
        assertThatThrownBy(() -> Reshaping.join(course, small.id(), small.id())).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Reshaping.split(course, "gone", "other"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("any more");
        Equipment one = Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(2));
        Course alone = Constructive.lay(Course.open(
                        one,
                        NOW,
                        NOW.plus(Duration.ofDays(5)),
                        List.of(call("sauce", Book.whiteChicken(), 6, Duration.ofHours(20))),
                        List.of()))
                .course();
        assertThatThrownBy(() -> Reshaping.split(alone, alone.drafts().get(0).id(), "other"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("no other pot");
    }

    /** Beside what is laid it is as late as it is surely ready, and breaks nothing. */
    @Test
    void whatIsBroughtInFindsRoomBesideWhatIsLaid() {
        Course course = laid(call("sauce", Book.whiteChicken(), 9, Duration.ofHours(20)));
        Call aside = call("soup", Book.whiteChicken(), 5, Duration.ofHours(20));
        Draft brought = Reshaping.bringIn(course, aside, "mine");
        assertThat(brought.litres().litres()).isCloseTo(5, within(0.1));
        assertThat(brought.ready()).isBeforeOrEqualTo(aside.by());
        assertThat(vessel(brought)).isNotEqualTo(vessel(course.drafts().get(0)));
        assertThat(course.with(List.of(course.drafts().get(0), brought), List.of())
                        .check())
                .isEmpty();
    }

    /** Nobody is there for days: the planner finds no place, and a cook who brings it in is told what is against it. */
    @Test
    void whatFindsNoPlaceIsBroughtInAllTheSame() {
        Rota sundays = new Rota(
                ZoneOffset.UTC,
                List.of(new Rota.Hours(EnumSet.of(DayOfWeek.SUNDAY), LocalTime.of(6, 0), LocalTime.of(23, 0), 1)));
        Equipment empty = Weeks.equipment(4, Unattended.NEVER, sundays);
        Call call = call("sauce", Book.whiteChicken(), 5, Duration.ofHours(20));
        Course course = Constructive.lay(
                        Course.open(empty, NOW, NOW.plus(Duration.ofDays(2)), List.of(call), List.of()))
                .course();
        assertThat(course.drafts()).isEmpty();
        Draft brought = Reshaping.bringIn(course, call, "mine");
        assertThat(brought.start()).isAfterOrEqualTo(NOW);
        assertThat(brought.ready()).isBeforeOrEqualTo(call.by());
        assertThat(course.with(List.of(brought), List.of()).check())
                .extracting(Broken::rule)
                .contains(Broken.Rule.SOMEBODY_THERE);
        Call soon = call("soon", Book.whiteChicken(), 5, Duration.ofMinutes(20));
        assertThat(Reshaping.bringIn(course, soon, "mine").start()).isEqualTo(NOW.plus(Duration.ofMinutes(10)));
    }

    @Test
    void ofMoreThanAnyPotGivesAsMuchAsOneDoesIsBroughtIn() {
        Course course = laid();
        Draft brought =
                Reshaping.bringIn(course, call("banquet", Book.whiteChicken(), 400, Duration.ofHours(40)), "mine");
        assertThat(brought.litres().litres()).isBetween(5.0, 200.0);
        assertThat(course.with(List.of(brought), List.of()).check()).isEmpty();
        Call meatless = new Call(
                "nuns",
                "nuns",
                Book.whiteChicken(),
                Volume.ofLitres(4),
                NOW.plus(Duration.ofHours(30)),
                1,
                new Needs(Set.of(), Set.of(Needs.Need.MEAT_FREE)));
        assertThatThrownBy(() -> Reshaping.bringIn(course, meatless, "mine"))
                .isInstanceOf(Refusal.class)
                .extracting("field")
                .isEqualTo("callId");
    }

    private static final Formula BROWN = Book.of("brown-veal");

    private Draft pinned(Course beside, Formula formula, double litres, String vessel, Duration ahead, String id) {
        Draft.Spot spot = new Draft.Spot(vessel, Optional.empty(), NOW.plus(ahead));
        return Draft.pinned(beside, formula, Volume.ofLitres(litres), spot, id);
    }

    private static Optional<String> oven(Draft draft) {
        return draft.charge().roasting().map(Roasting::oven);
    }

    /** What is roasted in the west oven goes on there, though another is looked at first. */
    @Test
    void theFirstHalfStaysInItsOven() {
        Draft.Spot spot = new Draft.Spot("pot 2", Optional.of("burner 0"), NOW.plus(Duration.ofHours(2)));
        Course empty = laid();
        Draft usual = Draft.pinned(empty, BROWN, Volume.ofLitres(8), spot, "usual");
        String other = oven(usual).orElseThrow().equals("east") ? "west" : "east";
        Draft whole =
                Draft.accepted(empty, BROWN, Volume.ofLitres(8), spot, "batch", Optional.of(other), Optional.empty());
        assertThat(oven(whole)).hasValue(other);
        List<Draft> halves = Reshaping.split(empty.with(List.of(whole), List.of()), "batch", "second");
        assertThat(oven(halves.get(0))).hasValue(other);
        assertThat(halves.get(0).burner()).isEqualTo(whole.burner());
    }

    /** For nobody's call the one that was to be ready sooner tells when: which of the two is named first does not matter. */
    @Test
    void twoForNobodysCallAreReadyWhenTheSoonerWas() {
        Course empty = laid();
        Draft sooner = pinned(empty, Book.whiteChicken(), 4, "pot 1", Duration.ofHours(26), "sooner");
        Draft later = pinned(empty, Book.whiteChicken(), 4, "pot 2", Duration.ofHours(50), "later");
        Course course = empty.with(List.of(sooner, later), List.of());
        for (Draft both :
                List.of(Reshaping.join(course, "sooner", "later"), Reshaping.join(course, "later", "sooner"))) {
            assertThat(both.ready()).isBeforeOrEqualTo(sooner.ready());
            assertThat(both.ready()).isAfter(sooner.ready().minus(Duration.ofHours(12)));
        }
        assertThat(Reshaping.join(course, "later", "sooner").id()).isEqualTo("later");
    }

    /** The two stand in each other's way no more: in one pot, at the hour at which both are in use by them. */
    @Test
    void theWholeHasTheRoomOfBoth() {
        Equipment one = Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(2));
        Course empty = Course.open(one, NOW, NOW.plus(Duration.ofDays(2)), List.of(), List.of());
        Draft first = pinned(empty, Book.whiteChicken(), 3, "pot 0", Duration.ofHours(2), "first");
        Draft second = pinned(empty, Book.whiteChicken(), 3, "pot 0", Duration.ofHours(9), "second");
        Course course = empty.with(List.of(first, second), List.of());
        assertThat(course.check()).isEmpty();
        Draft both = Reshaping.join(course, "first", "second");
        assertThat(both.ready()).isBeforeOrEqualTo(first.ready());
        assertThat(both.litres().litres()).isCloseTo(6, within(0.15));
        double most = new Ways(one).mostL(Book.whiteChicken());
        Course full = empty.with(
                List.of(
                        pinned(empty, Book.whiteChicken(), most * 0.6, "pot 0", Duration.ofHours(2), "first"),
                        pinned(empty, Book.whiteChicken(), most * 0.6, "pot 0", Duration.ofHours(9), "second")),
                List.of());
        assertThatThrownBy(() -> Reshaping.join(full, "first", "second"))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("otherId"));
    }

    /** Nothing is ready in half an hour: of all ways the one that is ready the soonest, as early as somebody is there. */
    @Test
    void whatIsLateAnywayIsAsLittleLateAsItCanBe() {
        Course course = laid();
        Call soon = call("soon", Book.whiteChicken(), 5, Duration.ofMinutes(30));
        Draft brought = Reshaping.bringIn(course, soon, "mine");
        assertThat(brought.ready()).isAfter(soon.by());
        assertThat(new Ways(kitchen).of(Book.whiteChicken(), 5))
                .isNotEmpty()
                .allSatisfy(way -> assertThat(brought.ready())
                        .isBeforeOrEqualTo(NOW.plus(Diary.STEP)
                                .plus(Duration.ofHours(1))
                                .plusSeconds(way.takes().endsAt())));
        assertThatThrownBy(() ->
                        Reshaping.bringIn(course, call("drop", Book.whiteChicken(), 0.2, Duration.ofHours(30)), "mine"))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("callId"));
    }

    /** Its one pot is in use: it waits for it, and stands in nobody's way. */
    @Test
    void whatIsLateWaitsForItsPot() {
        Equipment one = Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(2));
        Course empty = Course.open(one, NOW, NOW.plus(Duration.ofDays(2)), List.of(), List.of());
        Draft first = pinned(empty, Book.whiteChicken(), 3, "pot 0", Duration.ofHours(1), "first");
        Course course = empty.with(List.of(first), List.of());
        Draft brought = Reshaping.bringIn(course, call("soon", Book.whiteChicken(), 4, Duration.ofHours(2)), "mine");
        assertThat(course.with(List.of(first, brought), List.of()).check()).isEmpty();
        assertThat(brought.start()).isAfter(first.start());
        assertThat(brought.ready()).isBefore(first.ready().plus(Duration.ofHours(8)));
    }

    @Test
    void aDraftTellsOfItsIceAndOfWhenItIsWanted() {
        Draft draft = pinned(laid(), Book.whiteChicken(), 6, "pot 2", Duration.ofHours(3), "mine");
        assertThat(draft.cooling().ice().kg()).isPositive();
        assertThat(draft.ice().orElseThrow().ice()).isEqualTo(draft.cooling().ice());
        Instant cools = draft.timeline().step(Stage.COOL).orElseThrow().from();
        assertThat(draft.ice().orElseThrow().at()).isEqualTo(cools);
        Footprint takes = draft.takes(kitchen);
        assertThat(takes.iceFrom(draft.start()).orElseThrow().at()).isEqualTo(cools);
        assertThat(takes.withoutIce().iceFrom(draft.start())).isEmpty();
        assertThat(takes.withoutIce().things()).isEqualTo(takes.things());
        assertThat(takes.attended()).isNotEmpty();
        assertThat(takes.endsAt())
                .isEqualTo(Duration.between(draft.start(), draft.ready()).toSeconds());
    }
}
