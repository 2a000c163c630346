package potamos.server.batches;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.batch.Stage;
import potamos.core.flow.Run;
import potamos.core.heat.Burner;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** Which burners the pots stand on. */
@Service
class Burners {

    private final BatchMapper mapper;
    private final Histories histories;
    private final Kitchens kitchens;
    private final Changes changes;

    Burners(BatchMapper mapper, Histories histories, Kitchens kitchens, Changes changes) {
        this.mapper = mapper;
        this.histories = histories;
        this.kitchens = kitchens;
        this.changes = changes;
    }

    /**
     * Says which burner the vessel of a batch stands on now.
     *
     * @param swap whether the vessel that stands there takes the other's place
     * @throws Conflict when another vessel stands there and they are not swapped, or when this one goes on no burner
     */
    @Transactional
    void moveTo(Person person, String batchId, String burnerId, boolean swap) {
        person.require(Right.ACT);
        String kitchenId = person.kitchenId();
        BatchMapper.BatchRow row = mapper.hold(batchId, kitchenId).orElseThrow(() -> new NotFound("batch"));
        Run run = histories.plan(row).charge().run();
        if (run.heat() != Run.Heat.BURNER) {
            throw new Conflict(
                    "burnerId",
                    run.heat() == Run.Heat.OVEN
                            ? run.vessel().name() + " simmers in the oven; it takes no burner."
                            : run.vessel().name() + " has heat of its own; it takes no burner.");
        }
        Kitchens.Thing<Burner> onto = kitchens.burners(kitchenId).stream()
                .filter(b -> b.id().equals(burnerId))
                .findFirst()
                .orElseThrow(() -> new NotFound("burner"));
        // A pot that is not on the fire yet is only meant for a burner, and waits until it is free.
        Optional<BatchMapper.BatchRow> there = onTheHob(row)
                ? mapper.open(kitchenId).stream()
                        .filter(other -> !other.id().equals(row.id()))
                        .filter(other -> burnerId.equals(other.burnerId()) && onTheHob(other))
                        .findFirst()
                : Optional.empty();
        if (there.isPresent() && !swap) {
            String vessel = histories.plan(there.get()).charge().run().vessel().name();
            throw new Conflict(
                    "burnerId", onto.name() + " has " + vessel + " on it. Swap the two, or take another burner.");
        }
        there.ifPresent(other -> move(kitchenId, other.id(), row.burnerId()));
        move(kitchenId, row.id(), burnerId);
    }

    private void move(String kitchenId, String batchId, String burnerId) {
        mapper.moveTo(batchId, kitchenId, burnerId);
        changes.note(kitchenId, "batches", batchId);
    }

    private static boolean onTheHob(BatchMapper.BatchRow row) {
        return Stage.valueOf(row.stage()).mayBeOnTheHob();
    }
}
