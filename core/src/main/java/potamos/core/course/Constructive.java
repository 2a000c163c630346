package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;

/**
 * Lays a course without looking for the best: from the shelf first, calls of one stock joined, each batch as late as it is surely ready, in the smallest
 * vessel that takes it; the best of a few orders, and of the best of them once more with those first that came late. It always has an answer, and says what
 * cannot be met and why. Whoever does not wait for all of it gets what is laid until then.
 */
public final class Constructive {

    /** Calls that are no further apart are made in one batch. */
    private static final Duration JOIN = Duration.ofHours(18);

    static final double LEAST_L = 0.25;

    static final String NO_VESSEL = "no vessel here makes it";

    static final String NO_TIME = "there was no time to find it a place; ask again, or for fewer calls";

    private static final String TOO_MUCH = "more than the vessels here make in its time";

    /** More batches are no course that anybody reads. */
    private static final int MOST_BATCHES = 250;

    private static final String TOO_MANY = "more batches than one course holds, " + MOST_BATCHES;

    private final Course begun;
    private final Equipment equipment;
    private final Instant until;
    final Ways ways;

    Constructive(Course begun) {
        this(begun, Patience.ENDLESS);
    }

    Constructive(Course begun, Patience patience) {
        this(begun, new Ways(begun.equipment(), patience));
    }

    /** @param ways of its equipment, as far as they are solved already */
    Constructive(Course begun, Ways ways) {
        this.begun = begun;
        this.equipment = begun.equipment();
        this.until = begun.until();
        this.ways = ways;
    }

    /**
     * A course, and why it leaves what it leaves.
     *
     * @param why by call
     */
    public record Laid(Course course, Map<String, String> why) {
        /** Whether there was time to look for a place for everything. */
        public boolean whole() {
            return !why.containsValue(NO_TIME);
        }
    }

    /**
     * Lays what is open of the calls.
     *
     * @param begun what stands already: its drafts are pinned and stay, its allocations are found anew
     */
    public static Laid lay(Course begun) {
        return lay(begun, Patience.ENDLESS);
    }

    /** The same as long as somebody waits for it. */
    public static Laid lay(Course begun, Patience patience) {
        return new Constructive(begun, patience).lay();
    }

    Laid lay() {
        return best().laid;
    }

    /** How a call is cut that no vessel gives at once. */
    enum Cut {
        /** As few batches as there can be: what the largest gives, again and again. */
        LARGEST,
        /** What each gives, the largest first: more batches, side by side. */
        EACH
    }

    /** An order and a cut, what they come to, and how good that is. */
    record Tried(Comparator<Wanted> order, Cut cut, Laid laid, Values values) {}

    Tried best() {
        List<Comparator<Wanted>> orders = List.of(
                Comparator.comparing(Wanted::by),
                Comparator.comparing(Wanted::weight).reversed().thenComparing(Wanted::by),
                Comparator.comparing(Wanted::litres).reversed().thenComparing(Wanted::by));
        Tried first = tried(orders.get(0), Cut.LARGEST);
        Tried best = best(Stream.concat(
                Stream.of(first),
                orders.stream()
                        .skip(1)
                        .filter(order -> !ways.patience.over())
                        .map(order -> tried(order, Cut.LARGEST))));
        Set<String> late = best.laid.course().late();
        if (late.isEmpty() || ways.patience.over()) {
            return best;
        }
        Comparator<Wanted> lateFirst =
                Comparator.comparing((Wanted wanted) -> !wanted.isForAny(late)).thenComparing(best.order);
        Stream<Cut> cuts = begun.calls().stream().anyMatch(this::noVesselGives)
                ? Stream.of(Cut.LARGEST, Cut.EACH)
                : Stream.of(Cut.LARGEST);
        return best(Stream.concat(Stream.of(best), cuts.map(cut -> tried(lateFirst, cut))));
    }

    /** The first of those that are as good as each other. */
    private static Tried best(Stream<Tried> tried) {
        return tried.min(Comparator.comparing(Tried::values)).orElseThrow();
    }

