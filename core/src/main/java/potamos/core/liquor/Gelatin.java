package potamos.core.liquor;

import potamos.core.quantity.Temperature;

/**
 * Collagen turning to gelatin, and gelatin slowly breaking down into what does not set and does not come back:
 * {@code dC/dt = −k(T)·C}, {@code dG/dt = k(T)·C − k_d(T)·G}. So body rises, peaks and declines.
 *
 * <p>First order, Arrhenius about 95 °C with 95 kJ/mol. Ignores acidity and the lag of thick bones.
 *
 * @param collagen still in the bones, g
 * @param grams    in the liquor, g
 */
public record Gelatin(double collagen, double grams) {

    private static final double ACTIVATION_J_PER_MOL = 95_000;
    private static final double GAS_J_PER_MOL_K = 8.314462618;
    private static final double REFERENCE_K = 273.15 + 95;
    private static final double BREAKDOWN_HALF_TIME_H = 60;
    private static final double LN_2 = Math.log(2);

    /** Rates closer to each other than this are one. */
    private static final double ALIKE = 1e-9;

    /** Bones that nothing has come out of yet. */
    public static Gelatin of(double collagen) {
        return new Gelatin(collagen, 0);
    }

    /** How much faster than at 95 °C both reactions run. */
    public static double speed(Temperature t) {
        return Math.exp(ACTIVATION_J_PER_MOL / GAS_J_PER_MOL_K * (1 / REFERENCE_K - 1 / t.kelvin()));
    }

    /**
     * After a time at one temperature, by the exact solution.
     *
     * @param halfTimeH hours at 95 °C for half of the collagen; 0 means that the bed gives none
     * @param t         temperature meanwhile
     * @param hours     0 or more
     */
    public Gelatin after(double halfTimeH, Temperature t, double hours) {
        return after(halfTimeH, speed(t), 1, hours);
    }

    /**
     * The same for a {@link #speed} that a caller already has, as in a long simmer at one temperature.
     *
     * @param extraction how much more readily than the book's these bones give
     */
    public Gelatin after(double halfTimeH, double speed, double extraction, double hours) {
        double lost = LN_2 / BREAKDOWN_HALF_TIME_H * speed;
        double stays = Math.exp(-lost * hours);
        if (halfTimeH <= 0) {
            return new Gelatin(collagen, grams * stays);
        }
        double gives = LN_2 / halfTimeH * speed * extraction;
        double left = Math.exp(-gives * hours);
        double apart = gives - lost;
        double made = Math.abs(apart) < ALIKE ? gives * hours * left : gives / apart * (stays - left);
        return new Gelatin(collagen * left, grams * stays + collagen * made);
    }
}
