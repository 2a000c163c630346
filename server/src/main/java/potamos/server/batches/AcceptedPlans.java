package potamos.server.batches;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.Plan;
import potamos.core.batch.ShelfEvent;
import potamos.core.charge.Warning;
import potamos.core.course.Opening;
import potamos.core.course.Use;
import potamos.core.figure.Figure;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.accounts.Role.Right;
import potamos.server.charges.ChargeRequest;
import potamos.server.charges.Planning;
import potamos.server.courses.Accepting;
import potamos.server.exchange.FormulaForm;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.OneAtATime;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.stations.Calls;

/** Where a batch begins: a plan that somebody has accepted. */
@Service
public class AcceptedPlans implements Accepting {

    private final BatchMapper mapper;
    private final OneAtATime oneAtATime;
    private final Batches batches;
    private final Promises promises;
    private final Planning planning;
    private final Calls calls;
    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;
    private final Json json;

    AcceptedPlans(
            BatchMapper mapper,
            OneAtATime oneAtATime,
            Batches batches,
            Promises promises,
            Planning planning,
            Calls calls,
            Kitchens kitchens,
            Changes changes,
            KitchenClock clock,
            Json json) {
        this.mapper = mapper;
        this.oneAtATime = oneAtATime;
        this.batches = batches;
        this.promises = promises;
        this.planning = planning;
        this.calls = calls;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
        this.json = json;
    }

    @Override
    @Transactional
    public void accept(Person person, String id, List<Gives> gives, ChargeRequest request) {
        person.require(Right.PLAN);
        String kitchenId = person.kitchenId();
        if (request.readyBy() == null) {
            throw Refusal.of("readyBy", "when is it wanted");
        }
        // Sent twice at once, the second waits here and then finds what the first has made.
        oneAtATime.hold(kitchenId);
        if (mapper.byId(id, kitchenId).isPresent()) {
            return;
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
        Map<String, Double> calledFor = calledFor(person, gives);
        double called = calledFor.isEmpty()
                ? wished(request, proposed)
                : calledFor.values().stream().mapToDouble(litres -> litres).sum();
        Plan plan = planning.plan(proposed, request.readyBy(), Volume.ofLitres(called));
        BatchState begins = Batch.replay(plan, List.of(), plan.accepted());
        mapper.insert(new BatchMapper.BatchRow(
                id,
                kitchenId,
                mapper.nextNumber(kitchenId),
                calledFor.keySet().stream().findFirst().orElse(null),
                vesselId,
                proposed.burner().map(Kitchens.Thing::id).orElse(null),
                json.write(plan),
                person.id(),
                plan.accepted(),
                begins.stage().name()));
        int place = 0;
        for (Map.Entry<String, Double> call : calledFor.entrySet()) {
            mapper.insertCall(new BatchMapper.CallRow(id, call.getKey(), place++, call.getValue()));
            changes.note(kitchenId, "calls", call.getKey());
        }
        promises.renew(id, plan, begins, List.of());
        changes.note(kitchenId, "batches", id);
    }

    @Override
    @Transactional
    public void replan(Person person, List<Move> moves) {
        person.require(Right.PLAN);
        oneAtATime.hold(person.kitchenId());
        Map<String, Formula> formulas = new HashMap<>();
        for (Move move : moves) {
            formulas.put(move.batchId(), givenUp(person, move));
        }
        moves.forEach(move -> move.instead()
                .ifPresent(other -> accept(
                        person,
                        other.id(),
                        other.gives(),
                        ChargeRequest.forLitres(
                                        null,
                                        other.litres(),
                                        other.vesselId(),
                                        other.burnerId(),
                                        other.readyBy(),
                                        other.start())
                                .withDraft(
                                        FormulaForm.write(formulas.get(move.batchId())),
                                        draws(formulas.get(move.batchId()))))));
    }

    /** Gives one up that nobody has begun; its formula as it was planned. */
    private Formula givenUp(Person person, Move move) {
        Batches.Loaded old = batches.whole(person, move.batchId());
        if (!old.state().path().isEmpty() || !old.state().stage().open()) {
            throw new Conflict("batchId", "Batch " + old.row().number() + " has been begun, or given up, meanwhile.");
        }
        String why = move.instead().isPresent() ? "planned anew" : "not made any more";
        batches.log(
                person,
                move.batchId(),
                new ShelfEvent.Abandoned(
                        new BatchEvent.Stamp(UUID.randomUUID().toString(), clock.instant(), person.initials()), why));
        return old.accepted().charge().formula();
    }

    private static List<ChargeRequest.DrawBody> draws(Formula formula) {
        return formula.fill().draws().stream()
                .map(draw ->
                        new ChargeRequest.DrawBody(draw.source(), draw.litres().litres()))
                .toList();
    }

    private static double wished(ChargeRequest request, Planning.Proposed proposed) {
        return request.goal() == ChargeRequest.GoalKind.LITRES && request.value() != null
                ? request.value()
                : proposed.charge().forecast().yield().mid();
    }

    /** Litres by call, the first served first. */
    private Map<String, Double> calledFor(Person person, List<Gives> gives) {
        Map<String, Double> calledFor = new LinkedHashMap<>();
        for (Gives one : gives) {
            if (calledFor.containsKey(one.callId())) {
                throw Refusal.of("gives", "a call is named twice");
            }
            calledFor.put(one.callId(), Math.min(one.atMostL(), open(person, one.callId())));
        }
        return calledFor;
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
