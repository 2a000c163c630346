package potamos.server.calc;

import static potamos.core.figure.Figure.word;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.security.SecurityRequirement;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.Timeline;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Use;
import potamos.core.course.Values;
import potamos.core.quantity.Refusal;
import potamos.course.Search;
import potamos.server.solving.Solving;

/** The course of a whole kitchen over HTTP, everything inline. */
@RestController
@RequestMapping("/api/calc")
@Tag(name = "calculations", description = "Everything inline; a token of the kitchen opens them.")
@SecurityRequirement(name = "token")
class CourseEndpoint {

    private static final double MOST_SECONDS = 60;
    private static final double SECONDS = 0;
    private static final double LATE_MIN = 1;

    private final CourseReader reader;
    private final Solving solving;

    CourseEndpoint(CourseReader reader, Solving solving) {
        this.reader = reader;
        this.solving = solving;
    }

    @PostMapping("/course")
    @Operation(summary = "A kitchen, its calls and its shelf: which batches, in what and when, and what cannot be met")
    CourseJson.CourseOut course(@Valid @RequestBody CourseJson.CourseIn in) {
        Defaults defaults = new Defaults();
        double seconds = defaults.or("seconds", in.seconds(), SECONDS);
        Refusal.unlessWithin("seconds", seconds, 0, MOST_SECONDS, "s");
        Search.Found found =
                solving.lay("another program", reader.begun(in, defaults), Duration.ofMillis((long) (seconds * 1000)));
        Constructive.Laid laid = found.laid();
        Course course = laid.course();
        return new CourseJson.CourseOut(
                course.drafts().stream().map(CourseEndpoint::batch).toList(),
                course.allocations().stream()
                        .map(a -> new CourseJson.AllocationOut(
                                a.call(), a.from(), a.litres().litres()))
                        .toList(),
                course.unmet().stream()
                        .map(unmet -> new CourseJson.UnmetOut(
                                unmet.call().id(),
                                unmet.litres().litres(),
                                laid.why().getOrDefault(unmet.call().id(), "")))
                        .toList(),
                late(course, laid.why()),
                values(found),
                course.check().stream()
                        .map(b -> new CourseJson.BrokenOut(word(b.rule()), b.drafts(), b.thing(), b.from(), b.to()))
                        .toList(),
                found.gap().stream().boxed().findFirst(),
                word(found.how()),
                defaults.taken());
    }

    private static CourseJson.BatchOut batch(Draft draft) {
        List<Use> uses = draft.uses();
        return new CourseJson.BatchOut(
                draft.id(),
                draft.charge().formula().slug(),
                draft.litres().litres(),
                draft.vessel(),
                draft.burner(),
                draft.start(),
                draft.ready(),
                draft.useBy(),
                draft.timeline().steps().stream().map(step -> stage(step, uses)).toList());
    }

    private static CourseJson.StageOut stage(Timeline.Step step, List<Use> uses) {
        return new CourseJson.StageOut(
                word(step.stage()),
                step.from(),
                step.to(),
                uses.stream()
                        .filter(use -> use.amount() > 0)
                        .filter(use ->
                                use.from().isBefore(step.to()) && step.from().isBefore(use.to()))
                        .map(use -> new CourseJson.UseOut(word(use.kind()), use.name(), use.amount()))
                        .toList());
    }

    /** What a call gets after it was wanted. */
    private static List<CourseJson.LateOut> late(Course course, Map<String, String> why) {
        return course.served().stream()
                .map(one -> new CourseJson.LateOut(
                        one.call().id(),
                        one.litres().litres(),
                        -one.spare().toSeconds() / 60.0,
                        why.getOrDefault(one.call().id(), "")))
                .filter(late -> late.lateMin() >= LATE_MIN)
                .toList();
    }

    /** In the order in which they count. A bound stands where one is known: nothing is less than no rule broken. */
    private static List<CourseJson.ValueOut> values(Search.Found found) {
        Values values = found.laid().course().values();
        OptionalDouble none = OptionalDouble.empty();
        return List.of(
                value("unsafe", values.broken(), OptionalDouble.of(0)),
                value("late-litres", values.lateL(), found.lateBoundL()),
                value("wasted-litres", values.wastedL(), none),
                value("cook-hours", values.cookH(), found.leastCookH()),
                value("slack-hours", values.slackShort(), none),
                value("energy-kwh", values.kwh(), none));
    }

    private static CourseJson.ValueOut value(String level, double value, OptionalDouble bound) {
        return new CourseJson.ValueOut(level, value, bound.stream().boxed().findFirst());
    }
}
