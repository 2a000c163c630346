package potamos.server.stations;

import java.time.LocalDate;

/** What stands in the cold, or is coming, and nobody has called for. */
public interface OnHand {

    /** Litres of a stock that are still good on a day. */
    double litres(String kitchenId, String formulaSlug, LocalDate goodOn);
}
