package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.formula.Phase;
import potamos.core.formula.PhaseKind.Chore;
import potamos.core.formula.PrepPhase;

/** What there is to do before the water, and when: one phase after another, with what a phase asks for while it runs. */
final class DueChores {

    private static final Duration SOON = Duration.ofMinutes(10);
    private static final Duration WATER_SOON = Duration.ofMinutes(20);
    private static final Duration BURNS_SOON = Duration.ofMinutes(3);
    private static final Duration TURN_SOON = Duration.ofMinutes(5);

    /** Trays that come out so soon are not turned once more. */
    private static final Duration NEARLY_DONE = Duration.ofMinutes(4);

    /** A roast is looked at before its time: one tray is ahead of the others, and black comes quickly. */
    private static final double FIRST_LOOK = 0.85;

    private final Plan plan;
    private final BatchState state;
    private final Proposals usual;
    private final List<DueAct> acts = new ArrayList<>();
    private Instant next;

    private DueChores(Plan plan, BatchState state, Instant from) {
        this.plan = plan;
        this.state = state;
        this.next = from;
        this.usual = new Proposals(plan, state);
    }

    /**
     * The acts, and when all of it is likely done.
     *
     * @param acts in the order of the procedure
     * @param done when the last phase ends
     */
    record Found(List<DueAct> acts, Instant done) {}

    static Found of(Plan plan, BatchState state, Instant from) {
        DueChores due = new DueChores(plan, state, from);
        for (BatchState.Chore chore : state.prep().chores()) {
            due.add(chore, plan.charge().formula().procedure().get(chore.step()));
        }
        return new Found(due.acts, due.next);
    }

    private void add(BatchState.Chore chore, Phase phase) {
        if (chore.finished().isPresent()) {
            // What comes after it waits from when it really was done, early or late.
            next = later(next, chore.finished());
            return;
        }
        Duration takes = Chores.takes(plan.charge(), phase);
        if (phase instanceof PrepPhase.Flame) {
            if (state.last(ChoreEvent.BurnerOff.KIND).isEmpty()) {
                act(Kind.BURNER_OFF, chore, next, Duration.ZERO, Cost.SAFETY, Proposal.of(ChoreEvent.BurnerOff.KIND));
            }
            end(chore, next.plus(takes), SOON, 0, Cost.FLAVOUR);
        } else if (!Chores.timed(phase)) {
            end(chore, next.plus(takes), SOON, toReduceTo(phase), Cost.TIME);
        } else if (chore.began().isEmpty()) {
            Proposal begin = Proposal.of(ChoreEvent.Began.KIND).with(ChoreEvent.Began.STEP, chore.step());
            act(Kind.BEGIN, chore, next, SOON, Cost.TIME, begin);
            next = next.plus(takes);
        } else {
            underWay(chore, phase, chore.began().get(), takes);
        }
    }

    private void underWay(BatchState.Chore chore, Phase phase, Instant began, Duration takes) {
        Instant planned = began.plus(takes);
        if (phase instanceof PrepPhase.Roast roast) {
            roasting(chore, roast, began, planned);
        } else if (phase instanceof PrepPhase.Soak soak) {
            Instant fresh =
                    later(began, state.last(ChoreEvent.WaterChanged.KIND)).plus(soak.changeWaterEvery());
            if (!soak.changeWaterEvery().isZero() && fresh.isBefore(planned.minus(NEARLY_DONE))) {
                act(
                        Kind.CHANGE_WATER,
                        chore,
                        fresh,
                        WATER_SOON,
                        Cost.CLARITY,
                        Proposal.of(ChoreEvent.WaterChanged.KIND));
            }
            end(chore, planned, Duration.ofMinutes(30), 0, Cost.TIME);
        } else if (phase.kind().chore() == Chore.FOR_A_WHILE_AND_BURNS) {
            end(chore, planned, BURNS_SOON, 0, Cost.FLAVOUR);
        } else {
            end(chore, planned, SOON, 0, Cost.TIME);
        }
    }

    private void roasting(BatchState.Chore chore, PrepPhase.Roast roast, Instant began, Instant planned) {
        Optional<BatchState.CardReading> shade = state.card(JudgingCard.SHADE).filter(c -> !c.at().isBefore(began));
        boolean there = shade.filter(read -> read.value() >= roast.shade()).isPresent();
        Instant done = shade.map(read -> there ? read.at() : read.at().plus(roast.longerAt(read.value())))
                .orElse(planned);
        Instant turn = later(began, state.last(ChoreEvent.Turned.KIND).filter(t -> t.isAfter(began)))
                .plus(roast.turnEvery());
        if (!there && !roast.turnEvery().isZero() && turn.isBefore(done.minus(NEARLY_DONE))) {
            act(Kind.TURN, chore, turn, TURN_SOON, Cost.FLAVOUR, Proposal.of(ChoreEvent.Turned.KIND));
        }
        if (!there) {
            Duration toFirstLook =
                    Duration.ofSeconds((long) (Duration.between(began, done).toSeconds() * FIRST_LOOK));
            Instant look = shade.isPresent() ? done : began.plus(toFirstLook);
            act(Kind.JUDGE_SHADE, chore, look, TURN_SOON, Cost.FLAVOUR, usual.card(JudgingCard.SHADE, roast.shade()));
        }
        end(chore, done, TURN_SOON, roast.shade(), Cost.FLAVOUR);
    }

    /** Litres that a splash or the wine is cooked down to. */
    private double toReduceTo(Phase phase) {
        if (phase instanceof PrepPhase.Deglaze deglaze) {
            return deglaze.litresPerKgBed() * plan.charge().run().raw().kg() * deglaze.toFraction();
        }
        return 0;
    }

    private void end(BatchState.Chore chore, Instant due, Duration grace, double amount, Cost cost) {
        Proposal done = Proposal.of(ChoreEvent.Finished.KIND).with(ChoreEvent.Finished.STEP, chore.step());
        acts.add(new DueAct(Kind.END, chore.step(), due, due.plus(grace), amount, cost, List.of(done)));
        next = due.isAfter(state.now()) ? due : state.now();
    }

    private void act(Kind kind, BatchState.Chore chore, Instant due, Duration grace, Cost cost, Proposal becomes) {
        acts.add(new DueAct(kind, chore.step(), due, due.plus(grace), becomes.amount(), cost, List.of(becomes)));
    }

    private static Instant later(Instant at, Optional<Instant> other) {
        return other.filter(o -> o.isAfter(at)).orElse(at);
    }
}
