package potamos.core.heat;

import java.util.Optional;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.vessel.Vessel;

/**
 * Where the heat comes from.
 *
 * @param name       what the kitchen calls it
 * @param rated      power at full
 * @param efficiency share of it that reaches the pot
 */
public record Burner(String name, Power rated, double efficiency) {

    /** Shares that reach the pot where nobody has measured them: from a flame, and by induction. */
    public static final double BOOK_GAS = 0.5;

    public static final double BOOK_INDUCTION = 0.85;

    public Burner {
        Refusal.unlessWithin("ratedKw", rated.watts() / 1000, 0.2, 100, "kW");
        Refusal.unlessWithin("efficiency", efficiency, 0.1, 1, "");
    }

    /** What a vessel has of its own; nothing for one that is put on a burner. */
    public static Optional<Burner> own(Vessel vessel) {
        return vessel.own().map(heat -> new Burner(vessel.name(), heat, 1));
    }

    public Power delivered() {
        return rated.times(efficiency);
    }
}
