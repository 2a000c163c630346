package potamos.core.liquor;

import potamos.core.quantity.Temperature;

/**
 * Collagen turning to gelatin, and gelatin slowly breaking down: {@code dG/dt = k(T)(G_max − G) − k_d(T)·G}.
 *
 * <p>First order in both directions, Arrhenius about 95 °C with 95 kJ/mol. Ignores acidity and the lag of thick bones.
 */
public final class Gelatin {

    private static final double ACTIVATION_J_PER_MOL = 95_000;
    private static final double GAS_J_PER_MOL_K = 8.314462618;
    private static final double REFERENCE_K = 273.15 + 95;
    private static final double BREAKDOWN_HALF_TIME_H = 60;

    private Gelatin() {}

    /** How much faster than at 95 °C both reactions run. */
    public static double speed(Temperature t) {
        return Math.exp(ACTIVATION_J_PER_MOL / GAS_J_PER_MOL_K * (1 / REFERENCE_K - 1 / t.kelvin()));
    }

    /**
     * Gelatin dissolved after a time at one temperature, by the exact solution.
     *
     * @param grams     dissolved so far
     * @param most      all the collagen that can go, g
     * @param halfTimeH hours at 95 °C for half of it; 0 means that the bed gives none
     * @param t         temperature meanwhile
     * @param hours     0 or more
     */
    public static double after(double grams, double most, double halfTimeH, Temperature t, double hours) {
        return afterAtSpeed(grams, most, halfTimeH, speed(t), hours);
    }

    /** The same for a {@link #speed} that a caller already has, as in a long simmer at one temperature. */
    public static double afterAtSpeed(double grams, double most, double halfTimeH, double speed, double hours) {
        if (halfTimeH <= 0) {
            return grams;
        }
        double k = Math.log(2) / halfTimeH * speed;
        double kd = Math.log(2) / BREAKDOWN_HALF_TIME_H * speed;
        double settled = most * k / (k + kd);
        return settled + (grams - settled) * Math.exp(-(k + kd) * hours);
    }
}
