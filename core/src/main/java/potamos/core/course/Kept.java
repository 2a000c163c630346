package potamos.core.course;

import java.time.Instant;
import potamos.core.quantity.Volume;

/**
 * Stock that stands on the cold shelf.
 *
 * @param from when it is put there, or earlier
 * @param to   when it is fetched, or poured away; not after {@code from} of what never comes there
 */
public record Kept(Instant from, Instant to, Volume litres) {

    boolean at(Instant moment) {
        return !from.isAfter(moment) && to.isAfter(moment);
    }
}
