package potamos.core.flow;

/**
 * What is uncertain in a run, as multipliers of the book's figures.
 *
 * @param kappa      the vessel's evaporation factor itself
 * @param uptake     on the liquor held by solids
 * @param skim       on the liquor skimmed off
 * @param strainer   on the liquor left on strainers and walls
 * @param extraction on the speed at which collagen dissolves
 */
public record Factors(double kappa, double uptake, double skim, double strainer, double extraction) {

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

    public static Factors of(double kappa) {
        return new Factors(kappa, 1, 1, 1, 1);
    }
}
