package potamos.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.charge.Needs;
import potamos.core.course.Allocation;
import potamos.core.course.Broken;
import potamos.core.course.Call;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Equipment;
import potamos.core.course.Patience;
import potamos.core.course.Puzzle;
import potamos.core.course.Unattended;
import potamos.core.course.Weeks;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;

class SearchTest {

    private static final Duration LONG = Duration.ofSeconds(20);
    private static final Instant UNTIL = Weeks.MONDAY.plus(Duration.ofDays(8));

    private static Course begun(Weeks.Week week) {
        return Course.open(week.equipment(), Weeks.MONDAY, UNTIL, week.calls(), week.lots());
    }

    private static Formula stock(String slug) {
        return Book.formulas().stream()
                .filter(formula -> formula.slug().equals(slug))
                .findFirst()
                .orElseThrow();
    }

    private static Call call(String id, String stock, double litres, double hours, double weight) {
        Instant by = Weeks.MONDAY.plusSeconds((long) (hours * 3600));
        return new Call(id, "Soup", stock(stock), Volume.ofLitres(litres), by, weight, Needs.NONE);
    }

    /** A kitchen with so many pots, in which somebody is there from six to eleven at night. */
    private static Course kitchen(int vessels, Call... calls) {
        return Course.open(
                Weeks.equipment(vessels, Unattended.NEVER, Weeks.longDays(1)),
                Weeks.MONDAY,
                UNTIL,
                List.of(calls),
                List.of());
    }

    @ParameterizedTest
    @CsvSource({"1, 10, 3", "2, 14, 3", "3, 18, 4", "4, 24, 4", "5, 24, 3"})
    void whatItFindsKeepsEveryRuleIsNoWorseThanTheCoresOwnAndNoBetterThanItsBound(long seed, int calls, int vessels) {
        Course begun = begun(Weeks.of(seed, calls, vessels));
        Search.Found found = new Search(begun).run(Duration.ofSeconds(3));
        assertThat(found.how()).isNotEqualTo(Search.How.CONSTRUCTIVE);
        assertThat(found.laid().course().check()).isEmpty();
        assertThat(found.laid().course().values())
                .isLessThanOrEqualTo(Constructive.lay(begun).course().values());
        assertThat(found.lateBoundL().getAsDouble())
                .isLessThanOrEqualTo(found.laid().course().values().lateL() + 0.05);
        assertThat(found.gap().getAsDouble()).isBetween(0.0, 1.0);
    }

    @Test
    void aDayOfTwelveBatchesIsProvenBest() {
        Call[] calls = new Call[12];
        List<Formula> book = Book.formulas().stream()
                .filter(formula -> !formula.allergensUnknown())
                .toList();
        for (int i = 0; i < calls.length; i++) {
            calls[i] = call("call " + i, book.get(i).slug(), 2 + i % 5, 24 + i, 1);
        }
        Search.Found found = new Search(kitchen(6, calls)).run(LONG);
        assertThat(found.how()).isEqualTo(Search.How.PROVEN);
        assertThat(found.gap().getAsDouble()).isZero();
        assertThat(found.leastBatches().getAsDouble())
                .isEqualTo(found.laid().course().drafts().size());
    }

    /**
     * What is late of these weeks is wanted in their first hours, and looking at those alone proves it of the whole. Forty calls at once take the solver most of a
     * minute here, and in the second of them the core's own course has more litres late than there must be.
     */
    @ParameterizedTest
    @ValueSource(longs = {4, 14})
    void whatIsLateInTheFirstHoursIsProvenOfALoadedWeek(long seed) {
        Search.Found found = new Search(begun(Weeks.of(seed, 40, 6))).run(LONG);
        assertThat(found.laid().course().values().lateL()).isPositive();
        assertThat(found.gap().getAsDouble()).isZero();
        assertThat(found.laid().course().check()).isEmpty();
    }

    private static double least(Model model) {
        model.forLate();
        CpSolver solver = new CpSolver();
        assertThat(solver.solve(model.cp())).isEqualTo(CpSolverStatus.OPTIMAL);
        return Model.litres(solver.objectiveValue());
    }

