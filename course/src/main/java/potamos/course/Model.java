package potamos.course;

import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CumulativeConstraint;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import com.google.ortools.util.Domain;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import potamos.core.course.Patience;
import potamos.core.course.Puzzle;

/**
 * A puzzle as a constraint model. Every batch has one start and a truth for each way of making it; things are intervals that are there where their way is.
 * Ice is not in it, nor are clean-downs until they matter ({@link #keepApart}): what the model allows is never less than what the
 * kitchen does, so that its bounds hold.
 *
 * <p>It may be of the first hours alone: what is wanted later is not asked for then, and a batch that would be for both is there with what is wanted sooner.
 * That asks for less than the whole does, so that fewer litres cannot come late of the whole.
 */
final class Model {

    /** Litres, weighted, in whole numbers: a hundredth is less than anybody measures. */
    private static final double STEPS_PER_L = 100;

    private final List<Puzzle.Part> parts;
    private final List<Puzzle.Batch> batches;
    private final Cleaning cleaning;
    private final CpModel model = new CpModel();
    private final List<IntVar> starts = new ArrayList<>();
    private final List<List<BoolVar>> made = new ArrayList<>();
    private final List<Asking> asking = new ArrayList<>();
    private final LinearExprBuilder late = LinearExpr.newBuilder();
    private final LinearExprBuilder count = LinearExpr.newBuilder();
    private final long until;
    private final Patience patience;
    private boolean whole = true;

    /** Of all of it. */
    Model(Puzzle puzzle, Patience patience) {
        this(puzzle, Long.MAX_VALUE, patience);
    }

    /**
     * @param until    in seconds from now: what is wanted later is not asked for
     * @param patience to write it down, which takes longer than to lay it by hand where there is much of it
     */
    Model(Puzzle puzzle, long until, Patience patience) {
        this(puzzle.parts(), puzzle.batches(), puzzle.resources(), puzzle::cleaning, until, patience);
    }

    /** Of the same hours with less in the way: for its bound alone, since what is chosen there need not go in the kitchen. */
    static Model loosened(Puzzle puzzle, long until, Patience patience) {
        Loosened loosened = Loosened.of(puzzle, until);
        return new Model(
                puzzle.parts(), loosened.batches(), loosened.resources(), (before, after) -> 0, until, patience);
    }

    /** Whether there was time to write all of it down; what is left out makes it worth nothing. */
    boolean whole() {
        return whole;
    }

    private Model(
            List<Puzzle.Part> parts,
            List<Puzzle.Batch> batches,
            List<Puzzle.Resource> resources,
            Cleaning cleaning,
            long until,
            Patience patience) {
        this.parts = parts;
        this.batches = batches;
        this.cleaning = cleaning;
        this.until = until;
        this.patience = patience;
        parts.forEach(part -> asking.add(new Asking(part)));
        List<List<Taken>> taken = new ArrayList<>();
        resources.forEach(resource -> taken.add(new ArrayList<>()));
        for (int b = 0; b < batches.size() && goesOn(); b++) {
            batch(batches.get(b), taken);
        }
        asking.forEach(Asking::closed);
        for (int r = 0; r < resources.size() && goesOn(); r++) {
            resource(resources.get(r), taken.get(r));
        }
    }

    private boolean goesOn() {
        whole &= !patience.over();
        return whole;
    }

    private interface Cleaning {
        /** Seconds beyond the wash between two batches in one vessel. */
        long between(int before, int after);
    }

    /** A part: what makes it, and how late. */
    private final class Asking {
        private final BoolVar left = model.newBoolVar("");
        private final IntVar lateness = model.newIntVar(0, Puzzle.NEVER_S, "");
        private final List<Literal> makers = new ArrayList<>(List.of(left));
        private final LinearExprBuilder atLeast = LinearExpr.newBuilder().addTerm(left, Puzzle.NEVER_S);
        private final Puzzle.Part part;

        private Asking(Puzzle.Part part) {
            this.part = part;
            late.addTerm(lateness, asked(part) ? weight(part) : 0);
        }

        private void madeBy(BoolVar way, Puzzle.Option option, IntVar start) {
            makers.add(way);
            long offset = option.takes() - part.by();
            atLeast.addTerm(way, Math.max(0, option.starts().get(0).first() + offset));
            model.addGreaterOrEqual(lateness, LinearExpr.affine(start, 1, offset))
                    .onlyEnforceIf(way);
        }

