package potamos.core.charge;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Browning;
import potamos.core.heat.Oven;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;

/**
 * The roast of a charge in an oven of the kitchen.
 *
 * @param oven      its name
 * @param at        what it is set to
 * @param shade     to reach on the shade card
 * @param trays     that go in at once
 * @param crowd     1 where the pieces lie in one layer
 * @param loads     one after another
 * @param minutes   of each load
 * @param turnEvery so that every side colours
 */
public record Roasting(
        String oven,
        Temperature at,
        double shade,
        int trays,
        double crowd,
        int loads,
        Band minutes,
        Duration turnEvery) {

    /** Of the time to a shade beside the oven's own factor: how wet and how cold the pieces go in. */
    private static final double PIECES_SD = 0.12;

    /** The roast in the oven that is done first. */
    static Roasting best(PrepPhase.Roast roast, Mass raw, List<Oven> ovens) {
        return ovens.stream()
                .map(oven -> in(roast, raw, oven))
                .min(Comparator.comparingDouble(Roasting::wholeMin))
                .orElseGet(() -> in(roast, raw, Oven.book()));
    }

    private static Roasting in(PrepPhase.Roast roast, Mass raw, Oven oven) {
        double factor = oven.factor().value();
        double crowd = oven.crowdFor(raw);
        double minutes = Browning.minutesTo(roast.shade(), roast.oven(), crowd, factor);
        double sd = Math.hypot(oven.factor().sd() / factor, PIECES_SD);
        return new Roasting(
                oven.name(),
                roast.oven(),
                roast.shade(),
                oven.traysFor(raw),
                crowd,
                oven.loadsFor(raw),
                Band.relative(minutes, sd),
                roast.turnEvery());
    }

    /** All loads after each other. */
    public double wholeMin() {
        return loads * minutes.mid();
    }
}
