package potamos.server.batches;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchState;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.Plan;
import potamos.core.figure.Figure;
import potamos.core.safety.Allergen;
import potamos.server.problems.Conflict;

/** Between what swims and what does not, a vessel is cleaned down, and that is recorded. */
@Component
class CleanDowns {

    private final BatchMapper mapper;
    private final Histories histories;

    CleanDowns(BatchMapper mapper, Histories histories) {
        this.mapper = mapper;
        this.histories = histories;
    }

    /**
     * A clean-down that is wanted.
     *
     * @param after number of the batch whose stock was in the vessel
     * @param stock of that batch
     * @param of    what has to be cleaned off
     */
    record Wanted(int after, String stock, Set<Allergen> of) {}

    /** What a batch that is not filled yet has its vessel cleaned down of first; empty where it need not be, or was. */
    Optional<Wanted> before(BatchMapper.BatchRow row, Plan plan, BatchState state) {
        if (!state.course().isEmpty() || state.last(ChoreEvent.CleanedDown.KIND).isPresent()) {
            return Optional.empty();
        }
        return mapper.lastIn(row.vesselId(), row.kitchenId(), row.id())
                .map(last -> {
                    Plan held = histories.plan(last);
                    return new Wanted(
                            last.number(),
                            held.charge().formula().name(),
                            held.charge().contents().cleanedOffFor(plan.charge().contents()));
                })
                .filter(wanted -> !wanted.of().isEmpty());
    }

    /** @throws Conflict where a vessel is filled that is not cleaned down */
    void unlessWanted(BatchMapper.BatchRow row, Plan plan, BatchState before) {
        before(row, plan, before).ifPresent(wanted -> {
            String of = wanted.of().stream().map(Figure::word).collect(Collectors.joining(", "));
            throw new Conflict(
                    "vessel",
                    plan.charge().run().vessel().name() + " held " + wanted.stock() + " (batch " + wanted.after()
                            + "), with " + of
                            + ". Clean down vessel, strainer and ladle, and log that, before it is filled.");
        });
    }
}
