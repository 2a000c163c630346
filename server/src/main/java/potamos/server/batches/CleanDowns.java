package potamos.server.batches;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchState;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.FinishEvent;
import potamos.core.batch.Plan;
import potamos.core.batch.PotEvent;
import potamos.core.charge.Charge;
import potamos.core.figure.Figure;
import potamos.core.safety.Allergen;
import potamos.server.problems.Conflict;

/**
 * Between what swims and what does not, things are cleaned down, and that is recorded: the vessel before it is filled, and strainer set and ladle, which go from
 * pot to pot, before anything else is strained.
 */
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
     * @param vessel whether of the vessel too, and not of strainer set and ladle alone
     * @param after  number of the batch whose stock they held
     * @param stock  of that batch
     * @param of     what has to be cleaned off
     */
    record Wanted(boolean vessel, int after, String stock, Set<Allergen> of) {}

    /** What a batch that is not strained yet wants cleaned down; empty where nothing need be, or all was. */
    Optional<Wanted> before(BatchMapper.BatchRow row, Plan plan, BatchState state) {
        return state.strained().isPresent() || !state.stage().open()
                ? Optional.empty()
                : vessel(row, plan, state).or(() -> tools(row, plan));
    }

    private Optional<Wanted> vessel(BatchMapper.BatchRow row, Plan plan, BatchState state) {
        if (!state.course().isEmpty() || state.last(ChoreEvent.CleanedDown.KIND).isPresent()) {
            return Optional.empty();
        }
        return mapper.lastOfKind(row.kitchenId(), PotEvent.Filled.KIND.name(), row.vesselId(), row.id())
                .flatMap(filled -> wanted(true, filled, row, plan));
    }

    /** Whoever cleans them down for one pot has cleaned them for all. */
    private Optional<Wanted> tools(BatchMapper.BatchRow row, Plan plan) {
        Instant cleaned = mapper.lastOfKind(row.kitchenId(), ChoreEvent.CleanedDown.KIND.name(), null, "")
                .map(BatchMapper.Latest::at)
                .orElse(Instant.EPOCH);
        return mapper.lastOfKind(row.kitchenId(), FinishEvent.Strained.KIND.name(), null, row.id())
                .filter(strained -> strained.at().isAfter(cleaned))
                .flatMap(strained -> wanted(false, strained, row, plan));
    }

    private Optional<Wanted> wanted(boolean vessel, BatchMapper.Latest held, BatchMapper.BatchRow row, Plan next) {
        BatchMapper.BatchRow before =
                mapper.byId(held.batchId(), row.kitchenId()).orElseThrow();
        Charge charge = histories.plan(before).charge();
        Set<Allergen> of = charge.contents().cleanedOffFor(next.charge().contents());
        return of.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new Wanted(vessel, before.number(), charge.formula().name(), of));
    }

    /** @throws Conflict where a vessel is filled, or a stock is strained, with what is not cleaned down */
    void unlessWanted(BatchMapper.BatchRow row, Plan plan, BatchState before) {
        before(row, plan, before).ifPresent(wanted -> {
            String of = wanted.of().stream().map(Figure::word).collect(Collectors.joining(", "));
            String held = wanted.stock() + " (batch " + wanted.after() + "), with " + of;
            throw new Conflict(
                    "vessel",
                    wanted.vessel()
                            ? plan.charge().run().vessel().name() + " held " + held
                                    + ". Clean down vessel, strainer and ladle, and log that, before it is filled."
                            : "The strainer set and the ladle were in " + held
                                    + ". Clean them down, and log that, before anything else touches them.");
        });
    }
}
