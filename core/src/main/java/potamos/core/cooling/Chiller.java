package potamos.core.cooling;

import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * Somewhere to cool or keep a stock.
 *
 * @param name    what the kitchen calls it
 * @param kind    what it is
 * @param litres  of stock or bath that it takes
 * @param air     its air, or its bath
 * @param iceKg   ice that its bin holds; 0 where there is none
 * @param iceKgPerH that a machine makes for it; 0 where there is none
 */
public record Chiller(String name, Kind kind, double litres, Temperature air, double iceKg, double iceKgPerH) {

    /** Litres; more than any takes. */
    public static final int MOST_L = 20_000;

    /** What it is. */
    public enum Kind {
        ICE_BATH,
        BLAST,
        COLD_STORE,
        FREEZER
    }

    public Chiller {
        if (kind == null) {
            throw Refusal.of("kind", "an ice bath, a blast chiller, a cold store or a freezer");
        }
        Refusal.unlessWithin("litres", litres, 1, MOST_L, "L");
        Refusal.unlessWithin("airC", air.celsius(), -45, 15, "°C");
        Refusal.unlessWithin("iceKg", iceKg, 0, 2000, "kg");
        Refusal.unlessWithin("iceKgPerH", iceKgPerH, 0, 500, "kg/h");
    }

    /** Whole litres that it takes at once, as a course counts them. */
    public int wholeLitres() {
        return (int) Math.floor(litres);
    }
}
