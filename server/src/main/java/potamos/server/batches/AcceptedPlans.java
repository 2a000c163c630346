package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
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
import potamos.server.courses.Accepting;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.stations.Calls;

/** Where a batch begins: a plan that somebody has accepted. */
@Service
public class AcceptedPlans implements Accepting {

    /** Litres of a batch for a call beside the first. */
    public record Also(@NotNull String callId, double litres) {}

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
     * @param id   made by the client; accepting twice with the same one accepts once
     * @param also other calls that the rest of it is for, in the order in which they are served
     * @throws Refusal  when the charge does not fit its vessel
     * @throws Conflict when the vessel is in use or the call is being made already
     */
    @Transactional
    public String accept(Person person, String id, String callId, List<Also> also, ChargeRequest request) {
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
        List<Also> calledFor = new ArrayList<>();
        if (callId != null) {
            calledFor.add(new Also(callId, open(person, callId)));
            also.forEach(more ->
                    calledFor.add(new Also(more.callId(), Math.min(more.litres(), open(person, more.callId())))));
            called = calledFor.stream().mapToDouble(Also::litres).sum();
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
        List<Volume> promised = Expectation.promised(
                plan,
                begins,
                calledFor.stream()
                        .map(one -> new Expectation.Promise(Volume.ofLitres(one.litres()), Volume.ZERO))
                        .toList());
        for (int place = 0; place < calledFor.size(); place++) {
            String call = calledFor.get(place).callId();
            mapper.insertCall(new BatchMapper.CallRow(
                    id, call, place, calledFor.get(place).litres()));
            mapper.promised(id, call, promised.get(place).litres());
            changes.note(kitchenId, "calls", call);
        }
        changes.note(kitchenId, "batches", id);
        return id;
    }

    @Override
    @Transactional
    public void accept(Person person, String id, List<Gives> gives, ChargeRequest charge) {
        String first = gives.isEmpty() ? null : gives.get(0).callId();
        List<Also> also = gives.stream()
                .skip(1)
                .map(one -> new Also(one.callId(), one.litres()))
                .toList();
        accept(person, id, first, also, charge);
    }

    /** Litres of a call that nobody makes yet. */
    private double open(Person person, String callId) {
        Calls.Call call = calls.of(person, callId);
        if (call.status().ended()) {
            throw new Conflict("callId", "That call is " + Figure.word(call.status()) + " already.");
        }
        double open = call.owed().open().litres();
        if (open == 0) {
            throw new Conflict("callId", "That call is being made already.");
        }
        return open;
    }
}
