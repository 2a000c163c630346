package potamos.core.charge;

import java.time.Duration;
import java.util.EnumMap;
import java.util.Map;
import potamos.core.flow.Run;
import potamos.core.formula.Part;
import potamos.core.heat.Cover;
import potamos.core.heat.PotHeat;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Temperature;

/**
 * What is left of the notes that fade: herbs, wine and vegetables give them within minutes, and steam carries them off from then on. The reason, in
 * numbers, why a sachet goes in late and why a vegetable stock that simmers too long turns flat.
 *
 * <p>First order in both directions. The half-life is the project's own figure, for a lazy simmer in an open pot; elsewhere it goes with the steam.
 *
 * @param index 0 to 100: of the most that these parts could leave in the liquor, each kind of part counted alike; 100 where nothing fades
 */
public record Aroma(double index) {

    /** Half of it is gone after so long, min. */
    private static final double FADES_MIN = 45;

    /** Half of it has come out after so long, min. */
    private static final double HERBS_GIVE_MIN = 8;

    private static final double VEGETABLES_GIVE_MIN = 15;

    private static final double LN_2 = Math.log(2);

    /** Below this nobody smells what went in. */
    private static final double FLAT = 40;

    public boolean flat() {
        return index < FLAT;
    }

    /** Of a charge that is run as planned. */
    public static Aroma of(Charge charge) {
        Run run = charge.run();
        double fades = LN_2 / FADES_MIN * steamBesideLazy(run);
        Map<Part.Kind, double[]> byKind = new EnumMap<>(Part.Kind.class);
        for (Measure measure : charge.measures()) {
            Part part = measure.part();
            double givesMin = givesMin(part.kind());
            if (givesMin < 0) {
                continue;
            }
            double in = minutes(run.simmer().usual())
                    - minutes(ChargeSolver.intoTheSimmer(part, run.simmer().usual()));
            double[] sum = byKind.computeIfAbsent(part.kind(), kind -> new double[2]);
            sum[0] += measure.mass().kg() * left(givesMin, fades, in);
            sum[1] += measure.mass().kg();
        }
        double mean = byKind.values().stream()
                .filter(sum -> sum[1] > 0)
                .mapToDouble(sum -> sum[0] / sum[1])
                .average()
                .orElse(1);
        return new Aroma(100 * mean);
    }

    /** How quickly a kind of part gives its notes; below nothing for what has none. */
    private static double givesMin(Part.Kind kind) {
        return switch (kind) {
            case SACHET -> HERBS_GIVE_MIN;
            case VEGETABLE -> VEGETABLES_GIVE_MIN;
            case WINE -> 0;
            default -> -1;
        };
    }

    /** Share of what could be there after so many minutes, of the best that any time would leave. */
    private static double left(double givesMin, double fades, double minutes) {
        if (givesMin <= 0) {
            return Math.exp(-fades * minutes);
        }
        double gives = LN_2 / givesMin;
        double best = Math.log(gives / fades) / (gives - fades);
        return there(gives, fades, minutes) / there(gives, fades, best);
    }

    private static double there(double gives, double fades, double minutes) {
        return Math.exp(-fades * minutes) - Math.exp(-gives * minutes);
    }

    private static double steamBesideLazy(Run run) {
        Temperature lazy = SimmerBand.LAZY.middle(run.air().boilingPoint());
        double kappa = run.vessel().kappa().value();
        PotHeat open = new PotHeat(run.vessel(), 0, run.bed().displacedVolume(), run.air(), Cover.OPEN, kappa);
        PotHeat covered = new PotHeat(
                run.vessel(),
                0,
                run.bed().displacedVolume(),
                run.air(),
                run.simmer().cover(),
                kappa);
        double beside = covered.steamLPerM2H(run.simmerAt()) / open.steamLPerM2H(lazy);
        // A pot that hardly steams keeps its notes, but not for ever; and none fades as fast as it gives.
        return Math.max(0.02, Math.min(2.5, beside));
    }

    private static double minutes(Duration duration) {
        return duration.toSeconds() / 60.0;
    }
}
