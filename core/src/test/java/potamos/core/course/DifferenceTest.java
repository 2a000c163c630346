package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.charge.Needs;
import potamos.core.course.Replanning.Moved;
import potamos.core.course.Replanning.Told;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;

/** What is made otherwise from one course to the next, and who is told what. */
class DifferenceTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(5));
    private static final Formula CHICKEN = Book.whiteChicken();
    private static final Formula FUMET = Book.of("fish-fumet");

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));

    private Draft draft(String id, Formula formula, double litres, int hour) {
        Ways.Way way = new Ways(kitchen)
                .in(formula, litres, "pot 1", Optional.of("burner 0"))
                .findFirst()
                .orElseThrow();
        return way.startingAt(NOW.plus(Duration.ofHours(hour)), id, kitchen, Optional.of("burner 0"));
    }

    private static Call call(String id, double litres, int hour) {
        return new Call(id, "Sauce", CHICKEN, Volume.ofLitres(litres), NOW.plus(Duration.ofHours(hour)), 1, Needs.NONE);
    }

    private static Lot lot(String id, double litres, int hour) {
        return new Lot(
                id,
                CHICKEN.slug(),
                Volume.ofLitres(litres),
                NOW.plus(Duration.ofHours(hour)),
                UNTIL,
                new Contents(Set.of(), Set.of(), 0, false));
    }

    private Course course(List<Call> calls, List<Lot> lots, List<Draft> drafts, Allocation... gives) {
        return new Course(kitchen, NOW, UNTIL, calls, lots, Busy.NONE, drafts, List.of(gives));
    }

    private static Allocation give(String call, String from, double litres) {
        return new Allocation(call, from, Volume.ofLitres(litres));
    }

    private List<Moved> moved(List<Draft> before, List<Draft> after) {
        return new Difference(course(List.of(), List.of(), before), course(List.of(), List.of(), after)).moved();
    }

    private static Moved from(Draft was, Draft is) {
        return new Moved(Optional.ofNullable(was), Optional.ofNullable(is));
    }

    @ParameterizedTest
    @CsvSource({"0, true", "59, true", "-59, true", "60, false", "-60, false"})
    void aMinuteIsNoMatterAtThePot(int seconds, boolean same) {
        Draft was = draft("a", CHICKEN, 6, 5);
        Draft is = was.startingAt(was.start().plusSeconds(seconds), kitchen);
        assertThat(Difference.same(was, is)).isEqualTo(same);
    }

    @Test
    void anotherBurnerOvenPotOrSizeIsAnotherBatch() {
        Draft was = draft("a", CHICKEN, 6, 5);
        Draft elsewhere = new Draft(
                "a", was.charge(), Optional.of("another"), was.oven(), was.cooling(), was.timeline(), was.useBy());
        Draft inAnOven = new Draft(
                "a", was.charge(), was.burner(), Optional.of("east"), was.cooling(), was.timeline(), was.useBy());
        assertThat(Difference.same(was, elsewhere)).isFalse();
        assertThat(Difference.same(was, inAnOven)).isFalse();
        assertThat(Difference.same(was, draft("a", CHICKEN, 6.05, 5)))
                .as("a jug reads no closer")
                .isTrue();
        assertThat(Difference.same(was, draft("a", CHICKEN, 6.15, 5))).isFalse();
        assertThat(Difference.same(was, draft("a", FUMET, 6, 5))).isFalse();
    }

    @Test
    void whatIsMadeLaterIsOneBatchMovedAndWhatIsNewIsNew() {
        Draft was = draft("a", CHICKEN, 6, 8);
        Draft later = draft("b", CHICKEN, 6, 10);
        Draft stays = draft("c", FUMET, 4, 6);
        Draft fresh = draft("d", FUMET, 3, 5);
        assertThat(moved(List.of(was, stays), List.of(later, stays, fresh)))
                .containsExactly(from(null, fresh), from(was, later));
        assertThat(moved(List.of(was, stays), List.of(stays))).containsExactly(from(was, null));
        assertThat(moved(List.of(was), List.of(was))).isEmpty();
        // Another stock is never the same batch.
        assertThat(moved(List.of(was), List.of(fresh))).containsExactly(from(null, fresh), from(was, null));
    }

    /** Two batches of one stock change places: each goes on as the one that feeds its call. */
    @Test
    void batchesOfOneStockBelongTogetherByTheirCalls() {
        List<Call> calls = List.of(call("soup", 6, 30), call("sauce", 6, 60));
        Draft soup = draft("a", CHICKEN, 6, 8);
        Draft sauce = draft("b", CHICKEN, 6, 20);
        Draft sauceNow = draft("c", CHICKEN, 6, 9);
        Draft soupNow = draft("d", CHICKEN, 6, 21);
        Course before = course(
                calls,
                List.of(),
                List.of(soup, sauce),
                give("soup", "a", 5),
                give("sauce", "a", 1),
                give("sauce", "b", 6));
        Course after =
                course(calls, List.of(), List.of(sauceNow, soupNow), give("sauce", "c", 6), give("soup", "d", 5.5));
        assertThat(new Difference(before, after).moved())
                .containsExactlyInAnyOrder(from(soup, soupNow), from(sauce, sauceNow));
    }

    private static List<Told> told(Course before, Course after) {
        return new Difference(before, after).told();
    }

    private Course served(Call call, Lot... lots) {
        List<Allocation> gives = new ArrayList<>();
        for (Lot lot : lots) {
            gives.add(give(call.id(), lot.id(), lot.litres().litres()));
        }
        return course(List.of(call), List.of(lots), List.of(), gives.toArray(Allocation[]::new));
    }

    @Test
    void aStationIsToldWhatComesLaterOrLess() {
        Call six = call("soup", 6, 30);
        Course inTime = served(six, lot("a", 6, 20));
        Told late = told(inTime, served(six, lot("a", 6, 33))).get(0);
        assertThat(late.was()).extracting(Replanning.Comes::at).containsExactly(six.by());
        assertThat(late.is()).extracting(Replanning.Comes::at).containsExactly(NOW.plus(Duration.ofHours(33)));
        assertThat(late.missing().litres()).isZero();
        assertThat(Difference.late(late)).isTrue();
        Told less = told(inTime, served(six, lot("a", 4, 20))).get(0);
        assertThat(less.missing().litres()).isEqualTo(2);
        assertThat(Difference.late(less)).isFalse();
        Told inTwo = told(inTime, served(six, lot("a", 4, 20), lot("b", 2, 40))).get(0);
        assertThat(inTwo.is()).extracting(comes -> comes.litres().litres()).containsExactly(4.0, 2.0);
        assertThat(inTwo.is()).isSortedAccordingTo(Comparator.comparing(Replanning.Comes::at));
    }

    @Test
    void nobodyIsToldWhatNobodyWouldNotice() {
        Call six = call("soup", 6, 30);
        Course inTime = served(six, lot("a", 6, 20));
        assertThat(told(inTime, served(six, lot("b", 6, 28))))
                .as("still in time")
                .isEmpty();
        assertThat(told(inTime, served(six, lot("a", 3, 20), lot("b", 3, 21))))
                .as("out of two")
                .isEmpty();
        // Three in a hundred of a call nobody misses.
        assertThat(told(inTime, served(six, lot("a", 5.83, 20)))).isEmpty();
        assertThat(told(inTime, served(six, lot("a", 5.8, 20)))).hasSize(1);
        Course late = served(six, lot("a", 6, 33));
        assertThat(told(late, late)).as("as late as it was").isEmpty();
        assertThat(told(late, inTime)).as("better than it was").hasSize(1);
    }

    @Test
    void whoAsksForSomethingNewIsToldOnlyWhereItDoesNotCome() {
        Course nothing = course(List.of(), List.of(), List.of());
        Call six = call("soup", 6, 30);
        assertThat(told(nothing, served(six, lot("a", 6, 20)))).isEmpty();
        assertThat(told(nothing, served(six, lot("a", 6, 33)))).hasSize(1);
        assertThat(told(nothing, served(six))).hasSize(1);
        Course asked = served(six, lot("a", 6, 20));
        assertThat(told(asked, served(call("soup", 8, 30), lot("a", 8, 20)))).isEmpty();
        assertThat(told(asked, served(call("soup", 8, 30), lot("a", 6, 20)))).hasSize(1);
    }

    @Test
    void whoIsDueFirstIsToldFirst() {
        Call late = call("late", 6, 50);
        Call early = call("early", 6, 30);
        Course before = course(
                List.of(late, early),
                List.of(lot("a", 6, 9), lot("b", 6, 9)),
                List.of(),
                give("late", "a", 6),
                give("early", "b", 6));
        Course after = course(List.of(late, early), List.of(), List.of());
        assertThat(told(before, after)).extracting(told -> told.call().id()).containsExactly("early", "late");
    }
}
