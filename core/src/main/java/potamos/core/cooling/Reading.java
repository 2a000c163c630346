package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import potamos.core.quantity.Temperature;

/**
 * A temperature of the stock at a time.
 *
 * @param at      when it was taken
 * @param entered when it was told; a correction tells it anew
 */
public record Reading(Instant at, Temperature temperature, Instant entered) {

    /** Told so long afterwards, it is from memory. */
    public static final Duration LATE = Duration.ofMinutes(15);

    /** A reading entered as it was read. */
    public Reading(Instant at, Temperature temperature) {
        this(at, temperature, at);
    }

    /** Whether it was entered from memory. */
    public boolean late() {
        return entered.isAfter(at.plus(LATE));
    }
}
