package potamos.course;

import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Patience;
import potamos.core.course.Puzzle;
import potamos.core.course.Values;

/**
 * A search for the best course: what the core lays by itself, and then, as long as there is time, fewer litres late and after that fewer batches. What it
 * gives has passed the core's own check, and is never worse than what the core lays by itself.
 */
public final class Search {

    /** What is not there to choose from by then is left out, so that what there is can be looked at. */
    private static final double SHARE_FOR_PUZZLE = 0.75;

    /** The hours in which anything comes late come first, for there are few calls in them and what is late there is late of the whole. */
    private static final double SHARE_FOR_KNOT = 0.4;

    /** What is late at least is known soon, with less in the way. */
    private static final double SHARE_FOR_LOOSENED = 0.2;

    /** Litres late come first; what is left of the time goes to the batches. */
    private static final double SHARE_FOR_LATE = 0.75;

    /** Batches that have to be kept apart are told to the solver so often. */
    private static final int MOST_ROUNDS = 20;

    private static final double LEAST_S = 0.05;

    /** With what goes before and after it, a first answer is there within two seconds. */
    private static final double FIRST_ANSWER_S = 1.0;

    /** Beyond the time of a search, to lay what it has found. */
    private static final double TO_LAY_S = 0.5;

    /** What was chosen becomes a course in what is left of the time. */
    private static final double SHARE_FOR_CHOICES = 0.92;

    /** As many as the machine that a kitchen's server stands on has processors to spare. */
    private static final int WORKERS =
            Math.max(1, Math.min(8, Runtime.getRuntime().availableProcessors()));

    private final Course begun;
    private final Patience asker;
    private volatile boolean stopped;
    private volatile CpSolver at;

    /** Of a course whose drafts are pinned. */
    public Search(Course begun) {
        this(begun, Patience.ENDLESS);
    }

