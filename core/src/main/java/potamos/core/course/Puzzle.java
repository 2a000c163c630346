package potamos.core.course;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import potamos.core.formula.Formula;
import potamos.core.safety.Keeping;

/**
 * What is open of a course in whole numbers, for whoever looks for a better one than {@link Constructive} finds: every batch that may be made of calls that
 * follow each other in one stock, every way of making it, and the starts at which nothing that stands already is in its way. All times are seconds from
 * {@code now}. What comes back becomes a course here, so that no rule is known outside.
 *
 * <p>What the shelf gives is settled before: it gives first, the oldest first. A call that no vessel gives at once is cut as {@link Constructive} cuts it.
 */
public final class Puzzle {

    /** From so much lateness on, litres count as if they never came. */
    public static final long NEVER_S = Course.NEVER.toSeconds();

    /** More calls are not made in one batch: they would be days apart. */
    private static final int MOST_TOGETHER = 6;

    private final Course begun;
    private final Constructive constructive;
    private final Constructive.Tried byItself;
    private final long leftOutFrom;
    private final Diary standing;
    private final List<Allocation> fromShelf = new ArrayList<>();
    private final Map<String, String> refused = new LinkedHashMap<>();
    private final List<Wanted.Part> open = new ArrayList<>();
    private final List<Candidate> candidates = new ArrayList<>();
    private final PuzzleThings counted;

    /**
     * Of a course whose drafts are pinned.
     *
     * @param enough asked before each batch: whether there is no time for more; those that are wanted last are left out then, as {@link #reaches} tells
     */
    public Puzzle(Course begun, BooleanSupplier enough) {
        this(begun, enough, Patience.ENDLESS);
    }

    /** @param patience for the course that the core lays by itself */
    public Puzzle(Course begun, BooleanSupplier enough, Patience patience) {
        this.begun = begun;
        this.constructive = new Constructive(begun, patience);
        this.byItself = constructive.best();
        this.standing = new Diary(begun);
        this.counted = new PuzzleThings(begun);
        Map<Formula, List<Integer>> byStock = new LinkedHashMap<>();
        for (Wanted.Part part : constructive.offTheShelf(fromShelf, refused)) {
            Formula formula = part.call().formula();
            double most = constructive.ways.mostL(formula);
            if (most >= Constructive.LEAST_L) {
                for (double piece : constructive.pieces(formula, part.litres(), byItself.cut())) {
                    byStock.computeIfAbsent(formula, stock -> new ArrayList<>()).add(open.size());
                    open.add(new Wanted.Part(part.call(), piece));
                }
            } else {
                refused.put(part.call().id(), Constructive.NO_VESSEL);
            }
        }
        List<Together> together = new ArrayList<>();
        byStock.forEach((formula, parts) -> together.addAll(together(formula, parts)));
        together.sort(Comparator.comparing(one -> one.wanted().by()));
        int next = 0;
        while (next < together.size() && !enough.getAsBoolean()) {
            batch(together.get(next++));
        }
        this.leftOutFrom =
                next < together.size() ? begun.after(together.get(next).wanted().by()) : Long.MAX_VALUE;
    }

    /**
     * Litres of a call that are made in one batch.
     *
     * @param weighted litres, times the weight of their call
     * @param by       when they are wanted
     */
    public record Part(double weighted, long by) {}

    /**
     * A batch that may be made.
     *
     * @param parts by their place in {@link #parts}
     */
    public record Batch(List<Integer> parts, List<Option> options) {}

    /**
     * A way of making it.
     *
     * @param takes  from its start until its litres are ready
     * @param starts in which it may start, in order
     * @param vessel that it is made in
     */
    public record Option(long takes, List<Starts> starts, List<Thing> things, Thing vessel) {}

    /** A stretch in which a batch may start, its last second with it. */
    public record Starts(long first, long last) {}

