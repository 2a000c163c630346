package potamos.core.heat;

import potamos.core.quantity.Temperature;

/**
 * What the walls of a pot stand in.
 *
 * @param temperature of the air along them
 * @param wPerM2K     heat that passes between it and a steel wall for each square metre and kelvin, radiation included
 */
public record Surroundings(Temperature temperature, double wPerM2K) {

    /** Bare steel walls in still air. */
    private static final double STILL_W_PER_M2_K = 12;

    /** A pot in a hot oven, the glow of its sides included: about 15 in still air and 25 before a fan. */
    private static final double OVEN_W_PER_M2_K = 20;

    /** On the range. */
    static Surroundings of(Air air) {
        return new Surroundings(air.temperature(), STILL_W_PER_M2_K);
    }

    /** In an oven: the walls take heat in instead of losing it. */
    public static Surroundings oven(Temperature setTo) {
        return new Surroundings(setTo, OVEN_W_PER_M2_K);
    }
}
