package potamos.core.flow;

import static potamos.core.flow.Ground.Term.AIR;
import static potamos.core.flow.Ground.Term.BROUGHT;
import static potamos.core.flow.Ground.Term.BURNER;
import static potamos.core.flow.Ground.Term.COLLAGEN;
import static potamos.core.flow.Ground.Term.COVER;
import static potamos.core.flow.Ground.Term.EVAPORATION;
import static potamos.core.flow.Ground.Term.GIVEN;
import static potamos.core.flow.Ground.Term.HALF_TIME;
import static potamos.core.flow.Ground.Term.INTO_THE_POT;
import static potamos.core.flow.Ground.Term.LIQUOR;
import static potamos.core.flow.Ground.Term.OVEN_AT;
import static potamos.core.flow.Ground.Term.SIMMER_AT;
import static potamos.core.flow.Ground.Term.SIMMER_FOR;
import static potamos.core.flow.Ground.Term.SOLIDS;
import static potamos.core.flow.Ground.Term.WATER;
import static potamos.core.flow.Ground.Term.WATER_AT;
import static potamos.core.flow.Ground.Term.WIDTH;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import potamos.core.flow.Why.Basis;
import potamos.core.quantity.Mass;

/** What the figures of a pot rest on, and which of them makes their bands: so that whoever doubts one can see it opened. */
public final class Grounds {

    private final Run run;
    private final Forecast forecast;

    private Grounds(Run run, Forecast forecast) {
        this.run = run;
        this.forecast = forecast;
    }

    /** What the body of a stock rests on. */
    public static List<Ground> gelatin(Run run, Forecast forecast) {
        return new Grounds(run, forecast).gelatin();
    }

    /** What the time from cold to the simmer rests on. */
    public static List<Ground> bringUp(Run run, Forecast forecast) {
        return new Grounds(run, forecast).bringUp();
    }

    /** What the steam of the whole run rests on. */
    public static List<Ground> steam(Run run, Forecast forecast) {
        return new Grounds(run, forecast).steam();
    }

    private List<Ground> gelatin() {
        Forecaster.Doubts doubts = Forecaster.doubts(run);
        double collagen = run.bed().mass().kg() == 0
                ? 0
                : run.raw().kg() * run.bed().kind().collagenGPerKg();
        double brought = run.liquid().gelatinGPerL() * run.water().litres();
        List<Ground> grounds = new ArrayList<>();
        if (collagen > 0) {
            double fromBed = doubts.ofTheBed() * doubts.liquorL();
            grounds.add(Ground.of(COLLAGEN, collagen, Basis.BOOK));
            grounds.add(Ground.of(HALF_TIME, run.bed().kind().halfTimeH(), Basis.BOOK));
            grounds.add(Ground.of(SIMMER_AT, run.simmerAt().celsius(), Basis.PLANNED));
            grounds.add(Ground.of(SIMMER_FOR, forecast.simmerMin(), Basis.PLANNED));
            grounds.add(Ground.of(GIVEN, Math.min(1, fromBed / collagen), Basis.BOOK));
        }
        if (brought > 0) {
            grounds.add(Ground.of(BROUGHT, brought, Basis.PLANNED));
        }
        grounds.add(Ground.of(LIQUOR, doubts.liquorL(), Basis.of(run.vessel().kappa())));
        return Ground.shared(
                grounds,
                Map.of(
                        COLLAGEN, doubts.ofTheBed() * Luck.COLLAGEN_SD,
                        HALF_TIME, doubts.extraction().gelatin(),
                        LIQUOR, doubts.thinning()));
    }

    private List<Ground> bringUp() {
        double solids = run.bed().mass().kg()
                + run.others().stream()
                        .filter(other -> other.intoTheSimmer().isZero())
                        .map(Solids::mass)
                        .mapToDouble(Mass::kg)
                        .sum();
        if (run.heat() == Run.Heat.OVEN) {
            double set = run.simmer().oven().orElseThrow().celsius();
            List<Ground> inTheOven = List.of(
                    Ground.of(WATER, run.water().litres(), Basis.PLANNED),
                    Ground.of(SOLIDS, solids, Basis.PLANNED),
                    Ground.of(WATER_AT, run.waterC().celsius(), Basis.PLANNED),
                    Ground.of(SIMMER_AT, run.simmerAt().celsius(), Basis.PLANNED),
                    Ground.of(OVEN_AT, set, Basis.PLANNED));
            return Ground.shared(inTheOven, Map.of(OVEN_AT, 1.0));
        }
        List<Ground> grounds = List.of(
                Ground.of(WATER, run.water().litres(), Basis.PLANNED),
                Ground.of(SOLIDS, solids, Basis.PLANNED),
                Ground.of(WATER_AT, run.waterC().celsius(), Basis.KITCHEN),
                Ground.of(SIMMER_AT, run.simmerAt().celsius(), Basis.PLANNED),
                Ground.of(BURNER, run.burner().rated().watts() / 1000, Basis.KITCHEN),
                Ground.of(INTO_THE_POT, run.burner().efficiency(), Basis.KITCHEN));
        return Ground.shared(grounds, Map.of(INTO_THE_POT, 1.0));
    }

    private List<Ground> steam() {
        List<Ground> grounds = List.of(
                Ground.of(WIDTH, run.vessel().shape().width().cm(), Basis.KITCHEN),
                Ground.of(SIMMER_AT, run.simmerAt().celsius(), Basis.PLANNED),
                Ground.of(SIMMER_FOR, forecast.simmerMin(), Basis.PLANNED),
                Ground.of(COVER, run.simmer().cover().lets(), Basis.BOOK),
                Ground.of(AIR, run.air().temperature().celsius(), Basis.KITCHEN),
                Ground.of(
                        EVAPORATION,
                        run.vessel().kappa().value(),
                        Basis.of(run.vessel().kappa())));
        return Ground.shared(grounds, Map.of(EVAPORATION, 1.0));
    }
}