    /**
     * A thing of the kitchen, taken.
     *
     * @param resource by its place in {@link #resources}
     * @param from     after the start
     * @param to       after the start
     * @param heat     that it is set to, so that no other can be had of it at the time; 0 where it is set to nothing
     */
    public record Thing(int resource, long from, long to, int amount, long heat) {

        /** Whether it keeps another of the same resource away, however much of that there is. */
        public boolean excludes(Thing other) {
            return resource == other.resource && heat != other.heat;
        }
    }

    /**
     * What there is so many of.
     *
     * @param taken by what stands already; empty where there is one, for that is in the starts
     */
    public record Resource(int there, List<Thing> taken) {}

    /**
     * A batch that is to be made.
     *
     * @param batch  by its place in {@link #batches}
     * @param option by its place in it
     * @param start  in seconds from now
     */
    public record Choice(int batch, int option, long start) {}

    /** Whether everything that may be made is in it. */
    public boolean whole() {
        return leftOutFrom == Long.MAX_VALUE;
    }

    /** Whether everything is in it that may be made for what is wanted until a moment, in seconds from now. */
    public boolean reaches(long until) {
        return until < leftOutFrom;
    }

    /**
     * A batch that may be made, as it is and in numbers.
     *
     * @param ways one for each of its options, in the same order
     */
    record Candidate(Wanted wanted, Batch batch, List<Ways.Way> ways) {}

    public List<Part> parts() {
        return open.stream()
                .map(part -> new Part(
                        part.litres() * part.call().weight(),
                        begun.after(part.call().by())))
                .toList();
    }

    public List<Batch> batches() {
        return candidates.stream().map(Candidate::batch).toList();
    }

    public List<Resource> resources() {
        return counted.resources();
    }

    /** Seconds beyond the wash between two batches in one vessel. */
    public long cleaning(int before, int after) {
        return Order.cleaning(
                candidates.get(before).wanted().formula().family(),
                candidates.get(after).wanted().formula().family());
    }

    /** Litres that come late or never whatever is chosen, weighted. */
    public double lateAnyway() {
        Set<String> open_ = new HashSet<>();
        open.forEach(part -> open_.add(part.call().id()));
        return begun.with(begun.drafts(), fromShelf).unmet().stream()
                .filter(unmet -> !open_.contains(unmet.call().id()))
                .mapToDouble(unmet -> unmet.litres().litres() * unmet.call().weight())
                .sum();
    }

    /** When the last of its parts is due that comes late in a course, in seconds from now; nothing where none does. */
    public OptionalLong lastLate(Course course) {
        Set<String> late = course.late();
        return open.stream()
                .map(Wanted.Part::call)
                .filter(call -> late.contains(call.id()))
                .mapToLong(call -> begun.after(call.by()))
                .max();
    }

    /** As the core lays it by itself. */
    public Constructive.Laid byHand() {
        return byItself.laid();
    }

    /** Parts, by their place among those that are open, that one batch may be made for. */
    private record Together(Wanted wanted, List<Integer> parts) {}

    /** Calls of one stock that follow each other, as many as one vessel gives. */
    private List<Together> together(Formula formula, List<Integer> parts) {
        double most = constructive.ways.mostL(formula);
        List<Together> all = new ArrayList<>();
        for (int first = 0; first < parts.size(); first++) {
            List<Integer> together = new ArrayList<>();
            double litres = 0;
            for (int next : parts.subList(first, Math.min(parts.size(), first + MOST_TOGETHER))) {
                litres += open.get(next).litres();
                if (litres > most + Ways.ROUNDING_L) {
                    break;
                }
                together.add(next);
                Wanted wanted =
                        new Wanted(formula, together.stream().map(open::get).toList());
                all.add(new Together(wanted, List.copyOf(together)));
            }
        }
        return all;
    }

