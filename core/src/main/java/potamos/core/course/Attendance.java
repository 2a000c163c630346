package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.batch.Timeline;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;

/** Which stretches of a batch want somebody in the kitchen, and how much of a cook. */
public final class Attendance {

    /** A preparation that takes longer is a soak or a slow roast: it runs by itself between its beginning and its end. */
    private static final Duration BY_ITSELF = Duration.ofHours(2);

    /** At its beginning and at its end somebody is there. */
    private static final Duration HANDS_AT_THE_ENDS = Duration.ofMinutes(20);

    /** Before its end a simmer is tasted and judged. */
    private static final Duration JUDGING = Duration.ofMinutes(15);

    private Attendance() {}

    /**
     * A stretch in which somebody must be there.
     *
     * @param hands cooks that it takes, 0 to 1
     */
    public record Stretch(Instant from, Instant to, double hands) {}

    /** Of a formula's stages on the clock, in a kitchen with such a policy. */
    public static List<Stretch> of(Formula formula, Timeline timeline, Unattended unattended) {
        List<Stretch> stretches = new ArrayList<>();
        for (Timeline.Step step : timeline.steps()) {
            switch (step.stage()) {
                case PREPARE -> atTheEnds(stretches, step, 0.5);
                case FILL -> atTheEnds(stretches, step, 0.5);
                case SIMMER -> simmer(stretches, step, formula.simmer(), unattended);
                case WEIGH_IN, BLANCH, STRAIN, STORE -> stretches.add(whole(step, 1));
                case BRING_UP, REDUCE -> stretches.add(whole(step, 0.3));
                default -> stretches.add(whole(step, 0.15));
            }
        }
        return stretches.stream().filter(s -> s.from().isBefore(s.to())).toList();
    }

    private static void atTheEnds(List<Stretch> stretches, Timeline.Step step, double hands) {
        if (step.length().compareTo(BY_ITSELF) <= 0) {
            stretches.add(whole(step, hands));
            return;
        }
        stretches.add(new Stretch(step.from(), step.from().plus(HANDS_AT_THE_ENDS), hands));
        stretches.add(new Stretch(step.to().minus(HANDS_AT_THE_ENDS), step.to(), hands));
    }

    /** Watched while its scum rises and before its end; in between it goes on alone where the kitchen lets it. */
    private static void simmer(
            List<Stretch> stretches, Timeline.Step step, PotPhase.Simmer simmer, Unattended unattended) {
        Instant skimmed = step.from().plus(simmer.skim().earlyFor());
        Instant judging = step.to().minus(JUDGING);
        if (!unattended.alone(simmer) || !skimmed.isBefore(judging)) {
            stretches.add(whole(step, 0.15));
            return;
        }
        stretches.add(new Stretch(step.from(), skimmed, 0.25));
        stretches.add(new Stretch(judging, step.to(), 0.5));
    }

    private static Stretch whole(Timeline.Step step, double hands) {
        return new Stretch(step.from(), step.to(), hands);
    }
}
