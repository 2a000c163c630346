package potamos.core.course;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import potamos.core.charge.Charge;
import potamos.core.charge.Roasting;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Rounding;

/** A batch of a course made into two, two of one stock made into one, and one brought in by hand for a call that is not laid. */
public final class Reshaping {

    /** As finely as litres are planned. */
    private static final double STEP_L = 0.1;

    private final Course course;
    private final Ways ways;

    private Reshaping(Course course) {
        this.course = course;
        this.ways = new Ways(course.equipment());
    }

    /**
     * One batch as two halves: the one in its own pot at its own hour, the other in the pot in which it is ready in time, or the soonest.
     *
     * @param id    of the batch; the first half keeps it
     * @param other of the second half
     * @throws Refusal on {@code draftId} when it is not there, is too small, or no other pot has room
     */
    public static List<Draft> split(Course course, String id, String other) {
        return new Reshaping(course).split(id, other);
    }

    private List<Draft> split(String id, String other) {
        Draft whole = draft(id);
        Formula formula = whole.charge().formula();
        double litres = whole.litres().litres();
        double second = Rounding.to(litres / 2, STEP_L);
        if (second < 2 * Constructive.LEAST_L) {
            throw Refusal.of("draftId", "it is too small to be split");
        }
        String vessel = whole.vessel();
        Draft first = ways.in(formula, litres - second, vessel, whole.burner())
                .filter(way -> roastedIn(way.charge()).equals(roastedIn(whole.charge())))
                .findFirst()
                .map(way -> way.startingAt(whole.start(), id, course.equipment(), whole.burner()))
                .orElseThrow(() -> Refusal.of("draftId", "so little cannot be made in its pot"));
        Diary diary = new Diary(course.with(with(without(id), first), List.of()));
        Draft beside = placed(
                        ways.of(formula, second).filter(way -> !way.vessel().equals(vessel)),
                        diary,
                        course.due(List.of(id)),
                        whole.ready(),
                        other)
                .orElseThrow(() -> Refusal.of("draftId", "no other pot has room for the other half"));
        return List.of(first, beside);
    }

    /**
     * Two batches of one stock as one: in the smallest pot that takes both in time for the first of their calls, or the soonest.
     *
     * @param id    of the one, which the whole keeps
     * @param other of the other
     * @throws Refusal on {@code otherId} when they are of two stocks, or no pot has room for both
     */
    public static Draft join(Course course, String id, String other) {
        return new Reshaping(course).join(id, other);
    }

    private Draft join(String id, String other) {
        Draft one = draft(id);
        Draft second = draft(other);
        Formula formula = one.charge().formula();
        if (id.equals(other) || !formula.slug().equals(second.charge().formula().slug())) {
            throw Refusal.of("otherId", "another batch of the same stock");
        }
        double litres = one.litres().litres() + second.litres().litres();
        List<Draft> others =
                without(id).stream().filter(draft -> !draft.id().equals(other)).toList();
        Instant earlier = one.ready().isBefore(second.ready()) ? one.ready() : second.ready();
        return placed(
                        ways.of(formula, litres),
                        new Diary(course.with(others, List.of())),
                        course.due(List.of(id, other)),
                        earlier,
                        id)
                .orElseThrow(() -> Refusal.of("otherId", "no pot has room for both at once"));
    }

    /**
     * A batch for a call that a course leaves alone, or finds no place for: in the smallest pot in which it is surely ready in time, or the soonest. Where nothing
     * has room for it, when it would surely be ready, whatever is in its way there. Of more than any pot gives it is as much as one does. Nobody has lit a burner in
     * the second in which a batch is brought in: it begins ten minutes on at the soonest.
     *
     * @param call with the litres that are missing
     * @param id   of the batch
     * @throws Refusal on {@code callId} where no pot makes it, or where its stock fails what the call needs
     */
    public static Draft bringIn(Course course, Call call, String id) {
        return new Reshaping(course.begunAt(course.now().plus(Diary.STEP))).bringIn(call, id);
    }

    private Draft bringIn(Call call, String id) {
        call.needs().refused(call.formula()).ifPresent(why -> {
            throw Refusal.of("callId", why);
        });
        double litres = Math.min(call.litres().litres(), ways.mostL(call.formula()));
        if (litres < Constructive.LEAST_L) {
            throw Refusal.of("callId", Constructive.NO_VESSEL);
        }
        List<Ways.Way> all = ways.of(call.formula(), litres).toList();
        return placed(all.stream(), new Diary(course), Optional.of(call.by()), call.by(), id)
                .or(() -> all.stream().findFirst().map(way -> {
                    Instant last =
                            Wanted.sure(call.by()).minusSeconds(way.takes().endsAt());
                    Instant start = last.isBefore(course.now()) ? course.now() : last;
                    return way.startingAt(start, id, course.equipment(), way.burner());
                }))
                .orElseThrow(() -> Refusal.of("callId", Constructive.NO_VESSEL));
    }

    /** In the first way that is surely ready when it is wanted; else in the one that is ready the soonest. */
    private Optional<Draft> placed(
            Stream<Ways.Way> among, Diary diary, Optional<Instant> due, Instant ready, String id) {
        Instant wanted = due.map(Wanted::sure).orElse(ready);
        List<Draft> late = new ArrayList<>();
        for (Ways.Way way : among.toList()) {
            Predicate<Instant> room = diary.room(way.takes());
            Instant last = wanted.minusSeconds(way.takes().endsAt());
            Optional<Draft> inTime = diary.back(last, room).map(start -> diary.placed(way, start, id));
            if (inTime.isPresent()) {
                return inTime;
            }
            diary.on(last, course.until(), room)
                    .map(start -> diary.placed(way, start, id))
                    .ifPresent(late::add);
        }
        return late.stream().min(Comparator.comparing(Draft::ready));
    }

    private static Optional<String> roastedIn(Charge charge) {
        return charge.roasting().map(Roasting::oven);
    }

    private Draft draft(String id) {
        return course.drafts().stream()
                .filter(draft -> draft.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.of("draftId", "there is no such batch any more"));
    }

    private List<Draft> without(String id) {
        return course.drafts().stream().filter(draft -> !draft.id().equals(id)).toList();
    }

    private static List<Draft> with(List<Draft> drafts, Draft one) {
        return Stream.concat(drafts.stream(), Stream.of(one)).toList();
    }
}
