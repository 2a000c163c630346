package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.quantity.Refusal;

/** Something that happened before other things that are told already, or is moved among them: whether there is a place for it. */
final class LateEntry {

    private final Plan plan;
    private final Fact it;
    private final List<Fact> was;
    private final List<Fact> is;
    private final Instant now;

    private LateEntry(Plan plan, List<? extends BatchEvent> events, BatchEvent next, Instant now) {
        List<BatchEvent> told = new ArrayList<>(events);
        told.add(next);
        this.plan = plan;
        this.it = next instanceof Amendment.Corrected moved ? moved.replacement() : (Fact) next;
        this.was = History.believed(events);
        this.is = History.believed(told);
        this.now = now;
    }

    /**
     * Whether everything that was told still makes sense when something goes in among it, or goes from one moment to another.
     *
     * @param next what happened, or a correction that moves it
     * @throws Refusal when it made no sense at its moment
     */
    static boolean fits(Plan plan, List<? extends BatchEvent> events, BatchEvent next, Instant now) {
        return new LateEntry(plan, events, next, now).orderHolds();
    }

    private boolean orderHolds() {
        check(is, it);
        int before = place(was, it);
        Instant to = it.stamp().at();
        Instant from = before < 0 ? to : was.get(before).stamp().at();
        Instant since = from.isBefore(to) ? from : to;
        return is.stream()
                .filter(event -> !event.stamp().id().equals(it.stamp().id()))
                .filter(event -> !event.stamp().at().isBefore(since))
                // A record may hold what was out of order from the start; that is not this entry's fault.
                .allMatch(event -> follows(is, event) || !follows(was, event));
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
