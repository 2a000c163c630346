package potamos.core.cooling;

import java.time.Instant;
import potamos.core.quantity.Temperature;

/**
 * A temperature of the stock at a time.
 *
 * @param late whether it was entered from memory, long after it was read
 */
public record Reading(Instant at, Temperature temperature, boolean late) {

    /** A reading entered as it was read. */
    public Reading(Instant at, Temperature temperature) {
        this(at, temperature, false);
    }
}
