package potamos.core.batch;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import potamos.core.charge.Charge;
import potamos.core.charge.Roasting;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.heat.Browning;

/** The phases of a procedure that come before its water: which they are and how long each takes. */
public final class Chores {

    /** Scraping and cooking down a splash on the drippings. */
    private static final Duration DEGLAZING = Duration.ofMinutes(4);

    private static final Duration WINE_DOWN = Duration.ofMinutes(6);
    private static final Duration FLAMING = Duration.ofMinutes(2);

    private Chores() {}

    /** Places in the procedure, from 0, in the order of work. */
    public static List<Integer> of(Formula formula) {
        List<Integer> steps = new ArrayList<>();
        for (int step = 0; step < formula.procedure().size(); step++) {
            Phase phase = formula.procedure().get(step);
            if (phase instanceof Phase.Fill) {
                break;
            }
            if (is(phase)) {
                steps.add(step);
            }
        }
        return steps;
    }

    static boolean is(Phase phase) {
        return timed(phase)
                || phase instanceof Phase.Rinse
                || phase instanceof Phase.Wipe
                || phase instanceof Phase.Deglaze
                || phase instanceof Phase.WineDown
                || phase instanceof Phase.Flame;
    }

    /** Whether it runs for a while by itself, so that its beginning is logged as well as its end. */
    static boolean timed(Phase phase) {
        return phase instanceof Phase.Soak
                || phase instanceof Phase.Thaw
                || phase instanceof Phase.Roast
                || phase instanceof Phase.Sweat
                || phase instanceof Phase.Brown
                || phase instanceof Phase.CookTomato;
    }

    /** All of them one after another. */
    public static Duration length(Charge charge) {
        return of(charge.formula()).stream()
                .map(step -> takes(charge, charge.formula().procedure().get(step)))
                .reduce(Duration.ZERO, Duration::plus);
    }

    /** How long one takes; zero for a phase without a length of its own. */
    static Duration takes(Charge charge, Phase phase) {
        if (phase instanceof Phase.Lasting lasting) {
            return lasting.takes();
        }
        if (phase instanceof Phase.Roast roast) {
            double minutes = charge.roasting()
                    .map(Roasting::wholeMin)
                    .orElseGet(() -> Browning.minutesTo(roast.shade(), roast.oven(), 1, Browning.CONVECTION));
            return Duration.ofSeconds((long) (minutes * 60));
        }
        if (phase instanceof Phase.Deglaze deglaze) {
            return DEGLAZING.multipliedBy(deglaze.times());
        }
        if (phase instanceof Phase.WineDown) {
            return WINE_DOWN;
        }
        return phase instanceof Phase.Flame ? FLAMING : Duration.ZERO;
    }
}
