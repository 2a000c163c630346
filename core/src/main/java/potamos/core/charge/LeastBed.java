package potamos.core.charge;

import java.util.function.DoubleUnaryOperator;
import org.hipparchus.analysis.solvers.AllowedSolution;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import potamos.core.quantity.Refusal;

/** The smallest bed, or as many litres of stock where there is none, with which a goal is met. */
final class LeastBed {

    static final double LEAST_KG = 0.05;
    private static final double MOST_KG = 600;
    private static final double ACCURACY_KG = 1e-9;

    private LeastBed() {}

    /**
     * Widens the bracket from a small bed up until the sign turns, so that the root found is the least one; the last bracket ends where beds do.
     *
     * @param f     what lacks, or is too much, with a bed of so many kilograms
     * @param from  kilograms that are certainly too few, or {@link #LEAST_KG}
     * @param field what to refuse by
     * @throws Refusal when no bed meets it
     */
    static double where(DoubleUnaryOperator f, double from, String field) {
        double low = Math.min(from, MOST_KG);
        double atLow = f.applyAsDouble(low);
        if (atLow > 0 && from > LEAST_KG) {
            low = LEAST_KG;
            atLow = f.applyAsDouble(low);
        }
        while (low < MOST_KG) {
            double high = Math.min(2 * low, MOST_KG);
            double atHigh = f.applyAsDouble(high);
            if (atLow * atHigh <= 0) {
                return between(f, low, atLow, high, atHigh);
            }
            low = high;
            atLow = atHigh;
        }
        throw Refusal.of(
                field,
                "nothing between 50 g and 600 kg of bed, or as many litres of stock, meets this in this vessel; change"
                        + " the goal or the vessel");
    }

    /** From where a line between two ends would have it: litres are nearly in proportion to the bed. What the ends give is known and costs no further run. */
    private static double between(DoubleUnaryOperator f, double low, double atLow, double high, double atHigh) {
        double start = atLow == 0 ? low : low - atLow * (high - low) / (atHigh - atLow);
        if (start <= low || start >= high) {
            return start <= low ? low : high;
        }
        return new BracketingNthOrderBrentSolver(1e-12, ACCURACY_KG, 1e-10, 5)
                .solve(
                        200,
                        kg -> kg == low ? atLow : kg == high ? atHigh : f.applyAsDouble(kg),
                        low,
                        high,
                        start,
                        AllowedSolution.ANY_SIDE);
    }
}
