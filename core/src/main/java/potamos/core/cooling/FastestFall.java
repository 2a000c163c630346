package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import potamos.core.quantity.Band;
import potamos.core.quantity.Temperature;

/**
 * How cold a stock can be at most after a while: what falls faster was read beside the stock, in its ice or at its rim.
 *
 * @param mediumC   nothing is colder than what it stands in
 * @param perMinute decay constant toward that, above 0
 */
public record FastestFall(double mediumC, double perMinute) {

    private static final double UNKNOWN_MIN = 3;

    /** No container gives up its heat so much faster than it is reckoned to. */
    private static final double TIMES = 3;

    /** Where neither container nor medium is known. */
    public static final FastestFall UNKNOWN = new FastestFall(0, 1 / UNKNOWN_MIN);

    /** Three times the fast end of what a container gives in any of its media, toward the coldest of them. */
    public static FastestFall of(CoolingPlan plan) {
        // Ice that is moved through the stock takes its heat from within.
        if (plan.legs().stream().anyMatch(leg -> leg.medium() instanceof Medium.IcePaddle)) {
            return UNKNOWN;
        }
        double rate = plan.legs().stream()
                .mapToDouble(leg -> Cooler.ratePerMin(plan, leg.medium(), CoolingPlan.STRAINED.celsius()))
                .max()
                .orElseThrow();
        double coldest = plan.legs().stream()
                .mapToDouble(leg -> leg.medium().start().celsius())
                .min()
                .orElseThrow();
        return new FastestFall(Math.min(0, coldest), TIMES * (1 + Band.Z90 * Cooler.TRANSFER_SD) * rate);
    }

    /** The least that a stock can have at a moment which had a temperature at an earlier one. */
    double coldest(Instant from, Temperature had, Instant at) {
        double minutes = Duration.between(from, at).toMillis() / 60_000.0;
        double above = Math.max(0, had.celsius() - mediumC);
        return mediumC + above * Math.exp(-perMinute * Math.max(0, minutes));
    }
}