    private void batch(Together together) {
        Wanted batch = together.wanted();
        long last = begun.after(batch.by()) + NEVER_S;
        long keepsFrom = begun.after(readyFrom(batch));
        List<Ways.Way> possible = new ArrayList<>();
        List<Option> options = new ArrayList<>();
        constructive.ways.of(batch.formula(), batch.litres()).forEach(way -> {
            long takes = way.takes().endsAt();
            long now = begun.now().getEpochSecond();
            List<Starts> starts =
                    standing.room(way.takes(), now + Math.max(0, keepsFrom - takes), now + last - takes).stream()
                            .map(span -> new Starts(span.from() - now, span.to() - now))
                            .toList();
            if (!starts.isEmpty()) {
                possible.add(way);
                options.add(option(way.takes(), starts));
            }
        });
        if (!options.isEmpty()) {
            candidates.add(new Candidate(batch, new Batch(together.parts(), options), possible));
        }
    }

    /** The earliest moment at which it may be ready and is still good for the last of its calls. */
    private Instant readyFrom(Wanted batch) {
        ZoneId zone = begun.equipment().rota().zone();
        LocalDate day = batch.last().atZone(zone).toLocalDate();
        while (keeps(batch, day.minusDays(1).atStartOfDay(zone).toInstant(), zone)
                && day.atStartOfDay(zone).toInstant().isAfter(begun.now())) {
            day = day.minusDays(1);
        }
        return day.atStartOfDay(zone).toInstant();
    }

    private boolean keeps(Wanted batch, Instant ready, ZoneId zone) {
        Instant until = Keeping.coldUntil(
                ready, batch.formula().coldDays(), begun.equipment().limits(), zone);
        return !batch.last().isAfter(until);
    }

    private Option option(Footprint takes, List<Starts> starts) {
        List<Thing> things = takes.things().stream()
                .filter(thing -> thing.amount() > 0 && !begun.equipment().neverShort(thing.kind()))
                .map(counted::of)
                .toList();
        Thing vessel = takes.things().stream()
                .filter(thing -> thing.kind() == Use.Kind.VESSEL)
                .map(counted::of)
                .findFirst()
                .orElseThrow();
        return new Option(takes.endsAt(), starts, things, vessel);
    }

    /** A course told as choices, as far as its batches are among those that may be chosen. */
    public List<Choice> choices(Course course) {
        List<Choice> choices = new ArrayList<>();
        for (Draft draft : course.drafts()) {
            List<String> calls = course.allocations().stream()
                    .filter(a -> a.from().equals(draft.id()))
                    .map(Allocation::call)
                    .sorted()
                    .toList();
            choice(draft, calls, choices).ifPresent(choices::add);
        }
        return choices;
    }

    private Optional<Choice> choice(Draft draft, List<String> calls, List<Choice> others) {
        for (int b = 0; b < candidates.size(); b++) {
            int batch = b;
            Candidate candidate = candidates.get(b);
            List<String> its = candidate.wanted().parts().stream()
                    .map(part -> part.call().id())
                    .sorted()
                    .toList();
            boolean told = others.stream().anyMatch(other -> other.batch() == batch);
            for (int o = 0; !told && its.equals(calls) && o < candidate.ways().size(); o++) {
                if (candidate.ways().get(o).makes(draft)) {
                    return Optional.of(new Choice(b, o, begun.after(draft.start())));
                }
            }
        }
        return Optional.empty();
    }

    /**
     * The course of some choices. What does not go together after all starts later, or is laid as the core does; each is then put as late as it is surely
     * ready, for that is how fresh it is.
     */
    public Constructive.Laid answer(List<Choice> choices) {
        Answer answer = new Answer(begun, constructive, fromShelf);
        Set<Integer> met = new HashSet<>();
        choices.stream().sorted(Comparator.comparingLong(Choice::start)).forEach(choice -> {
            Candidate candidate = candidates.get(choice.batch());
            if (answer.add(
                    candidate.wanted(),
                    candidate.ways().get(choice.option()),
                    begun.now().plusSeconds(choice.start()))) {
                met.addAll(candidate.batch().parts());
            }
        });
        List<Wanted.Part> left = IntStream.range(0, open.size())
                .filter(part -> !met.contains(part))
                .mapToObj(open::get)
                .toList();
        return answer.completed(left, refused);
    }
}
