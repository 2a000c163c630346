package potamos.core.liquor;

import potamos.core.quantity.Refusal;

/**
 * Salt through reductions: it stays while the water goes.
 *
 * @param gPerL        in the stock as strained
 * @param afterGPerL   after the planned reduction
 * @param mostFraction the furthest reduction that stays below the warning, as a fraction of the volume; 1 when none is safe
 */
public record Salt(double gPerL, double afterGPerL, double mostFraction) {

    /** A sauce cook can do nothing with more than this. */
    public static final double WARN_G_PER_L = 6;

    /**
     * Salt of a stock.
     *
     * @param grams    of NaCl from everything seasoned
     * @param litres   of stock before the reduction, above 0
     * @param fraction of the volume that the planned reduction leaves; 1 for none
     */
    public static Salt of(double grams, double litres, double fraction) {
        Refusal.unlessWithin("fraction", fraction, 0.01, 1, "of the volume");
        double gPerL = Math.max(0, grams) / Math.max(1e-6, litres);
        return new Salt(gPerL, gPerL / fraction, Math.min(1, gPerL / WARN_G_PER_L));
    }

    public boolean tooMuch() {
        return afterGPerL > WARN_G_PER_L;
    }
}
