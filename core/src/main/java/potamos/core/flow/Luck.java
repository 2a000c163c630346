package potamos.core.flow;

import java.util.List;
import potamos.core.quantity.Estimate;

/**
 * How far a pot and a cook may be from the book, as multipliers of its figures.
 *
 * @param kappa      on the vessel's evaporation factor
 * @param power      on what the burner delivers
 * @param collagen   on how much the bones hold
 * @param extraction on how quickly they give it
 * @param uptake     on the liquor held by solids
 * @param skim       on the liquor skimmed off
 * @param strainer   on the liquor left on strainers and walls
 */
public record Luck(
        double kappa, double power, double collagen, double extraction, double uptake, double skim, double strainer) {

    /** Standard deviations relative to the book: how far one cook's skimming or one delivery of bones is from another's. */
    public static final double UPTAKE_SD = 0.30;

    public static final double SKIM_SD = 0.40;
    public static final double STRAINER_SD = 0.40;

    /** Bones of one kind differ in how thick they are, and so in how quickly they give. */
    public static final double EXTRACTION_SD = 0.20;

    /** And in how much there is to give: with the age of the animal, and with how they were trimmed. */
    public static final double COLLAGEN_SD = 0.15;

    /** Of the heat that a burner delivers, where nobody has timed it. */
    public static final double BURNER_SD = 0.12;

    /** As the book has it. */
    public static final Luck BOOK = new Luck(1, 1, 1, 1, 1, 1, 1);

    /** What moves the pot itself, each off by one standard deviation, alone. They do not depend on each other, so that their effects add as squares. */
    public static List<Luck> ofThePot(Estimate kappa) {
        return List.of(steaming(kappa), hot(), rich(), quick());
    }

    /** What moves the litres out, each alone: steam, uptake, skimming, strainers, and how quickly the bones give; the burner and their richness do not. */
    static List<Luck> ofTheYield(Estimate kappa) {
        return List.of(
                steaming(kappa),
                new Luck(1, 1, 1, 1, 1 + UPTAKE_SD, 1, 1),
                new Luck(1, 1, 1, 1, 1, 1 + SKIM_SD, 1),
                new Luck(1, 1, 1, 1, 1, 1, 1 + STRAINER_SD),
                quick());
    }

    private static Luck steaming(Estimate kappa) {
        return new Luck(1 + kappa.sd() / kappa.value(), 1, 1, 1, 1, 1, 1);
    }

    private static Luck hot() {
        return new Luck(1, 1 + BURNER_SD, 1, 1, 1, 1, 1);
    }

    private static Luck rich() {
        return new Luck(1, 1, 1 + COLLAGEN_SD, 1, 1, 1, 1);
    }

    private static Luck quick() {
        return new Luck(1, 1, 1, 1 + EXTRACTION_SD, 1, 1, 1);
    }
}
