package potamos.core.batch;

import java.util.List;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Why;
import potamos.core.quantity.Band;

/** What will come out of a batch, going by what happened so far and by what the plan still has ahead. */
public final class Expectation {

    private Expectation() {}

    /**
     * Litres out with their band: measured once strained, planned before the heat, and in between where the pot comes to if it goes on as planned, by all
     * that was weighed and read so far.
     */
    public static Band litresOut(Plan plan, BatchState state) {
        if (state.strained().isPresent()) {
            return Band.exactly(state.strained().get().litres());
        }
        return state.stage().hot()
                ? state.expected().litres()
                : plan.charge().forecast().yield();
    }

    /** Why so many: planned before the heat, and by what has been weighed and read from then on. */
    public static List<Why> why(Plan plan, BatchState state) {
        return state.stage().hot() || state.strained().isPresent()
                ? state.expected().why()
                : Forecaster.why(plan.charge().run(), plan.charge().forecast());
    }
}