    /** @param asker whether whoever asked has gone: then it ends with whatever it has */
    public Search(Course begun, Patience asker) {
        this.begun = begun;
        this.asker = asker;
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

    /** As long as somebody waits for what the core lays by itself, from now on. */
    public static Patience aFirstAnswer(Patience asker) {
        long from = System.nanoTime();
        return () -> asker.over() || (System.nanoTime() - from) / 1e9 > FIRST_ANSWER_S;
    }

    /**
     * Looks.
     *
     * @param time for all of it; nothing where only the core's own course is wanted
     */
    public Found run(Duration time) {
        double seconds = time.toMillis() / 1000.0;
        if (seconds < LEAST_S || !Native.there()) {
            return constructive(Constructive.lay(begun, aFirstAnswer(asker)));
        }
        long from = System.nanoTime();
        Left left = () -> stopped || asker.over() ? 0 : SHARE_FOR_CHOICES * seconds - (System.nanoTime() - from) / 1e9;
        double forTheRest = (1 - SHARE_FOR_PUZZLE) * left.seconds();
        // What is found is laid beside what stands also when the time is over, but not when nobody waits any longer.
        double mostS = seconds + TO_LAY_S;
        Patience all = () -> asker.over() || (System.nanoTime() - from) / 1e9 > (stopped ? FIRST_ANSWER_S : mostS);
        Puzzle puzzle = new Puzzle(begun, () -> left.seconds() < Math.max(LEAST_S, forTheRest), all);
        Constructive.Laid byItself = puzzle.byHand();
        if (puzzle.whole() && puzzle.batches().isEmpty()) {
            return new Found(
                    byItself,
                    How.PROVEN,
                    OptionalDouble.of(byItself.course().values().lateL()),
                    OptionalDouble.of(0));
        }
        Untied untied = untied(puzzle, byItself, left);
        return puzzle.whole() ? whole(puzzle, untied, left) : untied.found(puzzle);
    }

    private Found whole(Puzzle puzzle, Untied untied, Left left) {
        Model model = new Model(puzzle, left);
        Optional<Round> late = model.whole()
                ? fewestLate(model, puzzle.choices(untied.laid().course()), untied.bound(), left, SHARE_FOR_LATE)
                : Optional.empty();
        if (late.isEmpty()) {
            return untied.found(puzzle);
        }
        Round round = late.get();
        double lateBound = Model.litres(Math.max(untied.bound(), round.bound())) + puzzle.lateAnyway();
        OptionalDouble fewest = OptionalDouble.empty();
        if (left.seconds() > LEAST_S) {
            model.forFewest(round.reached());
            model.hint(round.choices());
            Optional<Round> few = best(model, left, 1, 0);
            if (few.isPresent()) {
                round = few.get();
                fewest = OptionalDouble.of(begun.drafts().size() + Math.ceil(round.bound() - 1e-6));
            }
        }
        Constructive.Laid laid = Stream.of(late.get().choices(), round.choices())
                .distinct()
                .map(puzzle::answer)
                .reduce(untied.laid(), Search::better);
        boolean proven = late.get().proven()
                && laid.course().values().lateL() <= lateBound + Values.A_DROP_L
                && fewest.isPresent()
                && thatCount(laid.course()) <= fewest.getAsDouble();
        return new Found(laid, proven ? How.PROVEN : How.WITHIN, OptionalDouble.of(lateBound), fewest);
    }

    /**
     * The hours looked at in which anything comes late.
     *
     * @param laid    the better of the course that there was and what comes of them
     * @param bound   for the model: no course has less late
     * @param known   whether that is known: nothing is late, or the solver came to something in its time
     */
    private record Untied(Constructive.Laid laid, double bound, boolean known) {
        /** Where nothing more was looked at. */
        Found found(Puzzle puzzle) {
            double lateBound = Model.litres(bound) + puzzle.lateAnyway();
            return known
                    ? new Found(laid, How.WITHIN, OptionalDouble.of(lateBound), OptionalDouble.empty())
                    : constructive(laid);
        }
    }

    private Untied untied(Puzzle puzzle, Constructive.Laid byItself, Left left) {
        OptionalLong lastLate = puzzle.lastLate(byItself.course());
        if (lastLate.isEmpty() || !puzzle.reaches(lastLate.getAsLong())) {
            return new Untied(byItself, 0, lastLate.isEmpty());
        }
        double bound = loosened(puzzle, lastLate.getAsLong(), left);
        Model knot = new Model(puzzle, lastLate.getAsLong(), left);
        if (!knot.whole()) {
            return new Untied(byItself, bound, bound > 0);
        }
        return fewestLate(knot, puzzle.choices(byItself.course()), bound, left, SHARE_FOR_KNOT)
                .map(round -> new Untied(better(byItself, puzzle.answer(round.choices())), round.bound(), true))
                .orElse(new Untied(byItself, bound, bound > 0));
    }

    /** What is late at least; 0 where nothing is known in its time. */
    private double loosened(Puzzle puzzle, long until, Left left) {
        Model model = Model.loosened(puzzle, until, left);
        if (!model.whole()) {
            return 0;
        }
        model.forLate();
        CpSolver solver = solver(SHARE_FOR_LOOSENED * left.seconds());
        CpSolverStatus status = solve(solver, model);
        return there(status) ? solver.bestObjectiveBound() : 0;
    }

    /** Nothing is looked for where what there is reaches the bound that is known already. */
    private Optional<Round> fewestLate(Model model, List<Puzzle.Choice> there, double bound, Left left, double share) {
        long reached = model.late(there);
        if (reached <= bound) {
            return Optional.of(new Round(there, reached, bound, true));
        }
        model.forLate();
        model.hint(there);
        return best(model, left, share, bound);
    }

    /** The first of them where neither is. */
    private static Constructive.Laid better(Constructive.Laid one, Constructive.Laid other) {
        return other.course().values().compareTo(one.course().values()) < 0 ? other : one;
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

    private interface Left extends Patience {
        double seconds();

        @Override
        default boolean over() {
            return seconds() < LEAST_S;
        }
    }

    /**
     * What was chosen.
     *
     * @param reached of what the model looked for
     * @param bound   of the same
     * @param proven  whether nothing is better, and nothing has to be kept apart
     */
    private record Round(List<Puzzle.Choice> choices, long reached, double bound, boolean proven) {}

    /** Solved until nothing has to be kept apart any more, or the time is over. */
    private Optional<Round> best(Model model, Left left, double share, double known) {
        double until = left.seconds() * (1 - share);
        Optional<Round> best = Optional.empty();
        double bound = known;
        for (int i = 0; i < MOST_ROUNDS && left.seconds() - until > LEAST_S; i++) {
            CpSolver solver = solver(left.seconds() - until);
            CpSolverStatus status = solve(solver, model);
            if (!there(status)) {
                break;
            }
            List<Puzzle.Choice> choices = model.choices(solver);
            boolean apart = !model.keepApart(choices);
            // What was sure before more had to be kept apart is sure still.
            bound = Math.max(bound, solver.bestObjectiveBound());
            best = Optional.of(new Round(
                    choices, (long) solver.objectiveValue(), bound, apart && status == CpSolverStatus.OPTIMAL));
            if (apart) {
                break;
            }
            model.hint(choices);
        }
        return best;
    }

    private static CpSolver solver(double seconds) {
        CpSolver solver = new CpSolver();
        // Trying out every truth beforehand takes longer here than all the rest.
        solver.getParameters()
                .setCpModelProbingLevel(0)
                .setMaxTimeInSeconds(Math.max(0, seconds))
                .setNumWorkers(WORKERS);
        return solver;
    }

    private CpSolverStatus solve(CpSolver solver, Model model) {
        at = solver;
        CpSolverStatus status = solver.solve(model.cp());
        at = null;
        return status;
    }

    private static boolean there(CpSolverStatus status) {
        return status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE;
    }
}
