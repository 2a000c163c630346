package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.flow.Losses;
import potamos.core.flow.Run;
import potamos.core.flow.TopUpPolicy;
import potamos.core.formula.PotPhase;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * How a pot goes on from a moment to the end of its simmer as it was last judged, with the plan's top-ups, and on through its rest if asked; from a lit
 * pot only. The steps are found with one replay and can be gone with others, so that all of them are told at the same moments.
 */
final class Ahead {

    private static final Duration STEP = Duration.ofMinutes(5);
    private static final Duration LONGEST_BRING_UP = Duration.ofHours(6);
    private static final Duration SHORT_STEP = Duration.ofSeconds(30);

    /** So near to where it goes no burner is given a whole step. */
    private static final double CLOSE_K = 25;

    private static final double NEARLY_K = 0.2;

    /** How far ahead. */
    enum Until {
        END_OF_SIMMER,
        STRAINED
    }

    private enum Coming {
        TIME,
        HOLD,
        SIMMER,
        TURN_DOWN,
        TOP_UP,
        OFF
    }

    private record Step(Instant at, Coming what) {}

    private final Run run;
    private final TopUpPolicy topUps;
    private double skimLPerMin;
    private final List<Step> steps = new ArrayList<>();

    private Ahead(Run run) {
        this.run = run;
        this.topUps = TopUpPolicy.of(run);
    }

    /**
     * Runs a replayed pot on.
     *
     * @param pot        where the replay has left it, now
     * @param stage      that it stands at
     * @param plannedEnd of the simmer, once there is one
     * @param until      where to stop
     */
    static Ahead of(Run run, PotModel pot, Stage stage, Optional<Instant> plannedEnd, Until until) {
        Ahead ahead = new Ahead(run);
        if (pot.holding()) {
            ahead.goOn(pot, stage, plannedEnd);
            if (until == Until.STRAINED && !ahead.steps.isEmpty()) {
                ahead.rest(pot);
            }
        }
        return ahead;
    }

    private void goOn(PotModel pot, Stage stage, Optional<Instant> plannedEnd) {
        Instant at = pot.clock();
        if (stage == Stage.BRING_UP) {
            if (!pot.wasHeld()) {
                for (PotPhase.Steep steep : run.steeps()) {
                    at = heat(pot, at, steep.at());
                    take(pot, new Step(at, Coming.HOLD));
                    at = at.plus(steep.takes());
                    take(pot, new Step(at, Coming.TIME));
                }
            }
            at = heat(pot, pot.clock(), run.simmerAt());
            take(pot, new Step(at, Coming.SIMMER));
        } else if (stage != Stage.SIMMER) {
            return;
        } else if (pot.tooHot()) {
            take(pot, new Step(at, Coming.TURN_DOWN));
        }
        Instant end = plannedEnd.orElse(at.plus(run.simmer().usual()));
        // One that has been forgotten for longer than it may wait is not counted on any more.
        boolean forgotten = at.isAfter(topUps.last(end).plus(TopUpPolicy.MAY_WAIT));
        boolean lastDone = forgotten || LastTopUp.done(topUps, plannedEnd, pot.toppedUpAt());
        skimLPerMin = skimsAhead(pot, at, end);
        while (at.isBefore(end)) {
            double left = Duration.between(at, end).toSeconds() / 60.0;
            if (topUps.now(left, pot.down(), lastDone)) {
                lastDone = topUps.isLast(left);
                take(pot, new Step(at, Coming.TOP_UP));
            }
            Instant stop = at.isBefore(topUps.last(end)) ? topUps.last(end) : end;
            Instant next = at.plus(STEP);
            at = next.isAfter(stop) ? stop : next;
            take(pot, new Step(at, Coming.TIME));
        }
        take(pot, new Step(at, Coming.OFF));
    }

    /** What the plan has skimmed off and was not yet, by the minute; of what was missed, no more than one skim is made up for. */
    private double skimsAhead(PotModel pot, Instant at, Instant end) {
        double left = Math.max(1, Duration.between(at, end).toSeconds() / 60.0);
        double simmer = Math.max(1, run.simmer().usual().toSeconds() / 60.0);
        double all = Losses.skimmed(run.bed(), run.preparation(), 1).litres();
        double each =
                all / Math.max(1, run.simmer().skim().countWithin(run.simmer().usual()));
        double still = Math.max(0, all - pot.stepper().taken());
        return Math.min(still, all * left / simmer + each) / left;
    }

    /** On to a temperature, in steps short enough not to go far beyond it. */
    private Instant heat(PotModel pot, Instant from, Temperature to) {
        Instant latest = from.plus(LONGEST_BRING_UP);
        Instant at = from;
        while (pot.celsius() < to.celsius() - NEARLY_K && at.isBefore(latest)) {
            at = at.plus(to.celsius() - pot.celsius() > CLOSE_K ? STEP : SHORT_STEP);
            take(pot, new Step(at, Coming.TIME));
        }
        return at;
    }

    /** Off the heat it still steams. */
    private void rest(PotModel pot) {
        Instant end = pot.clock().plus(Duration.ofSeconds((long) (run.restMin() * 60)));
        for (Instant at = pot.clock(); at.isBefore(end); ) {
            Instant next = at.plus(STEP);
            at = next.isAfter(end) ? end : next;
            take(pot, new Step(at, Coming.TIME));
        }
    }

    private void take(PotModel pot, Step step) {
        go(pot, step);
        steps.add(step);
    }

    /** The same steps with another replay of the same events. */
    void go(Replay other) {
        steps.forEach(step -> go(other.pot(), step));
    }

    private void go(PotModel pot, Step step) {
        double minutes = Duration.between(pot.clock(), step.at()).toSeconds() / 60.0;
        pot.runTo(step.at());
        switch (step.what()) {
            case TIME -> pot.takeOut(Volume.ofLitres(pot.simmering() ? skimLPerMin * minutes : 0));
            case HOLD -> {
                PotPhase.Steep steep = run.steeps().get(0);
                pot.hold(steep.at(), step.at().plus(steep.takes()));
            }
            case SIMMER -> pot.simmer();
            case TURN_DOWN -> pot.turnDown();
            case OFF -> pot.off();
            case TOP_UP ->
                pot.topUp(topUps.amount(pot.downL()), run.simmer().topUp().water(), step.at());
        }
    }
}
