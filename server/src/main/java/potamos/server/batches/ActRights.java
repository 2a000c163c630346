package potamos.server.batches;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import potamos.core.batch.Amendment;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.EventKind;
import potamos.core.batch.Fact;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.Forbidden;

/** Who may log what: some acts are judgements, some hand stock out, and one's own slip can be undone for a while. */
final class ActRights {

    private static final Duration UNDO = Duration.ofMinutes(2);

    private ActRights() {}

    /**
     * @param failed whether the cooling stands failed: then whatever turns it is answered for
     * @throws Forbidden when this person may not do that
     */
    static void require(Person person, BatchEvent event, List<Logged> logged, boolean failed, Instant now) {
        if (event instanceof Amendment && failed) {
            person.require(Right.VOUCH);
        } else if (event instanceof Amendment amendment) {
            person.require(ownUndo(person, amendment, logged, now) ? Right.ACT : Right.JUDGE);
        } else {
            person.require(rightFor(person, ((Fact) event).kind().trust()));
        }
    }

    private static Right rightFor(Person person, EventKind.Trust trust) {
        return switch (trust) {
            case WORK -> Right.ACT;
            case JUDGEMENT -> Right.JUDGE;
            case VOUCHING -> Right.VOUCH;
            case HANDING_OUT -> Right.DELIVER;
            case TAKING_OVER -> person.stationId() == null ? Right.DELIVER : Right.ASK;
        };
    }

    private static boolean ownUndo(Person person, Amendment amendment, List<Logged> logged, Instant now) {
        return amendment instanceof Amendment.Withdrawn withdrawn
                && logged.stream()
                        .anyMatch(l -> l.event().stamp().id().equals(withdrawn.event())
                                && l.accountId().equals(person.id())
                                && l.recordedAt().isAfter(now.minus(UNDO)));
    }
}
