package potamos.core.batch;

import java.util.List;
import potamos.core.flow.Factors;
import potamos.core.quantity.Estimate;

/**
 * How far a pot may be from the book, as multipliers of its figures.
 *
 * @param kappa      on the vessel's evaporation factor
 * @param power      on what the burner delivers
 * @param collagen   on how much the bones hold
 * @param extraction on how quickly they give it
 */
record Luck(double kappa, double power, double collagen, double extraction) {

    static final Luck BOOK = new Luck(1, 1, 1, 1);

    /** Each figure off by one standard deviation, alone. They do not depend on each other, so that their effects add as squares. */
    static List<Luck> eachAlone(Estimate kappa) {
        return List.of(
                new Luck(1 + kappa.sd() / kappa.value(), 1, 1, 1),
                new Luck(1, 1 + Factors.BURNER_SD, 1, 1),
                new Luck(1, 1, 1 + Factors.COLLAGEN_SD, 1),
                new Luck(1, 1, 1, 1 + Factors.EXTRACTION_SD));
    }
}
