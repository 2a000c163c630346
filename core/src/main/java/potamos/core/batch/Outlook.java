package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * The rest of a batch from where it stands: what is left of the present stage, then the others at their planned length.
 *
 * @param timeline stages from the present one on; empty once the litres are put away
 * @param ready    when the litres will be ready
 * @param late     how much later than wanted; zero or less when in time
 */
public record Outlook(Timeline timeline, Instant ready, Duration late) {

    public static Outlook of(Plan plan, BatchState state) {
        List<Timeline.Step> steps = new ArrayList<>();
        Instant at = state.now();
        List<Timeline.Step> ahead = state.stage().open() ? plan.timeline().from(state.stage()) : List.of();
        for (Timeline.Step planned : ahead) {
            boolean present = planned.stage() == state.stage();
            Instant from = present && !state.path().isEmpty() ? state.since() : begins(planned, at, present);
            Instant end =
                    planned.stage() == state.stage() ? presentEnd(plan, state, planned) : at.plus(planned.length());
            steps.add(new Timeline.Step(planned.stage(), from, end));
            at = end;
        }
        return new Outlook(new Timeline(steps), at, Duration.between(plan.readyBy(), at));
    }

    /** A batch that nobody has begun begins when it is planned to, if that is still to come. */
    private static Instant begins(Timeline.Step planned, Instant at, boolean present) {
        return present && planned.from().isAfter(at) ? planned.from() : at;
    }

    private static Instant presentEnd(Plan plan, BatchState state, Timeline.Step planned) {
        Instant now = state.now();
        if (state.path().isEmpty()) {
            Instant start = planned.from().isAfter(now) ? planned.from() : now;
            return start.plus(planned.length());
        }
        if (state.stage() == Stage.PREPARE) {
            Instant done = DueChores.of(plan, state, state.since()).done();
            return done.isBefore(now) ? now : done;
        }
        Instant expected = state.stage() == Stage.SIMMER
                ? state.simmer().plannedEnd().orElse(now)
                : state.stage() == Stage.COOL
                        ? state.cooling()
                                .projection()
                                .flatMap(p -> p.reaches(plan.limits().coldest()))
                                .orElse(state.since().plus(planned.length()))
                        : state.since().plus(planned.length());
        return expected.isBefore(now) ? now : expected;
    }
}
