package potamos.core.safety;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;

/** How long a stock keeps. */
public final class Keeping {

    /** What was frozen keeps so long once it is thawed. */
    private static final int THAWED_DAYS = 1;

    private Keeping() {}

    /** The last day on which something may be used that is thawed on a day. */
    public static LocalDate thawedUseBy(LocalDate thawed) {
        return thawed.plusDays(THAWED_DAYS);
    }

    /**
     * The last day on which a stock kept cold may be used: the earliest of what the formula and the limits allow.
     *
     * @param made        day of making, in the kitchen's own calendar
     * @param formulaDays days that the formula keeps, 1 or more
     * @param limits      the kitchen's profile
     */
    public static LocalDate coldUseBy(LocalDate made, int formulaDays, LimitProfile limits) {
        int days = Math.min(formulaDays, limits.coldDays());
        return made.plusDays(days - limits.dayOfMaking());
    }

    /**
     * The last day on which a stock may be used, however it is kept.
     *
     * @param kept         now
     * @param since        day from which on it is kept so
     * @param thawed       whether it was frozen before
     * @param frozenMonths months that the formula keeps frozen
     */
    public static LocalDate useBy(
            Kept kept,
            LocalDate since,
            boolean thawed,
            LocalDate made,
            int formulaDays,
            int frozenMonths,
            LimitProfile limits) {
        if (kept == Kept.FROZEN) {
            return made.plusMonths(frozenMonths);
        }
        return thawed ? thawedUseBy(since) : coldUseBy(made, formulaDays, limits);
    }

    /** The same of a stock that is ready at a moment, as the moment from which on it may not. */
    public static Instant coldUntil(Instant ready, int formulaDays, LimitProfile limits, ZoneId zone) {
        return endOf(coldUseBy(ready.atZone(zone).toLocalDate(), formulaDays, limits), zone);
    }

    /** When a last day of use is over. */
    public static Instant endOf(LocalDate useBy, ZoneId zone) {
        return useBy.plusDays(1).atStartOfDay(zone).toInstant();
    }
}
