package potamos.server.courses;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;

/**
 * A course as it is drawn.
 *
 * @param lots  what there is, or is coming whatever is done
 * @param hands how many cooks are there, and how many are wanted
 * @param howMuchLateL litres late or missing, weighted as the planner does
 */
record KitchenCourse(
        @NotNull Instant now,
        @NotNull Instant until,
        @NotNull List<CourseRunning> running,
        @NotNull List<CourseDraft> drafts,
        @NotNull List<CourseLot> lots,
        @NotNull List<CourseCall> calls,
        @NotNull List<CourseHands> hands,
        double howMuchLateL) {

    record CourseStage(
            @NotNull Stage stage,
            @NotNull Instant from,
            @NotNull Instant to) {}

    /** Litres that go to a call. */
    record CourseGives(@NotNull String callId, double litres) {}

    /** A batch under way, with what is left of its stages. */
    record CourseRunning(
            @NotNull String id,
            int number,
            @NotNull String formulaName,
            @NotNull Family family,
            double litres,
            @NotNull String vesselName,
            @NotNull List<CourseStage> stages) {
        static CourseRunning of(Running.Standing batch) {
            return new CourseRunning(
                    batch.id(),
                    batch.number(),
                    batch.formulaName(),
                    batch.family(),
                    batch.litres(),
                    batch.vessel(),
                    batch.ahead().steps().stream().map(KitchenCourse::stage).toList());
        }
    }

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
            @NotNull List<CourseGives> gives) {}

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
            @NotNull String formulaName,
            @NotNull Family family,
            double litres,
            @NotNull Instant by,
            double missing,
            long lateMin,
            @NotNull String why) {}

    record CourseHands(@NotNull Instant from, @NotNull Instant to, int there, double wanted) {}

    static KitchenCourse of(Courses.Laid laid) {
        Course course = laid.constructive().course();
        Map<String, List<CourseGives>> gives = new HashMap<>();
        course.allocations()
                .forEach(a -> gives.computeIfAbsent(a.from(), from -> new ArrayList<>())
                        .add(new CourseGives(a.call(), a.litres().litres())));
        return new KitchenCourse(
                course.now(),
                course.until(),
                laid.running().stream().map(CourseRunning::of).toList(),
                course.drafts().stream()
                        .map(d -> draft(laid, d, gives.getOrDefault(d.id(), List.of())))
                        .toList(),
                laid.stocks().values().stream()
                        .map(s -> new CourseLot(
                                s.lot().id(),
                                s.name(),
                                s.family(),
                                s.lot().litres().litres(),
                                s.lot().from(),
                                s.lot().useBy(),
                                gives.getOrDefault(s.lot().id(), List.of())))
                        .toList(),
                calls(laid),
                course.hands().stream()
                        .map(h -> new CourseHands(h.from(), h.to(), h.there(), h.wanted()))
                        .toList(),
                course.values().lateL());
    }

    private static CourseDraft draft(Courses.Laid laid, Draft draft, List<CourseGives> gives) {
        Formula formula = draft.charge().formula();
        return new CourseDraft(
                draft.id(),
                formula.slug(),
                formula.name(),
                formula.family(),
                draft.litres().litres(),
                laid.vessels().get(draft.charge().run().vessel().name()),
                draft.charge().run().vessel().name(),
                draft.burner().map(laid.burners()::get),
                draft.start(),
                draft.ready(),
                draft.useBy(),
                draft.timeline().steps().stream().map(KitchenCourse::stage).toList(),
                gives);
    }

    private static CourseStage stage(Timeline.Step step) {
        return new CourseStage(step.stage(), step.from(), step.to());
    }

    private static List<CourseCall> calls(Courses.Laid laid) {
        Course course = laid.constructive().course();
        Map<String, Double> missing = new HashMap<>();
        course.unmet().forEach(u -> missing.put(u.call().id(), u.litres().litres()));
        Map<String, Long> late = new HashMap<>();
        course.served()
                .forEach(one ->
                        late.merge(one.call().id(), Math.max(0, -one.spare().toMinutes()), Math::max));
        return course.calls().stream()
                .map(c -> new CourseCall(
                        c.id(),
                        c.station(),
                        c.formula().name(),
                        c.formula().family(),
                        c.litres().litres(),
                        c.by(),
                        missing.getOrDefault(c.id(), 0.0),
                        late.getOrDefault(c.id(), 0L),
                        laid.constructive().why().getOrDefault(c.id(), "")))
                .toList();
    }
}
