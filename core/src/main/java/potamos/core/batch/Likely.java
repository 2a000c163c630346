package potamos.core.batch;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import potamos.core.charge.Charge;
import potamos.core.cooling.Projection;
import potamos.core.liquor.Brix;
import potamos.core.quantity.Band;
import potamos.core.quantity.Temperature;

/**
 * Within which figures a reading will most likely lie now. One beyond them is not refused: the cook is asked whether it was read right, for a slip on a
 * ruler or a scale otherwise bends everything that is foretold after it. The ranges are wide, so that a question means something.
 */
public final class Likely {

    private static final double BED = 0.2;
    private static final double WATER = 0.15;
    private static final double LEVEL_CM = 2;
    private static final double LEVEL = 0.12;
    private static final double BELOW_SIMMER_K = 6;
    private static final double WARMING_K = 15;
    private static final double COOLING_K = 8;
    private static final double HOTTER_K = 2;
    private static final double BANDS = 2.5;
    private static final double REDUCED = 0.25;
    private static final double STORED = 0.1;
    private static final double TOP_UP_L = 1.5;
    private static final double BRIX_LOW = 0.4;
    private static final double BRIX_HIGH = 2.5;
    private static final double BRIX_SLACK = 1.5;

    private Likely() {}

    /** From and to, both counted in. */
    public record Range(double low, double high) {
        public boolean holds(double value) {
            return value >= low && value <= high;
        }

        static Range about(double mid, double share) {
            return new Range(mid * (1 - share), mid * (1 + share));
        }
    }

    /** The ranges of what can be measured at this stage, by what it is logged as; of what is weighed, the bed. What is not in it is not expected now at all. */
    public static Map<EventKind<?>, Range> of(Plan plan, BatchState state) {
        Map<EventKind<?>, Range> ranges = new LinkedHashMap<>();
        Charge charge = plan.charge();
        boolean full = !state.course().isEmpty();
        if (state.strained().isPresent()) {
            cold(plan, state, ranges);
        } else if (full) {
            pot(plan, state, ranges);
        } else {
            ranges.put(ChoreEvent.WeighedIn.KIND, Range.about(charge.run().raw().kg(), BED));
            ranges.put(PotEvent.Filled.KIND, Range.about(charge.water().litres(), WATER));
        }
        return ranges;
    }

    private static void pot(Plan plan, BatchState state, Map<EventKind<?>, Range> ranges) {
        BatchState.Pot pot = state.pot();
        var run = plan.charge().run();
        double belowRim = run.vessel().belowRim(pot.level()).cm();
        double slack = Math.max(LEVEL_CM, LEVEL * pot.level().cm());
        ranges.put(
                PotEvent.LevelRead.KIND,
                new Range(
                        Math.max(0, belowRim - slack),
                        Math.min(run.vessel().shape().height().cm(), belowRim + slack)));
        ranges.put(PotEvent.TemperatureRead.KIND, temperature(plan, state));
        ranges.put(
                PotEvent.ToppedUp.KIND,
                new Range(0, Math.max(0, state.pot().toMark().litres()) + TOP_UP_L));
        double brix = Brix.ofGelatin(pot.gelatinGPerL());
        ranges.put(
                LookEvent.BrixRead.KIND,
                new Range(Math.max(0, brix * BRIX_LOW - BRIX_SLACK), brix * BRIX_HIGH + BRIX_SLACK));
        Band out = Expectation.litresOut(plan, state);
        ranges.put(
                FinishEvent.Strained.KIND,
                new Range(
                        Math.max(0, out.mid() - BANDS * (out.mid() - out.low())),
                        out.mid() + BANDS * (out.high() - out.mid())));
        reduced(plan, ranges);
    }

    private static Range temperature(Plan plan, BatchState state) {
        var run = plan.charge().run();
        double celsius = state.pot().temperature().celsius();
        Temperature boiling = run.air().boilingPoint();
        if (state.stage() == Stage.SIMMER) {
            double low = run.simmer().band().low(boiling).celsius();
            return new Range(Math.min(low, celsius) - BELOW_SIMMER_K, boiling.celsius() + 1);
        }
        return new Range(celsius - WARMING_K, Math.min(celsius + WARMING_K, boiling.celsius() + 1));
    }

    private static void reduced(Plan plan, Map<EventKind<?>, Range> ranges) {
        double mark = plan.charge().forecast().yield().mid();
        if (plan.charge().run().reduction().toFraction() < 1) {
            ranges.put(FinishEvent.Reduced.KIND, Range.about(mark, REDUCED));
        }
    }

    private static void cold(Plan plan, BatchState state, Map<EventKind<?>, Range> ranges) {
        reduced(plan, ranges);
        ranges.put(
                ColdEvent.CoolingRead.KIND,
                state.cooling()
                        .projection()
                        .map(projection -> cooling(projection, state.now()))
                        .orElse(new Range(
                                plan.limits().coldest().celsius(),
                                plan.charge().run().air().boilingPoint().celsius() + 1)));
        double out = state.shelf()
                .restOf(state.out().or(state::strained).orElseThrow())
                .litres();
        ranges.put(ShelfEvent.Stored.KIND, new Range(out * (1 - STORED), out));
    }

    /** It never warms up by itself, and comes down about as it did before. */
    private static Range cooling(Projection projection, Instant now) {
        double last = projection.last().temperature().celsius();
        double expected = projection.at(now).celsius();
        return new Range(expected - COOLING_K, Math.min(expected + COOLING_K, last) + HOTTER_K);
    }
}
