package potamos.core.heat;

import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * Planning time of a roast to a shade of the kitchen's card, from 1 raw to 8 black: {@code t_ref·10^(−(T−200)/70)·crowd·oven}.
 *
 * <p>The time to other shades goes straight with the steps from raw. One eye on the tray overrules it, and the judgement calibrates the oven.
 */
public final class Browning {

    /** Minutes to {@link #REFERENCE_SHADE} at 200 °C in one layer in a still oven. */
    private static final double REFERENCE_MIN = 50;

    private static final double REFERENCE_SHADE = 5.5;
    private static final double REFERENCE_C = 200;

    /** Kelvins hotter that make it ten times as quick. */
    private static final double TENFOLD_K = 70;

    private static final double RAW = 1;

    /** From this shade on the drippings turn bitter. */
    public static final double SCORCHED = 7;

    /** Of a convection oven that nobody has measured yet. */
    public static final double CONVECTION = 0.8;

    private Browning() {}

    /**
     * Minutes to a shade.
     *
     * @param oven  80 to 300 °C
     * @param shade above 1, up to 8
     * @param crowd 1 in one layer, up to 1.6 where pieces lie on each other
     * @param factor of the oven: 1 still, about 0.8 convection
     */
    public static double minutesTo(double shade, Temperature oven, double crowd, double factor) {
        Refusal.unlessWithin("shade", shade, RAW, 8, "on the shade card");
        return full(oven, crowd, factor) * (shade - RAW) / (REFERENCE_SHADE - RAW);
    }

    /** The shade after a time, at most 8. */
    public static double shadeAfter(double minutes, Temperature oven, double crowd, double factor) {
        double steps = (REFERENCE_SHADE - RAW) * Math.max(0, minutes) / full(oven, crowd, factor);
        return Math.min(8, RAW + steps);
    }

    private static double full(Temperature oven, double crowd, double factor) {
        Refusal.unlessWithin("ovenC", oven.celsius(), 80, 300, "°C");
        Refusal.unlessWithin("crowd", crowd, 1, 1.6, "");
        Refusal.unlessWithin("ovenFactor", factor, 0.4, 2.5, "");
        return REFERENCE_MIN * Math.pow(10, -(oven.celsius() - REFERENCE_C) / TENFOLD_K) * crowd * factor;
    }
}
