package potamos.core.liquor;

import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * Wine cooked down before it meets the water.
 *
 * @param poured      as bought
 * @param kept        litres left of it
 * @param sulphitesMg in what is left
 */
public record Wine(Volume poured, Volume kept, double sulphitesMg) {

    /** Above this they are declared, mg/L. */
    public static final double DECLARED_MG_PER_L = 10;

    /**
     * Wine reduced to a fraction. All its sulphites are taken to stay, though boiling drives some off: the declaration is on the safe side.
     *
     * @param fraction     0.05 to 1
     * @param mgPerLOfWine sulphites as bought, 0 to 400 mg/L
     */
    public static Wine reduced(Volume poured, double fraction, double mgPerLOfWine) {
        Refusal.unlessWithin("toFraction", fraction, 0.05, 1, "of the volume");
        Refusal.unlessWithin("sulphitesMgPerL", mgPerLOfWine, 0, 400, "mg/L");
        return new Wine(poured, poured.times(fraction), poured.litres() * mgPerLOfWine);
    }
}
