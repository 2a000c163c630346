package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.flow.Run;
import potamos.core.quantity.Volume;

/**
 * How a pot goes on from a moment to the end of its simmer as it was last judged, with the plan's top-ups; from a lit pot only. The steps are found with
 * one replay and can be gone with others, so that all of them are told at the same moments.
 */
final class Ahead {

    private static final Duration STEP = Duration.ofMinutes(5);
    private static final Duration LONGEST_BRING_UP = Duration.ofHours(6);
    private static final double NEARLY_K = 0.2;

    private enum Coming {
        TIME,
        SIMMER,
        TOP_UP
    }

    private record Step(Instant at, Coming what) {}

    private final Run run;
    private final List<Step> steps = new ArrayList<>();

    private Ahead(Run run) {
        this.run = run;
    }

    /**
     * Runs a replayed pot on.
     *
     * @param state of that replay, now
     */
    static Ahead of(Plan plan, Replay replay, BatchState state) {
        Ahead ahead = new Ahead(plan.charge().run());
        if (replay.pot().holding()) {
            ahead.goOn(replay.pot(), state);
        }
        return ahead;
    }

    private void goOn(PotModel pot, BatchState state) {
        Instant at = state.now();
        if (state.stage() == Stage.BRING_UP) {
            Instant latest = at.plus(LONGEST_BRING_UP);
            while (pot.celsius() < run.simmerAt().celsius() - NEARLY_K && at.isBefore(latest)) {
                at = at.plus(STEP);
                take(pot, new Step(at, Coming.TIME));
            }
            take(pot, new Step(at, Coming.SIMMER));
        } else if (state.stage() != Stage.SIMMER) {
            return;
        }
        Instant end = state.simmer().plannedEnd().orElse(at.plus(run.simmer().usual()));
        Instant lastTopUp = LastTopUp.before(end);
        boolean hold = run.simmer().topUp().hold();
        boolean toppedUpForTheLastTime = !hold || LastTopUp.done(state) || !at.isBefore(lastTopUp);
        while (at.isBefore(end)) {
            Instant next = at.plus(STEP);
            at = next.isAfter(end) ? end : next;
            take(pot, new Step(at, Coming.TIME));
            boolean last = !toppedUpForTheLastTime && !at.isBefore(lastTopUp);
            boolean dropped = pot.down().cm() >= run.simmer().topUp().drop().cm();
            if (last || !toppedUpForTheLastTime && dropped) {
                take(pot, new Step(at, Coming.TOP_UP));
            }
            toppedUpForTheLastTime |= last;
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
        pot.runTo(step.at());
        if (step.what() == Coming.SIMMER) {
            pot.simmer();
        } else if (step.what() == Coming.TOP_UP) {
            Volume toMark = Volume.ofLitres(pot.downL()).orNone();
            pot.topUp(toMark, run.simmer().topUp().water(), step.at());
        }
    }
}
