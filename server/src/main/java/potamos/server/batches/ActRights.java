package potamos.server.batches;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import potamos.core.batch.BatchEvent;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.Forbidden;

/** Who may log what: some acts are judgements, some hand stock out, and one's own slip can be undone for a while. */
final class ActRights {

    private static final Duration UNDO = Duration.ofMinutes(2);

    private static final Set<String> JUDGING = Set.of(
            "judged-enough",
            "judged-not-yet",
            "strained",
            "reheated",
            "discarded",
            "abandoned",
            "corrected",
            "withdrawn");
    private static final Set<String> HANDING_OUT = Set.of("stored", "delivered");

    private ActRights() {}

    /** @throws Forbidden when this person may not do that */
    static void require(Person person, BatchEvent event, List<Logged> logged, Instant now) {
        String kind = EventView.kind(event);
        if (HANDING_OUT.contains(kind)) {
            person.require(Right.DELIVER);
        } else if (JUDGING.contains(kind)) {
            boolean ownUndo = event instanceof BatchEvent.Withdrawn withdrawn
                    && logged.stream()
                            .anyMatch(l -> l.event().stamp().id().equals(withdrawn.event())
                                    && l.accountId().equals(person.id())
                                    && l.recordedAt().isAfter(now.minus(UNDO)));
            person.require(ownUndo ? Right.ACT : Right.JUDGE);
        } else {
            person.require(Right.ACT);
        }
    }
}