    private boolean noVesselGives(Call call) {
        return call.litres().litres() > ways.mostL(call.formula());
    }

    private Tried tried(Comparator<Wanted> order, Cut cut) {
        Map<String, String> why = new LinkedHashMap<>();
        List<Allocation> allocations = new ArrayList<>();
        List<Wanted> wanted = new ArrayList<>(joined(offTheShelf(allocations, why), cut, why));
        wanted.sort(order);
        Laid laid = placed(wanted, new ArrayList<>(begun.drafts()), allocations, why);
        return new Tried(order, cut, laid, laid.course().values());
    }

    /** Litres in the order in which they are cut off; a single one where a vessel gives them at once. */
    List<Double> pieces(Formula formula, double litres, Cut cut) {
        double most = ways.mostL(formula);
        if (litres <= most) {
            return List.of(litres);
        }
        List<Double> vessels = cut == Cut.EACH ? ways.mostOfEachL(formula) : List.of(most);
        List<Double> pieces = new ArrayList<>();
        double rest = litres;
        for (int next = 0; rest > vessels.get(next % vessels.size()) + Ways.ROUNDING_L; next++) {
            double piece = vessels.get(next % vessels.size());
            pieces.add(piece);
            rest -= piece;
        }
        pieces.add(rest);
        return pieces;
    }

    /**
     * What is still open, placed beside what somebody else has laid already.
     *
     * @param drafts      that stand; more are added
     * @param allocations of them and of the shelf; more are added
     * @param why         what is known of why calls are late or missing; more is added
     */
    Laid completed(List<Wanted.Part> open, List<Draft> drafts, List<Allocation> allocations, Map<String, String> why) {
        return placed(joined(open, Cut.LARGEST, why), drafts, allocations, why);
    }

    private Laid placed(
            List<Wanted> wanted, List<Draft> drafts, List<Allocation> allocations, Map<String, String> why) {
        Beside beside = Beside.of(begun.with(drafts, allocations));
        for (Wanted next : wanted) {
            boolean room = drafts.size() < MOST_BATCHES;
            if (room && !ways.patience.over()) {
                place(next, beside, drafts, allocations, why);
            } else {
                next.parts().forEach(part -> why.putIfAbsent(part.call().id(), room ? NO_TIME : TOO_MANY));
            }
        }
        return new Laid(begun.with(drafts, allocations), Map.copyOf(why));
    }

    /** What is left of each call when the shelf has given what it may, the oldest first. */
    List<Wanted.Part> offTheShelf(List<Allocation> allocations, Map<String, String> why) {
        Supply stock = new Supply(begun, allocations);
        return latePinned(stock.gives(why), stock, why);
    }

    /**
     * The course with what stands already where it is, and what that leaves open laid beside it.
     *
     * @param given already, to whom
     */
    Laid around(List<Allocation> given) {
        List<Allocation> allocations = new ArrayList<>(given);
        Map<String, String> why = new LinkedHashMap<>();
        List<Wanted.Part> open = new Supply(begun, allocations).gives(why);
        return completed(open, new ArrayList<>(begun.drafts()), allocations, why);
    }

    /** What somebody wants where it is comes late for a call rather than that the call is made a second time. */
    private List<Wanted.Part> latePinned(List<Wanted.Part> open, Supply stock, Map<String, String> why) {
        Set<String> pinned = begun.drafts().stream().map(Draft::id).collect(Collectors.toSet());
        List<Wanted.Part> still = new ArrayList<>();
        for (Wanted.Part part : open) {
            Instant never = part.call().by().plus(Course.NEVER);
            double missing = stock.gives(
                    part.call(),
                    part.litres(),
                    lot -> pinned.contains(lot.id()) && lot.from().isBefore(never));
            if (missing < part.litres()) {
                why.put(part.call().id(), "its batch is held where it is");
            }
            if (missing > part.call().unmissedL()) {
                still.add(new Wanted.Part(part.call(), missing));
            }
        }
        return still;
    }