        /** What not even the first start of a way brings in time is told with all ways together, so that a bound knows of it. */
        private void closed() {
            model.addExactlyOne(makers);
            model.addGreaterOrEqual(lateness, atLeast);
        }
    }

    private boolean asked(Puzzle.Part part) {
        return asked(part, until);
    }

    private List<Integer> asked(Puzzle.Batch batch) {
        return asked(batch, parts, until);
    }

    /** Of the parts of a batch those that are wanted until a moment. */
    static List<Integer> asked(Puzzle.Batch batch, List<Puzzle.Part> parts, long until) {
        return batch.parts().stream()
                .filter(part -> asked(parts.get(part), until))
                .toList();
    }

    private static boolean asked(Puzzle.Part part, long until) {
        return part.by() <= until;
    }

    private static long weight(Puzzle.Part part) {
        return (long) Math.floor(part.weighted() * STEPS_PER_L + 0.5);
    }

    private void batch(Puzzle.Batch batch, List<List<Taken>> taken) {
        List<Integer> parts = asked(batch);
        if (parts.isEmpty()) {
            starts.add(model.newConstant(0));
            made.add(List.of());
            return;
        }
        IntVar start = model.newIntVarFromDomain(domain(batch.options().stream()), "");
        starts.add(start);
        List<BoolVar> ways = new ArrayList<>();
        Map<Puzzle.Thing, List<BoolVar>> waysWith = new LinkedHashMap<>();
        for (Puzzle.Option option : batch.options()) {
            BoolVar way = model.newBoolVar("");
            ways.add(way);
            count.addTerm(way, 1);
            model.addLinearExpressionInDomain(start, domain(Stream.of(option))).onlyEnforceIf(way);
            parts.forEach(part -> asking.get(part).madeBy(way, option, start));
            option.things()
                    .forEach(thing -> waysWith.computeIfAbsent(thing, same -> new ArrayList<>())
                            .add(way));
        }
        made.add(ways);
        waysWith.forEach((thing, its) ->
                taken.get(thing.resource()).add(new Taken(thing, made.size() - 1, interval(start, thing, its))));
    }

    private static Domain domain(Stream<Puzzle.Option> options) {
        return Domain.fromFlatIntervals(options.flatMap(option -> option.starts().stream())
                .flatMapToLong(starts -> LongStream.of(starts.first(), starts.last()))
                .toArray());
    }

    /** A thing as a batch takes it, in whichever of its ways. */
    private record Taken(Puzzle.Thing thing, int batch, IntervalVar interval) {}

    /** Ways that take a thing for the same time of the batch take it together: most differ in one thing alone. */
    private IntervalVar interval(IntVar start, Puzzle.Thing thing, List<BoolVar> ways) {
        BoolVar any = ways.get(0);
        if (ways.size() > 1) {
            any = model.newBoolVar("");
            model.addMaxEquality(any, ways);
        }
        return model.newOptionalIntervalVar(
                LinearExpr.affine(start, 1, thing.from()),
                LinearExpr.constant(thing.to() - thing.from()),
                LinearExpr.affine(start, 1, thing.to()),
                any,
                "");
    }

    private void resource(Puzzle.Resource resource, List<Taken> all) {
        if (resource.there() == 1 && resource.taken().isEmpty()) {
            model.addNoOverlap(all.stream().map(Taken::interval).toList());
            return;
        }
        CumulativeConstraint together = model.addCumulative(resource.there());
        all.forEach(one -> together.addDemand(one.interval(), one.thing().amount()));
        for (Puzzle.Thing taken : resource.taken()) {
            together.addDemand(model.newFixedInterval(taken.from(), taken.to() - taken.from(), ""), taken.amount());
        }
        for (int i = 0; i < all.size() && goesOn(); i++) {
            for (Taken other : all.subList(i + 1, all.size())) {
                if (all.get(i).batch() != other.batch() && all.get(i).thing().excludes(other.thing())) {
                    model.addNoOverlap(List.of(all.get(i).interval(), other.interval()));
                }
            }
        }
    }

    /** From here on litres late are what counts. */
    void forLate() {
        model.minimize(late);
    }

    /** From here on batches count, with no more litres late than so many. */
    void forFewest(long mostLate) {
        model.addLessOrEqual(late, mostLate);
        model.clearObjective();
        model.minimize(count);
    }

