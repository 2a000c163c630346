package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;

/** Why a batch stands where it does: for whom, how much time there is, what is before and after it, and where else it could be. */
class BecauseTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Formula WHITE = Book.whiteChicken();
    private static final Rota ALWAYS = Rota.daily(ZoneOffset.UTC, LocalTime.MIDNIGHT, LocalTime.MIDNIGHT);

    private static Call call(String id, double litres, Duration ahead) {
        return new Call(id, id, WHITE, Volume.ofLitres(litres), NOW.plus(ahead), 1, Needs.NONE);
    }

    private static Course asked(Equipment kitchen, Call... calls) {
        return Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(4)), List.of(calls), List.of());
    }

    private static Draft pinned(Course beside, double litres, String vessel, Duration ahead, String id) {
        return Draft.pinned(
                beside, WHITE, Volume.ofLitres(litres), new Draft.Spot(vessel, Optional.empty(), NOW.plus(ahead)), id);
    }

    private static Allocation gives(Draft draft, Call call) {
        return new Allocation(call.id(), draft.id(), call.litres());
    }

    private static Course laid(Equipment kitchen, Call... calls) {
        return Constructive.lay(Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(7)), List.of(calls), List.of()))
                .course();
    }

    @Test
    void whyABatchIsWhereItIsNamesItsCallWhatIsInItsWayAndAnotherVessel() {
        Call wanted = call("a", 6, Duration.ofHours(30));
        Course laid = laid(Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(1)), wanted);
        Because alone = Because.of(laid, laid.drafts().get(0).id());
        assertThat(alone.first()).contains(wanted);
        assertThat(alone.spare()).isGreaterThanOrEqualTo(Duration.ofMinutes(60));
        assertThat(alone.instead().orElseThrow().vessel())
                .isNotEqualTo(laid.drafts().get(0).charge().run().vessel().name());
        assertThat(alone.instead().orElseThrow().more()).isZero();
        Equipment onePot = Weeks.equipment(1, Unattended.ALLOWED, ALWAYS);
        Call next = call("b", 6, Duration.ofHours(24 * 5 + 6));
        Course both = laid(onePot, wanted, next);
        Draft first =
                both.drafts().stream().min(Comparator.comparing(Draft::start)).orElseThrow();
        Draft after = Draft.pinned(
                both.with(List.of(first), List.of()),
                WHITE,
                Volume.ofLitres(6),
                new Draft.Spot(first.vessel(), first.burner(), Weeks.vesselFree(first)),
                "after");
        Course close = both.with(List.of(first, after), both.allocations());
        Because behind = Because.of(close, "after");
        assertThat(behind.earlier().orElseThrow().what()).isEqualTo(Obstacle.VESSEL);
        assertThat(behind.earlier().orElseThrow().batch()).contains(first.id());
        assertThat(behind.instead()).isEmpty();
    }

    /** It serves two: the sooner of them tells how much time there is. */
    @Test
    void itsFirstCallTellsHowMuchTimeThereIs() {
        Call later = call("soup", 3, Duration.ofHours(40));
        Call sooner = call("sauce", 3, Duration.ofHours(20));
        Course open = asked(Weeks.equipment(2, Unattended.ALLOWED, ALWAYS), later, sooner);
        Draft draft = pinned(open, 6, "pot 1", Duration.ofHours(4), "mine");
        Draft other = pinned(open, 3, "pot 0", Duration.ofHours(2), "other");
        Course course = open.with(List.of(other, draft), List.of(gives(draft, later), gives(draft, sooner)));
        Because because = Because.of(course, "mine");
        assertThat(because.first()).contains(sooner);
        assertThat(because.spare()).isEqualTo(Duration.between(draft.ready(), sooner.by()));
        assertThat(because.tight()).isFalse();
        Because nobodys = Because.of(course, "other");
        assertThat(nobodys.first()).isEmpty();
        assertThat(nobodys.spare()).isZero();
        assertThat(nobodys.tight()).isFalse();
        assertThat(nobodys.instead()).isEmpty();
    }

    /** Ten minutes later it would not be surely ready. */
    @Test
    void whatCouldNotBeginAStepLaterIsTight() {
        Course open = asked(Weeks.equipment(1, Unattended.ALLOWED, ALWAYS));
        Draft draft = pinned(open, 4, "pot 0", Duration.ofHours(4), "mine");
        Duration ready = Duration.between(NOW, draft.ready());
        Duration sure = Duration.between(Wanted.sure(NOW), NOW);
        Duration step = Diary.STEP;
        for (long over : new long[] {-60, 60}) {
            Call call = call("sauce", 4, ready.plus(sure).plus(step).plusSeconds(over));
            Course course = open.asking(List.of(call)).with(List.of(draft), List.of(gives(draft, call)));
            assertThat(Because.of(course, "mine").tight()).isEqualTo(over < 0);
        }
    }

    /** Its pot is in use before it and after it, by which batch is told; where nothing is in its way, nothing is said. */
    @Test
    void whatIsInItsWayIsToldWithWhoseItIs() {
        Course open = asked(Weeks.equipment(2, Unattended.ALLOWED, ALWAYS));
        Draft before = pinned(open, 4, "pot 0", Duration.ofHours(2), "before");
        Draft elsewhere = pinned(open.with(List.of(before), List.of()), 4, "pot 1", Duration.ofHours(2), "elsewhere");
        Duration takes = Duration.between(before.start(), Weeks.vesselFree(before));
        Draft mine = pinned(open, 4, "pot 0", Duration.ofHours(2).plus(takes), "mine");
        Course two = open.with(List.of(elsewhere, before, mine), List.of());
        assertThat(two.check()).isEmpty();
        Because because = Because.of(two, "mine");
        Because.InTheWay earlier = because.earlier().orElseThrow();
        assertThat(earlier.what()).isEqualTo(Obstacle.VESSEL);
        assertThat(earlier.thing()).isEqualTo("pot 0");
        assertThat(earlier.batch()).hasValue("before");
        assertThat(because.later()).isEmpty();
        Because first = Because.of(two, "before");
        assertThat(first.later().orElseThrow().batch()).hasValue("mine");
        assertThat(first.earlier()).isEmpty();
    }

    /** Nobody is there at night: what is no thing has no name and no owner. */
    @Test
    void anHourWithoutACookIsNobodysThing() {
        Course open = asked(Weeks.equipment(1, Unattended.ALLOWED, Weeks.longDays(1)));
        Draft dawn = pinned(open, 4, "pot 0", Duration.ofHours(25), "dawn");
        Because.InTheWay earlier = Because.of(open.with(List.of(dawn), List.of()), "dawn")
                .earlier()
                .orElseThrow();
        assertThat(earlier.what()).isEqualTo(Obstacle.SOMEBODY_THERE);
        assertThat(earlier.thing()).isEmpty();
        assertThat(earlier.batch()).isEmpty();
    }

    /** Late in its pot; in the other it is ready in time, and that many litres fewer come late. */
    @Test
    void anotherPotIsProposedWithWhatItWouldChange() {
        Equipment kitchen = Weeks.equipment(2, Unattended.ALLOWED, ALWAYS);
        Call call = call("sauce", 4, Duration.ofHours(20));
        Course open = asked(kitchen, call);
        Draft late = pinned(open, 4, "pot 0", Duration.ofHours(17), "mine");
        assertThat(late.ready()).isAfter(call.by());
        Course course = open.with(List.of(late), List.of(gives(late, call)));
        Because.Instead instead = Because.of(course, "mine").instead().orElseThrow();
        assertThat(instead.vessel()).isEqualTo("pot 1");
        assertThat(instead.late()).isNegative();
        Instant ready = late.ready().plus(instead.late());
        assertThat(ready).isBeforeOrEqualTo(Wanted.sure(call.by()));
        assertThat(ready).isAfter(Wanted.sure(call.by()).minus(Duration.ofMinutes(11)));
        assertThat(instead.more())
                .as("fewer, and nobody is told of less than nothing")
                .isZero();
        // The other way round: in time where it is, and late in the other, which is taken until then.
        Draft inTime = pinned(open, 4, "pot 0", Duration.ofHours(12), "mine");
        List<Draft> all = new ArrayList<>();
        Duration begins = Duration.ofMinutes(20);
        for (int i = 0; i < 4; i++) {
            Draft taken = pinned(open.with(List.of(inTime), List.of()), 8, "pot 1", begins, "taken " + i);
            begins = begins.plus(Duration.between(taken.start(), Weeks.vesselFree(taken)));
            all.add(taken);
        }
        all.add(inTime);
        Course full = open.with(all, List.of(gives(inTime, call)));
        assertThat(full.check()).isEmpty();
        Because.Instead worse = Because.of(full, "mine").instead().orElseThrow();
        assertThat(worse.start()).isAfterOrEqualTo(NOW.plus(begins));
        assertThat(worse.late()).isPositive();
        all.set(
                4,
                pinned(
                        full.with(all.subList(0, 4), List.of()),
                        4,
                        "pot 1",
                        Duration.between(NOW, worse.start()),
                        "mine"));
        double more = open.with(all, full.allocations()).values().lateL()
                - full.values().lateL();
        assertThat(more).isPositive();
        assertThat(worse.more()).isCloseTo(more, within(1e-9));
    }
}
