package potamos.core.batch;

import potamos.core.quantity.Band;

/** What will come out of a batch, going by what happened so far and by what the plan still has ahead. */
public final class Expectation {

    private Expectation() {}

    /**
     * Litres out with their band: measured once strained, planned before the heat, and in between the plan's band about where the pot comes to if it goes
     * on as planned.
     */
    public static Band litresOut(Plan plan, BatchState state) {
        Band planned = plan.charge().forecast().yield();
        if (state.strained().isPresent()) {
            return Band.exactly(state.strained().get().litres());
        }
        if (!state.stage().hot()) {
            return planned;
        }
        double mid = Math.max(0, state.expected().litres());
        return new Band(
                Math.max(0, mid - (planned.mid() - planned.low())), mid, mid + (planned.high() - planned.mid()));
    }
}
