package potamos.core.probe;

import java.time.Duration;
import java.time.Instant;
import potamos.core.batch.BatchState;
import potamos.core.batch.Plan;
import potamos.core.cooling.CoolingCurve;

/** What a probe in a batch would read: the pot as its events and the models have it, with the unrest of a real one. */
public final class SimulatedProbe {

    private static final double UNREST_K = 0.35;

    private SimulatedProbe() {}

    /**
     * A reading at a moment.
     *
     * @param state of the batch at that moment, so that a top-up or a lid that was logged shows
     * @param which tells one probe's unrest from another's
     */
    public static Sample read(Plan plan, BatchState state, long which) {
        Instant now = state.now();
        return new Sample(now, celsius(plan, state) + unrest(now, which));
    }

    private static double celsius(Plan plan, BatchState state) {
        if (state.stage().hot()) {
            return state.pot().temperature().celsius();
        }
        return state.cooling()
                .strainedAt()
                .map(strained -> cooled(plan.curve(), Duration.between(strained, state.now())))
                .orElse(plan.charge().run().air().temperature().celsius());
    }

    private static double cooled(CoolingCurve curve, Duration since) {
        double minute = since.toSeconds() / 60.0;
        double celsius = curve.points().get(0).coreC();
        for (CoolingCurve.Point point : curve.points()) {
            if (point.minute() <= minute) {
                celsius = point.coreC();
            }
        }
        return celsius;
    }

    /** Two waves that do not fit each other look like bubbles against the tip. */
    private static double unrest(Instant now, long which) {
        double seconds = now.toEpochMilli() / 1000.0;
        return UNREST_K * (0.6 * Math.sin(seconds / 7.3 + which) + 0.4 * Math.sin(seconds / 2.9 + 1.7 * which));
    }
}
