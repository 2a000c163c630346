package potamos.core.schedule;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.batch.Chores;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.cooling.CoolingCurve;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Refusal;
import potamos.core.safety.LimitProfile;

/** Which stages a batch has, and how long each takes. */
public final class Planner {

    private static final Duration WEIGHING = Duration.ofMinutes(10);
    private static final Duration FILLING = Duration.ofMinutes(5);
    private static final Duration SETTING_UP_STRAINERS = Duration.ofMinutes(10);

    /** Ladling and drawing off, for each litre and pass. */
    private static final Duration STRAINING_A_LITRE = Duration.ofSeconds(25);

    private static final Duration PORTIONING = Duration.ofMinutes(15);

    /** Nothing is laid on days further ahead: no kitchen knows its hours by then. */
    private static final Duration LONGEST_AHEAD = Duration.ofDays(60);

    private Planner() {}

    /**
     * Lets a moment pass that can be planned for.
     *
     * @throws Refusal on {@code field} when it is more than sixty days ahead
     */
    public static void unlessFarAhead(String field, Instant at, Instant now) {
        if (at.isAfter(now.plus(LONGEST_AHEAD))) {
            throw Refusal.of(field, "no more than sixty days ahead");
        }
    }

    /** The stages of a charge and how long each takes. */
    public static List<Timeline.Part> parts(Charge charge, CoolingCurve cooling, LimitProfile limits) {
        List<Timeline.Part> parts = hotParts(charge);
        double cold = cooling.minutesTo(limits.coldest())
                .orElse(cooling.points().get(cooling.points().size() - 1).minute());
        parts.add(new Timeline.Part(Stage.COOL, minutes(cold)));
        parts.add(new Timeline.Part(
                Stage.STORE,
                charge.formula()
                        .phase(FinishPhase.Portion.class)
                        .map(FinishPhase.Portion::takes)
                        .orElse(PORTIONING)));
        return parts;
    }

    /** The stages until the stock can be cooled. */
    public static List<Timeline.Part> hotParts(Charge charge) {
        List<Timeline.Part> parts = new ArrayList<>();
        if (!charge.formula().bed().isEmpty()) {
            parts.add(new Timeline.Part(Stage.WEIGH_IN, WEIGHING));
        }
        Duration prepare = Chores.length(charge);
        if (!prepare.isZero()) {
            parts.add(new Timeline.Part(Stage.PREPARE, prepare));
        }
        Duration bringUp = minutes(charge.forecast().bringUpMin());
        charge.formula()
                .phase(PrepPhase.Blanch.class)
                .ifPresent(blanch -> parts.add(new Timeline.Part(Stage.BLANCH, bringUp.plus(blanch.takes()))));
        parts.add(new Timeline.Part(Stage.FILL, FILLING.plus(charge.formula().coldSteep())));
        parts.add(new Timeline.Part(Stage.BRING_UP, bringUp));
        parts.add(new Timeline.Part(Stage.SIMMER, charge.run().simmer().usual()));
        Timeline.Part reduce = new Timeline.Part(Stage.REDUCE, minutes(charge.boilDownMin()));
        boolean inThePot = charge.run().reduction().beforeStraining();
        if (charge.boilDownMin() > 0 && inThePot) {
            parts.add(reduce);
        }
        parts.add(new Timeline.Part(Stage.REST, minutes(charge.run().restMin())));
        double litres = Math.max(0, charge.forecast().yield().mid())
                / (inThePot ? 1 : charge.formula().reducesTo());
        long passes = charge.run().strain().passes();
        parts.add(new Timeline.Part(Stage.STRAIN, SETTING_UP_STRAINERS.plus(Duration.ofSeconds((long)
                (STRAINING_A_LITRE.toSeconds() * passes * litres)))));
        if (charge.boilDownMin() > 0 && !inThePot) {
            parts.add(reduce);
        }
        return parts;
    }

    private static Duration minutes(double minutes) {
        return Duration.ofSeconds((long) (minutes * 60));
    }
}
