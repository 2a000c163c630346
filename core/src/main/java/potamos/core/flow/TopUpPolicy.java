package potamos.core.flow;

import java.time.Duration;
import java.time.Instant;
import potamos.core.quantity.Length;
import potamos.core.quantity.Volume;

/**
 * When a simmering pot gets water: whenever it has dropped so far below its mark, and once more before the end, back to the mark, so that its yield moves
 * smoothly with the charge. Forecast, due acts, outlook and expectation all go by this.
 *
 * @param holds whether the pot is held at its mark at all
 * @param drop  how far the level may fall before it is topped up
 * @param share of what is missing that goes in: all of it in a simmer of an hour and a quarter and more, in a shorter one less, and none where the simmer is
 *              hardly longer than what follows the last top-up; between the two it grows by the minute, so that none of them decides it
 */
public record TopUpPolicy(boolean holds, Length drop, double share) {

    /** The last top-up comes so long before the end. */
    public static final Duration LAST = Duration.ofMinutes(30);

    private static final double LEAST_SHARE = 0.0025;

    /** How long a top-up that is due may wait. */
    public static final Duration MAY_WAIT = Duration.ofMinutes(20);

    /** Up to this length a simmer is not topped up. */
    private static final Duration SHORT = Duration.ofMinutes(45);

    /** From this length on it is topped up with all that is missing. */
    private static final Duration LONG = Duration.ofMinutes(75);

    public static TopUpPolicy of(Run run) {
        double into = (double) run.simmer().usual().minus(SHORT).toSeconds()
                / LONG.minus(SHORT).toSeconds();
        double share = Math.max(0, Math.min(1, into));
        return new TopUpPolicy(
                run.simmer().topUp().hold() && share > 0, run.simmer().topUp().drop(), share);
    }

    /** Water that goes in when so much is missing to the mark. */
    public Volume amount(double missingL) {
        return Volume.ofLitres(Math.max(0, missingL) * share);
    }

    /** Whether it is worth a jug: less than a quarter of a per cent of what is in the pot is left alone. */
    public static boolean worthIt(Volume amount, Volume contents) {
        return amount.litres() > LEAST_SHARE * contents.litres();
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
