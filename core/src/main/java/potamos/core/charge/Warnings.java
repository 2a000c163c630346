package potamos.core.charge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.flow.Forecast;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Run;
import potamos.core.formula.Formula;
import potamos.core.formula.Usual;
import potamos.core.heat.Water;
import potamos.core.quantity.Temperature;
import potamos.core.vessel.Vessel;

/** Looks a charge over as an old hand would. */
final class Warnings {

    /** What one person lifts alone. */
    private static final double LIFT_KG = 15;

    /** Less than this in the jug is not a batch. */
    private static final double LEAST_YIELD_L = 0.25;

    /** Between a cold tap and the line of hot holding things grow. */
    private static final Temperature COLD_C = Temperature.ofCelsius(12);

    private static final Temperature HOT_C = Temperature.ofCelsius(60);

    private Warnings() {}

    /** Whether nothing stands against lighting the burner; what may be warned of beside that is left aside. */
    static boolean startable(Run run, Charge.Levels levels, double litresOut) {
        double working = run.vessel().workingVolume().litres();
        return run.everythingIn().litres() <= working * (1 + 1e-9)
                && levels.cover().cm() >= -1e-9
                && litresOut >= LEAST_YIELD_L;
    }

    static List<Warning> of(
            Formula formula, Run run, Charge.Levels levels, Forecast forecast, Optional<Roasting> roasting) {
        List<Warning> found = new ArrayList<>();
        Vessel vessel = run.vessel();
        double most = run.everythingIn().litres();
        double working = vessel.workingVolume().litres();
        double brimful = vessel.shape().brimful().litres();
        if (most > brimful) {
            found.add(new Warning(Warning.Kind.RUNS_OVER, most, working, "L"));
        } else if (most > working * (1 + 1e-9)) {
            found.add(new Warning(Warning.Kind.OVER_THE_LINE, most, working, "L"));
        }
        if (levels.cover().cm() < -1e-9) {
            double missing = vessel.shape().volumeAt(levels.bedRaw()).litres()
                    - run.filling().litres();
            double covering = run.water().litres() + missing / Water.room(run.waterC());
            found.add(new Warning(Warning.Kind.BED_PROUD, run.water().litres(), covering, "L"));
        } else if (forecast.bedBareAtMin().isPresent()) {
            found.add(new Warning(
                    Warning.Kind.BED_BARE_LATER,
                    forecast.bedBareAtMin().getAsDouble(),
                    forecast.bringUpMin() + forecast.simmerMin(),
                    "min"));
        }
        double weight =
                vessel.metal().kg() + run.bed().mass().kg() + run.water().litres();
        if (run.heat() == Run.Heat.OVEN) {
            found.add(new Warning(Warning.Kind.OUT_OF_THE_OVEN, weight, LIFT_KG, "kg"));
        } else if (vessel.handling() == Vessel.Handling.LIFTED && weight > LIFT_KG) {
            found.add(new Warning(Warning.Kind.HEAVY_LIFT, weight, LIFT_KG, "kg"));
        }
        if (run.raw().kg() > 0) {
            double ratio = run.water().litres() / run.raw().kg();
            Usual.water(formula.family())
                    .filter(usual -> !usual.holds(ratio))
                    .ifPresent(usual ->
                            found.add(new Warning(Warning.Kind.UNUSUAL_RATIO, ratio, usual.nearer(ratio), "L/kg")));
        }
        double slow = Forecaster.minutesBetween(run, COLD_C, HOT_C);
        if (slow > Warning.SLOW_MIN) {
            found.add(new Warning(Warning.Kind.SLOW_BRING_UP, slow, Warning.SLOW_MIN, "min"));
        }
        roasting.filter(r -> r.crowd() > 1 + 1e-9)
                .ifPresent(r -> found.add(new Warning(Warning.Kind.TRAYS_CROWDED, r.crowd(), 1, "layers")));
        roasting.filter(r -> r.loads() > 1)
                .ifPresent(r -> found.add(new Warning(Warning.Kind.SEVERAL_LOADS, r.loads(), 1, "loads")));
        if (forecast.yield().mid() < LEAST_YIELD_L) {
            found.add(new Warning(Warning.Kind.NOTHING_LEFT, forecast.yield().mid(), LEAST_YIELD_L, "L"));
        }
        return found;
    }
}
