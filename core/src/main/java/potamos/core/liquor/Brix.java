package potamos.core.liquor;

import potamos.core.quantity.Refusal;

/**
 * What a refractometer says of a stock. It is made for sugar; gelatin bends light about 1.3 times as strongly per gram, so a stock reads richer than it
 * is. Salt and whatever else is dissolved is read as if it were gelatin.
 */
public final class Brix {

    /** The scale's own end for a hand refractometer. */
    public static final double MOST = 90;

    /** Refractive index increments, mL/g: gelatin 0.19 over sucrose 0.143. */
    private static final double GELATIN_TO_SUGAR = 1.3;

    /** Grams per millilitre gained by each degree of sugar, near enough to 30 °Bx. */
    private static final double DENSER_BY_DEGREE = 0.0042;

    private Brix() {}

    /**
     * Dissolved grams in a litre, taken as gelatin.
     *
     * @param degrees 0 to 90 °Bx at 20 °C, or by an instrument that allows for temperature
     */
    public static double gPerL(double degrees) {
        Refusal.unlessWithin("value", degrees, 0, MOST, "°Bx");
        return degrees * 10 * (1 + DENSER_BY_DEGREE * degrees) / GELATIN_TO_SUGAR;
    }

    /** What gelatin alone would read. */
    public static double ofGelatin(double gPerL) {
        double sugar = Math.max(0, gPerL) * GELATIN_TO_SUGAR / 10;
        return (Math.sqrt(1 + 4 * DENSER_BY_DEGREE * sugar) - 1) / (2 * DENSER_BY_DEGREE);
    }
}
