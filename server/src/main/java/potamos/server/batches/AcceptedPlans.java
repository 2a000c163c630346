package potamos.server.batches;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchState;
import potamos.core.batch.Expectation;
import potamos.core.batch.Plan;
import potamos.core.charge.Warning;
import potamos.core.course.Opening;
import potamos.core.course.Use;
import potamos.core.figure.Figure;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.server.Json;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.accounts.Role.Right;
import potamos.server.charges.ChargeRequest;
import potamos.server.charges.Planning;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.stations.Calls;

/** Where a batch begins: a plan that somebody has accepted. */
@Service
public class AcceptedPlans {

    private final BatchMapper mapper;
    private final Planning planning;
    private final Calls calls;
    private final Kitchens kitchens;
    private final Changes changes;
    private final Json json;

    AcceptedPlans(BatchMapper mapper, Planning planning, Calls calls, Kitchens kitchens, Changes changes, Json json) {
        this.mapper = mapper;
        this.planning = planning;
        this.calls = calls;
        this.kitchens = kitchens;
        this.changes = changes;
        this.json = json;
    }

    /**
     * Accepts a plan: freezes it and takes the vessel.
     *
     * @param id made by the client; accepting twice with the same one accepts once
     * @throws Refusal  when the charge does not fit its vessel
     * @throws Conflict when the vessel is in use or the call is being made already
     */
    @Transactional
    public String accept(Person person, String id, String callId, ChargeRequest request) {
        person.require(Right.PLAN);
        String kitchenId = person.kitchenId();
        if (request.readyBy() == null) {
            throw Refusal.of("readyBy", "when is it wanted");
        }
        // Sent twice at once, the second waits here and then finds what the first has made.
        mapper.holdKitchen(kitchenId);
        if (mapper.byId(id, kitchenId).isPresent()) {
            return id;
        }
        Planning.Proposed proposed = planning.propose(kitchenId, request);
        String vesselId = kitchens.hold(kitchenId, proposed.vessel().id()).id();
        if (proposed.times().flatMap(Opening.Proposal::taken).equals(Optional.of(Use.Kind.VESSEL))) {
            throw new Conflict(
                    "vesselId",
                    proposed.vessel().name()
                            + " is in use at that time. Choose another vessel or start, or wait until it is strained.");
        }
        boolean chef = person.role() == Role.CHEF;
        if (!chef && proposed.charge().warnings().stream().anyMatch(Warning::needsChef)) {
            throw Refusal.of(
                    "burnerId",
                    "the pot would stay lukewarm for hours on its way up; stronger heat, hotter water, a smaller charge, or the"
                            + " chef accepts it");
        }
        double called = request.goal() == ChargeRequest.GoalKind.LITRES && request.value() != null
                ? request.value()
                : proposed.charge().forecast().yield().mid();
        if (callId != null) {
            Calls.Call call = calls.of(person, callId);
            if (call.status().ended()) {
                throw new Conflict("callId", "That call is " + Figure.word(call.status()) + " already.");
            }
            called = call.owed().open().litres();
            if (called == 0) {
                throw new Conflict("callId", "That call is being made already.");
            }
        }
        Plan plan = planning.plan(proposed, request.readyBy(), Volume.ofLitres(called));
        BatchState begins = Batch.replay(plan, List.of(), plan.accepted());
        mapper.insert(new BatchMapper.BatchRow(
                id,
                kitchenId,
                mapper.nextNumber(kitchenId),
                callId,
                vesselId,
                proposed.burner().map(Kitchens.Thing::id).orElse(null),
                json.write(plan),
                person.id(),
                plan.accepted(),
                begins.stage().name()));
        mapper.stands(
                id,
                begins.stage().name(),
                Expectation.promised(plan, begins, Volume.ZERO).litres());
        changes.note(kitchenId, "batches", id);
        if (callId != null) {
            changes.note(kitchenId, "calls", callId);
        }
        return id;
    }
}
