package potamos.server.courses;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.course.Call;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Lot;
import potamos.core.course.Replanning;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Planner;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.charges.Planning;
import potamos.server.charges.Supposing;
import potamos.server.kitchen.Outages;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;
import potamos.server.solving.Solving;
import potamos.server.stations.Calls;

/**
 * Ways out when something goes otherwise than the course was laid: shown before anybody decides, and taken whole or not at all. Batches that are accepted
 * and that nobody has begun move like drafts.
 */
@Service
class WaysOut {

    private static final int LONGEST_MIN = 12 * 60;

    private final Laying laying;
    private final Movable movable;
    private final Courses courses;
    private final Planning planning;
    private final Running running;
    private final Calls calls;
    private final Outages outages;
    private final HeldCourse held;
    private final Accepting accepting;
    private final KitchenClock clock;

    /** What has happened already is asked about by every screen after every act. */
    private final ByDays<Looked> now;

    WaysOut(
            Laying laying,
            Movable movable,
            Courses courses,
            Planning planning,
            Running running,
            Calls calls,
            Outages outages,
            HeldCourse held,
            Accepting accepting,
            KitchenClock clock,
            Changes changes) {
        this.laying = laying;
        this.movable = movable;
        this.courses = courses;
        this.planning = planning;
        this.running = running;
        this.calls = calls;
        this.outages = outages;
        this.held = held;
        this.accepting = accepting;
        this.clock = clock;
        this.now = new ByDays<>(changes);
    }

    /**
     * What could be done.
     *
     * @param course as it is laid, with accepted batches that nobody has begun among its drafts
     * @param loose  those, by id
     * @param told   calls of the batch that simmers longer, whichever way is taken
     */
    record Looked(
            Courses.Begun begun,
            Course course,
            Map<String, Running.Standing> loose,
            List<Replanning.Told> told,
            List<Replanning.WayOut> ways) {}

    /** Looks for ways out; nothing is changed by that. */
    @Transactional(readOnly = true)
    public Looked look(Person person, int days, Trouble trouble) {
        person.require(Right.PLAN);
        return trouble.kind() == Trouble.Kind.NOW
                ? now.of(person.kitchenId(), days, () -> found(person, days, trouble))
                : found(person, days, trouble);
    }

    private Looked found(Person person, int days, Trouble trouble) {
        Courses.Laid laid = laying.laid(person, days);
        Courses.Begun begun = laid.begun();
        Map<String, Draft> loose = movable.loose(begun);
        Course before = movable.course(person, laid, loose);
        Supposing supposing = supposing(trouble, loose.keySet());
        Map<String, Running.Standing> longer = longer(person.kitchenId(), supposing);
        Course after = after(person, begun, before, supposing, longer, trouble);
        Map<String, Running.Standing> batches = begun.running().stream()
                .filter(one -> loose.containsKey(one.id()))
                .collect(Collectors.toMap(Running.Standing::id, one -> one));
        return new Looked(
                begun,
                before,
                batches,
                ownCalls(person, begun.running(), longer),
                trouble.kind() == Trouble.Kind.NOW
                        ? Replanning.now(before, begun.held().ids(), Solving.forAFirstAnswer())
                        : Replanning.of(before, after, begun.held().ids(), Solving.forAFirstAnswer()));
    }

    /** The batches that are supposed to simmer longer, as they would stand; by id. */
    private Map<String, Running.Standing> longer(String kitchenId, Supposing supposing) {
        if (supposing.longer().isEmpty()) {
            return Map.of();
        }
        Map<String, Running.Standing> longer = running.of(kitchenId, supposing).stream()
                .filter(one -> supposing.longer().containsKey(one.id()))
                .collect(Collectors.toMap(Running.Standing::id, one -> one));
        if (longer.isEmpty()) {
            throw new NotFound("batch");
        }
        return longer;
    }

    private static Supposing supposing(Trouble trouble, Set<String> aside) {
        if (trouble.kind() != Trouble.Kind.LONGER) {
            return new Supposing(aside, Map.of());
        }
        if (trouble.batchId() == null) {
            throw Refusal.of("batchId", "which batch");
        }
        double minutes = Refusal.unlessWithin(
                "minutes", trouble.minutes() == null ? 0 : trouble.minutes(), 1, LONGEST_MIN, "min");
        return new Supposing(aside, Map.of(trouble.batchId(), Duration.ofMinutes((long) minutes)));
    }

    private Course after(
            Person person,
            Courses.Begun begun,
            Course before,
            Supposing supposing,
            Map<String, Running.Standing> longer,
            Trouble trouble) {
        String kitchenId = person.kitchenId();
        return switch (trouble.kind()) {
            case NOW -> before;
            case LONGER -> {
                Course supposed = planning.begun(kitchenId, before.until(), supposing);
                Map<String, Lot> lots = longer.values().stream()
                        .flatMap(one -> one.spare().stream())
                        .collect(Collectors.toMap(Lot::id, lot -> lot));
                yield before.busy(supposed.busy().keeping(before.busy().kept()))
                        .from(before.lots().stream()
                                .map(lot -> later(lot, lots.get(lot.id())))
                                .toList());
            }
            case OUTAGE -> without(before, outage(kitchenId, trouble));
            case CALL -> before.asking(asked(person, begun, before, trouble));
        };
    }

