package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.quantity.Refusal;

/** Something that happened before other things that are told already: whether there is a place for it among them. */
final class LateEntry {

    private LateEntry() {}

    /**
     * Whether everything that was told to have happened after it still makes sense with it.
     *
     * @throws Refusal when it made no sense at its own moment
     */
    static boolean fits(Plan plan, List<? extends BatchEvent> events, BatchEvent next, Instant now) {
        List<Fact> believed = History.believed(events);
        List<BatchEvent> until = new ArrayList<>();
        List<Fact> since = new ArrayList<>();
        for (Fact event : believed) {
            if (event.stamp().at().isAfter(next.stamp().at())) {
                since.add(event);
            } else {
                until.add(event);
            }
        }
        Guards.check(plan, until, Batch.replay(plan, until, next.stamp().at()), next, now);
        List<BatchEvent> without = new ArrayList<>(until);
        List<BatchEvent> with = new ArrayList<>(until);
        with.add(next);
        for (Fact later : since) {
            // A record may hold what was out of order from the start; that is not this entry's fault.
            if (!follows(plan, with, later, now) && follows(plan, without, later, now)) {
                return false;
            }
            with.add(later);
            without.add(later);
        }
        return true;
    }

    private static boolean follows(Plan plan, List<BatchEvent> before, BatchEvent event, Instant now) {
        try {
            Guards.check(plan, before, Batch.replay(plan, before, event.stamp().at()), event, now);
            return true;
        } catch (Refusal refused) {
            return false;
        }
    }
}
