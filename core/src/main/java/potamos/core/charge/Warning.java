package potamos.core.charge;

import potamos.core.quantity.Refusal;

/**
 * Something about a charge that a cook should know before lighting the burner, with the figures to act on.
 *
 * @param kind  what is wrong
 * @param value the figure that is wrong
 * @param limit the figure that would be right
 * @param unit  of both
 */
public record Warning(Kind kind, double value, double limit, String unit) {

    /** A pot that is lukewarm for so long on its way up is warned of, and after twice as long only a chef accepts it, min. */
    public static final double SLOW_MIN = 120;

    /** Whether only a chef accepts a plan with it. */
    public boolean needsChef() {
        return kind == Kind.SLOW_BRING_UP && value > 2 * SLOW_MIN;
    }

    public Warning {
        Refusal.unlessFinite("value", value, unit);
        Refusal.unlessFinite("limit", limit, unit);
    }

    /** What can be wrong; those that stop a plan come first. */
    public enum Kind {
        /** Contents stand above the rim: value and limit are litres of contents. */
        RUNS_OVER(true),
        /** Contents stand above the fill line: value is the most litres of contents, limit what the vessel takes. */
        OVER_THE_LINE(true),
        /** The bed stands above the water at filling: value is water drawn, limit the water that covers it. */
        BED_PROUD(true),
        /** The bed will be bare during the simmer: value is the minute, limit the whole length. */
        BED_BARE_LATER(false),
        /** Full vessel too heavy to lift alone: value and limit in kg. */
        HEAVY_LIFT(false),
        /** A full hot vessel would have to come out of the oven: value in kg, limit is what is lifted alone. It is ladled where it stands. */
        OUT_OF_THE_OVEN(false),
        /** Litres of water per kg of bed outside the usual range of the family; limit is the nearer end. */
        UNUSUAL_RATIO(false),
        /** The pot stays lukewarm too long on its way up: value is minutes between 12 and 60 °C; a stronger burner or a smaller charge shortens it. */
        SLOW_BRING_UP(false),
        /** Pieces lie on each other and steam before they colour: value is layers. */
        TRAYS_CROWDED(false),
        /** More than the oven takes at once: value is loads, one after another. */
        SEVERAL_LOADS(false),
        /** The yield in the jug would be next to nothing. */
        NOTHING_LEFT(true);

        private final boolean stops;

        Kind(boolean stops) {
            this.stops = stops;
        }

        /** Whether a plan must not be accepted with it. */
        public boolean stops() {
            return stops;
        }
    }
}
