package potamos.core.batch;

import java.time.Instant;
import java.util.List;
import potamos.core.quantity.Refusal;

/** What makes no sense is refused before it is logged: by what its kind may follow, by what amendments may name, and by what the record would say then. */
final class Guards {

    private Guards() {}

    static void check(Plan plan, List<? extends BatchEvent> events, BatchState state, BatchEvent next, Instant now) {
        // A plan that was accepted in time to come was accepted by a clock that was ahead, and does not hold up what is
        // done now.
        boolean acceptedAhead = plan.accepted().isAfter(now);
        if (next.stamp().at().isBefore(plan.accepted()) && !acceptedAhead) {
            throw Refusal.of("at", "before the plan was accepted");
        }
        if (next instanceof Amendment amendment) {
            checkAmendment(plan, events, amendment, now);
        } else if (next instanceof Fact fact) {
            Before before = new Before(plan, state);
            boolean remark = fact instanceof LookEvent.Noted;
            before.require(remark || state.stage() != Stage.ABANDONED, "this batch was given up");
            fact.kind().check(before, fact);
        }
    }

    private static void checkAmendment(Plan plan, List<? extends BatchEvent> events, Amendment amendment, Instant now) {
        Fact target = target(events, amendment.event());
        if (!(amendment instanceof Amendment.Corrected corrected)) {
            return;
        }
        if (target.kind() != corrected.replacement().kind()) {
            throw Refusal.of("corrects", "a correction is of the same kind as what it corrects");
        }
        if (!target.kind().correctable()) {
            throw Refusal.of("corrects", "a lot or a delivery is part of the record: withdraw it and log it anew");
        }
        Instant happened = corrected.replacement().stamp().at();
        if (!happened.equals(History.asBelieved(events, target).stamp().at())) {
            checkMoved(plan, events, corrected, happened, now);
        }
    }

    private static void checkMoved(
            Plan plan, List<? extends BatchEvent> events, Amendment.Corrected moved, Instant happened, Instant now) {
        if (happened.isBefore(plan.accepted())) {
            throw Refusal.of("happenedAt", "before the plan was accepted");
        }
        if (happened.isAfter(now)) {
            throw Refusal.of("happenedAt", "that time has not come yet");
        }
        if (!LateEntry.fits(plan, events, moved, now)) {
            throw Refusal.of(
                    "happenedAt", "then something that was told after it would make no sense; put that right first");
        }
    }

    /**
     * What an amendment may name.
     *
     * @throws Refusal when there is no such entry, when it was withdrawn, and when it is an amendment itself
     */
    static Fact target(List<? extends BatchEvent> events, String id) {
        boolean gone = events.stream()
                .anyMatch(e -> e instanceof Amendment.Withdrawn w && w.event().equals(id));
        if (gone) {
            throw Refusal.of("act", "that entry was withdrawn already");
        }
        BatchEvent target = events.stream()
                .filter(e -> e.stamp().id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.of("corrects", "there is no such entry in this batch"));
        if (target instanceof Fact fact) {
            return fact;
        }
        throw Refusal.of("corrects", "a correction cannot itself be corrected; correct the first entry again");
    }

    /** What must hold after any event, corrections included. */
    static void checkAfter(BatchState after) {
        boolean shortLot =
                after.shelf().lots().stream().anyMatch(lot -> lot.left().litres() < -1e-6);
        if (shortLot || after.shelf().left().litres() < -1e-6) {
            throw Refusal.outside(
                    "litres",
                    "then more would have gone out than was put away",
                    0,
                    after.shelf().stored().litres(),
                    "L");
        }
    }
}
