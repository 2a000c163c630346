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
import java.util.List;
import java.util.Set;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import potamos.core.course.Puzzle;

/**
 * A puzzle as a constraint model. Every batch has one start and a truth for each way of making it; things are intervals that are there where their way is.
 * Ice is not in it, nor are clean-downs and the heats of ovens until they matter ({@link #keepApart}): what the model allows is never less than what the
 * kitchen does, so that its bounds hold.
 */
final class Model {

    /** Litres, weighted, in whole numbers: a hundredth is less than anybody measures. */
    private static final double STEPS_PER_L = 100;

    private final Puzzle puzzle;
    private final CpModel model = new CpModel();
    private final List<IntVar> starts = new ArrayList<>();
    private final List<List<BoolVar>> made = new ArrayList<>();
    private final List<BoolVar> left = new ArrayList<>();
    private final LinearExprBuilder late = LinearExpr.newBuilder();
    private final LinearExprBuilder count = LinearExpr.newBuilder();
    private final Set<Integer> vessels = new HashSet<>();

    Model(Puzzle puzzle) {
        this.puzzle = puzzle;
        List<List<Literal>> makers = new ArrayList<>();
        for (Puzzle.Part part : puzzle.parts()) {
            BoolVar leave = model.newBoolVar("");
            left.add(leave);
            makers.add(new ArrayList<>(List.of(leave)));
            late.addTerm(leave, weight(part) * Puzzle.NEVER_S);
        }
        List<List<IntervalVar>> intervals = new ArrayList<>();
        List<List<Long>> amounts = new ArrayList<>();
        puzzle.resources().forEach(resource -> {
            intervals.add(new ArrayList<>());
            amounts.add(new ArrayList<>());
        });
        for (Puzzle.Batch batch : puzzle.batches()) {
            batch(batch, makers, intervals, amounts);
        }
        makers.forEach(model::addExactlyOne);
        for (int r = 0; r < puzzle.resources().size(); r++) {
            resource(puzzle.resources().get(r), intervals.get(r), amounts.get(r));
        }
    }

    private static long weight(Puzzle.Part part) {
        return (long) Math.floor(part.weighted() * STEPS_PER_L + 0.5);
    }

    private void batch(
            Puzzle.Batch batch,
            List<List<Literal>> makers,
            List<List<IntervalVar>> intervals,
            List<List<Long>> amounts) {
        IntVar start = model.newIntVarFromDomain(domain(batch.options().stream()), "");
        starts.add(start);
        List<BoolVar> ways = new ArrayList<>();
        // Beyond what its way is late at least.
        List<IntVar> lateness = batch.parts().stream()
                .map(part -> model.newIntVar(0, Puzzle.NEVER_S, ""))
                .toList();
        for (Puzzle.Option option : batch.options()) {
            BoolVar way = model.newBoolVar("");
            ways.add(way);
            count.addTerm(way, 1);
            model.addLinearExpressionInDomain(start, domain(Stream.of(option))).onlyEnforceIf(way);
            for (int i = 0; i < batch.parts().size(); i++) {
                Puzzle.Part part = puzzle.parts().get(batch.parts().get(i));
                long offset = option.takes() - part.by();
                // Told with the way, so that a bound knows of it: what not even its first start brings in time.
                long atLeast = Math.max(0, option.starts().get(0).first() + offset);
                late.addTerm(way, atLeast * weight(part));
                model.addGreaterOrEqual(lateness.get(i), LinearExpr.affine(start, 1, offset - atLeast))
                        .onlyEnforceIf(way);
            }
            vessels.add(option.vessel().resource());
            for (Puzzle.Thing thing : option.things()) {
                intervals
                        .get(thing.resource())
                        .add(model.newOptionalIntervalVar(
                                LinearExpr.affine(start, 1, thing.from()),
                                LinearExpr.constant(thing.to() - thing.from()),
                                LinearExpr.affine(start, 1, thing.to()),
                                way,
                                ""));
                amounts.get(thing.resource()).add((long) thing.amount());
            }
            batch.parts().forEach(part -> makers.get(part).add(way));
        }
        made.add(ways);
        for (int i = 0; i < batch.parts().size(); i++) {
            late.addTerm(
                    lateness.get(i), weight(puzzle.parts().get(batch.parts().get(i))));
        }
    }

    private static Domain domain(Stream<Puzzle.Option> options) {
        return Domain.fromFlatIntervals(options.flatMap(option -> option.starts().stream())
                .flatMapToLong(starts -> LongStream.of(starts.first(), starts.last()))
                .toArray());
    }

