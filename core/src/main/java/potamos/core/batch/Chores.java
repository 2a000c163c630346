package potamos.core.batch;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import potamos.core.charge.Charge;
import potamos.core.charge.Measure;
import potamos.core.charge.Roasting;
import potamos.core.formula.Formula;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.PhaseKind.Chore;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Browning;

/** The phases of a procedure that come before its water: which they are and how long each takes. */
public final class Chores {

    private Chores() {}

    /** Places in the procedure, from 0, in the order of work. */
    public static List<Integer> of(Formula formula) {
        List<Integer> steps = new ArrayList<>();
        for (int step = 0; step < formula.procedure().size(); step++) {
            Phase phase = formula.procedure().get(step);
            if (phase instanceof PotPhase.Fill) {
                break;
            }
            if (is(phase)) {
                steps.add(step);
            }
        }
        return steps;
    }

    static boolean is(Phase phase) {
        return phase.kind().chore() != Chore.NONE;
    }

    /** Whether it runs for a while by itself, so that its beginning is logged as well as its end. */
    static boolean timed(Phase phase) {
        return is(phase) && phase.kind().chore() != Chore.AT_A_GO;
    }

    /** All of them one after another. */
    public static Duration length(Charge charge) {
        return of(charge.formula()).stream()
                .map(step -> takes(charge, charge.formula().procedure().get(step)))
                .reduce(Duration.ZERO, Duration::plus);
    }

    /** What goes into the pan, or over the flame, in a phase: the parts of the kinds that it handles. */
    public static List<Measure> handles(Charge charge, Phase phase) {
        Set<Part.Kind> kinds = phase.kind().handles();
        return charge.measures().stream()
                .filter(measure -> kinds.contains(measure.part().kind()))
                .toList();
    }

    /** How long one takes; a roast as long as its oven and its trays make it. */
    static Duration takes(Charge charge, Phase phase) {
        if (!(phase instanceof PrepPhase.Roast roast)) {
            return phase.takes();
        }
        double minutes = charge.roasting()
                .map(Roasting::wholeMin)
                .orElseGet(() -> Browning.minutesTo(roast.shade(), roast.oven(), 1, Browning.CONVECTION));
        return Duration.ofSeconds((long) (minutes * 60));
    }
}
