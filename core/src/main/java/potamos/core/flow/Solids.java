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
 */
public record Solids(Part part, Mass mass, Duration intoTheSimmer) {

    /** Pressing gets this share of the held liquor out of what is not a vegetable. */
    private static final double PRESSED_KEEPS = 0.5;

    /** Density of vegetables and herbs once the water has found its way in, kg/L. */
    private static final double WET_KG_PER_L = 1.0;

    public Volume displaced() {
        return mass.atDensity(WET_KG_PER_L);
    }

    /** Liquor that stays in it when it is strained out; below nothing where pressed vegetables give their own water. */
    public Volume uptake(boolean pressed) {
        double drained = part.item().uptakeLPerKg();
        double perKg = !pressed ? drained : part.kind() == Part.Kind.VEGETABLE ? -drained : PRESSED_KEEPS * drained;
        return Volume.ofLitres(mass.kg() * perKg);
    }
}
