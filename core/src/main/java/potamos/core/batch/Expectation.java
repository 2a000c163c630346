package potamos.core.batch;

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
        return state.stage().hot() ? state.expected() : plan.charge().forecast().yield();
    }
}
