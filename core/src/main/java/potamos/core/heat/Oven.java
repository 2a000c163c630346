package potamos.core.heat;

import potamos.core.quantity.Estimate;
import potamos.core.quantity.Mass;
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

    /** Bones or vegetables that lie on a full tray in one layer. */
    private static final double KG_A_TRAY = 4;

    /** Piled higher than this they steam instead of browning. */
    public static final double MOST_CROWDED = 1.6;

    /** Any oven with a fan, where a kitchen has not said which it has. */
    public static Oven book() {
        return new Oven("Oven", 60, true, bookFactor(true));
    }

    /** Trays for a mass in one layer, as far as the oven has them. */
    public int traysFor(Mass mass) {
        return (int) Math.max(1, Math.min(trays, Math.ceil(mass.kg() / KG_A_TRAY - 1e-9)));
    }

    /** Loads that a mass takes when no tray is piled higher than it browns. */
    public int loadsFor(Mass mass) {
        return (int) Math.max(1, Math.ceil(mass.kg() / (trays * KG_A_TRAY * MOST_CROWDED) - 1e-9));
    }

    /** How crowded each tray of a load is: 1 in one layer. */
    public double crowdFor(Mass mass) {
        return Math.max(1, mass.kg() / loadsFor(mass) / (trays * KG_A_TRAY));
    }

    /** The usual factor of an oven that nobody has measured yet. */
    public static Estimate bookFactor(boolean convection) {
        return Estimate.book(convection ? Browning.CONVECTION : 1, 0.15);
    }
}