    /** Parts of one stock that are wanted near to each other, as far as one vessel gives them; what no vessel gives at once is split. */
    private List<Wanted> joined(List<Wanted.Part> open, Cut cut, Map<String, String> why) {
        Map<String, List<Wanted.Part>> byStock = new LinkedHashMap<>();
        open.forEach(part -> byStock.computeIfAbsent(part.call().formula().slug(), slug -> new ArrayList<>())
                .add(part));
        List<Wanted> all = new ArrayList<>();
        for (List<Wanted.Part> parts : byStock.values()) {
            Formula formula = parts.get(0).call().formula();
            double most = ways.mostL(formula);
            if (most < LEAST_L) {
                parts.forEach(part -> why.put(part.call().id(), NO_VESSEL));
                continue;
            }
            List<Wanted.Part> together = new ArrayList<>();
            double litres = 0;
            for (Wanted.Part wanted : parts) {
                Wanted.Part part = madeInItsTime(wanted, why);
                List<Double> pieces = pieces(formula, part.litres(), cut);
                double rest = pieces.get(pieces.size() - 1);
                boolean far = !together.isEmpty()
                        && part.call().by().isAfter(together.get(0).call().by().plus(JOIN));
                if (!together.isEmpty() && (far || litres + part.litres() > most)) {
                    all.add(new Wanted(formula, List.copyOf(together)));
                    together.clear();
                    litres = 0;
                }
                for (double piece : pieces.subList(0, pieces.size() - 1)) {
                    all.add(new Wanted(formula, List.of(new Wanted.Part(part.call(), piece))));
                }
                together.add(new Wanted.Part(part.call(), rest));
                litres += rest;
            }
            if (!together.isEmpty()) {
                all.add(new Wanted(formula, List.copyOf(together)));
            }
        }
        return all;
    }

    /** As much of it as all vessels make from now until it is as late as never, one batch after another. */
    private Wanted.Part madeInItsTime(Wanted.Part part, Map<String, String> why) {
        Formula formula = part.call().formula();
        Instant never = part.call().by().plus(Course.NEVER);
        long seconds = Math.max(
                0,
                Duration.between(begun.now(), never.isBefore(until) ? never : until)
                        .toSeconds());
        double times = Math.floor(
                seconds / (double) Math.max(1, formula.simmer().least().toSeconds()));
        double all = 0;
        for (double each : ways.mostOfEachL(formula)) {
            all += Math.max(1, times) * each;
        }
        if (part.litres() <= all) {
            return part;
        }
        why.put(part.call().id(), TOO_MUCH);
        return new Wanted.Part(part.call(), all);
    }

    /** That it was too much from the start is more of a reason than what stood in the way of a part of it. */
    private static void tell(Map<String, String> why, Call call, String words) {
        why.merge(call.id(), words, (told, other) -> told.equals(TOO_MUCH) ? told : other);
    }

    private void place(
            Wanted wanted, Beside beside, List<Draft> drafts, List<Allocation> allocations, Map<String, String> why) {
        Found found = find(wanted, beside, idBeside(drafts));
        if (wanted.parts().size() > 1 && (found.draft == null || found.lateForTheShelf(wanted))) {
            wanted.parts()
                    .forEach(part ->
                            place(new Wanted(wanted.formula(), List.of(part)), beside, drafts, allocations, why));
            return;
        }
        if (found.draft == null) {
            String words = ways.patience.over() ? NO_TIME : found.words();
            wanted.parts().forEach(part -> tell(why, part.call(), words));
            return;
        }
        Draft draft = found.draft;
        beside.add(wanted, draft);
        drafts.add(draft);
        for (Wanted.Part part : wanted.parts()) {
            allocations.add(new Allocation(part.call().id(), draft.id(), Volume.ofLitres(part.litres())));
            if (draft.ready().isAfter(part.call().by())) {
                tell(why, part.call(), found.words());
            }
        }
    }

