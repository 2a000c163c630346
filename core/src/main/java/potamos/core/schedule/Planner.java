package potamos.core.schedule;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.Chores;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.cooling.CoolingCurve;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Refusal;
import potamos.core.safety.LimitProfile;

/** Lays the stages of a batch on the clock: backwards from when it is wanted, or forwards from a start. */
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

    /** Hours in which someone is in the kitchen. */
    public record Shift(Instant from, Instant to) {
        public Shift {
            if (!from.isBefore(to)) {
                throw Refusal.of("shift", "a shift ends after it begins");
            }
        }
    }

    /**
     * A start that was found.
     *
     * @param timeline the stages
     * @param inTime   whether it is ready when wanted
     * @param attended whether somebody is there from the first act to the last
     */
    public record Proposal(Timeline timeline, boolean inTime, boolean attended) {
        /** A start as a cook chose it. */
        public static Proposal of(Timeline timeline, Instant readyBy, List<Shift> shifts) {
            boolean attended = shifts.stream()
                    .anyMatch(s -> !timeline.start().isBefore(s.from())
                            && !timeline.ready().isAfter(s.to()));
            return new Proposal(timeline, !timeline.ready().isAfter(readyBy), attended);
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

    /**
     * The latest start that has everything ready when wanted, with somebody there from the first act to the last. When none is left, the earliest
     * start from now, said to be late if it is.
     *
     * @param parts   stages in order
     * @param readyBy when it is wanted
     * @param now     no start is proposed before it
     * @param shifts  when somebody is there
     */
    public static Proposal backwards(List<Timeline.Part> parts, Instant readyBy, Instant now, List<Shift> shifts) {
        Duration whole = length(parts);
        // Of the shifts that are long enough for the whole of it, each has its latest start as late as its end allows.
        Optional<Instant> latest = shifts.stream()
                .filter(shift -> !earlier(shift.to(), readyBy)
                        .isBefore(later(shift.from(), now).plus(whole)))
                .map(shift -> earlier(shift.to(), readyBy).minus(whole))
                .max(Comparator.naturalOrder());
        Timeline timeline = Timeline.startingAt(latest.orElse(now), parts);
        return Proposal.of(timeline, readyBy, shifts);
    }

    private static Duration length(List<Timeline.Part> parts) {
        return parts.stream().map(Timeline.Part::length).reduce(Duration.ZERO, Duration::plus);
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private static Duration minutes(double minutes) {
        return Duration.ofSeconds((long) (minutes * 60));
    }
}
