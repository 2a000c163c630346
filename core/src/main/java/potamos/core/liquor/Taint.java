package potamos.core.liquor;

import potamos.core.quantity.Refusal;

/**
 * A taste that nobody wants, foreseen or seen, with the figures that it goes by.
 *
 * @param kind  what
 * @param value the figure that is too far
 * @param limit how far it may go
 * @param unit  of both
 */
public record Taint(Kind kind, double value, double limit, String unit) {

    /** Minutes that fish bones may be simmered. */
    public static final double FISH_MIN = 35;

    /** Kelp gives bitter and slimy stuff above this, °C. */
    public static final double KELP_C = 80;

    /** Kelp that has no steep of its own is lifted out here, before it gets there, °C. */
    public static final double KELP_LIFTED_C = 75;

    /** Longer than this is a long simmer for brassicas and peppers, min. */
    public static final double BITTER_MIN = 60;

    /** A thin or reactive pot tastes of itself after this, min. */
    public static final double POT_MIN = 12 * 60;

    public Taint {
        Refusal.unlessFinite("value", value, unit);
        Refusal.unlessFinite("limit", limit, unit);
    }

    /** What it tastes of. */
    public enum Kind {
        /** Fish simmered too long: chalky, bitter. */
        FISH_LONG,
        /** Kelp too hot. */
        KELP_HOT,
        /** Brassica in a long simmer. */
        BRASSICA,
        /** Bell pepper in a long simmer. */
        PEPPER,
        /** Beet: red-brown, earthy. */
        BEET,
        /** Drippings burnt on. */
        SCORCHED,
        /** Metal. */
        POT
    }
}
