package potamos.server.calc;

import static potamos.core.figure.Figure.word;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.security.SecurityRequirement;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
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
import potamos.server.problems.Busy;

/** The course of a whole kitchen over HTTP, everything inline. */
@RestController
@RequestMapping("/api/calc")
@Tag(name = "calculations", description = "Everything inline; a token of the kitchen opens them.")
@SecurityRequirement(name = "token")
class CourseEndpoint {

    private static final double MOST_SECONDS = 60;
    private static final double SECONDS = 5;
    private static final double LATE_MIN = 1;

    private static final int LONGEST_WAIT_S = 10;

    private final Semaphore turn = new Semaphore(1, true);
    private final CourseReader reader;

    CourseEndpoint(CourseReader reader) {
        this.reader = reader;
    }

    @PostMapping("/course")
    @Operation(summary = "A kitchen, its calls and its shelf: which batches, in what and when, and what cannot be met")
    CourseJson.CourseOut course(@Valid @RequestBody CourseJson.CourseIn in) {
        Defaults defaults = new Defaults();
        Refusal.unlessWithin("seconds", defaults.or("seconds", in.seconds(), SECONDS), 0, MOST_SECONDS, "s");
        Constructive.Laid laid = inTurn(reader.begun(in, defaults));
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
                values(course.values()),
                course.check().stream()
                        .map(b -> new CourseJson.BrokenOut(word(b.rule()), b.drafts(), b.thing(), b.from(), b.to()))
                        .toList(),
                Optional.empty(),
                "constructive",
                defaults.taken());
    }

    /** A large one keeps a processor for seconds: one at a time, so that the kitchen's own screens are never behind it. */
    private Constructive.Laid inTurn(Course begun) {
        try {
            if (!turn.tryAcquire(LONGEST_WAIT_S, TimeUnit.SECONDS)) {
                throw new Busy("Other courses are being laid. Try again in a moment.", LONGEST_WAIT_S);
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new Busy("The server is stopping.", LONGEST_WAIT_S);
        }
        try {
            return Constructive.lay(begun);
        } finally {
            turn.release();
        }
    }

    private static CourseJson.BatchOut batch(Draft draft) {
        List<Use> uses = draft.uses();
        return new CourseJson.BatchOut(
                draft.id(),
                draft.charge().formula().slug(),
                draft.litres().litres(),
                draft.charge().run().vessel().name(),
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

    /** In the order in which they count. */
    private static List<CourseJson.ValueOut> values(Values values) {
        return List.of(
                value("unsafe", values.broken()),
                value("late-litres", values.lateL()),
                value("wasted-litres", values.wastedL()),
                value("cook-hours", values.cookH()),
                value("slack-hours", values.slackShort()),
                value("energy-kwh", values.kwh()));
    }

    private static CourseJson.ValueOut value(String level, double value) {
        return new CourseJson.ValueOut(level, value, Optional.empty());
    }
}
