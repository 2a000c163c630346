package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.quantity.Refusal;

/** The life of a batch: its state is the replay of what happened over what was planned. */
public final class Batch {

    private Batch() {}

    /**
     * The state at a moment.
     *
     * @param plan   as accepted
     * @param events as logged, in the order of arrival
     * @param now    the moment; events after it still count, for they are known
     */
    public static BatchState replay(Plan plan, List<BatchEvent> events, Instant now) {
        Replay replay = new Replay(plan);
        for (BatchEvent event : History.believed(events)) {
            replay.apply(event);
        }
        return replay.stateAt(now);
    }

    /** What is now believed to have happened: corrections applied, withdrawn entries left out, in the order of the clock. */
    public static List<BatchEvent> believed(List<BatchEvent> events) {
        return History.believed(events);
    }

    /**
     * The state with one more event, if it makes sense after the others.
     *
     * @throws Refusal with the field, the reason and the range when it does not
     */
    public static BatchState accept(Plan plan, List<BatchEvent> events, BatchEvent next, Instant now) {
        BatchState before = replay(plan, events, now);
        Guards.check(plan, events, before, next);
        List<BatchEvent> all = new ArrayList<>(events);
        all.add(next);
        BatchState after = replay(plan, all, now);
        Guards.checkAfter(after);
        return after;
    }
}
