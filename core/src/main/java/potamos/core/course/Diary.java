package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import potamos.core.cooling.IceBin;
import potamos.core.formula.Family;
import potamos.core.quantity.Temperature;

/** What is taken of a kitchen so far, and whether one batch more finds room beside it at a start. */
final class Diary {

    /** Starts are tried so far apart. */
    static final Duration STEP = Duration.ofMinutes(10);

    /** Taken from one second to another; by a family where it is a vessel and known. */
    private record Entry(long from, long to, int amount, Optional<Family> family, Optional<Temperature> heat) {
        boolean overlaps(long otherFrom, long otherTo) {
            return from < otherTo && otherFrom < to;
        }
    }

    private final Equipment equipment;
    private final Instant now;
    private final List<Footprint.Span> absent;
    private final Map<Use.Kind, Map<String, List<Entry>>> entries = new EnumMap<>(Use.Kind.class);
    private final Optional<IceBin> bin;
    private final List<IceBin.Use> ice;

    Diary(Course begun) {
        this.equipment = begun.equipment();
        this.now = begun.now();
        this.absent = new ArrayList<>(equipment.rota().between(now, begun.until()).stream()
                .filter(present -> present.cooks() == 0)
                .map(present -> new Footprint.Span(
                        present.from().getEpochSecond(), present.to().getEpochSecond()))
                .toList());
        this.absent.add(new Footprint.Span(begun.until().getEpochSecond(), Long.MAX_VALUE));
        this.bin = equipment.ice();
        this.ice = new ArrayList<>(begun.busy().ice());
        begun.busy().uses().forEach(use -> take(use, Optional.empty()));
        begun.drafts().forEach(this::add);
    }

    void add(Draft draft) {
        draft.uses()
                .forEach(use -> take(use, Optional.of(draft.charge().formula().family())));
        draft.ice().ifPresent(ice::add);
    }

    /** What is only to be there is in nobody's way. */
    private void take(Use use, Optional<Family> family) {
        if (use.amount() == 0) {
            return;
        }
        entries.computeIfAbsent(use.kind(), kind -> new HashMap<>())
                .computeIfAbsent(use.name(), name -> new ArrayList<>())
                .add(new Entry(
                        use.from().getEpochSecond(), use.to().getEpochSecond(), use.amount(), family, use.heat()));
    }

    private List<Entry> of(Footprint.Thing thing, String name) {
        return entries.getOrDefault(thing.kind(), Map.of()).getOrDefault(name, List.of());
    }

    /** A batch made in a way at a start at which it finds room, on the first burner that is free then. */
    Draft placed(Ways.Way way, Instant start, String id) {
        Optional<String> burner = way.takes().things().stream()
                .filter(thing -> thing.kind() == Use.Kind.BURNER)
                .findFirst()
                .flatMap(
                        thing -> free(thing, start.getEpochSecond(), way.takes().family()));
        return way.startingAt(start, id, equipment, burner.or(way::burner));
    }

    /** The latest start that may be, from one going back as far as now. */
    Optional<Instant> back(Instant from, Predicate<Instant> may) {
        return back(from, may, Patience.ENDLESS);
    }

    /** The same as long as somebody waits for it. */
    Optional<Instant> back(Instant from, Predicate<Instant> may, Patience patience) {
        return Stream.iterate(from, start -> !start.isBefore(now) && !patience.over(), start -> start.minus(STEP))
                .filter(may)
                .findFirst();
    }

    /** The earliest start that may be, from one, or from now where that is later, and before another. */
    Optional<Instant> on(Instant from, Instant before, Predicate<Instant> may) {
        return on(from, before, may, Patience.ENDLESS);
    }

    /** The same as long as somebody waits for it. */
    Optional<Instant> on(Instant from, Instant before, Predicate<Instant> may, Patience patience) {
        return Stream.iterate(
                        from.isBefore(now) ? now : from,
                        start -> start.isBefore(before) && !patience.over(),
                        start -> start.plus(STEP))
                .filter(may)
                .findFirst();
    }

    /** Whether a batch finds room at a start. */
    Predicate<Instant> room(Footprint batch) {
        return start -> against(batch, start).isEmpty();
    }

    /** What is in its way at a start; empty where it finds room. */
    Optional<Obstacle> against(Footprint batch, Instant start) {
        if (start.isBefore(now)) {
            return Optional.of(Obstacle.PAST);
        }
        if (!attended(batch, start)) {
            return Optional.of(Obstacle.SOMEBODY_THERE);
        }
        return taken(batch, start);
    }

