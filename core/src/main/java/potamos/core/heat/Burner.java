package potamos.core.heat;

import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;

/**
 * Where the heat comes from.
 *
 * @param name       what the kitchen calls it
 * @param rated      power at full
 * @param efficiency share of it that reaches the pot, about 0.5 for gas and 0.85 for induction
 */
public record Burner(String name, Power rated, double efficiency) {

    public Burner {
        Refusal.unlessWithin("ratedKw", rated.watts() / 1000, 0.2, 100, "kW");
        Refusal.unlessWithin("efficiency", efficiency, 0.1, 1, "");
    }

    public Power delivered() {
        return rated.times(efficiency);
    }
}
