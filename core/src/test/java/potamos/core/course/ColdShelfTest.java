package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import potamos.core.charge.Needs;
import potamos.core.cooling.Chiller;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** How much the cold store takes of what is cooled and not fetched yet. */
class ColdShelfTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(5));
    private static final Duration HOUR = Duration.ofHours(1);

    private final Equipment boundless = Weeks.equipment(5, Unattended.ALLOWED, Weeks.longDays(3));
    private final Formula chicken = Book.whiteChicken();

    /** The same kitchen with a cold store that takes so many litres. */
    private Equipment taking(double litres) {
        Chiller store = new Chiller("walk-in", Chiller.Kind.COLD_STORE, litres, Temperature.ofCelsius(3), 0, 0);
        return boundless.withChillers(
                Stream.concat(boundless.chillers().stream(), Stream.of(store)).toList());
    }

    private Call call(String id, double litres, int hours) {
        return new Call(id, id, chicken, Volume.ofLitres(litres), after(hours), 1, Needs.NONE);
    }

    private static Instant after(int hours) {
        return NOW.plus(HOUR.multipliedBy(hours));
    }

    private static Course open(Equipment equipment, Busy busy, Call... calls) {
        return new Course(equipment, NOW, UNTIL, List.of(calls), List.of(), busy, List.of(), List.of());
    }

    private static Course laid(Equipment equipment, Call... calls) {
        return Constructive.lay(open(equipment, Busy.NONE, calls)).course();
    }

    @Test
    void oneStoreIsNeverShortWhereNobodyHasToldOfOne() {
        assertThat(laid(boundless, call("soup", 8, 20), call("banquet", 9, 30)).drafts())
                .as("made at once")
                .hasSize(1);
        assertThat(laid(boundless, call("soup", 8, 20)).shelfRoom()).isEmpty();
    }

    /** Together they would stand there with more than it takes: the second comes when the first is fetched. */
    @Test
    void whatDoesNotStandThereTogetherIsMadeOneAfterTheOther() {
        Course course = laid(taking(12), call("soup", 8, 28), call("banquet", 9, 38));
        assertThat(course.unmet()).isEmpty();
        assertThat(course.check()).isEmpty();
        assertThat(course.drafts()).hasSize(2);
        Instant second = course.drafts().stream()
                .map(Draft::ready)
                .max(Instant::compareTo)
                .orElseThrow();
        assertThat(second).isBetween(after(28), after(37));
    }

    /** Two stations want their litres at one hour, and the store takes those of one: the other's are ready as it is emptied. */
    @Test
    void wantedAtOneHourTheSecondIsReadyAsTheFirstIsFetched() {
        Formula veal = Book.of("brown-veal");
        Call jus = new Call("jus", "jus", veal, Volume.ofLitres(6), after(34), 1, Needs.NONE);
        Constructive.Laid laid = Constructive.lay(open(taking(10), Busy.NONE, call("soup", 8, 34), jus));
        assertThat(laid.course().check()).isEmpty();
        assertThat(laid.course().late()).isEmpty();
        assertThat(laid.course().drafts())
                .filteredOn(draft -> draft.ready().equals(after(34)))
                .hasSize(1);
        assertThat(laid.why()).isEmpty();
    }

    /** Nobody is there from before the hour until the store has been emptied, so that it cannot come as it is fetched either. */
    @Test
    void whatFindsNoRoomInTimeIsLateRatherThanInNobodysWay() {
        Busy promised = Busy.NONE.keeping(List.of(new Kept(NOW, after(36), Volume.ofLitres(10))));
        Course nobody = open(taking(10), promised, call("soup", 8, 34))
                .attendedBy(Weeks.longDays(1).with(List.of(new Rota.Away(after(33), after(35), 1))));
        Constructive.Laid laid = Constructive.lay(nobody);
        assertThat(laid.course().check()).isEmpty();
        assertThat(laid.course().late()).containsExactly("soup");
        assertThat(laid.course().drafts())
                .singleElement()
                .satisfies(draft -> assertThat(draft.ready()).isBetween(after(36), after(41)));
        assertThat(laid.why()).containsOnlyKeys("soup");
    }

    /** Ten of its twelve litres wait for a station: what finds no room is made to be fetched as it comes. */
    @Test
    void whatIsPromisedAlreadyTakesRoomUntilItIsFetched() {
        Busy promised = Busy.NONE.keeping(List.of(new Kept(NOW, after(31), Volume.ofLitres(10))));
        Course course = Constructive.lay(open(taking(12), promised, call("soup", 8, 30)))
                .course();
        assertThat(course.check()).isEmpty();
        assertThat(course.drafts())
                .singleElement()
                .satisfies(draft -> assertThat(draft.ready()).isAfterOrEqualTo(after(30)));
        assertThat(course.shelfRoom()).extracting(Course.Room::at).containsExactly(NOW, after(31));
        assertThat(course.shelfRoom())
                .extracting(room -> room.litres().litres())
                .satisfiesExactly(
                        before -> assertThat(before).isCloseTo(2, within(1e-9)),
                        then -> assertThat(then).isCloseTo(12, within(1e-9)));
    }

    /** Held so by a cook: whatever came last is too much, from when it came until the first is fetched. */
    @Test
    void whatIsHeldBeyondItIsSaid() {
        Course two = laid(boundless, call("soup", 8, 20));
        Draft first = two.drafts().get(0);
        Draft second = new Ways(boundless)
                .of(chicken, 9)
                .filter(way -> !way.vessel().equals(first.vessel()))
                .findFirst()
                .orElseThrow()
                .startingAt(first.start().plus(HOUR), "second", boundless, first.burner());
        List<Allocation> given = List.of(
                new Allocation("soup", first.id(), Volume.ofLitres(8)),
                new Allocation("banquet", "second", Volume.ofLitres(9)));
        Course held = open(taking(12), Busy.NONE, call("soup", 8, 20), call("banquet", 9, 30))
                .with(List.of(first, second), given);
        assertThat(held.check())
                .filteredOn(broken -> broken.rule() == Broken.Rule.SHELF_ROOM)
                .singleElement()
                .satisfies(broken -> {
                    assertThat(broken.drafts()).containsExactly("second");
                    assertThat(broken.from()).isEqualTo(second.ready());
                    assertThat(broken.to()).isEqualTo(after(20));
                });
        Course roomy = new Course(
                taking(20), NOW, UNTIL, held.calls(), List.of(), Busy.NONE, held.drafts(), held.allocations());
        assertThat(roomy.check()).extracting(Broken::rule).doesNotContain(Broken.Rule.SHELF_ROOM);
    }

    /** What nobody fetches stands there until it is no longer good; what was there before is no fault of the course. */
    @Test
    void whatIsLeftOverStandsThereUntilItsUseBy() {
        Lot old = new Lot("old", "some-other", Volume.ofLitres(9), NOW, after(34), Contents.UNKNOWN);
        Course beside = Constructive.lay(
                        open(taking(12), Busy.NONE, call("soup", 8, 30)).from(List.of(old)))
                .course();
        assertThat(beside.drafts())
                .singleElement()
                .satisfies(draft -> assertThat(draft.ready()).isAfterOrEqualTo(after(30)));
        Lot more = new Lot("more", "some-other", Volume.ofLitres(30), NOW, after(34), Contents.UNKNOWN);
        Course full = open(taking(12), Busy.NONE).from(List.of(more));
        assertThat(full.check()).isEmpty();
    }

    /** Whatever a solver chooses, what comes back stands on the shelf. */
    @Test
    void whatSomebodyElseChoosesIsPutWhereThereIsRoom() {
        Course begun = open(taking(12), Busy.NONE, call("soup", 8, 28), call("banquet", 9, 38));
        Puzzle puzzle = new Puzzle(begun, () -> false);
        List<Puzzle.Choice> both = new ArrayList<>();
        IntStream.range(0, puzzle.batches().size())
                .filter(batch -> puzzle.batches().get(batch).parts().size() == 1)
                .forEach(batch -> both.add(new Puzzle.Choice(
                        batch,
                        0,
                        puzzle.batches()
                                .get(batch)
                                .options()
                                .get(0)
                                .starts()
                                .get(0)
                                .first())));
        assertThat(both).hasSize(2);
        Course course = puzzle.answer(both).course();
        assertThat(course.unmet()).isEmpty();
        assertThat(course.check()).isEmpty();
    }
}