    /** Whether somebody is there wherever somebody must be. */
    boolean attended(Footprint batch, Instant start) {
        long at = start.getEpochSecond();
        for (Footprint.Span span : batch.attended()) {
            for (Footprint.Span nobody : absent) {
                if (nobody.from() < span.to() + at && span.from() + at < nobody.to()) {
                    return false;
                }
            }
        }
        return true;
    }

    /** The first thing that others have while it wants it. */
    Optional<Obstacle> taken(Footprint batch, Instant start) {
        long at = start.getEpochSecond();
        for (Footprint.Thing thing : batch.things()) {
            Optional<Obstacle> why = against(thing, at, batch.family());
            if (why.isPresent()) {
                return why;
            }
        }
        return batch.iceFrom(start).filter(this::iceShort).map(use -> Obstacle.ICE);
    }

    /**
     * From when to when a batch may start so that somebody is there wherever somebody must be, and nothing that is written down here has its vessel, burner or
     * oven. What there is several of that will do is not looked at, nor is ice: how many of them others leave hangs on more than one of them.
     *
     * @param first the earliest start, in seconds
     * @param last  the latest
     */
    List<Footprint.Span> room(Footprint batch, long first, long last) {
        List<Footprint.Span> barred = new ArrayList<>();
        for (Footprint.Span span : batch.attended()) {
            absent.forEach(nobody ->
                    barred.add(new Footprint.Span(nobody.from() - span.to() + 1, nobody.to() - span.from() - 1)));
        }
        for (Footprint.Thing thing : batch.things()) {
            for (Entry other : of(thing, thing.name())) {
                if (!thing.sharesWith(other.heat())) {
                    barred.add(barred(other, thing, batch.family()));
                }
            }
        }
        barred.sort(Comparator.comparingLong(Footprint.Span::from));
        List<Footprint.Span> room = new ArrayList<>();
        long from = Math.max(first, now.getEpochSecond());
        for (Footprint.Span none : barred) {
            if (none.from() > from && from <= last) {
                room.add(new Footprint.Span(from, Math.min(last, none.from() - 1)));
            }
            from = Math.max(from, none.to() + 1);
        }
        if (from <= last) {
            room.add(new Footprint.Span(from, last));
        }
        return room;
    }

    /** Starts at which a thing would be wanted while another has it, or before it is clean. */
    private static Footprint.Span barred(Entry other, Footprint.Thing thing, Family family) {
        boolean vessel = thing.kind() == Use.Kind.VESSEL;
        Family before = other.family().orElse(family);
        long cleanedBefore = vessel ? Order.cleaning(before, family) : 0;
        long cleanedAfter = vessel ? Order.cleaning(family, before) : 0;
        return new Footprint.Span(
                other.from() - thing.to() - cleanedAfter + 1, other.to() + cleanedBefore - thing.from() - 1);
    }

    private Optional<Obstacle> against(Footprint.Thing thing, long at, Family family) {
        return free(thing, at, family).isPresent() ? Optional.empty() : Optional.of(Obstacle.of(thing.kind()));
    }

    /** The first of those that will do that nobody else has. */
    private Optional<String> free(Footprint.Thing thing, long at, Family family) {
        return thing.names().stream()
                .filter(name -> isFree(thing, of(thing, name), at, family))
                .findFirst();
    }

    private boolean isFree(Footprint.Thing thing, List<Entry> others, long at, Family family) {
        long from = thing.from() + at;
        long to = thing.to() + at;
        return thing.kind() == Use.Kind.VESSEL
                ? others.stream().allMatch(other -> apart(other, from, to, family))
                : enough(others, thing, from, to);
    }

    /** All that overlap this use may overlap each other as well: counted so, none is ever promised twice. */
    private boolean enough(List<Entry> others, Footprint.Thing thing, long from, long to) {
        if (equipment.neverShort(thing.kind())) {
            return true;
        }
        int sum = thing.amount();
        for (Entry other : others) {
            if (other.overlaps(from, to)) {
                if (!thing.kind().shared(thing.heat(), other.heat())) {
                    return false;
                }
                sum += other.amount();
            }
        }
        return sum <= equipment.there(thing.kind(), thing.name());
    }

    private static boolean apart(Entry there, long from, long to, Family family) {
        if (there.overlaps(from, to)) {
            return false;
        }
        boolean first = there.from() < from;
        Family other = there.family().orElse(family);
        long more = first ? Order.cleaning(other, family) : Order.cleaning(family, other);
        return first ? from >= there.to() + more : there.from() >= to + more;
    }

    /** Its own bath or one that comes after it would want more than there is. */
    private boolean iceShort(IceBin.Use mine) {
        return bin.filter(there -> !there.has(now, ice, mine)).isPresent();
    }
}
