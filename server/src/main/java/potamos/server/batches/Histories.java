package potamos.server.batches;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.Plan;
import potamos.server.Json;

/** Plans and records of batches, read from the database once and kept for as long as they cannot have changed. */
@Component
class Histories {

    private final BatchMapper mapper;
    private final Json json;

    /** Plans never change, so they are read once. */
    private final Cache<String, Plan> plans =
            Caffeine.newBuilder().maximumSize(500).build();

    /** Events of a batch up to a number never change either. */
    private final Cache<EventsKey, List<Logged>> histories =
            Caffeine.newBuilder().maximumSize(500).build();

    private record EventsKey(String batchId, int seq) {}

    Histories(BatchMapper mapper, Json json) {
        this.mapper = mapper;
        this.json = json;
    }

    Plan plan(BatchMapper.BatchRow row) {
        return plans.get(row.id(), id -> json.read(row.plan(), Plan.class));
    }

    List<Logged> of(String batchId) {
        int seq = mapper.latestSeq(batchId);
        EventsKey key = new EventsKey(batchId, seq);
        List<Logged> known = histories.getIfPresent(key);
        if (known == null) {
            known = mapper.events(batchId).stream()
                    .map(e -> new Logged(
                            e.seq(),
                            json.read(e.payload(), BatchEvent.class),
                            e.recordedAt(),
                            e.accountId(),
                            e.accountName()))
                    .toList();
            if (known.size() == seq) {
                histories.put(key, known);
            }
        }
        return known;
    }
}