    /** Where pots are short as well, for then any of them has to be free. */
    @ParameterizedTest
    @CsvSource({"2, 12, 1", "13, 12, 1", "4, 12, 2", "13, 12, 2"})
    void withLessInTheWayNoMoreIsLateThanThereMustBe(long seed, int calls, int vessels) {
        Puzzle puzzle = new Puzzle(begun(Weeks.of(seed, calls, vessels)), () -> false);
        double must = least(new Model(puzzle, Patience.ENDLESS));
        assertThat(must).isPositive();
        assertThat(least(Model.loosened(puzzle, Long.MAX_VALUE, Patience.ENDLESS)))
                .isBetween(0.9 * must, must + 1e-6);
    }

    /** Five batches that want the two strong burners and the two ovens in the first hour: which pot each stands in makes a minute, and a solver all the work. */
    @Test
    void whatSeveralWantAtOnceIsKnownToBeLateThoughNoneWouldBeByItself() {
        Weeks.Week week = Weeks.of(18, 40, 6);
        double eachAlone = week.calls().stream()
                .map(call -> new Weeks.Week(week.equipment(), List.of(call), week.lots()).laid())
                .mapToDouble(laid -> laid.course().values().lateL())
                .sum();
        Puzzle puzzle = new Puzzle(begun(week), () -> false);
        Course byHand = puzzle.byHand().course();
        long until = puzzle.lastLate(byHand).orElseThrow();
        assertThat(least(Model.loosened(puzzle, until, Patience.ENDLESS)) + puzzle.lateAnyway())
                .isBetween(1.1 * eachAlone, byHand.values().lateL());
    }

    /** With one pot, every order of every way is tried, each batch as early as it can be: no other course has fewer litres late. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void inAKitchenWithOnePotItFindsWhatTryingEverythingFinds(long seed) {
        List<String> stocks = List.of("fish-fumet", "vegetable-light", "shellfish", "kelp-flake");
        Call[] calls = new Call[5];
        for (int i = 0; i < calls.length; i++) {
            String stock = stocks.get((int) ((seed * 7 + i * 3) % stocks.size()));
            calls[i] = call("call " + i, stock, 2 + (seed + i) % 3, 3 + (seed * i * 5) % 9 * 0.7, 1 + i % 3);
        }
        Course begun = kitchen(1, calls);
        Search.Found found = new Search(begun).run(LONG);
        assertThat(found.how()).isEqualTo(Search.How.PROVEN);
        Puzzle puzzle = new Puzzle(begun, () -> false);
        double best = Exhaustive.least(puzzle) + puzzle.lateAnyway();
        assertThat(found.lateBoundL().getAsDouble()).isCloseTo(best, within(0.02));
        assertThat(found.laid().course().values().lateL()).isCloseTo(best, within(0.06));
    }

    @Test
    void aPotIsCleanedDownBetweenShellfishAndVegetables() {
        Course begun = kitchen(1, call("bisque", "shellfish", 4, 5, 1), call("pale", "vegetable-light", 4, 9, 1));
        Search.Found found = new Search(begun).run(LONG);
        assertThat(found.laid().course().drafts()).hasSize(2);
        assertThat(found.laid().course().check()).extracting(Broken::rule).doesNotContain(Broken.Rule.CLEANED_DOWN);
        assertThat(found.how()).isEqualTo(Search.How.PROVEN);
    }

    /** Bones at 210 °C and roots at 150 °C are wanted out of the only oven as early as they can be: one of them waits for the other, and that is proven. */
    @Test
    void theOnlyOvenIsNeverWantedAtTwoHeatsAtOnce() {
        Course open = kitchen(3, call("roots", "vegetable-dark", 4, 6, 1), call("veal", "brown-veal", 4, 10, 1));
        Equipment two = open.equipment();
        Course begun = Course.open(
                two.withOvens(two.ovens().subList(0, 1)), open.now(), open.until(), open.calls(), List.of());
        Search.Found found = new Search(begun).run(LONG);
        Course course = found.laid().course();
        assertThat(course.ovens()).extracting(use -> use.heat().orElseThrow()).doesNotHaveDuplicates();
        assertThat(course.check()).isEmpty();
        assertThat(course.ovens().get(0).to())
                .isBeforeOrEqualTo(course.ovens().get(1).from());
        assertThat(found.how()).isEqualTo(Search.How.PROVEN);
        // With an oven for each nobody waits.
        double apart = new Search(open).run(LONG).laid().course().values().lateL();
        assertThat(course.values().lateL()).isGreaterThan(apart);
    }

