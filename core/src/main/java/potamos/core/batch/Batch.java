package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.flow.Luck;
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
    public static BatchState replay(Plan plan, List<? extends BatchEvent> events, Instant now) {
        return Replay.of(plan, events).stateAt(now);
    }

    /**
     * The plan as it stands by what has been weighed: water, line, parts and what is expected are those of what is really there. Whatever is asked about
     * a batch is asked about this; only what was promised is asked about the plan as accepted.
     */
    public static Plan standing(Plan plan, List<? extends BatchEvent> events) {
        return Weighing.standing(plan, History.believed(events));
    }

    /** What is now believed to have happened: corrections applied, withdrawn entries left out, in the order of the clock. */
    public static List<Fact> believed(List<? extends BatchEvent> events) {
        return History.believed(events);
    }

    /**
     * What came of an event that was accepted.
     *
     * @param state  after it
     * @param before how the batch stood, when the event went in among others that happened after it; empty when it is the latest
     */
    public record Accepted(BatchState state, Optional<BatchState> before) {}

    /**
     * The state with one more event, if it makes sense after the others. What is told late is judged at the moment at which it happened, by what had
     * happened until then: it is true, however much has happened since. It goes in there, if all that came after it still makes sense.
     *
     * @param accepted the plan as it was accepted
     * @throws Refusal with the field, the reason and the range when it does not
     */
    public static Accepted accept(Plan accepted, List<? extends BatchEvent> events, BatchEvent next, Instant now) {
        List<Fact> was = believed(events);
        InThePot with = InThePot.of(accepted, was);
        Plan plan = Weighing.standing(accepted, with);
        BatchState before = Replay.over(plan, Luck.BOOK, was, events).stateAt(now);
        List<Fact> since = since(was, next);
        try {
            Guards.check(plan, events, before, next, now);
        } catch (Refusal asThingsAre) {
            if (since.isEmpty() || !LateEntry.fits(plan, events, next, now)) {
                throw asThingsAre;
            }
        }
        List<BatchEvent> all = new ArrayList<>(events);
        all.add(next);
        List<Fact> is = believed(all);
        // To solve a charge takes as long as all the rest: few entries are of something that is weighed.
        InThePot withIt = InThePot.of(accepted, is);
        Plan stands = withIt.equals(with) ? plan : Weighing.standing(accepted, withIt);
        BatchState after = Replay.over(stands, Luck.BOOK, is, all).stateAt(now);
        Guards.checkAfter(after);
        return new Accepted(after, since.isEmpty() ? Optional.empty() : Optional.of(before));
    }

    /** What is believed to have happened after an event; nothing for one that tells of another. */
    private static List<Fact> since(List<Fact> believed, BatchEvent next) {
        boolean ofAnother = next instanceof Amendment || next instanceof LookEvent.Noted;
        return ofAnother
                ? List.of()
                : believed.stream()
                        .filter(e -> !(e instanceof LookEvent.Noted))
                        .filter(e -> e.stamp().at().isAfter(next.stamp().at()))
                        .toList();
    }

    /**
     * A correction of an entry: what is not named stays as it is believed now.
     *
     * @param event   the id of the entry
     * @param change  what is told right
     * @throws Refusal when there is no such entry, it cannot be corrected, or a figure makes no sense
     */
    public static Amendment.Corrected correction(
            List<? extends BatchEvent> events,
            String event,
            Amendment.Change change,
            BatchEvent.Stamp stamp,
            String reason) {
        Fact believed = History.asBelieved(events, Guards.target(events, event));
        return Amendment.Corrected.of(believed, change, stamp, reason);
    }
}
