package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.heat.Burner;
import potamos.core.quantity.Power;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.vessel.Vessel;

class ConstructiveTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(7));

    private static Formula stock(String slug) {
        return Book.formulas().stream()
                .filter(formula -> formula.slug().equals(slug))
                .findFirst()
                .orElseThrow();
    }

    private static Call call(String id, Formula formula, double litres, Duration ahead) {
        return new Call(id, "Sauce", formula, Volume.ofLitres(litres), NOW.plus(ahead), 1, Needs.NONE);
    }

    private static Constructive.Laid lay(Equipment equipment, List<Call> calls, Lot... lots) {
        return Constructive.lay(Course.open(equipment, NOW, UNTIL, calls, List.of(lots)));
    }

    private static Equipment onePot() {
        return Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(1));
    }

    private static Equipment kitchen() {
        return Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(1));
    }

    /** Whatever week it is: nothing that it lays is broken, and what it leaves it says why. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void aWeekOfAnyKindIsLaidWithoutBreakingARule(long seed) {
        Weeks.Week week = Weeks.of(seed, 12 + (int) seed, 3 + (int) (seed % 4));
        Constructive.Laid laid = week.laid();
        assertThat(laid.course().check()).isEmpty();
        Set<String> short_ = new HashSet<>();
        laid.course().unmet().forEach(unmet -> short_.add(unmet.call().id()));
        assertThat(laid.why().keySet()).containsAll(short_);
        assertThat(laid.why().values()).allMatch(words -> !words.isBlank());
        assertThat(laid.course().drafts()).isNotEmpty();
        assertThat(laid.course().values().broken()).isZero();
    }

    /** As much is wanted at once as five pots give: all of them are put on, each on a burner of its own, the weak one with them. */
    @Test
    void everyBurnerAndEveryPotOfTheKitchenIsThereForTheCourse() {
        Vessel size = Samples.cylinder(40, 40);
        Formula veal = stock("white-veal");
        Equipment kitchen = Weeks.equipment(5, Unattended.ALLOWED, Weeks.longDays(2))
                .withVessels(IntStream.range(0, 5)
                        .mapToObj(
                                n -> new Vessel("pot " + n, size.shape(), size.kappa(), size.metal(), size.handling()))
                        .toList())
                .withBurners(IntStream.range(0, 5)
                        .mapToObj(n -> new Burner("burner " + n, Power.ofKilowatts(n == 4 ? 7 : 9), 0.5))
                        .toList());
        double most = new Ways(kitchen).mostL(veal);
        Course laid = lay(kitchen, List.of(call("much", veal, 4.9 * most, Duration.ofHours(15))))
                .course();
        assertThat(laid.drafts())
                .extracting(draft -> draft.burner().orElseThrow())
                .containsExactlyInAnyOrder("burner 0", "burner 1", "burner 2", "burner 3", "burner 4");
        assertThat(laid.drafts())
                .extracting(Draft::vessel)
                .containsExactlyInAnyOrder("pot 0", "pot 1", "pot 2", "pot 3", "pot 4");
        assertThat(laid.check()).isEmpty();
    }

    /**
     * One pot. By their hours, by weight or by litres the veal is laid to be ready shortly before its hour, and the chicken comes late behind it; the chicken
     * laid first leaves the veal what comes before, and both are there in time.
     */
    @Test
    void whatCameLateIsLaidFirstAndMayThenBeInTime() {
        List<Call> calls = List.of(
                call("veal", stock("brown-veal"), 4, Duration.ofHours(14)),
                call("chicken", stock("white-chicken"), 3, Duration.ofHours(16)));
        Course course = lay(onePot(), calls).course();
        assertThat(course.late()).isEmpty();
        assertThat(course.values().lateL()).isZero();
        assertThat(course.check()).isEmpty();
        assertThat(course.allocations()).extracting(Allocation::call).containsExactlyInAnyOrder("veal", "chicken");
    }

    /** Nearly as much as its pots give together, and no time to fill the largest twice: all of them are put on. With time the largest makes it in fewer batches. */
    @ParameterizedTest
    @CsvSource({"10, 3", "60, 2"})
    void whatNoVesselGivesIsCutForOneOrForAllOfThem(int hours, int batches) {
        Formula chicken = Book.whiteChicken();
        Equipment kitchen = Weeks.equipment(3, Unattended.ALLOWED, Weeks.longDays(2))
                .withBurners(IntStream.range(0, 3)
                        .mapToObj(n -> new Burner("burner " + n, Power.ofKilowatts(12), 0.5))
                        .toList());
        List<Double> each = new Ways(kitchen).mostOfEachL(chicken);
        double most = each.get(0) + each.get(1) + 0.6 * each.get(2);
        assertThat(most).isBetween(each.get(0) + each.get(1), 2 * each.get(0));
        Course course = lay(kitchen, List.of(call("banquet", chicken, most, Duration.ofHours(hours))))
                .course();
        assertThat(course.late()).isEmpty();
        assertThat(course.drafts()).hasSize(batches);
        assertThat(course.drafts().stream().map(Draft::vessel).distinct()).hasSize(hours < 24 ? 3 : 1);
        assertThat(course.check()).isEmpty();
    }

    @Test
    void whatComesLateIsKnownByItsCallAsIsWhatNeverComes() {
        List<Call> calls = List.of(
                call("at once", stock("brown-veal"), 4, Duration.ofHours(2)),
                call("early enough", stock("fish-fumet"), 3, Duration.ofHours(40)));
        assertThat(lay(onePot(), calls).course().late()).containsExactly("at once");
        Course without = Course.open(onePot(), NOW, UNTIL, calls, List.of());
        assertThat(without.late()).containsExactlyInAnyOrder("at once", "early enough");
    }

    @Test
    void theShelfGivesFirstTheOldestFirst() {
        Formula chicken = Book.whiteChicken();
        Lot old = lot("old", chicken, 3, Duration.ofDays(1));
        Lot young = lot("young", chicken, 3, Duration.ofDays(3));
        Constructive.Laid laid = lay(kitchen(), List.of(call("a", chicken, 5, Duration.ofHours(12))), young, old);
        assertThat(laid.course().drafts()).isEmpty();
        assertThat(laid.course().allocations())
                .extracting(Allocation::from, a -> a.litres().litres())
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("old", 3.0),
                        org.assertj.core.groups.Tuple.tuple("young", 2.0));
    }

    /** Ten are wanted: of nine point eight that are there nobody misses the rest, and for one that lacks a pot is put on. */
    @Test
    void forWhatNobodyMissesNoPotIsPutOn() {
        Formula chicken = Book.whiteChicken();
        Call ten = call("a", chicken, 10, Duration.ofHours(14));
        Constructive.Laid near = lay(kitchen(), List.of(ten), lot("there", chicken, 9.8, Duration.ofDays(2)));
        assertThat(near.course().drafts()).isEmpty();
        assertThat(near.course().unmet()).isEmpty();
        assertThat(near.course().values().lateL()).isZero();
        Constructive.Laid less = lay(kitchen(), List.of(ten), lot("there", chicken, 9, Duration.ofDays(2)));
        assertThat(less.course().drafts()).hasSize(1);
        assertThat(less.course().unmet()).isEmpty();
    }

    private static Lot lot(String id, Formula formula, double litres, Duration good) {
        return new Lot(
                id,
                formula.slug(),
                Volume.ofLitres(litres),
                NOW,
                NOW.plus(good),
                new Contents(formula.allergens(), Set.of(), 0, false));
    }

    @Test
    void whatIsPastItsUseByOrHoldsWhatTheCallIsWithoutStaysOnTheShelf() {
        Formula chicken = Book.whiteChicken();
        assertThat(chicken.allergens()).contains(Allergen.CELERY);
        Lot past = lot("past", chicken, 9, Duration.ofHours(5));
        Call later = call("later", chicken, 3, Duration.ofHours(14));
        assertThat(lay(kitchen(), List.of(later), past).course().allocations())
                .extracting(Allocation::from)
                .doesNotContain("past");
        Call without = new Call(
                "w",
                "Soup",
                chicken,
                Volume.ofLitres(3),
                NOW.plus(Duration.ofHours(14)),
                1,
                Needs.without(Set.of(Allergen.CELERY)));
        Constructive.Laid laid = lay(kitchen(), List.of(without), lot("fresh", chicken, 9, Duration.ofDays(2)));
        assertThat(laid.course().allocations()).isEmpty();
        assertThat(laid.why().get("w")).contains("celery");
    }

    @Test
    void callsOfOneStockAreMadeTogetherAndTwoVesselsShareWhatOneDoesNotGive() {
        Formula chicken = Book.whiteChicken();
        Constructive.Laid together = lay(
                kitchen(),
                List.of(call("a", chicken, 3, Duration.ofHours(12)), call("b", chicken, 4, Duration.ofHours(13))));
        assertThat(together.course().drafts().size()).isEqualTo(1);
        assertThat(together.course().drafts().get(0).litres().litres()).isBetween(6.95, 7.25);
        double most = new Ways(kitchen()).mostL(chicken);
        Constructive.Laid split = lay(kitchen(), List.of(call("much", chicken, most * 1.4, Duration.ofHours(16))));
        assertThat(split.course().drafts().size()).isEqualTo(2);
        assertThat(split.course().unmet()).isEmpty();
        assertThat(split.course().drafts().stream()
                        .map(draft -> draft.charge().run().vessel().name())
                        .distinct())
                .hasSize(2);
    }

    /** Fifteen hours of beef in a kitchen that is open for twelve: it simmers through the night where the kitchen lets it, and is not begun at once. */
    @Test
    void aLongSimmerRunsThroughTheNightAndEndsInDaylight() {
        Formula beef = stock("brown-beef").simmeredFor(Duration.ofHours(15));
        Rota day = Rota.daily(ZoneOffset.UTC, LocalTime.of(8, 0), LocalTime.of(20, 0));
        Call wanted = call("beef", beef, 10, Duration.ofHours(72));
        Constructive.Laid laid = lay(Weeks.equipment(4, Unattended.ALLOWED, day), List.of(wanted));
        Draft draft = laid.course().drafts().get(0);
        assertThat(draft.start()).isAfter(NOW.plus(Duration.ofHours(24)));
        assertThat(draft.ready()).isBefore(wanted.by());
        for (Stage stage : List.of(Stage.FILL, Stage.STRAIN, Stage.COOL, Stage.STORE)) {
            Timeline.Step step = draft.timeline().step(stage).orElseThrow();
            assertThat(step.from().atZone(ZoneOffset.UTC).toLocalTime())
                    .as("%s", stage)
                    .isBetween(LocalTime.of(8, 0), LocalTime.of(20, 0));
        }
        Constructive.Laid never = lay(Weeks.equipment(4, Unattended.NEVER, day), List.of(wanted));
        assertThat(never.course().drafts()).isEmpty();
        assertThat(never.why().get("beef")).contains("nobody is");
    }

    /** A batch of today is not in the way of one of tomorrow. */
    @Test
    void aVesselIsTakenForItsTimeOnly() {
        Formula chicken = Book.whiteChicken();
        Equipment one = Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(1));
        Constructive.Laid laid = lay(
                one,
                List.of(
                        call("today", chicken, 5, Duration.ofHours(12)),
                        call("tomorrow", stock("brown-veal"), 4, Duration.ofHours(38)),
                        call("after", chicken, 5, Duration.ofHours(60))));
        assertThat(laid.course().drafts().size()).isEqualTo(3);
        assertThat(laid.course().values().lateL()).isZero();
    }

    @Test
    void whatCannotBeInTimeComesLateAndSaysOf() {
        Formula chicken = Book.whiteChicken();
        Equipment one = Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(1));
        Constructive.Laid laid = lay(
                one,
                List.of(
                        call("a", chicken, 5, Duration.ofHours(9)),
                        call("b", stock("white-veal"), 4, Duration.ofHours(9))));
        assertThat(laid.course().drafts().size()).isEqualTo(2);
        assertThat(laid.course().values().lateL()).isPositive();
        assertThat(laid.why().values()).anyMatch(words -> words.contains("vessel"));
    }

    /** What the cook has pinned stays where it is, gives its litres first, and everything else goes round it. */
    @Test
    void whatIsPinnedStaysAndTheRestGoesRoundIt() {
        Formula chicken = Book.whiteChicken();
        Equipment one = Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(1));
        Ways.Way way = new Ways(one).of(chicken, 5).findFirst().orElseThrow();
        Draft pinned = way.startingAt(NOW.plus(Duration.ofHours(3)), "mine", one, way.burner());
        Course begun = Course.open(
                        one,
                        NOW,
                        UNTIL,
                        List.of(
                                call("a", chicken, 5, Duration.ofHours(20)),
                                call("b", stock("white-veal"), 4, Duration.ofHours(44))),
                        List.of())
                .with(List.of(pinned), List.of());
        Constructive.Laid laid = Constructive.lay(begun);
        assertThat(laid.course().check()).isEmpty();
        assertThat(laid.course().drafts().size()).isEqualTo(2);
        assertThat(laid.course().drafts().get(0)).isSameAs(pinned);
        assertThat(laid.course().allocations())
                .anyMatch(a -> a.call().equals("a") && a.from().equals("mine"));
    }

    /** Drawn with a stock that nobody has written the content of, it may hold anything. */
    @Test
    void whatNobodyKnowsTheContentOfIsForNoCallThatLeavesSomethingOut() {
        Formula vegetable = Book.formulas().stream()
                .filter(formula ->
                        Needs.without(Set.of(Allergen.CELERY)).refused(formula).isEmpty())
                .findFirst()
                .orElseThrow();
        Lot unknown = new Lot(
                "lot",
                vegetable.slug(),
                Volume.ofLitres(9),
                NOW,
                NOW.plus(Duration.ofDays(3)),
                new Contents(Set.of(), Set.of(), 0, true));
        Call plain = call("plain", vegetable, 3, Duration.ofHours(14));
        Call without = new Call(
                "w",
                "Soup",
                vegetable,
                Volume.ofLitres(3),
                NOW.plus(Duration.ofHours(14)),
                1,
                Needs.without(Set.of(Allergen.CELERY)));
        List<Allocation> given =
                lay(kitchen(), List.of(plain, without), unknown).course().allocations();
        assertThat(given).anyMatch(a -> a.call().equals("plain") && a.from().equals("lot"));
        assertThat(given).noneMatch(a -> a.call().equals("w") && a.from().equals("lot"));
    }

    @Test
    void anIdThatIsPinnedAlreadyIsNotGivenAgain() {
        Equipment kitchen = kitchen();
        Formula chicken = Book.whiteChicken();
        Ways.Way way = new Ways(kitchen).of(chicken, 3).findFirst().orElseThrow();
        Draft pinned = way.startingAt(NOW.plus(Duration.ofHours(30)), "batch-2", kitchen, way.burner());
        Course course = Constructive.lay(Course.open(
                                kitchen,
                                NOW,
                                UNTIL,
                                List.of(call("a", stock("white-veal"), 4, Duration.ofHours(20))),
                                List.of())
                        .with(List.of(pinned), List.of()))
                .course();
        assertThat(course.drafts()).extracting(Draft::id).containsExactly("batch-2", "batch-3");
        assertThat(course.check()).isEmpty();
    }

    /** Held so that it comes half an hour late, it is the batch of that call all the same; held a day late it is not. */
    @Test
    void whatIsHeldLateIsNotMadeASecondTime() {
        Call wanted = call("a", Book.whiteChicken(), 6, Duration.ofHours(30));
        Course open = Course.open(kitchen(), NOW, UNTIL, List.of(wanted), List.of());
        Draft laid = Constructive.lay(open).course().drafts().get(0);
        Draft late = heldUntil(laid, wanted.by().plus(Duration.ofMinutes(30)));
        Constructive.Laid around = Constructive.lay(open.with(List.of(late), List.of()));
        assertThat(around.course().drafts()).containsExactly(late);
        assertThat(around.course().unmet()).isEmpty();
        assertThat(around.why()).containsKey("a");
        Draft never = heldUntil(laid, wanted.by().plus(Duration.ofHours(24)));
        assertThat(Constructive.lay(open.with(List.of(never), List.of()))
                        .course()
                        .drafts())
                .hasSize(2);
    }

    private static Draft heldUntil(Draft draft, Instant ready) {
        Instant start = draft.start().plus(Duration.between(draft.ready(), ready));
        return Draft.pinned(
                Course.open(kitchen(), NOW, UNTIL, List.of(), List.of()),
                draft.charge().formula(),
                Volume.ofLitres(6),
                new Draft.Spot(draft.vessel(), draft.burner(), start),
                "held");
    }
}
