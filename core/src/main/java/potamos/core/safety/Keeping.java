package potamos.core.safety;

import java.time.LocalDate;

/** How long a stock keeps. */
public final class Keeping {

    private Keeping() {}

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
}
