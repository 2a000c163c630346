package potamos.core.batch;

import java.time.Duration;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Ledger;
import potamos.core.quantity.Band;

/** What will come out of a batch, going by what happened so far and by what the plan still has ahead. */
public final class Expectation {

    private static final double LAST_TOP_UP_H = hours(Forecaster.LAST_TOP_UP);

    /** One that has been forgotten for longer than it may wait is not counted on any more. */
    private static final double FORGOTTEN_H = LAST_TOP_UP_H - hours(LastTopUp.MAY_WAIT);

    private Expectation() {}

    /**
     * Litres out with their band: measured once strained, planned before the heat, and in between the plan's band about where the ledger now points.
     */
    public static Band litresOut(Plan plan, BatchState state) {
        Band planned = plan.charge().forecast().yield();
        if (state.strained().isPresent()) {
            return Band.exactly(state.strained().get().litres());
        }
        if (!state.stage().hot()) {
            return planned;
        }
        double mid = Math.max(0, state.ledger().yield().litres() + ahead(plan, state));
        return new Band(
                Math.max(0, mid - (planned.mid() - planned.low())), mid, mid + (planned.high() - planned.mid()));
    }

    private static double ahead(Plan plan, BatchState state) {
        if (state.simmer().ended().isPresent()) {
            return 0;
        }
        double simmerH = plan.charge().run().simmer().usual().toMinutes() / 60.0;
        double leftH = state.simmer()
                .plannedEnd()
                .map(end -> Math.max(0, hours(Duration.between(state.now(), end))))
                .orElse(simmerH);
        Ledger ledger = plan.charge().forecast().ledger();
        double goingLPerH = (ledger.of(Ledger.Cause.EVAPORATED).litres()
                        + ledger.of(Ledger.Cause.SKIMMED).litres())
                / (simmerH + plan.charge().forecast().bringUpMin() / 60);
        boolean topUpAhead = leftH > LAST_TOP_UP_H || leftH > FORGOTTEN_H && !LastTopUp.done(state);
        if (!plan.charge().run().simmer().topUp().hold() || !topUpAhead) {
            return -goingLPerH * leftH;
        }
        return LastTopUp.litres(plan, state) - goingLPerH * Math.min(LAST_TOP_UP_H, leftH);
    }

    private static double hours(Duration time) {
        return time.toSeconds() / 3600.0;
    }
}
