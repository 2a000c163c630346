package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

class DayTest {

    private static Course course() {
        Instant monday = Weeks.MONDAY;
        List<Call> calls = List.of(
                new Call(
                        "a",
                        "Soup",
                        Book.whiteChicken(),
                        Volume.ofLitres(6),
                        monday.plus(Duration.ofHours(14)),
                        1,
                        Needs.NONE),
                new Call(
                        "b",
                        "Sauce",
                        Book.of("fish-fumet"),
                        Volume.ofLitres(3),
                        monday.plus(Duration.ofHours(11)),
                        1,
                        Needs.NONE),
                new Call(
                        "c",
                        "Soup",
                        Book.whiteChicken(),
                        Volume.ofLitres(9),
                        monday.plus(Duration.ofHours(62)),
                        1,
                        Needs.NONE));
        Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));
        return Constructive.lay(Course.open(kitchen, monday, monday.plus(Duration.ofDays(5)), calls, List.of()))
                .course();
    }

    private static Day day(Course course, LocalDate day) {
        return Day.of(
                course.drafts().stream().map(Day.Pot::of).toList(),
                course.calls(),
                day,
                course.equipment().rota());
    }

    private static double kg(Day day) {
        return day.weighs().stream().mapToDouble(weigh -> weigh.mass().kg()).sum();
    }

    @Test
    void everythingOfTheWeekIsOnOneOfItsDaysOnceAndInOrder() {
        Course course = course();
        List<Day> days = Stream.iterate(LocalDate.parse("2026-03-02"), day -> day.plusDays(1))
                .limit(5)
                .map(day -> day(course, day))
                .toList();
        long stages = course.drafts().stream()
                .flatMap(draft -> draft.timeline().steps().stream())
                .filter(step -> !step.length().isZero())
                .count();
        assertThat(days.stream().mapToLong(day -> day.doings().size()).sum()).isEqualTo(stages);
        assertThat(days.stream().flatMap(day -> day.leaves().stream()).map(Day.Leaves::station))
                .containsExactly("Sauce", "Soup", "Soup");
        assertThat(days.get(0).doings()).isSortedAccordingTo(Comparator.comparing(Day.Doing::at));
        assertThat(days.get(0).doings()).extracting(Day.Doing::stage).contains(Stage.SIMMER, Stage.STRAIN);
        double weighed = course.drafts().stream()
                .mapToDouble(draft -> draft.charge().run().raw().kg()
                        + draft.charge().measures().stream()
                                .mapToDouble(measure -> measure.mass().kg())
                                .sum())
                .sum();
        assertThat(days.stream().mapToDouble(DayTest::kg).sum()).isCloseTo(weighed, within(1e-6));
    }

    /** Onion for two pots stands once, with what goes into each. */
    @Test
    void anItemOfTwoPotsIsWeighedOnceWithItsShares() {
        Day monday = day(course(), LocalDate.parse("2026-03-02"));
        Day.Weigh shared = monday.weighs().stream()
                .filter(weigh -> weigh.shares().size() > 1)
                .findFirst()
                .orElseThrow();
        assertThat(shared.mass().kg())
                .isCloseTo(
                        shared.shares().stream()
                                .map(Day.Share::mass)
                                .mapToDouble(Mass::kg)
                                .sum(),
                        within(1e-9));
        assertThat(monday.weighs())
                .extracting(Day.Weigh::item)
                .doesNotHaveDuplicates()
                .isSortedAccordingTo(String.CASE_INSENSITIVE_ORDER);
    }

    /** What has begun was weighed: its stages are there, and nothing is weighed for it again. */
    @Test
    void whatIsUnderWayIsNotWeighedAgain() {
        Draft draft = course().drafts().get(0);
        Day.Pot pot = Day.Pot.of(draft);
        Day.Pot begun = new Day.Pot(pot.vessel(), pot.stock(), pot.litres(), pot.timeline(), Optional.empty());
        LocalDate day = draft.start().atZone(ZoneOffset.UTC).toLocalDate();
        Day its = Day.of(List.of(begun), List.of(), day, Weeks.longDays(1));
        assertThat(its.weighs()).isEmpty();
        assertThat(its.doings()).isNotEmpty();
    }

    /** Closed from eleven to six: at one somebody looks in on the pot that simmers, and not on one that was strained at ten. */
    @Test
    void whatSimmersWhileNobodyIsThereIsLookedInOn() {
        LocalDate day = LocalDate.of(2026, 3, 3);
        Rota rota = Weeks.longDays(1).checkedAt(List.of(LocalTime.of(1, 0), LocalTime.of(12, 0)));
        Day.Pot overnight = simmering("K80", 22, 7);
        Day its = Day.of(List.of(overnight, simmering("Pot 12", 18, 22)), List.of(), day, rota);
        assertThat(its.looks()).containsExactly(new Day.Look(Instant.parse("2026-03-03T01:00:00Z"), overnight));
    }

    /** From an hour of the second of March until an hour of that or the next day. */
    private static Day.Pot simmering(String vessel, int from, int to) {
        Instant start = Instant.parse("2026-03-02T00:00:00Z").plus(Duration.ofHours(from));
        Duration length = Duration.ofHours(to > from ? to - from : 24 + to - from);
        Timeline timeline = Timeline.startingAt(start, List.of(new Timeline.Part(Stage.SIMMER, length)));
        return new Day.Pot(vessel, "white chicken", Volume.ofLitres(20), timeline, Optional.empty());
    }
}