    /** One that neither a lot nor a batch that is pinned has already. */
    String idBeside(List<Draft> drafts) {
        Set<String> taken = Stream.concat(
                        begun.lots().stream().map(Lot::id), drafts.stream().map(Draft::id))
                .collect(Collectors.toSet());
        return IntStream.iterate(drafts.size() + 1, n -> n + 1)
                .mapToObj(n -> "batch-" + n)
                .filter(id -> !taken.contains(id))
                .findFirst()
                .orElseThrow();
    }

    /** The best start of the best way, or what was in the way of most. */
    private static final class Found {
        private Draft draft;
        private final Map<Obstacle, Integer> inTheWay = new EnumMap<>(Obstacle.class);

        /** Whether nothing is in the way; what is, is counted. */
        boolean room(Optional<Obstacle> against) {
            against.ifPresent(why -> inTheWay.merge(why, 1, Integer::sum));
            return against.isEmpty();
        }

        /** Whether it comes late because it does not stand in the cold store whole. */
        boolean lateForTheShelf(Wanted wanted) {
            return inTheWay.containsKey(Obstacle.SHELF) && draft.ready().isAfter(wanted.by());
        }

        String words() {
            return inTheWay.entrySet().stream()
                    .filter(entry -> entry.getKey() != Obstacle.PAST)
                    .max(Map.Entry.comparingByValue())
                    .map(entry -> switch (entry.getKey()) {
                        case SOMEBODY_THERE -> "somebody must be there, and nobody is";
                        case VESSEL -> "every vessel that takes it is in use";
                        case BURNER -> "no burner is free";
                        case OVEN -> "no oven is free";
                        case CONTAINER -> "there are not enough containers to cool it in";
                        case STRAINERS -> "every strainer set is in use";
                        case CHILLER -> "the chiller has no room for it";
                        case BED -> "what it is made of is not there";
                        case ICE -> "there is not enough ice at its hour";
                        case SHELF -> "the cold store has no room for it";
                        case PAST -> "";
                    })
                    .orElse("it takes longer than there is time");
        }
    }

    private Found find(Wanted wanted, Beside beside, String id) {
        Found found = new Found();
        Instant sure = wanted.sure();
        Optional<Draft> inTime = ways.of(wanted.formula(), wanted.litres())
                .takeWhile(way -> !ways.patience.over())
                .map(way -> latest(way, sure, wanted, beside, id, found))
                .flatMap(Optional::stream)
                .findFirst();
        if (inTime.isPresent()) {
            found.draft = inTime.get();
            return found;
        }
        ways.of(wanted.formula(), wanted.litres())
                .takeWhile(way -> !ways.patience.over())
                .map(way -> earliest(way, sure, wanted, beside, id, found))
                .flatMap(Optional::stream)
                .forEach(sooner -> found.draft = sooner);
        return found;
    }

    /** Going back from when it surely meets its call. */
    private Optional<Draft> latest(Ways.Way way, Instant sure, Wanted wanted, Beside beside, String id, Found found) {
        Diary diary = beside.diary();
        return diary.back(
                        sure.minusSeconds(way.takes().endsAt()),
                        start -> found.room(beside.against(wanted, way, start)),
                        ways.patience)
                .map(start -> diary.placed(way, start, id))
                .filter(wanted::keepsIn);
    }

    /** Going on from there, as long as that is sooner than what was found already. */
    private Optional<Draft> earliest(Ways.Way way, Instant sure, Wanted wanted, Beside beside, String id, Found found) {
        Diary diary = beside.diary();
        long takes = way.takes().endsAt();
        Instant before = found.draft == null ? until : found.draft.ready().minusSeconds(takes);
        return diary.on(
                        sure.minusSeconds(takes),
                        before.isBefore(until) ? before : until,
                        start -> found.room(beside.against(wanted, way, start))
                                && wanted.keepsIn(diary.placed(way, start, id)),
                        ways.patience)
                .map(start -> diary.placed(way, start, id));
    }
}
