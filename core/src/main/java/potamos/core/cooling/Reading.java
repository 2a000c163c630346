package potamos.core.cooling;

import java.time.Instant;
import potamos.core.quantity.Temperature;

/**
 * A temperature of the stock at a time.
 *
 * @param late whether it was entered from memory, long after it was read
 * @param by   what it rests on
 */
public record Reading(Instant at, Temperature temperature, boolean late, By by) {

    /** What a reading rests on. */
    public enum By {
        HAND,
        /** A probe that stays in the stock: between its readings nothing is missed. */
        PROBE,
        /** Nobody read it: what the pot must have had. It tells when a clock starts, and proves nothing. */
        RECKONED
    }

    /** A reading entered as it was read. */
    public Reading(Instant at, Temperature temperature) {
        this(at, temperature, false, By.HAND);
    }
}
