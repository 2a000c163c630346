package potamos.core.heat;

import potamos.core.quantity.Estimate;
import potamos.core.quantity.Refusal;

/**
 * An oven for roasting.
 *
 * @param name       what the kitchen calls it
 * @param trays      full trays that go in at once
 * @param convection whether a fan moves the air
 * @param factor     on the book's roasting time: 1 still, about 0.8 with a fan; learnt from roasts
 */
public record Oven(String name, int trays, boolean convection, Estimate factor) {

    public Oven {
        Refusal.unlessWithin("trays", trays, 1, 60, "trays");
        Refusal.unlessWithin("factor", factor.value(), 0.4, 2.5, "");
    }

    /** The usual factor of an oven that nobody has measured yet. */
    public static Estimate bookFactor(boolean convection) {
        return Estimate.book(convection ? Browning.CONVECTION : 1, 0.15);
    }
}