    /** Litres late of some choices, as the model counts them. */
    long late(List<Puzzle.Choice> choices) {
        long sum = 0;
        Set<Integer> met = new HashSet<>();
        for (Puzzle.Choice choice : choices) {
            for (int part : asked(batches.get(choice.batch()))) {
                long after = choice.start()
                        + option(choice).takes()
                        - parts.get(part).by();
                sum += weight(parts.get(part)) * Math.max(0, after);
                met.add(part);
            }
        }
        for (int part = 0; part < parts.size(); part++) {
            Puzzle.Part one = parts.get(part);
            sum += asked(one) && !met.contains(part) ? weight(one) * Puzzle.NEVER_S : 0;
        }
        return sum;
    }

    static double litres(double objective) {
        return objective / STEPS_PER_L / Puzzle.NEVER_S;
    }

    /** Where to look first. */
    void hint(List<Puzzle.Choice> choices) {
        model.clearHints();
        boolean[] met = new boolean[asking.size()];
        for (int b = 0; b < made.size(); b++) {
            int batch = b;
            var choice = choices.stream().filter(c -> c.batch() == batch).findFirst();
            for (int o = 0; o < made.get(b).size(); o++) {
                int option = o;
                model.addHint(
                        made.get(b).get(o),
                        choice.filter(c -> c.option() == option).isPresent());
            }
            choice.filter(c -> !made.get(batch).isEmpty()).ifPresent(c -> {
                model.addHint(starts.get(batch), c.start());
                batches.get(batch).parts().forEach(part -> met[part] = true);
            });
        }
        for (int part = 0; part < met.length; part++) {
            model.addHint(asking.get(part).left, !met[part]);
        }
    }

    List<Puzzle.Choice> choices(CpSolver found) {
        List<Puzzle.Choice> choices = new ArrayList<>();
        for (int b = 0; b < made.size(); b++) {
            for (int o = 0; o < made.get(b).size(); o++) {
                if (found.booleanValue(made.get(b).get(o))) {
                    choices.add(new Puzzle.Choice(b, o, found.value(starts.get(b))));
                }
            }
        }
        return choices;
    }

    /**
     * Keeps batches apart that follow each other in a vessel without having it cleaned down between.
     *
     * @return whether there were any
     */
    boolean keepApart(List<Puzzle.Choice> choices) {
        boolean any = false;
        for (Puzzle.Choice before : choices) {
            for (Puzzle.Choice after : choices) {
                if (before.start() <= after.start() && before.batch() != after.batch() && unclean(before, after)) {
                    keepApart(before.batch(), after.batch());
                    any = true;
                }
            }
        }
        return any;
    }

    private boolean unclean(Puzzle.Choice before, Puzzle.Choice after) {
        Puzzle.Thing one = option(before).vessel();
        Puzzle.Thing other = option(after).vessel();
        return one.resource() == other.resource()
                && after.start() + other.from()
                        < before.start() + one.to() + cleaning.between(before.batch(), after.batch());
    }

    /** In whichever order they come, and in whichever way each is made. */
    private void keepApart(int one, int other) {
        BoolVar inThisOrder = model.newBoolVar("");
        List<Puzzle.Option> ones = batches.get(one).options();
        List<Puzzle.Option> others = batches.get(other).options();
        for (int i = 0; i < ones.size(); i++) {
            for (int j = 0; j < others.size(); j++) {
                Puzzle.Thing first = ones.get(i).vessel();
                Puzzle.Thing second = others.get(j).vessel();
                if (first.resource() == second.resource()) {
                    Literal[] both = {made.get(one).get(i), made.get(other).get(j)};
                    follows(one, first, other, second, both, inThisOrder);
                    follows(other, second, one, first, both, inThisOrder.not());
                }
            }
        }
    }

    private void follows(
            int before, Puzzle.Thing first, int after, Puzzle.Thing second, Literal[] both, Literal order) {
        model.addGreaterOrEqual(
                        LinearExpr.affine(starts.get(after), 1, second.from()),
                        LinearExpr.affine(starts.get(before), 1, first.to() + cleaning.between(before, after)))
                .onlyEnforceIf(new Literal[] {both[0], both[1], order});
    }

    private Puzzle.Option option(Puzzle.Choice choice) {
        return batches.get(choice.batch()).options().get(choice.option());
    }

    CpModel cp() {
        return model;
    }
}
