package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.larder.Goods;
import potamos.core.quantity.Volume;

/** Bones that did not come: nothing is begun that is made of them until they are there, and everything else goes on. */
class BedTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant THERE = NOW.plus(Duration.ofHours(26));

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(1));
    private final Formula chicken = Book.whiteChicken();
    private final Formula vegetable = Book.of("vegetable-light");

    private static Call call(String id, Formula formula, Duration ahead) {
        return new Call(id, "Sauce", formula, Volume.ofLitres(6), NOW.plus(ahead), 1, Needs.without(Set.of()));
    }

    private static Use missing(Formula of, Instant until) {
        String bed = Goods.nameOf(of.bed().get(0).kind().id());
        return new Use(Use.Kind.BED, bed, NOW, until, 1);
    }

    private Course open(Busy busy, Call... calls) {
        return Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(4)), List.of(calls), List.of())
                .busy(busy);
    }

    private static Draft of(Course course, Formula formula) {
        return course.drafts().stream()
                .filter(draft -> draft.charge().formula().equals(formula))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatIsMadeOfThemWaitsAndTheRestDoesNot() {
        Call soon = call("chicken", chicken, Duration.ofHours(20));
        Call other = call("vegetable", vegetable, Duration.ofHours(20));
        Course there = new Constructive(open(Busy.NONE, soon, other)).lay().course();
        assertThat(of(there, chicken).start()).isBefore(THERE);
        Course without = new Constructive(open(Busy.of(List.of(missing(chicken, THERE))), soon, other))
                .lay()
                .course();
        assertThat(of(without, chicken).start()).isAfterOrEqualTo(THERE);
        assertThat(of(without, vegetable).start()).isBefore(THERE);
        assertThat(without.check()).isEmpty();
    }

    @Test
    void twoBatchesOfOneKindAreWeighedInAtOnceWhereItIsThere() {
        Course course = new Constructive(open(
                        Busy.NONE, call("a", chicken, Duration.ofHours(10)), call("b", chicken, Duration.ofHours(10))))
                .lay()
                .course();
        List<Draft> twins = course.drafts().stream()
                .map(draft -> Draft.of(
                        draft.id(),
                        draft.charge(),
                        draft.burner(),
                        draft.oven(),
                        draft.cooling(),
                        draft.timeline().parts(),
                        course.drafts().get(0).start(),
                        kitchen))
                .toList();
        assertThat(course.with(twins, List.of()).check())
                .extracting(Broken::rule)
                .doesNotContain(Broken.Rule.BED_THERE);
    }

    @Test
    void theCheckSaysWhatIsNotThereAndUntilWhen() {
        Course laid = new Constructive(open(Busy.NONE, call("chicken", chicken, Duration.ofHours(20))))
                .lay()
                .course();
        Use missing = missing(chicken, THERE);
        Broken broken = laid.busy(Busy.of(List.of(missing))).check().get(0);
        assertThat(broken.rule()).isEqualTo(Broken.Rule.BED_THERE);
        assertThat(broken.thing()).isEqualTo(missing.name());
        assertThat(broken.to()).isEqualTo(THERE);
        assertThat(laid.busy(Busy.of(List.of(missing(vegetable, THERE)))).check())
                .isEmpty();
    }

    @Test
    void aBatchHeldBackByThemSaysSo() {
        Course laid = new Constructive(
                        open(Busy.of(List.of(missing(chicken, THERE))), call("chicken", chicken, Duration.ofHours(30))))
                .lay()
                .course();
        Draft first = of(laid, chicken);
        Draft atTheDoor = Draft.of(
                first.id(),
                first.charge(),
                first.burner(),
                first.oven(),
                first.cooling(),
                first.timeline().parts(),
                THERE,
                kitchen);
        Because because = Because.of(laid.with(List.of(atTheDoor), laid.allocations()), first.id());
        assertThat(because.earlier().orElseThrow().what()).isEqualTo(Obstacle.BED);
        assertThat(because.earlier().orElseThrow().thing())
                .isEqualTo(missing(chicken, THERE).name());
    }

    @Test
    void wherePuzzleLooksForStartsTheyAreNotAmongThem() {
        Puzzle puzzle = new Puzzle(
                open(Busy.of(List.of(missing(chicken, THERE))), call("chicken", chicken, Duration.ofHours(60))),
                () -> false);
        long there = Duration.between(NOW, THERE).toSeconds();
        assertThat(puzzle.batches())
                .isNotEmpty()
                .allSatisfy(batch -> assertThat(batch.options())
                        .isNotEmpty()
                        .allSatisfy(option -> assertThat(option.starts())
                                .allSatisfy(starts -> assertThat(starts.first()).isGreaterThanOrEqualTo(there))));
    }
}
