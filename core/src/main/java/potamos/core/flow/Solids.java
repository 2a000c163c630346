package potamos.core.flow;

import java.time.Duration;
import potamos.core.formula.Part;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/**
 * Something solid beside the bed that goes into the pot.
 *
 * @param part         what
 * @param mass         how much
 * @param intoTheSimmer when, counted from reaching the simmer; zero for what goes in cold with the bed
 * @param uptakeLPerKg liquor that stays in it when it is strained out
 */
public record Solids(Part part, Mass mass, Duration intoTheSimmer, double uptakeLPerKg) {

    /** Density of vegetables and herbs once the water has found its way in, kg/L. */
    private static final double WET_KG_PER_L = 1.0;

    public Volume displaced() {
        return mass.atDensity(WET_KG_PER_L);
    }

    public Volume uptake() {
        return Volume.ofLitres(mass.kg() * uptakeLPerKg);
    }
}
