package potamos.core.larder;

import java.time.Duration;
import potamos.core.heat.Water;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * How long raw bones and fish take to thaw in the cold, by how thick they lie and how much of them there is.
 *
 * <p>Good to a third: whoever uses them looks whether the middle is soft.
 *
 * @see <a href="https://doi.org/10.1016/0140-7007(84)90024-8">Plank's equation with the shape factors of a brick, as reviewed by Cleland and Earle (1984)</a>
 */
public final class Thaw {

    /** Of what they are made of, by mass. */
    private static final double WATER = 0.6;

    /** Where the water in flesh begins to freeze. */
    private static final double FREEZES_C = -1.5;

    /** Thawed, with air between the pieces, W/m/K. */
    private static final double CONDUCTS = 0.45;

    /** From the air of a cold store through a box, W/m²/K. */
    private static final double INTO_THE_BOX = 10;

    private static final double THINNEST_CM = 1;
    private static final double THICKEST_CM = 60;

    private Thaw() {}

    /**
     * Time in a cold store until the middle is thawed.
     *
     * @param mass   of one box or block, above nothing
     * @param kgPerL as it lies
     * @param thick  its smallest measure, 1 to 60 cm
     * @param store  air of the store, above the freezing point of flesh
     */
    public static Duration takes(Mass mass, double kgPerL, Length thick, Temperature store) {
        Refusal.unlessWithin("thickCm", thick.cm(), THINNEST_CM, THICKEST_CM, "cm");
        Refusal.unlessWithin("storeC", store.celsius(), 0, 15, "°C");
        double metres = thick.cm() / 100;
        double side = Math.max(metres, Math.sqrt(mass.kg() / kgPerL / 1000 / metres));
        double longer = side / metres;
        double surface = longer / (2 * (longer + 2));
        double heat = 1000 * kgPerL * WATER * Water.MELTING_KJ_PER_KG * 1000 / (store.celsius() - FREEZES_C);
        double seconds = heat * (surface * metres / INTO_THE_BOX + surface / 4 * metres * metres / CONDUCTS);
        return Duration.ofSeconds((long) seconds);
    }
}