    /** The same litres at another time: what a longer simmer steams off is topped up, and the judgement has told it already. */
    private static Lot later(Lot lot, Lot supposed) {
        return supposed == null
                ? lot
                : new Lot(lot.id(), lot.formula(), lot.litres(), supposed.from(), supposed.useBy(), lot.contents());
    }

    private static Course without(Course before, Outages.Outage outage) {
        Course fewer = before.busy(before.busy().and(outage.use().stream().toList()));
        return outage.away()
                .map(away -> {
                    var rota = before.equipment().rota();
                    return fewer.attendedBy(rota.with(
                            Stream.concat(rota.away().stream(), Stream.of(away)).toList()));
                })
                .orElse(fewer);
    }

    private Outages.Outage outage(String kitchenId, Trouble trouble) {
        Outages.Missing missing = trouble.outage();
        if (missing == null) {
            throw Refusal.of("outage", "what is missing");
        }
        return outages.checked(kitchenId, trouble.id(), missing);
    }

    /** The calls with one of them asked for otherwise, or one more. */
    private List<Call> asked(Person person, Courses.Begun begun, Course before, Trouble trouble) {
        Trouble.Asked asked = trouble.call();
        if (asked == null) {
            throw Refusal.of("call", "what is asked for");
        }
        if (asked.callId() == null) {
            Calls.Call one = calls.asked(person, trouble.id(), asked.wish());
            return Stream.concat(
                            before.calls().stream(),
                            Stream.of(courses.asked(person.kitchenId(), one, Volume.ofLitres(one.litres()))))
                    .toList();
        }
        Calls.Call call = calls.of(person, asked.callId());
        double more = calls.mayChange(call, asked.litres(), asked.readyBy()) - call.litres();
        if (begun.held().wishes().aside().contains(call.id())) {
            // It is not to be laid, however much of it is asked for.
            return before.calls();
        }
        double planned = before.calls().stream()
                .filter(one -> one.id().equals(call.id()))
                .mapToDouble(one -> one.litres().litres())
                .sum();
        Stream<Call> others = before.calls().stream().filter(one -> !one.id().equals(call.id()));
        if (planned + more <= 0) {
            return others.toList();
        }
        Call changed = courses.asked(person.kitchenId(), call, Volume.ofLitres(planned + more));
        return Stream.concat(
                        others,
                        Stream.of(new Call(
                                changed.id(),
                                changed.station(),
                                changed.formula(),
                                changed.litres(),
                                asked.readyBy(),
                                changed.weight(),
                                changed.needs())))
                .toList();
    }

    /** What becomes of the calls that the batch which simmers longer is made for itself. */
    private List<Replanning.Told> ownCalls(
            Person person, List<Running.Standing> standing, Map<String, Running.Standing> longer) {
        List<Replanning.Told> told = new ArrayList<>();
        for (Running.Standing one : standing) {
            if (longer.containsKey(one.id())) {
                Instant ready = longer.get(one.id()).ahead().ready();
                one.promised().forEach((id, litres) -> {
                    Call call = courses.asked(person.kitchenId(), calls.of(person, id), Volume.ofLitres(litres));
                    Replanning.Told word = new Replanning.Told(
                            call, List.of(comes(call, one.ahead().ready())), List.of(comes(call, ready)));
                    if (!word.was().equals(word.is())) {
                        told.add(word);
                    }
                });
            }
        }
        return told;
    }

    private static Replanning.Comes comes(Call call, Instant ready) {
        return new Replanning.Comes(ready.isAfter(call.by()) ? ready : call.by(), call.litres());
    }

    /**
     * Takes a way out: writes the trouble down, makes accepted batches otherwise, holds the rest where it is laid, and tells the stations.
     *
     * @throws potamos.server.problems.Conflict when the course has been changed meanwhile, or a batch begun
     */
    @Transactional
    public void take(Person person, Trouble trouble, int version, WaysOutView.Taking way) {
        person.require(Right.PLAN);
        Instant now = clock.instant();
        way.holds().ifPresent(holds -> {
            holds.forEach(draft -> Planner.unlessFarAhead("holds", draft.start(), now));
            held.change(person, version, before -> before.holding(holds));
        });
        writeDown(person, trouble);
        accepting.replan(person, way.moves());
        way.tells().forEach(word -> calls.tell(person, word.callId(), word.comes()));
    }

    private void writeDown(Person person, Trouble trouble) {
        if (trouble.kind() == Trouble.Kind.OUTAGE) {
            outages.add(person, outage(person.kitchenId(), trouble));
        }
        if (trouble.kind() == Trouble.Kind.CALL) {
            Trouble.Asked asked = trouble.call();
            if (asked.callId() == null) {
                calls.ask(person, trouble.id(), asked.wish());
            } else {
                calls.change(person, asked.callId(), asked.litres(), asked.readyBy());
            }
        }
    }
}
