package potamos.server.trace;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.coldside.Stops;
import potamos.server.larder.Boxes;

/** Follows a supplier's lot to whoever was handed what, and a lot of stock back to everything in it. */
@Service
class Traces {

    private final TraceMapper mapper;
    private final Boxes boxes;
    private final Stops stops;

    Traces(TraceMapper mapper, Boxes boxes, Stops stops) {
        this.mapper = mapper;
        this.boxes = boxes;
        this.stops = stops;
    }

    /**
     * What hangs together.
     *
     * @param ofBoxes whether it was followed from boxes on, and not back to them
     * @param boxes   of the larder that went in, or, asked about a supplier's lot, only those of it
     * @param taken   which batch took what of which box
     * @param batches that they went into
     * @param lots    that came of them
     * @param slips   that they left by
     */
    record Trace(
            boolean ofBoxes,
            List<TraceMapper.BoxRow> boxes,
            List<TraceMapper.TakenRow> taken,
            List<TraceMapper.BatchRow> batches,
            List<TraceMapper.LotRow> lots,
            List<TraceMapper.SlipRow> slips) {

        boolean nothing() {
            return boxes.isEmpty() && batches.isEmpty();
        }
    }

    /**
     * Everything that hangs together with a supplier's lot, a box, a batch or a lot of stock.
     *
     * @param what its number or id, as it stands on its label
     */
    @Transactional(readOnly = true)
    public Trace of(Person person, String what) {
        person.require(Right.READ);
        String kitchen = person.kitchenId();
        String sought = what.trim();
        List<TraceMapper.BoxRow> boxes = mapper.boxesNamed(kitchen, sought, TraceMapper.MOST);
        if (!boxes.isEmpty()) {
            List<TraceMapper.TakenRow> taken = mapper.takenOf(
                    kitchen, boxes.stream().map(TraceMapper.BoxRow::id).toList(), TraceMapper.MOST);
            Set<String> batches = new LinkedHashSet<>();
            taken.forEach(one -> batches.add(one.batchId()));
            return with(kitchen, true, boxes, taken, batches);
        }
        Set<String> batches = new LinkedHashSet<>(mapper.batchesNamed(kitchen, sought, TraceMapper.MOST));
        List<TraceMapper.TakenRow> taken =
                batches.isEmpty() ? List.of() : mapper.takenBy(kitchen, batches, TraceMapper.MOST);
        Set<String> from = new LinkedHashSet<>();
        taken.forEach(one -> from.add(one.boxId()));
        return with(kitchen, false, from.isEmpty() ? List.of() : mapper.boxes(kitchen, from), taken, batches);
    }

    private Trace with(
            String kitchen,
            boolean ofBoxes,
            List<TraceMapper.BoxRow> boxes,
            List<TraceMapper.TakenRow> taken,
            Set<String> batches) {
        if (batches.isEmpty()) {
            return new Trace(ofBoxes, boxes, taken, List.of(), List.of(), List.of());
        }
        return new Trace(
                ofBoxes,
                boxes,
                taken,
                mapper.batches(kitchen, batches),
                mapper.lots(kitchen, batches),
                mapper.slips(kitchen, batches, TraceMapper.MOST));
    }

    /**
     * Stops everything that hangs together with a supplier's lot, a box, a batch or a lot of stock, as far as there is any left: nothing of it goes into a pot, and
     * none is handed out. What was handed out already stands in the trace.
     *
     * @throws Refusal where nothing is called so, or no reason is given
     */
    @Transactional
    public Trace recall(Person person, String what, String reason) {
        person.require(Right.JUDGE);
        if (reason.isBlank()) {
            throw Refusal.of("reason", "is needed here: whoever finds it reads it");
        }
        Trace trace = of(person, what);
        if (trace.nothing()) {
            throw Refusal.of("what", "nothing in this kitchen is called so");
        }
        if (trace.ofBoxes()) {
            trace.boxes().stream()
                    .filter(box -> !box.stopped())
                    .forEach(box -> boxes.enter(
                            person, box.id(), UUID.randomUUID().toString(), Boxes.Entry.STOPPED, null, reason));
        }
        trace.lots().stream().filter(lot -> lot.stopped() == null).forEach(lot -> stops.stop(person, lot.id(), reason));
        return of(person, what);
    }
}
