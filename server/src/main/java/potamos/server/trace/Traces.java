package potamos.server.trace;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
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
     * @param before  batches whose stock it was made of, the oldest first
     * @param batches asked about, and all that were drawn with their stock
     * @param drawn   which batch was drawn with the stock of which, or made of what was left over of it
     * @param lots    that came of the batches
     * @param left    over of the batches, in the larder
     * @param slips   that they left by
     */
    record Trace(
            boolean ofBoxes,
            List<TraceMapper.BoxRow> boxes,
            List<TraceMapper.TakenRow> taken,
            List<TraceMapper.BatchRow> before,
            List<TraceMapper.BatchRow> batches,
            List<TraceMapper.DrawnRow> drawn,
            List<TraceMapper.LotRow> lots,
            List<TraceMapper.LeftRow> left,
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
            Set<String> into = distinct(taken, TraceMapper.TakenRow::batchId);
            return with(kitchen, true, boxes, taken, Set.of(), new Line(into, List.of()), onward(kitchen, into));
        }
        Set<String> named = new LinkedHashSet<>(mapper.batchesNamed(kitchen, sought, TraceMapper.MOST));
        Line back = followed(
                named, some -> mapper.drawnInto(kitchen, some, TraceMapper.MOST), TraceMapper.DrawnRow::batchId);
        List<TraceMapper.TakenRow> taken =
                named.isEmpty() ? List.of() : mapper.takenBy(kitchen, back.batches(), TraceMapper.MOST);
        Set<String> from = distinct(taken, TraceMapper.TakenRow::boxId);
        Set<String> before = new LinkedHashSet<>(back.batches());
        before.removeAll(named);
        return with(
                kitchen,
                false,
                from.isEmpty() ? List.of() : mapper.boxes(kitchen, from),
                taken,
                before,
                back,
                onward(kitchen, named));
    }

    /** Batches that hang together, and by what. */
    private record Line(Set<String> batches, List<TraceMapper.DrawnRow> drawn) {}

    private Line onward(String kitchen, Set<String> from) {
        return followed(from, some -> mapper.drawnFrom(kitchen, some, TraceMapper.MOST), TraceMapper.DrawnRow::intoId);
    }

    /** Step by step to the end: nothing is drawn with what was made of it. */
    private static Line followed(
            Set<String> from,
            Function<Set<String>, List<TraceMapper.DrawnRow>> step,
            Function<TraceMapper.DrawnRow, String> to) {
        Set<String> all = new LinkedHashSet<>(from);
        List<TraceMapper.DrawnRow> drawn = new ArrayList<>();
        Set<String> next = from;
        while (!next.isEmpty()) {
            List<TraceMapper.DrawnRow> rows = step.apply(next);
            drawn.addAll(rows);
            next = distinct(rows, to);
            next.removeAll(all);
            all.addAll(next);
        }
        return new Line(all, drawn);
    }

    private static <T> Set<String> distinct(List<T> rows, Function<T, String> of) {
        Set<String> all = new LinkedHashSet<>();
        rows.forEach(row -> all.add(of.apply(row)));
        return all;
    }

    private Trace with(
            String kitchen,
            boolean ofBoxes,
            List<TraceMapper.BoxRow> boxes,
            List<TraceMapper.TakenRow> taken,
            Set<String> before,
            Line back,
            Line onward) {
        Set<String> batches = onward.batches();
        if (batches.isEmpty()) {
            return new Trace(ofBoxes, boxes, taken, List.of(), List.of(), List.of(), List.of(), List.of(), List.of());
        }
        Set<TraceMapper.DrawnRow> drawn = new LinkedHashSet<>(back.drawn());
        drawn.addAll(onward.drawn());
        return new Trace(
                ofBoxes,
                boxes,
                taken,
                before.isEmpty() ? List.of() : mapper.batches(kitchen, before),
                mapper.batches(kitchen, batches),
                List.copyOf(drawn),
                mapper.lots(kitchen, batches),
                mapper.leftOver(kitchen, batches, TraceMapper.MOST),
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
            trace.boxes().stream().filter(box -> !box.stopped()).forEach(box -> stop(person, box.id(), reason));
        }
        trace.left().stream().filter(left -> !left.stopped()).forEach(left -> stop(person, left.id(), reason));
        trace.lots().stream().filter(lot -> lot.stopped() == null).forEach(lot -> stops.stop(person, lot.id(), reason));
        return of(person, what);
    }

    private void stop(Person person, String boxId, String reason) {
        boxes.enter(person, boxId, UUID.randomUUID().toString(), Boxes.Entry.STOPPED, null, reason);
    }
}
