package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.quantity.Volume;

class PuzzleTest {

    private static final Instant UNTIL = Weeks.MONDAY.plus(Duration.ofDays(8));

    private static Course begun(long seed, int calls, int vessels) {
        Weeks.Week week = Weeks.of(seed, calls, vessels);
        return Course.open(week.equipment(), Weeks.MONDAY, UNTIL, week.calls(), week.lots());
    }

    /** A course that is told as choices comes back as a course that is as good, whatever week it is. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void whatTheCoreLaysComesBackFromItsOwnChoices(long seed) {
        Puzzle puzzle = new Puzzle(begun(seed, 16, 4), () -> false);
        Course laid = puzzle.byHand().course();
        Course back = puzzle.answer(puzzle.choices(laid)).course();
        assertThat(back.check()).isEmpty();
        assertThat(back.drafts()).hasSameSizeAs(laid.drafts());
        assertThat(back.values().lateL()).isCloseTo(laid.values().lateL(), within(0.05));
    }

    /** What nobody chose is laid all the same, and what was chosen at an hour that others have is laid beside them. */
    @Test
    void nothingIsLostOfACourseWhoseChoicesDoNotGoTogether() {
        Puzzle puzzle = new Puzzle(begun(2, 12, 3), () -> false);
        Course laid = puzzle.byHand().course();
        List<Puzzle.Choice> together = puzzle.choices(laid).stream()
                .map(choice -> new Puzzle.Choice(
                        choice.batch(),
                        choice.option(),
                        puzzle.batches()
                                .get(choice.batch())
                                .options()
                                .get(choice.option())
                                .starts()
                                .get(0)
                                .first()))
                .toList();
        Course back = puzzle.answer(together).course();
        assertThat(back.check()).isEmpty();
        Set<String> met = new HashSet<>();
        back.allocations().forEach(a -> met.add(a.call()));
        back.unmet().forEach(unmet -> met.add(unmet.call().id()));
        assertThat(met).hasSize(12);
    }

    /** The stretches in which a batch may start are exactly the starts that a look at each of them allows. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void roomIsWhereALookFindsNothingInTheWay(long seed) {
        Course begun = begun(seed, 12, 3);
        Course laid = Constructive.lay(begun).course();
        Diary diary =
                new Diary(begun.with(laid.drafts().subList(0, laid.drafts().size() / 2), List.of()));
        Footprint batch = new Ways(begun.equipment())
                .of(Book.whiteChicken(), 6)
                .findFirst()
                .orElseThrow()
                .takes();
        long now = Weeks.MONDAY.getEpochSecond();
        List<Footprint.Span> room =
                diary.room(batch, now, now + Duration.ofDays(5).toSeconds());
        assertThat(room).isNotEmpty();
        Random random = new Random(seed);
        for (int i = 0; i < 2000; i++) {
            long start = now + random.nextInt((int) Duration.ofDays(5).toSeconds());
            boolean inRoom = room.stream().anyMatch(span -> start >= span.from() && start <= span.to());
            assertThat(inRoom).as("%d", start - now).isEqualTo(free(diary, batch, start));
        }
        for (Footprint.Span span : room) {
            assertThat(free(diary, batch, span.from())).isTrue();
            assertThat(free(diary, batch, span.to())).isTrue();
            assertThat(span.from() == now || !free(diary, batch, span.from() - 1))
                    .isTrue();
        }
    }

    /** What there is several of, and ice, are for whoever counts them together. */
    private static boolean free(Diary diary, Footprint batch, long start) {
        Optional<Obstacle> why = diary.against(batch, Instant.ofEpochSecond(start));
        return why.isEmpty()
                || Set.of(Obstacle.BURNER, Obstacle.CONTAINER, Obstacle.ICE).contains(why.get());
    }

    @Test
    void aCallThatNoVesselGivesAtOnceIsInTwoParts() {
        Equipment equipment = Weeks.equipment(3, Unattended.ALLOWED, Weeks.longDays(1));
        double most = new Ways(equipment).mostL(Book.whiteChicken());
        Call much = new Call(
                "much",
                "Soup",
                Book.whiteChicken(),
                Volume.ofLitres(most * 1.5),
                Weeks.MONDAY.plus(Duration.ofDays(2)),
                2,
                Needs.NONE);
        Puzzle puzzle = new Puzzle(Course.open(equipment, Weeks.MONDAY, UNTIL, List.of(much), List.of()), () -> false);
        assertThat(puzzle.parts()).extracting(Puzzle.Part::weighted).containsExactly(2 * most, most * 1.0);
        assertThat(puzzle.lateAnyway()).isZero();
        Puzzle cut = new Puzzle(Course.open(equipment, Weeks.MONDAY, UNTIL, List.of(much), List.of()), () -> true);
        assertThat(cut.whole()).isFalse();
    }

    /** Time for eight batches: what is wanted until then is there as it is where there is time for all. */
    @Test
    void whatThereIsNoTimeForIsWhatIsWantedLast() {
        Course begun = begun(3, 16, 4);
        Puzzle whole = new Puzzle(begun, () -> false);
        int[] asked = {0};
        Puzzle some = new Puzzle(begun, () -> asked[0]++ == 8);
        assertThat(whole.whole()).isTrue();
        assertThat(some.whole()).isFalse();
        List<List<Integer>> sooner = whole.batches().stream()
                .filter(batch -> some.reaches(firstDue(whole, batch)))
                .map(Puzzle.Batch::parts)
                .toList();
        assertThat(sooner).isNotEmpty().hasSizeLessThan(whole.batches().size());
        assertThat(some.batches()).extracting(Puzzle.Batch::parts).containsAll(sooner);
        assertThat(some.batches())
                .allMatch(batch -> whole.batches().stream()
                        .anyMatch(other -> other.parts().equals(batch.parts())
                                && other.options().size() == batch.options().size()));
    }

    private static long firstDue(Puzzle puzzle, Puzzle.Batch batch) {
        return batch.parts().stream()
                .mapToLong(part -> puzzle.parts().get(part).by())
                .min()
                .orElseThrow();
    }

    @Test
    void theLastThatIsLateIsKnownByItsHour() {
        Puzzle puzzle = new Puzzle(begun(2, 12, 3), () -> false);
        Course laid = puzzle.byHand().course();
        long last = laid.calls().stream()
                .filter(call -> laid.late().contains(call.id()))
                .mapToLong(call -> Duration.between(Weeks.MONDAY, call.by()).toSeconds())
                .max()
                .orElseThrow();
        assertThat(puzzle.lastLate(laid)).hasValue(last);
        assertThat(new Puzzle(laid.with(List.of(), List.of()).asking(List.of()), () -> false).lastLate(laid))
                .isEmpty();
    }
}
