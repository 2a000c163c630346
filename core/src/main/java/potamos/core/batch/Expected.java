package potamos.core.batch;

import java.util.List;
import potamos.core.flow.Why;
import potamos.core.quantity.Band;

/**
 * What comes out of a batch if it goes on as planned, by what has been weighed and read so far.
 *
 * @param litres       out
 * @param gelatinGPerL in them
 * @param why          so many litres
 */
public record Expected(Band litres, double gelatinGPerL, List<Why> why) {

    public Expected {
        why = List.copyOf(why);
    }
}
