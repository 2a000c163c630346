package potamos.server.batches;

import java.time.Instant;
import java.util.List;
import potamos.core.batch.BatchEvent;

/** An event with what storage knows of it: its order of arrival, when it was recorded, and by whom. */
record Logged(int seq, BatchEvent event, Instant recordedAt, String accountId, String byName) {

    /** The events alone, in the order of arrival. */
    static List<BatchEvent> events(List<Logged> all) {
        return all.stream().map(Logged::event).toList();
    }
}
