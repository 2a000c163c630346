package potamos.core.flow;

import java.time.Duration;
import java.time.Instant;
import potamos.core.quantity.Length;

/**
 * When a simmering pot gets water: whenever it has dropped so far below its mark, and once more before the end, back to the mark, so that its yield moves
 * smoothly with the charge. Forecast, due acts, outlook and expectation all go by this.
 *
 * @param holds whether the pot is held at its mark at all
 * @param drop  how far the level may fall before it is topped up
 */
public record TopUpPolicy(boolean holds, Length drop) {

    /** The last top-up comes so long before the end. */
    public static final Duration LAST = Duration.ofMinutes(30);

    /** How long a top-up that is due may wait. */
    public static final Duration MAY_WAIT = Duration.ofMinutes(20);

    /** A simmer that is hardly longer than what follows the last top-up is over before one could matter. */
    private static final Duration SHORTEST = Duration.ofMinutes(45);

    public static TopUpPolicy of(Run run) {
        boolean longEnough = run.simmer().usual().compareTo(SHORTEST) > 0;
        return new TopUpPolicy(
                run.simmer().topUp().hold() && longEnough, run.simmer().topUp().drop());
    }

    /** When the last one is due in a simmer that ends then. */
    public Instant last(Instant end) {
        return end.minus(LAST);
    }

    /**
     * Whether it is topped up now.
     *
     * @param toTheEndMin minutes of simmer that are left
     * @param downCm      how far the level stands below its mark
     * @param lastDone    whether the last one is done
     */
    public boolean now(double toTheEndMin, double downCm, boolean lastDone) {
        return holds && !lastDone && (isLast(toTheEndMin) || downCm >= drop.cm());
    }

    /** Whether one with so many minutes left is the last. */
    public boolean isLast(double toTheEndMin) {
        return toTheEndMin <= LAST.toMinutes();
    }
}
