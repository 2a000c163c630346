package potamos.core.cooling;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import potamos.core.safety.LimitProfile;

/**
 * A predicted cooling judged against limits, before anything is poured.
 *
 * @param verdict the worst of the stages
 * @param stages  each with what decided it
 */
public record Foreseen(Verdict verdict, List<Stage> stages) {

    /** A stage that keeps less than this share of its time in hand is tight: a lid left on uses it up. */
    private static final double TIGHT_SHARE = 0.1;

    public Foreseen {
        stages = List.copyOf(stages);
    }

    /** From best to worst. */
    public enum Verdict {
        PASS,
        TIGHT,
        FAIL
    }

    /**
     * A stage.
     *
     * @param limits  what it asks for
     * @param takesMin minutes that it will take; empty when the stock never gets there
     * @param verdict on it
     */
    public record Stage(LimitProfile.Stage limits, OptionalDouble takesMin, Verdict verdict) {}

    /** Judges a curve whose first point is the moment of straining. */
    public static Foreseen of(CoolingCurve curve, LimitProfile profile) {
        List<Stage> stages = new ArrayList<>();
        Verdict worst = Verdict.PASS;
        for (LimitProfile.Stage limits : profile.stages()) {
            OptionalDouble from = curve.minutesTo(limits.from());
            OptionalDouble to = curve.minutesTo(limits.to());
            OptionalDouble takes = from.isPresent() && to.isPresent()
                    ? OptionalDouble.of(to.getAsDouble() - from.getAsDouble())
                    : OptionalDouble.empty();
            Verdict verdict = verdict(takes, limits.within().toSeconds() / 60.0);
            stages.add(new Stage(limits, takes, verdict));
            worst = verdict.compareTo(worst) > 0 ? verdict : worst;
        }
        return new Foreseen(worst, stages);
    }

    private static Verdict verdict(OptionalDouble takes, double within) {
        if (takes.isEmpty() || takes.getAsDouble() > within) {
            return Verdict.FAIL;
        }
        return takes.getAsDouble() > within * (1 - TIGHT_SHARE) ? Verdict.TIGHT : Verdict.PASS;
    }
}