    private void resource(Puzzle.Resource resource, List<IntervalVar> intervals, List<Long> amounts) {
        if (resource.there() == 1 && resource.taken().isEmpty()) {
            model.addNoOverlap(intervals);
            return;
        }
        CumulativeConstraint together = model.addCumulative(resource.there());
        for (int i = 0; i < intervals.size(); i++) {
            together.addDemand(intervals.get(i), amounts.get(i));
        }
        for (Puzzle.Thing taken : resource.taken()) {
            together.addDemand(model.newFixedInterval(taken.from(), taken.to() - taken.from(), ""), taken.amount());
        }
    }

    /** From here on litres late are what counts. */
    void forLate() {
        model.minimize(late);
    }

    /** From here on batches count, with no more litres late than were found. */
    void forFewest(CpSolver found) {
        model.addLessOrEqual(late, (long) found.objectiveValue());
        model.clearObjective();
        model.minimize(count);
    }

    static double litres(double objective) {
        return objective / STEPS_PER_L / Puzzle.NEVER_S;
    }

    /** Where to look first. */
    void hint(List<Puzzle.Choice> choices) {
        model.clearHints();
        boolean[] met = new boolean[left.size()];
        for (int b = 0; b < made.size(); b++) {
            int batch = b;
            var choice = choices.stream().filter(c -> c.batch() == batch).findFirst();
            for (int o = 0; o < made.get(b).size(); o++) {
                int option = o;
                model.addHint(
                        made.get(b).get(o),
                        choice.filter(c -> c.option() == option).isPresent());
            }
            choice.ifPresent(c -> {
                model.addHint(starts.get(batch), c.start());
                puzzle.batches().get(batch).parts().forEach(part -> met[part] = true);
            });
        }
        for (int part = 0; part < met.length; part++) {
            model.addHint(left.get(part), !met[part]);
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

    /** Two things that two batches may not have at once, or not without so much time between. */
    private interface Clash {
        boolean of(Puzzle.Thing one, Puzzle.Thing other);
    }

    /**
     * Keeps batches apart that follow each other in a vessel without having it cleaned down between, or that want one oven at two heats at once.
     *
     * @return whether there were any
     */
    boolean keepApart(List<Puzzle.Choice> choices) {
        boolean any = false;
        for (Puzzle.Choice before : choices) {
            for (Puzzle.Choice after : choices) {
                if (before.start() > after.start() || before.batch() == after.batch()) {
                    continue;
                }
                any |= keepApart(before, after, this::sameVessel, true);
                any |= keepApart(before, after, Puzzle.Thing::excludes, false);
            }
        }
        return any;
    }

    private boolean sameVessel(Puzzle.Thing one, Puzzle.Thing other) {
        return one.resource() == other.resource() && vessels.contains(one.resource());
    }

    private boolean keepApart(Puzzle.Choice before, Puzzle.Choice after, Clash clash, boolean cleaned) {
        long more = cleaned ? puzzle.cleaning(before.batch(), after.batch()) : 0;
        boolean apart = option(before).things().stream()
                .allMatch(one -> option(after).things().stream()
                        .noneMatch(other -> clash.of(one, other)
                                && before.start() + one.from() < after.start() + other.to()
                                && after.start() + other.from() < before.start() + one.to() + more));
        if (!apart) {
            keepApart(before.batch(), after.batch(), clash, cleaned);
        }
        return !apart;
    }

    /** In whichever order they come, and in whichever way each is made. */
    private void keepApart(int one, int other, Clash clash, boolean cleaned) {
        BoolVar inThisOrder = model.newBoolVar("");
        List<Puzzle.Option> ones = puzzle.batches().get(one).options();
        List<Puzzle.Option> others = puzzle.batches().get(other).options();
        for (int i = 0; i < ones.size(); i++) {
            for (int j = 0; j < others.size(); j++) {
                Literal[] both = {made.get(one).get(i), made.get(other).get(j)};
                for (Puzzle.Thing first : ones.get(i).things()) {
                    for (Puzzle.Thing second : others.get(j).things()) {
                        if (clash.of(first, second)) {
                            follows(one, first, other, second, cleaned, both, inThisOrder);
                            follows(other, second, one, first, cleaned, both, inThisOrder.not());
                        }
                    }
                }
            }
        }
    }

    private void follows(
            int before,
            Puzzle.Thing first,
            int after,
            Puzzle.Thing second,
            boolean cleaned,
            Literal[] both,
            Literal order) {
        long more = cleaned ? puzzle.cleaning(before, after) : 0;
        model.addGreaterOrEqual(
                        LinearExpr.affine(starts.get(after), 1, second.from()),
                        LinearExpr.affine(starts.get(before), 1, first.to() + more))
                .onlyEnforceIf(new Literal[] {both[0], both[1], order});
    }

    private Puzzle.Option option(Puzzle.Choice choice) {
        return puzzle.batches().get(choice.batch()).options().get(choice.option());
    }

    CpModel cp() {
        return model;
    }
}
