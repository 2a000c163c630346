package potamos.core.cooling;

import java.time.Instant;
import potamos.core.quantity.Temperature;

/** A temperature of the stock at a time. */
public record Reading(Instant at, Temperature temperature) {}
