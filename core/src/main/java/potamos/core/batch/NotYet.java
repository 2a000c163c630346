package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.quantity.Band;

/**
 * What a simmer that goes on for so much longer would do, before anybody decides it.
 *
 * @param longer       0 when it ends now
 * @param ends         off the heat
 * @param offTheBurner strained, so that another pot can have the burner
 * @param ready        to be delivered
 * @param late         later than wanted; zero or less when in time
 * @param litres       expected out
 * @param gelatinGPerL at the end
 */
public record NotYet(
        Duration longer,
        Instant ends,
        Instant offTheBurner,
        Instant ready,
        Duration late,
        Band litres,
        double gelatinGPerL) {

    private static final String SUPPOSED = "supposed";

    /** A simmer of minutes is judged in minutes. */
    private static final Duration SHORT_SIMMER = Duration.ofMinutes(60);

    private static final List<Duration> BY_MINUTES =
            List.of(Duration.ofMinutes(5), Duration.ofMinutes(10), Duration.ofMinutes(15));
    private static final List<Duration> BY_THE_HOUR =
            List.of(Duration.ofMinutes(15), Duration.ofMinutes(30), Duration.ofMinutes(60));

    /** For how much longer a cook might let it go on: minutes for a fumet, up to an hour for bones. */
    public static List<Duration> longer(Plan plan) {
        boolean brief = plan.charge().run().simmer().usual().compareTo(SHORT_SIMMER) < 0;
        return brief ? BY_MINUTES : BY_THE_HOUR;
    }

    /** The same events with the end judged so, at this moment: <i>not yet</i>, or enough where it goes on no longer. */
    public static List<BatchEvent> supposed(List<? extends BatchEvent> events, Instant now, Duration longer) {
        List<BatchEvent> supposed = new ArrayList<>(events);
        supposed.add(new PotEvent.Judged(new Stamp(SUPPOSED, now, ""), longer.isZero(), longer));
        return supposed;
    }

    /** What judging the end so, at this moment, would do. */
    public static NotYet of(Plan accepted, List<? extends BatchEvent> events, Instant now, Duration longer) {
        Plan plan = Batch.standing(accepted, events);
        Replay replay = Replay.of(plan, supposed(events, now, longer));
        BatchState state = replay.stateAt(now);
        Outlook outlook = Outlook.of(plan, state);
        Instant ends =
                state.simmer().ended().or(() -> state.simmer().plannedEnd()).orElse(now);
        Instant off = outlook.timeline().steps().stream()
                .filter(step -> step.stage().mayBeOnTheHob())
                .map(Timeline.Step::to)
                .reduce(ends, (first, next) -> next.isAfter(first) ? next : first);
        Ahead.of(
                plan.charge().run(),
                replay.pot(),
                state.stage(),
                state.simmer().plannedEnd(),
                Ahead.Until.END_OF_SIMMER);
        List<BatchState.CoursePoint> course = replay.pot().course();
        double gelatin = course.isEmpty() ? 0 : course.get(course.size() - 1).gelatinGPerL();
        return new NotYet(
                longer, ends, off, outlook.ready(), outlook.late(), Expectation.litresOut(plan, state), gelatin);
    }
}