    @Test
    void anotherPotNeverMakesItWorse() {
        Call[] calls = {
            call("a", "fish-fumet", 6, 3, 1),
            call("b", "vegetable-light", 6, 3, 2),
            call("c", "shellfish", 6, 4, 1),
            call("d", "fish-fumet", 8, 26, 1)
        };
        double before = Double.POSITIVE_INFINITY;
        for (int vessels = 1; vessels <= 3; vessels++) {
            Search.Found found = new Search(kitchen(vessels, calls)).run(LONG);
            assertThat(found.how()).isEqualTo(Search.How.PROVEN);
            double late = found.laid().course().values().lateL();
            assertThat(late).isLessThanOrEqualTo(before + 0.05);
            before = late;
        }
    }

    @Test
    void aWeekLaterTheSameIsFoundAWeekLater() {
        Duration week = Duration.ofDays(7);
        Call[] calls = {call("a", "fish-fumet", 6, 5, 1), call("b", "white-chicken", 8, 30, 1)};
        Course now = kitchen(2, calls);
        List<Call> later = new ArrayList<>();
        for (Call call : calls) {
            later.add(new Call(
                    call.id(),
                    call.station(),
                    call.formula(),
                    call.litres(),
                    call.by().plus(week),
                    call.weight(),
                    call.needs()));
        }
        Course then = Course.open(now.equipment(), Weeks.MONDAY.plus(week), UNTIL.plus(week), later, List.of());
        Course first = new Search(now).run(LONG).laid().course();
        Course second = new Search(then).run(LONG).laid().course();
        assertThat(second.drafts().stream().map(draft -> draft.start().minus(week)))
                .containsExactlyElementsOf(
                        first.drafts().stream().map(Draft::start).toList());
    }

    @Test
    void callsOfOneStockAreMadeTogetherAsLongAsTheyKeep() {
        Course begun = kitchen(
                4,
                call("mon", "white-chicken", 3, 12, 1),
                call("tue", "white-chicken", 3, 34, 1),
                call("sun", "white-chicken", 3, 6 * 24 + 12, 1));
        Course found = new Search(begun).run(LONG).laid().course();
        assertThat(found.drafts()).hasSize(2);
        assertThat(found.allocations()).extracting(Allocation::call).containsExactlyInAnyOrder("mon", "tue", "sun");
        assertThat(found.check()).isEmpty();
    }

    @Test
    void withoutTimeOrOnceStoppedTheCoresOwnCourseStands() {
        Course begun = begun(Weeks.of(2, 12, 3));
        Course own = Constructive.lay(begun).course();
        assertThat(own.values().lateL()).isPositive();
        Search.Found none = new Search(begun).run(Duration.ZERO);
        assertThat(none.how()).isEqualTo(Search.How.CONSTRUCTIVE);
        assertThat(none.gap()).isEmpty();
        assertThat(none.laid().course().values()).isEqualByComparingTo(own.values());
        Search stopped = new Search(begun);
        stopped.stop();
        assertThat(stopped.run(LONG).how()).isEqualTo(Search.How.CONSTRUCTIVE);
    }

    /** Stopped before it could look at anything: that nothing is late needs no looking, and how few batches there could be stays unknown. */
    @Test
    void ofACourseWithNothingLateNothingIsLessLate() {
        Course begun = kitchen(3, call("a", "fish-fumet", 4, 30, 1), call("b", "white-chicken", 6, 40, 1));
        Search stopped = new Search(begun);
        stopped.stop();
        Search.Found found = stopped.run(LONG);
        assertThat(found.how()).isEqualTo(Search.How.WITHIN);
        assertThat(found.gap()).hasValue(0);
        assertThat(found.leastBatches()).isEmpty();
    }

    /** Whoever asked has gone before it began: what there is comes at once, and is a course all the same. */
    @Test
    void aSearchThatIsStoppedComesToItsEndWithWhatItHas() {
        Search search = new Search(begun(Weeks.of(4, 40, 6)));
        search.stop();
        Search.Found found = search.run(Duration.ofHours(1));
        assertThat(found.how()).isEqualTo(Search.How.CONSTRUCTIVE);
        assertThat(found.laid().course().check()).isEmpty();
    }
}
