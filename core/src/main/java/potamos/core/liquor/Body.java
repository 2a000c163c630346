package potamos.core.liquor;

/** The five words for how a stock stands when cold. */
public enum Body {
    POURS,
    COATS,
    TREMBLES,
    SETS,
    CUTS;

    /** The word for so much gelatin; a boundary belongs to the stronger word, but 35 g/L still sets. */
    public static Body of(double gelatinGPerL) {
        if (gelatinGPerL < 6) {
            return POURS;
        }
        if (gelatinGPerL < 12) {
            return COATS;
        }
        if (gelatinGPerL < 22) {
            return TREMBLES;
        }
        return gelatinGPerL <= 35 ? SETS : CUTS;
    }

    /** Whether a stock of this body sets and so stops moving in its container when cold. */
    public boolean sets() {
        return compareTo(TREMBLES) >= 0;
    }
}
