package potamos.server.courses;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.course.Broken;
import potamos.core.course.Call;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Equipment;
import potamos.core.course.Use;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.quantity.Temperature;
import potamos.course.Search;

/**
 * A course as it is drawn.
 *
 * @param lots  what there is, or is coming whatever is done
 * @param promised litres of what is there, or under way, that are promised to calls, and are there before the end
 * @param ice   in the bin; none where the kitchen has told of none
 * @param room  that the cold store has for what is drawn; none where the kitchen has told of no cold store
 * @param ovens that are taken
 * @param hands how many cooks are there, and how many are wanted
 * @param howMuchLateL litres late or missing, weighted as the planner does
 * @param aside calls that are open and that somebody does not want laid
 * @param unmade batches that are held and cannot be made as they are
 * @param broken rules that what is held breaks
 * @param found how good it is, in the answer to a search
 */
record KitchenCourse(
        @NotNull Instant now,
        @NotNull Instant until,
        @NotNull List<CourseRunning> running,
        @NotNull List<CourseDraft> drafts,
        @NotNull List<CourseLot> lots,
        @NotNull List<CoursePromised> promised,
        @NotNull List<CourseCall> calls,
        @NotNull List<CourseCall> aside,
        @NotNull List<CourseHands> hands,
        @NotNull List<CourseIce> ice,
        @NotNull List<CourseRoom> room,
        @NotNull List<CourseOven> ovens,
        double howMuchLateL,
        @NotNull CourseHeld held,
        @NotNull List<CourseUnmade> unmade,
        @NotNull List<CourseBroken> broken,
        Optional<CourseFound> found) {

    /** What people hold of it: its version, to name with the next change, and whether one can be taken back or done again. */
    record CourseHeld(int version, boolean canUndo, boolean canRedo) {}

    /** A batch that is held and cannot be made as it is. */
    record CourseUnmade(
            @NotNull String id,
            @NotNull String formula,
            double litres,
            @NotNull Instant start,
            @NotNull String reason) {}

    /** A rule that it breaks: by what is held. */
    record CourseBroken(
            @NotNull Broken.Rule rule,
            @NotNull List<String> draftIds,
            @NotNull String thing,
            @NotNull Instant from,
            @NotNull Instant to) {}

    /**
     * How good it is, where somebody has looked for a better one.
     *
     * @param gap share of its litres late by which the best can be better at most; nothing where no bound is known
     */
    record CourseFound(@NotNull Search.How how, Optional<Double> gap) {
        static CourseFound of(Search.Found found) {
            return new CourseFound(found.how(), found.gap().stream().boxed().findFirst());
        }
    }

    record CourseStage(
            @NotNull Stage stage,
            @NotNull Instant from,
            @NotNull Instant to) {}

    /** Litres that go to a call. */
    record CourseGives(@NotNull String callId, double litres) {}

    /** A batch under way, with what is left of its stages; one that nobody has begun can still be made otherwise. */
    record CourseRunning(
            @NotNull String id,
            int number,
            @NotNull String formulaName,
            @NotNull Family family,
            double litres,
            @NotNull String vesselName,
            @NotNull List<CourseStage> stages,
            Optional<String> chiller,
            boolean notBegun) {
        static CourseRunning of(Running.Standing batch) {
            return new CourseRunning(
                    batch.id(),
                    batch.number(),
                    batch.formula().name(),
                    batch.formula().family(),
                    batch.litres(),
                    batch.vessel(),
                    batch.ahead().steps().stream().map(KitchenCourse::stage).toList(),
                    batch.chiller(),
                    batch.place().isPresent());
        }
    }

    /** @param chiller that it is cooled in; nothing in an ice bath */
    record CourseDraft(
            @NotNull String id,
            @NotNull String formula,
            @NotNull String formulaName,
            @NotNull Family family,
            double litres,
            @NotNull String vesselId,
            @NotNull String vesselName,
            Optional<String> burnerId,
            @NotNull Instant start,
            @NotNull Instant ready,
            @NotNull Instant useBy,
            @NotNull List<CourseStage> stages,
            Optional<String> chiller,
            @NotNull List<CourseGives> gives,
            boolean held) {}

    record CourseLot(
            @NotNull String id,
            @NotNull String formulaName,
            @NotNull Family family,
            double litres,
            @NotNull Instant from,
            @NotNull Instant useBy,
            @NotNull List<CourseGives> gives) {}

    /**
     * A call.
     *
     * @param litres  that nobody has planned yet
     * @param missing of them that nothing meets
     * @param lateMin of what comes last; 0 where it is in time
     * @param why     it is late or missing; empty where it is neither
     */
    record CourseCall(
            @NotNull String id,
            @NotNull String station,
            @NotNull String formula,
            @NotNull String formulaName,
            @NotNull Family family,
            double litres,
            @NotNull Instant by,
            double missing,
            long lateMin,
            @NotNull String why) {
        static CourseCall of(Call call, double missing, long lateMin, String why) {
            return new CourseCall(
                    call.id(),
                    call.station(),
                    call.formula().slug(),
                    call.formula().name(),
                    call.formula().family(),
                    call.litres().litres(),
                    call.by(),
                    missing,
                    lateMin,
                    why);
        }

        /** One that is not laid: all of it is missing, and nothing is in its way. */
        static CourseCall aside(Call call) {
            return of(call, call.litres().litres(), 0, "");
        }
    }

    /** Ice in the bin from a moment on, straight to the next; two at the moment of a bath. */
    record CourseIce(@NotNull Instant at, double kg) {}

    /** Litres that the cold store takes beside what is promised already, from a moment on until the next. */
    record CourseRoom(@NotNull Instant at, double litres) {}

    /**
     * An oven that is taken.
     *
     * @param trays   of it that are in; all of them where it is taken as a whole
     * @param there   trays that it has
     * @param celsius that it is set to; nothing where it is taken as a whole
     */
    record CourseOven(
            @NotNull String name,
            @NotNull Instant from,
            @NotNull Instant to,
            int trays,
            int there,
            Optional<Double> celsius) {}

    record CourseHands(@NotNull Instant from, @NotNull Instant to, int there, double wanted) {}

    static KitchenCourse of(Courses.Laid all, Optional<CourseFound> found) {
        Courses.Begun begun = all.begun();
        Constructive.Laid laid = all.laid();
        Course course = laid.course();
        Set<String> heldIds = begun.held().ids();
        Map<String, List<CourseGives>> gives = new HashMap<>();
        course.allocations()
                .forEach(a -> gives.computeIfAbsent(a.from(), from -> new ArrayList<>())
                        .add(new CourseGives(a.call(), a.litres().litres())));
        List<Draft> shown = course.drafts().stream()
                .filter(draft -> draft.start().isBefore(begun.shown()))
                .toList();
        Set<String> served = shown.stream()
                .flatMap(draft -> gives.getOrDefault(draft.id(), List.of()).stream())
                .map(CourseGives::callId)
                .collect(Collectors.toSet());
        return new KitchenCourse(
                course.now(),
                begun.shown(),
                begun.running().stream().map(CourseRunning::of).toList(),
                shown.stream()
                        .map(d -> draft(begun, d, gives.getOrDefault(d.id(), List.of()), heldIds.contains(d.id())))
                        .toList(),
                begun.stocks().values().stream()
                        .map(s -> new CourseLot(
                                s.lot().id(),
                                s.name(),
                                s.family(),
                                s.lot().litres().litres(),
                                s.lot().from(),
                                s.lot().useBy(),
                                gives.getOrDefault(s.lot().id(), List.of())))
                        .toList(),
                begun.promised().stream()
                        .filter(one ->
                                one.by().isAfter(course.now()) && one.from().isBefore(begun.shown()))
                        .map(CoursePromised::of)
                        .toList(),
                calls(laid).stream()
                        .filter(call -> call.by().isBefore(begun.shown()) || served.contains(call.id()))
                        .toList(),
                begun.aside().stream()
                        .filter(call -> call.by().isBefore(begun.shown()))
                        .map(CourseCall::aside)
                        .toList(),
                course.hands().stream()
                        .filter(h -> h.from().isBefore(begun.shown()))
                        .map(h -> new CourseHands(h.from(), h.to(), h.there(), h.wanted()))
                        .toList(),
                course.ice().stream()
                        .map(level -> new CourseIce(level.at(), level.ice().kg()))
                        .toList(),
                course.shelfRoom().stream()
                        .filter(room -> room.at().isBefore(begun.shown()))
                        .map(room -> new CourseRoom(room.at(), room.litres().litres()))
                        .toList(),
                course.ovens().stream()
                        .filter(use -> use.from().isBefore(begun.shown()))
                        .map(use -> oven(use, course.equipment()))
                        .toList(),
                course.values().lateL(),
                new CourseHeld(
                        begun.held().version(),
                        begun.held().canUndo(),
                        begun.held().canRedo()),
                begun.unmade().stream()
                        .map(u -> new CourseUnmade(
                                u.draft().id(),
                                u.draft().formula(),
                                u.draft().litres(),
                                u.draft().start(),
                                u.reason()))
                        .toList(),
                course.check().stream()
                        .filter(b -> shown.stream().anyMatch(draft -> b.drafts().contains(draft.id())))
                        .map(b -> new CourseBroken(b.rule(), b.drafts(), b.thing(), b.from(), b.to()))
                        .toList(),
                found);
    }

    private static CourseOven oven(Use use, Equipment equipment) {
        int there = equipment.traysOf(use.name());
        return new CourseOven(
                use.name(),
                use.from(),
                use.to(),
                use.taken(there),
                there,
                use.heat().map(Temperature::celsius));
    }

    private static CourseDraft draft(Courses.Begun begun, Draft draft, List<CourseGives> gives, boolean held) {
        Formula formula = draft.charge().formula();
        return new CourseDraft(
                draft.id(),
                formula.slug(),
                formula.name(),
                formula.family(),
                draft.litres().litres(),
                begun.vessels().get(draft.vessel()),
                draft.vessel(),
                draft.burner().map(begun.burners()::get),
                draft.start(),
                draft.ready(),
                draft.useBy(),
                draft.timeline().steps().stream().map(KitchenCourse::stage).toList(),
                draft.cooling().chiller(),
                gives,
                held);
    }

    private static CourseStage stage(Timeline.Step step) {
        return new CourseStage(step.stage(), step.from(), step.to());
    }

    private static List<CourseCall> calls(Constructive.Laid laid) {
        Course course = laid.course();
        Map<String, Double> missing = new HashMap<>();
        course.unmet().forEach(u -> missing.put(u.call().id(), u.litres().litres()));
        Map<String, Long> late = new HashMap<>();
        course.served()
                .forEach(one ->
                        late.merge(one.call().id(), Math.max(0, -one.spare().toMinutes()), Math::max));
        return course.calls().stream()
                .map(c -> CourseCall.of(
                        c,
                        missing.getOrDefault(c.id(), 0.0),
                        late.getOrDefault(c.id(), 0L),
                        laid.why().getOrDefault(c.id(), "")))
                .toList();
    }
}
