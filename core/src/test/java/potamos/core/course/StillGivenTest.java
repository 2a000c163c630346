package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;

/** When something goes otherwise: what shelf and batches still give to the calls that they were laid for, and how large a batch stays. */
class StillGivenTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Formula CHICKEN = Book.whiteChicken();

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));

    private static Call call(String id, double litres, int hours) {
        return new Call(id, id, CHICKEN, Volume.ofLitres(litres), NOW.plus(Duration.ofHours(hours)), 1, Needs.NONE);
    }

    private static Lot lot(double litres) {
        return new Lot(
                "lot",
                CHICKEN.slug(),
                Volume.ofLitres(litres),
                NOW.minus(Duration.ofDays(1)),
                NOW.plus(Duration.ofDays(3)),
                new Contents(CHICKEN.allergens(), Set.of(), 0, false));
    }

    private Course open(List<Lot> lots, Call... calls) {
        return Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(5)), List.of(calls), lots);
    }

    private static double given(Course course, String from) {
        return course.allocations().stream()
                .filter(a -> a.from().equals(from))
                .mapToDouble(a -> a.litres().litres())
                .sum();
    }

    private static double had(Course course, String call) {
        return course.allocations().stream()
                .filter(a -> a.call().equals(call))
                .mapToDouble(a -> a.litres().litres())
                .sum();
    }

    /** Of six litres three are left: the first call has its three, the other has a batch of its own. */
    @Test
    void aLotGivesNoMoreThanIsLeftOfIt() {
        Call sauce = call("sauce", 3, 20);
        Call soup = call("soup", 3, 30);
        Course before = Constructive.lay(open(List.of(lot(6)), sauce, soup)).course();
        assertThat(before.drafts()).isEmpty();
        assertThat(given(before, "lot")).isCloseTo(6, within(1e-9));
        List<Replanning.WayOut> ways = Replanning.of(before, open(List.of(lot(3)), sauce, soup), Set.of());
        assertThat(ways).isNotEmpty().allSatisfy(way -> {
            assertThat(given(way.course(), "lot")).isCloseTo(3, within(1e-9));
            assertThat(had(way.course(), "sauce")).isCloseTo(3, within(0.1));
            assertThat(had(way.course(), "soup")).isCloseTo(3, within(0.1));
            assertThat(way.course().drafts()).hasSize(1);
            assertThat(way.course().check()).isEmpty();
        });
    }

    /** Lot and batch gave three litres each; asked for four it has no more than four, and nothing of a batch that is not there any more. */
    @Test
    void aCallGetsNoMoreThanItWants() {
        Call six = call("sauce", 6, 30);
        Call other = call("soup", 2, 60);
        Course before = Constructive.lay(open(List.of(lot(3)), six, other)).course();
        assertThat(before.drafts()).isNotEmpty();
        assertThat(had(before, "sauce")).isCloseTo(6, within(0.1));
        Call four = call("sauce", 4, 30);
        Draft first = before.drafts().get(0);
        Use out = new Use(Use.Kind.VESSEL, first.vessel(), NOW, first.ready(), 1);
        Course after = Weeks.taken(open(List.of(lot(3)), four, other), out);
        List<Replanning.WayOut> ways = Replanning.of(before, after, Set.of());
        assertThat(ways).isNotEmpty().allSatisfy(way -> {
            assertThat(had(way.course(), "sauce")).isCloseTo(4, within(0.1));
            assertThat(given(way.course(), "lot")).isCloseTo(3, within(1e-9));
            assertThat(way.course().check()).isEmpty();
        });
    }

    /** What is spilt to a drop is given to nobody. */
    @Test
    void nothingIsGivenOfALotThatIsGone() {
        Call sauce = call("sauce", 3, 30);
        Course before = Constructive.lay(open(List.of(lot(3)), sauce)).course();
        List<Replanning.WayOut> ways = Replanning.of(before, open(List.of(), sauce), Set.of());
        assertThat(ways).isNotEmpty().allSatisfy(way -> {
            assertThat(given(way.course(), "lot")).isZero();
            assertThat(had(way.course(), "sauce")).isCloseTo(3, within(0.1));
        });
    }
}
