package potamos.server.batches;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.Plan;
import potamos.server.Json;

/** Plans and records of batches, read from the database once and kept for as long as they cannot have changed. */
@Component
class Histories {
    /** More open batches than any kitchen has; what is read anew with every look costs more than the memory. */
    private static final int MOST_KEPT = 800;

    private final BatchMapper mapper;
    private final Json json;

    /** Plans never change, so they are read once. */
    private final Cache<String, Plan> plans =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    /** Events are only ever added, so what is known of a batch is gone on from. */
    private final Cache<String, List<Logged>> histories =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Histories(BatchMapper mapper, Json json) {
        this.mapper = mapper;
        this.json = json;
    }

    Plan plan(BatchMapper.BatchRow row) {
        return plans.get(row.id(), id -> json.read(row.plan() == null ? mapper.plan(id) : row.plan(), Plan.class));
    }

    /**
     * What was logged of a batch, in the order of arrival. Not to be asked after a write of the same transaction: what is read is kept, and a write may
     * yet be taken back. A backup that is put back under a running server takes entries away; what was known then is read anew.
     */
    List<Logged> of(String batchId) {
        return of(batchId, mapper.latestEvent(batchId));
    }

    /** The same of several batches, asked about together. */
    Map<String, List<Logged>> of(List<String> batchIds) {
        if (batchIds.isEmpty()) {
            return Map.of();
        }
        Map<String, String> latest = mapper.latestEvents(batchIds).stream()
                .collect(Collectors.toMap(BatchMapper.Head::batchId, BatchMapper.Head::id));
        return batchIds.stream().collect(Collectors.toMap(id -> id, id -> of(id, Optional.ofNullable(latest.get(id)))));
    }

    private List<Logged> of(String batchId, Optional<String> latest) {
        List<Logged> known = histories.get(batchId, id -> List.of());
        if (latest.equals(last(known))) {
            return known;
        }
        List<Logged> now = goneOn(batchId, known);
        if (!latest.equals(last(now))) {
            now = goneOn(batchId, List.of());
        }
        histories.put(batchId, now);
        return now;
    }

    private List<Logged> goneOn(String batchId, List<Logged> known) {
        List<Logged> all = new ArrayList<>(known);
        for (BatchMapper.EventRow e : mapper.events(batchId, known.size())) {
            BatchEvent event = json.event(e.payload(), e.recordedAt());
            all.add(new Logged(e.seq(), event, e.recordedAt(), e.accountId(), e.accountName()));
        }
        return List.copyOf(all);
    }

    private static Optional<String> last(List<Logged> all) {
        return all.isEmpty()
                ? Optional.empty()
                : Optional.of(all.get(all.size() - 1).event().stamp().id());
    }
}
