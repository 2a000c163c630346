package potamos.core.course;

import java.util.Comparator;

/**
 * How good a course is, in the order in which it counts: no amount of a later one makes up for any of an earlier.
 *
 * @param broken     rules
 * @param lateL      litres late or missing, weighted by their stations and by how late: all of a litre from eight hours on
 * @param wastedL    litres that nobody has called for by their use-by
 * @param cookH      of a cook's time: double-booked, and half an hour for each batch
 * @param slackShort hours by which calls come closer than one to their stock
 * @param kwh        heat and ice
 */
public record Values(int broken, double lateL, double wastedL, double cookH, double slackShort, double kwh)
        implements Comparable<Values> {

    /** Litres that nobody would notice. */
    public static final double A_DROP_L = 0.05;

    private static final double FIVE_MINUTES_H = 5 / 60.0;

    /** Within what nobody would notice two are equal on a level, and the next one decides. */
    private static final Comparator<Values> ORDER = Comparator.comparingInt(Values::broken)
            .thenComparingLong(Values::lateSteps)
            .thenComparingLong(v -> whole(v.wastedL / A_DROP_L))
            .thenComparingLong(v -> whole(v.cookH / FIVE_MINUTES_H))
            .thenComparingLong(v -> whole(v.slackShort / FIVE_MINUTES_H))
            .thenComparingDouble(Values::kwh);

    /** Litres late in steps that nobody would notice. */
    long lateSteps() {
        return whole(lateL / A_DROP_L);
    }

    private static long whole(double steps) {
        return (long) Math.floor(steps + 0.5);
    }

    @Override
    public int compareTo(Values other) {
        return ORDER.compare(this, other);
    }
}
