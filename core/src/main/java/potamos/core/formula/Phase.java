package potamos.core.formula;

import java.time.Duration;
import potamos.core.figure.Figure;

/** One step of a procedure with its own parameters. The order in the formula is the order of work. */
public sealed interface Phase permits PrepPhase, PotPhase, FinishPhase {

    /** How long it lasts. */
    Figure<Duration> MIN = Figure.duration("min");

    /** What is left of a volume that is cooked down. */
    Figure<Double> TO_FRACTION = Figure.mark("toFraction", 0.05, 1, "of the volume");

    /** What this phase is. */
    PhaseKind<?> kind();

    /** How long it lasts by itself: without heating up, and without what an oven makes of it. */
    default Duration takes() {
        return Duration.ZERO;
    }
}
