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
