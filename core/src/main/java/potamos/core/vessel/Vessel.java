package potamos.core.vessel;

import java.util.Optional;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * A pot, kettle or pan that a stock simmers in.
 *
 * @param name     what the kitchen calls it
 * @param shape    its inside
 * @param kappa    vessel-and-burner factor of evaporation, near 0.8; learnt from batches
 * @param metal    mass of the empty vessel, for heat and for lifting
 * @param handling how it is emptied
 * @param build    what its walls are good for
 * @param own      what its own heat gives to the liquor, 0.2 to 100 kW, as a kettle has it; a vessel without is put on a burner
 */
public record Vessel(
        String name, Shape shape, Estimate kappa, Mass metal, Handling handling, Build build, Optional<Power> own) {

    /** A vessel with sound, heavy walls, for a burner. */
    public Vessel(String name, Shape shape, Estimate kappa, Mass metal, Handling handling) {
        this(name, shape, kappa, metal, handling, Build.HEAVY, Optional.empty());
    }

    public Vessel {
        own.ifPresent(heat -> Refusal.unlessWithin("heatKw", heat.watts() / 1000, 0.2, 100, "kW"));
    }

    /** What the walls are good for. */
    public enum Build {
        HEAVY,
        /** Scorches, and tastes in a very long simmer. */
        THIN,
        /** Bare aluminium or iron: tastes in a very long simmer. */
        REACTIVE
    }

    private static final double FREEBOARD_CM = 5;
    private static final double FREEBOARD_SHARE = 0.10;

    /** How a vessel is emptied; what is not lifted weighs on nobody. */
    public enum Handling {
        LIFTED,
        TILTED,
        TAPPED
    }

    /** The usual evaporation factor of a vessel that nobody has measured yet. */
    public static Estimate bookKappa() {
        return Estimate.book(0.8, 0.2);
    }

    /** Room kept free below the rim: the larger of 5 cm and a tenth of the height. */
    public Length freeboard() {
        return Length.ofCm(
                Math.max(FREEBOARD_CM, FREEBOARD_SHARE * shape.height().cm()));
    }

    /** The line that a filling stays below. */
    public Length fillLine() {
        return Length.ofCm(Math.max(0, shape.height().cm() - freeboard().cm()));
    }

    /** What the vessel takes up to its fill line, solids and water together. */
    public Volume workingVolume() {
        return shape.volumeAt(fillLine());
    }

    /** Distance from the rim down to a level; negative when it runs over. */
    public Length belowRim(Length level) {
        return shape.height().minus(level);
    }

    /** The level that is so far below the rim. */
    public Length levelBelowRim(Length belowRim) {
        return shape.height().minus(belowRim);
    }
}
