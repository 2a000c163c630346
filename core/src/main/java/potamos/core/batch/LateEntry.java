package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.quantity.Refusal;

/** Something that happened before other things that are told already, or is moved among them: whether there is a place for it. */
final class LateEntry {

    private final Plan plan;
    private final List<Fact> was;
    private final List<Fact> is;
    private final Instant now;

    private LateEntry(Plan plan, List<? extends BatchEvent> events, BatchEvent next, Instant now) {
        List<BatchEvent> told = new ArrayList<>(events);
        told.add(next);
        this.plan = plan;
        this.was = History.believed(events);
        this.is = History.believed(told);
        this.now = now;
    }

    /**
     * Whether everything that was told to have happened after it still makes sense with it.
     *
     * @throws Refusal when it made no sense at its own moment
     */
    static boolean fits(Plan plan, List<? extends BatchEvent> events, Fact next, Instant now) {
        return new LateEntry(plan, events, next, now)
                .orderHolds(next, next.stamp().at());
    }

    /**
     * Whether everything still makes sense when an entry is moved to the moment at which it really was.
     *
     * @throws Refusal when it made no sense at that moment
     */
    static boolean fits(Plan plan, List<? extends BatchEvent> events, Amendment.Corrected moved, Instant now) {
        LateEntry late = new LateEntry(plan, events, moved, now);
        Fact next = moved.replacement();
        Instant from = next.stamp().at();
        int before = place(late.was, next);
        if (before >= 0 && late.was.get(before).stamp().at().isBefore(from)) {
            from = late.was.get(before).stamp().at();
        }
        return late.orderHolds(next, from);
    }

    private boolean orderHolds(Fact next, Instant from) {
        check(is, next);
        for (Fact event : is) {
            boolean another = !event.stamp().id().equals(next.stamp().id());
            // A record may hold what was out of order from the start; that is not this entry's fault.
            if (another && !event.stamp().at().isBefore(from) && !follows(is, event) && follows(was, event)) {
                return false;
            }
        }
        return true;
    }

    private boolean follows(List<Fact> record, Fact event) {
        try {
            check(record, event);
            return true;
        } catch (Refusal refused) {
            return false;
        }
    }

    /** @throws Refusal when it made no sense after what had happened before it */
    private void check(List<Fact> record, Fact event) {
        List<Fact> before = record.subList(0, place(record, event));
        Guards.check(plan, before, Batch.replay(plan, before, event.stamp().at()), event, now);
    }

    private static int place(List<Fact> record, Fact event) {
        for (int at = 0; at < record.size(); at++) {
            if (record.get(at).stamp().id().equals(event.stamp().id())) {
                return at;
            }
        }
        return -1;
    }
}
