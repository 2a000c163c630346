package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import potamos.core.flow.Luck;
import potamos.core.flow.Run;
import potamos.core.quantity.Band;
import potamos.core.quantity.Temperature;

/**
 * Level, temperature and gelatin of a pot against the clock, each with its band: as replayed up to now, and as it goes on from here if the plan is
 * followed. A reading closes the band, for it overrules the model; from there it opens again.
 *
 * <p>What is ahead takes the plan's top-ups and the end as it was last judged. It looks ahead from a lit pot only: before that, the plan itself is
 * what is known.
 *
 * @param points oldest first; empty before the pot is filled
 * @param now    the moment that parts what happened from what is ahead
 */
public record Curves(List<Point> points, Instant now) {

    /** More would not be seen on a screen. */
    private static final int MOST_POINTS = 240;

    private static final double A_JUMP_CM = 0.3;

    public Curves {
        points = List.copyOf(points);
    }

    /** The pot at a moment. */
    public record Point(Instant at, Band levelCm, Band celsius, Band gelatinGPerL) {}

    /** The curves of a batch, from its events and the moment. */
    public static Curves of(Plan accepted, List<? extends BatchEvent> events, Instant now) {
        List<Fact> believed = History.believed(events);
        Plan plan = Weighing.standing(accepted, believed);
        Replay book = Replay.of(plan, Luck.BOOK, believed);
        BatchState state = book.stateAt(now);
        Ahead ahead = Ahead.of(
                plan.charge().run(), book.pot(), state.stage(), state.simmer().plannedEnd(), Ahead.Until.END_OF_SIMMER);
        List<BatchState.CoursePoint> mid = book.pot().course();
        List<List<BatchState.CoursePoint>> others = new ArrayList<>();
        for (Luck luck : Luck.ofThePot(plan.charge().run().vessel().kappa())) {
            Replay other = Replay.of(plan, luck, believed);
            other.stateAt(now);
            ahead.go(other);
            others.add(other.pot().course());
        }
        double heldTo = heldTo(plan.charge().run());
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < mid.size(); i++) {
            int at = i;
            List<BatchState.CoursePoint> same =
                    others.stream().map(course -> course.get(at)).toList();
            BatchState.CoursePoint point = mid.get(i);
            boolean coming = point.at().isAfter(now);
            points.add(new Point(
                    point.at(),
                    band(point, same, BatchState.CoursePoint::levelCm, 0),
                    band(point, same, BatchState.CoursePoint::celsius, coming ? heldTo : 0),
                    band(point, same, BatchState.CoursePoint::gelatinGPerL, 0)));
        }
        return new Curves(thinned(points), now);
    }

    /** How far from the middle of its band a simmer may be held, as one standard deviation in kelvins. */
    private static double heldTo(Run run) {
        Temperature boiling = run.air().boilingPoint();
        double width = run.simmer().band().high(boiling).celsius()
                - run.simmer().band().low(boiling).celsius();
        return width / 2 / Band.Z90;
    }

    private static Band band(
            BatchState.CoursePoint mid,
            List<BatchState.CoursePoint> others,
            ToDoubleFunction<BatchState.CoursePoint> figure,
            double sd) {
        double value = figure.applyAsDouble(mid);
        double variance = sd * sd;
        for (BatchState.CoursePoint other : others) {
            double effect = figure.applyAsDouble(other) - value;
            variance += effect * effect;
        }
        return Band.ofVariance(value, variance).notBelow(Math.min(0, value));
    }

    private static List<Point> thinned(List<Point> points) {
        if (points.size() <= MOST_POINTS) {
            return points;
        }
        Instant first = points.get(0).at();
        Instant last = points.get(points.size() - 1).at();
        Duration apart = Duration.between(first, last).dividedBy(MOST_POINTS);
        List<Point> kept = new ArrayList<>();
        Optional<Point> before = Optional.empty();
        for (int i = 0; i < points.size(); i++) {
            Point point = points.get(i);
            boolean keep = before.isEmpty()
                    || i == points.size() - 1
                    || !point.at().isBefore(before.get().at().plus(apart))
                    || Math.abs(point.levelCm().mid() - before.get().levelCm().mid()) > A_JUMP_CM;
            if (keep) {
                kept.add(point);
                before = Optional.of(point);
            }
        }
        return kept;
    }
}
