package potamos.core.heat;

import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;

/** Steam leaving a free surface. */
public final class Evaporation {

    private Evaporation() {}

    /**
     * Mass flux in kg/m²/h by the pool correlation of Smith, Löf and Jones.
     *
     * @param liquor temperature of the surface, below the local boiling point
     * @param air    over it
     * @param cover  on it
     * @param kappa  vessel-and-burner factor, near 0.8
     * @return 0 or more: nothing condenses into a hot pot
     */
    public static double kgPerM2H(Temperature liquor, Air air, Cover cover, double kappa) {
        double excess = Water.saturationKpa(liquor) - air.vapourKpa();
        double flux = kappa
                * cover.lets()
                * 3600
                * excess
                * (0.089 + 0.0782 * air.speedMS())
                / Water.evaporationKjPerKg(liquor);
        return Math.max(0, flux);
    }

    /** Nearer to the boiling point the correction has no end; what leaves there is what the heat leaves. */
    private static final double NEAREST = 0.9999;

    /**
     * How the outflow of steam lifts the correlation as a liquor nears its boiling point (Stefan flow): {@code −ln(1 − x)/x}.
     *
     * @param x saturation pressure over the pressure of the air, above 0, up to 1: no water is without any
     * @return 1 for a cold liquor, about 2 in a lazy simmer, rising without end towards the boil
     * @see <a href="https://www.wiley.com/en-us/9780470115398">Bird, Stewart and Lightfoot, Transport Phenomena, 2nd ed., section 18.2</a>
     */
    static double stefan(double x) {
        double near = Math.min(x, NEAREST);
        return -Math.log(1 - near) / near;
    }

    /**
     * Steam at a boil in kg/h: whatever the heat leaves after the walls have taken theirs.
     *
     * @param delivered heat into the liquor
     * @param lossW     heat lost through the walls
     * @param boiling   the local boiling point
     */
    public static double boilingKgPerH(Power delivered, double lossW, Temperature boiling) {
        return Math.max(0, (delivered.watts() - lossW) / 1000 / Water.evaporationKjPerKg(boiling) * 3600);
    }
}
