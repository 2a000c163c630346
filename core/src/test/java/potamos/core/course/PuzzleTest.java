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
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
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

    private static final Equipment KITCHEN = Weeks.equipment(3, Unattended.ALLOWED, Weeks.longDays(2));

    private static Call call(String id, Formula formula, double litres, Duration ahead) {
        return new Call(id, "Soup", formula, Volume.ofLitres(litres), Weeks.MONDAY.plus(ahead), 2, Needs.NONE);
    }

    private static Puzzle puzzle(Call... calls) {
        return new Puzzle(Course.open(KITCHEN, Weeks.MONDAY, UNTIL, List.of(calls), List.of()), () -> false);
    }

    /** White chicken is good for three days by a profile that counts the day of making: no start from which it would not be good on the fifth day. */
    @Test
    void aBatchStartsSoThatItKeepsAndIsNotHopelesslyLate() {
        Call friday = call("friday", Book.whiteChicken(), 6, Duration.ofDays(4).plusHours(6));
        Puzzle puzzle = puzzle(friday);
        long by = Duration.between(Weeks.MONDAY, friday.by()).toSeconds();
        // The day of making is the first of three: Wednesday, when somebody comes at six.
        long wednesday = Duration.ofHours(49).toSeconds();
        assertThat(Samples.US.dayOfMaking()).isEqualTo(1);
        assertThat(puzzle.batches()).hasSize(1);
        assertThat(puzzle.batches().get(0).options()).isNotEmpty().allSatisfy(option -> {
            assertThat(option.starts().get(0).first()).isEqualTo(wednesday);
            long last = option.starts().get(option.starts().size() - 1).last();
            assertThat(last + option.takes()).isEqualTo(by + Puzzle.NEVER_S);
        });
    }

    /** A call for the same morning: the batch may start at once, and not before. */
    @Test
    void nothingStartsBeforeNow() {
        Puzzle puzzle = puzzle(call("soon", Book.whiteChicken(), 6, Duration.ofHours(9)));
        assertThat(puzzle.batches().get(0).options())
                .isNotEmpty()
                .allSatisfy(option -> assertThat(option.starts().get(0).first())
                        .isBetween(0L, Duration.ofHours(3).toSeconds()));
    }

    /** Everything that a batch takes is told but what the kitchen has never told of: here its strainers. */
    @Test
    void aWayTellsOfEverythingThatIsShort() {
        Call call = call("soup", Book.of("brown-veal"), 6, Duration.ofDays(2));
        Puzzle puzzle = puzzle(call);
        Draft draft = puzzle.byHand().course().drafts().get(0);
        Puzzle.Choice choice = puzzle.choices(puzzle.byHand().course()).get(0);
        Puzzle.Option option = puzzle.batches().get(choice.batch()).options().get(choice.option());
        List<Use> told = draft.uses().stream()
                .filter(use -> use.amount() > 0 && use.kind() != Use.Kind.STRAINERS)
                .toList();
        assertThat(draft.uses()).extracting(Use::kind).contains(Use.Kind.STRAINERS, Use.Kind.OVEN, Use.Kind.BURNER);
        assertThat(option.things())
                .extracting(thing -> thing.to() - thing.from())
                .containsExactlyInAnyOrderElementsOf(told.stream()
                        .map(use -> Duration.between(use.from(), use.to()).toSeconds())
                        .toList());
        assertThat(option.things()).contains(option.vessel());
        Use vessel = told.stream()
                .filter(use -> use.kind() == Use.Kind.VESSEL)
                .findFirst()
                .orElseThrow();
        assertThat(option.vessel().to() - option.vessel().from())
                .isEqualTo(Duration.between(vessel.from(), vessel.to()).toSeconds());
        assertThat(puzzle.resources())
                .hasSizeGreaterThan(option.things().stream()
                        .mapToInt(Puzzle.Thing::resource)
                        .max()
                        .orElseThrow());
        assertThat(option.takes())
                .isEqualTo(Duration.between(draft.start(), draft.ready()).toSeconds());
    }

    /** Two equal halves of one call are two batches, though each draft could be either. */
    @Test
    void ofTwoThatAreAlikeEachIsToldOnce() {
        double most = new Ways(KITCHEN).mostL(Book.whiteChicken());
        Puzzle puzzle = puzzle(call("much", Book.whiteChicken(), 2 * most, Duration.ofDays(3)));
        List<Puzzle.Choice> choices = puzzle.choices(puzzle.byHand().course());
        assertThat(choices).hasSize(2);
        assertThat(choices).extracting(Puzzle.Choice::batch).doesNotHaveDuplicates();
    }

    @Test
    void aDarkStockBeforeALightOneTakesACleaning() {
        Puzzle puzzle = puzzle(
                call("light", Book.whiteChicken(), 6, Duration.ofDays(2)),
                call("dark", Book.of("brown-veal"), 6, Duration.ofDays(3)));
        assertThat(puzzle.batches()).extracting(Puzzle.Batch::parts).containsExactly(List.of(0), List.of(1));
        assertThat(puzzle.cleaning(0, 1)).isZero();
        assertThat(puzzle.cleaning(1, 0))
                .isEqualTo(Duration.ofMinutes(30).minus(Use.WASH).toSeconds());
    }

    @Test
    void whatIsRefusedComesNeverAndIsCountedAtItsWeight() {
        Call meatless = new Call(
                "nuns",
                "Soup",
                Book.whiteChicken(),
                Volume.ofLitres(4),
                Weeks.MONDAY.plus(Duration.ofDays(2)),
                3,
                new Needs(Set.of(), Set.of(Needs.Need.MEAT_FREE)));
        Puzzle puzzle = puzzle(meatless, call("soup", Book.whiteChicken(), 5, Duration.ofDays(2)));
        assertThat(puzzle.parts()).extracting(Puzzle.Part::weighted).containsExactly(10.0);
        assertThat(puzzle.lateAnyway()).isCloseTo(12, within(1e-9));
    }

    /** Seven calls of one stock: six follow each other in one batch at most, and no more than a pot gives. */
    @Test
    void callsFollowEachOtherAsFarAsOnePotGives() {
        double most = new Ways(KITCHEN).mostL(Book.whiteChicken());
        Call[] small = IntStream.range(0, 7)
                .mapToObj(i -> call("call " + i, Book.whiteChicken(), most / 8, Duration.ofHours(48 + i)))
                .toArray(Call[]::new);
        assertThat(puzzle(small).batches())
                .extracting(batch -> batch.parts().size())
                .contains(6)
                .doesNotContain(7);
        Call[] thirds = IntStream.range(0, 4)
                .mapToObj(i -> call("call " + i, Book.whiteChicken(), most / 3, Duration.ofHours(48 + i)))
                .toArray(Call[]::new);
        assertThat(puzzle(thirds).batches())
                .extracting(batch -> batch.parts().size())
                .contains(3)
                .doesNotContain(4);
    }

    @Test
    void anOvenAtOneHeatKeepsAnotherAway() {
        Puzzle.Thing hot = new Puzzle.Thing(2, 0, 60, 1, 2200);
        assertThat(hot.excludes(new Puzzle.Thing(2, 0, 60, 1, 1900))).isTrue();
        assertThat(hot.excludes(new Puzzle.Thing(2, 0, 60, 1, 2200))).isFalse();
        assertThat(hot.excludes(new Puzzle.Thing(3, 0, 60, 1, 1900))).isFalse();
    }

    /** What is chosen for Monday and wanted on Wednesday is made on the day, so that it is fresh; and nobody is told that it is late. */
    @Test
    void anAnswerIsAsFreshAsItMaySurelyBe() {
        Call call = call("soup", Book.whiteChicken(), 5, Duration.ofHours(60));
        Puzzle puzzle = puzzle(call);
        Puzzle.Starts first = puzzle.batches().get(0).options().get(0).starts().get(0);
        Constructive.Laid laid = puzzle.answer(List.of(new Puzzle.Choice(0, 0, first.first())));
        Draft draft = laid.course().drafts().get(0);
        assertThat(laid.course().check()).isEmpty();
        assertThat(draft.start()).isAfter(Weeks.MONDAY.plusSeconds(first.first()));
        assertThat(draft.ready()).isBeforeOrEqualTo(Wanted.sure(call.by()));
        assertThat(draft.ready()).isAfter(Wanted.sure(call.by()).minus(Duration.ofMinutes(15)));
        assertThat(laid.course().unmet()).isEmpty();
        assertThat(laid.why()).isEmpty();
    }

    @Test
    void anAnswerThatIsLateSaysWhy() {
        Call call = call("soup", Book.whiteChicken(), 5, Duration.ofHours(2));
        Puzzle puzzle = puzzle(call);
        Puzzle.Starts first = puzzle.batches().get(0).options().get(0).starts().get(0);
        Constructive.Laid laid = puzzle.answer(List.of(new Puzzle.Choice(0, 0, first.first())));
        assertThat(laid.course().drafts()).hasSize(1);
        assertThat(laid.course().drafts().get(0).ready()).isAfter(call.by());
        assertThat(laid.why()).containsOnlyKeys("soup");
        assertThat(laid.why().get("soup")).contains("sooner without making others later");
    }
}
