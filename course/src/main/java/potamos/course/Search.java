package potamos.course;

import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Puzzle;
import potamos.core.course.Values;

/**
 * A search for the best course: what the core lays by itself, and then, as long as there is time, fewer litres late and after that fewer batches. What it
 * gives has passed the core's own check, and is never worse than what the core lays by itself.
 */
public final class Search {

    /** Litres late come first; what is left of the time goes to the batches. */
    private static final double SHARE_FOR_LATE = 0.75;

    /** Batches that have to be kept apart are told to the solver so often. */
    private static final int MOST_ROUNDS = 20;

    private static final double LEAST_S = 0.05;

    /** What was chosen becomes a course in what is left of the time. */
    private static final double SHARE_FOR_CHOICES = 0.92;

    /** As many as the machine that a kitchen's server stands on has processors to spare. */
    private static final int WORKERS =
            Math.max(1, Math.min(8, Runtime.getRuntime().availableProcessors()));

    private final Course begun;
    private volatile boolean stopped;
    private volatile CpSolver at;

    /** Of a course whose drafts are pinned. */
    public Search(Course begun) {
        this.begun = begun;
    }

    /** How good it is. */
    public enum How {
        /** Nothing made of these calls has fewer litres late, and with as few nothing takes fewer batches. */
        PROVEN,
        /** It may be better, by no more than the bounds say. */
        WITHIN,
        /** Nobody has looked further. */
        CONSTRUCTIVE
    }

    /**
     * What was found.
     *
     * @param lateBoundL  no course has fewer litres late, weighted; nothing where it is not known
     * @param leastBatches with as few litres late, no course has fewer batches; nothing where it is not known
     */
    public record Found(Constructive.Laid laid, How how, OptionalDouble lateBoundL, OptionalDouble leastBatches) {

        /** No course with as few litres late takes fewer of a cook's hours. */
        public OptionalDouble leastCookH() {
            return leastBatches.stream().map(Course::leastCookH).findFirst();
        }

        /** How far its litres late are from their bound, as a share of them; 0 where it is reached. */
        public OptionalDouble gap() {
            double late = laid.course().values().lateL();
            return lateBoundL.stream()
                    .map(bound -> late <= bound + Values.A_DROP_L ? 0 : (late - bound) / late)
                    .findFirst();
        }
    }

    /** Makes {@link #run} come to its end with what it has. From any thread. */
    public void stop() {
        stopped = true;
        CpSolver running = at;
        if (running != null) {
            running.stopSearch();
        }
    }

    /**
     * Looks.
     *
     * @param time for all of it; nothing where only the core's own course is wanted
     */
    public Found run(Duration time) {
        double seconds = time.toMillis() / 1000.0;
        if (seconds < LEAST_S || !Native.there()) {
            return constructive(Constructive.lay(begun));
        }
        long from = System.nanoTime();
        Left left = () -> stopped ? 0 : SHARE_FOR_CHOICES * seconds - (System.nanoTime() - from) / 1e9;
        Puzzle puzzle = new Puzzle(begun, () -> left.seconds() < LEAST_S);
        Constructive.Laid byItself = puzzle.byHand();
        if (!puzzle.whole()) {
            return constructive(byItself);
        }
        if (puzzle.batches().isEmpty()) {
            return new Found(
                    byItself,
                    How.PROVEN,
                    OptionalDouble.of(byItself.course().values().lateL()),
                    OptionalDouble.of(0));
        }
        Model model = new Model(puzzle);
        model.forLate();
        model.hint(puzzle.choices(byItself.course()));
        Optional<Round> late = best(model, left, SHARE_FOR_LATE);
        if (late.isEmpty()) {
            return constructive(byItself);
        }
        double lateBound = Model.litres(late.get().solver().bestObjectiveBound()) + puzzle.lateAnyway();
        Round round = late.get();
        OptionalDouble fewest = OptionalDouble.empty();
        if (left.seconds() > LEAST_S) {
            model.forFewest(round.solver());
            model.hint(round.choices());
            Optional<Round> few = best(model, left, 1);
            if (few.isPresent()) {
                round = few.get();
                fewest = OptionalDouble.of(
                        begun.drafts().size() + Math.ceil(round.solver().bestObjectiveBound() - 1e-6));
            }
        }
        Stream<Constructive.Laid> found =
                Stream.of(late.get().choices(), round.choices()).distinct().map(puzzle::answer);
        Constructive.Laid laid = Stream.concat(Stream.of(byItself), found)
                .min(Comparator.comparing(one -> one.course().values()))
                .orElseThrow();
        boolean proven = late.get().proven()
                && laid.course().values().lateL() <= lateBound + Values.A_DROP_L
                && fewest.isPresent()
                && thatCount(laid.course()) <= fewest.getAsDouble();
        return new Found(laid, proven ? How.PROVEN : How.WITHIN, OptionalDouble.of(lateBound), fewest);
    }

    /** Batches that bring a call anything before it is as late as never; those beyond cost no litres, whether they are made or not. */
    private static long thatCount(Course course) {
        Set<String> inTime = course.served().stream()
                .filter(one -> -one.spare().toSeconds() < Puzzle.NEVER_S)
                .map(one -> one.lot().id())
                .collect(Collectors.toSet());
        return course.drafts().stream()
                .filter(draft -> inTime.contains(draft.id()))
                .count();
    }

    private static Found constructive(Constructive.Laid laid) {
        return new Found(laid, How.CONSTRUCTIVE, OptionalDouble.empty(), OptionalDouble.empty());
    }

    private interface Left {
        double seconds();
    }

    private record Round(CpSolver solver, List<Puzzle.Choice> choices, boolean proven) {}

    /** Solved until nothing has to be kept apart any more, or the time is over. */
    private Optional<Round> best(Model model, Left left, double share) {
        double until = left.seconds() * (1 - share);
        Optional<Round> best = Optional.empty();
        for (int i = 0; i < MOST_ROUNDS && left.seconds() - until > LEAST_S; i++) {
            CpSolver solver = new CpSolver();
            // Trying out every truth beforehand takes longer here than all the rest.
            solver.getParameters()
                    .setCpModelProbingLevel(0)
                    .setMaxTimeInSeconds(Math.max(0, left.seconds() - until))
                    .setNumWorkers(WORKERS);
            at = solver;
            CpSolverStatus status = solver.solve(model.cp());
            at = null;
            if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
                break;
            }
            List<Puzzle.Choice> choices = model.choices(solver);
            boolean apart = !model.keepApart(choices);
            best = Optional.of(new Round(solver, choices, apart && status == CpSolverStatus.OPTIMAL));
            if (apart) {
                break;
            }
            model.hint(choices);
        }
        return best;
    }
}
