package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Pot;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.figure.Figures;
import potamos.core.formula.Formula;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Planner;

/** A cook who does whatever is due as soon as it is due, and nothing else. */
final class Worker {

    /** Whoever has nothing to do looks up when something becomes due, or after so long. */
    private static final Duration LOOK_UP = Duration.ofMinutes(10);

    private static final int MOST_LOOKS = 3 * 24 * 60;

    final Plan plan;
    final List<BatchEvent> events = new ArrayList<>();
    final Set<Kind> done = EnumSet.noneOf(Kind.class);
    Instant now = Samples.EIGHT;

    Worker(Formula formula, double litres) {
        this(formula, Samples.pot(Samples.cylinder(40, 45)), litres);
    }

    Worker(Formula formula, Pot pot, double litres) {
        Charge charge = ChargeSolver.solve(formula, pot, Samples.litres(litres));
        CoolingPlan cooling = Samples.iceBath(charge.forecast().yield().mid());
        CoolingCurve curve = Cooler.curve(cooling);
        Timeline timeline = Timeline.startingAt(Samples.EIGHT, Planner.parts(charge, curve, Samples.US));
        this.plan = new Plan(
                charge,
                Samples.US,
                cooling,
                List.of(new Plan.Filled(cooling.container().name(), cooling.count(), cooling.each())),
                curve,
                timeline,
                timeline.ready(),
                Volume.ofLitres(litres),
                Samples.EIGHT);
    }

    private Worker(Worker other) {
        this.plan = other.plan;
        this.events.addAll(other.events);
        this.now = other.now;
    }

    /** The same at this moment; from here each works for itself. */
    Worker another() {
        return new Worker(this);
    }

    BatchState state() {
        return Batch.replay(plan, events, now);
    }

    List<DueAct> due() {
        return DueActs.of(plan, state());
    }

    BatchEvent.Stamp stamp() {
        return new BatchEvent.Stamp("w" + events.size(), now, "IV");
    }

    void log(BatchEvent event) {
        Batch.accept(plan, events, event, now);
        events.add(event);
    }

    void pass(Duration time) {
        now = now.plus(time);
    }

    /** On to the moment at which the next act is due, and not a second later. */
    void passToNext(Duration most) {
        passToNext(state(), most);
    }

    /** The same, where it is known how the batch stands now. */
    void passToNext(BatchState state, Duration most) {
        Instant next = DueActs.of(plan, state).stream()
                .map(DueAct::due)
                .filter(due -> due.isAfter(now))
                .min(Comparator.naturalOrder())
                .map(due -> due.plusMillis(1))
                .orElse(now.plus(most));
        now = next.isAfter(now.plus(most)) ? now.plus(most) : next;
    }

    /** Works until a stage is reached, or until the litres are put away. */
    Worker until(Stage stage) {
        for (int look = 0; look < MOST_LOOKS; look++) {
            BatchState state = state();
            if (state.stage() == stage || !state.stage().open()) {
                break;
            }
            if (!workOnce(state)) {
                passToNext(state, LOOK_UP);
            }
        }
        return this;
    }

    /** Does the first act that is due; tells whether there was one. */
    boolean workOnce() {
        return workOnce(state());
    }

    /** The same, where it is known how the batch stands now. */
    boolean workOnce(BatchState state) {
        for (DueAct act : DueActs.of(plan, state)) {
            if (!act.due().isAfter(now)) {
                does(act);
                done.add(act.kind());
                return true;
            }
        }
        return false;
    }

    /** Until an act of a kind stands in the list, whether its time has come or not. */
    DueAct awaiting(Kind kind) {
        for (int look = 0; look < MOST_LOOKS; look++) {
            BatchState state = state();
            for (DueAct act : DueActs.of(plan, state)) {
                if (act.kind() == kind) {
                    return act;
                }
            }
            if (!workOnce(state)) {
                passToNext(state, LOOK_UP);
            }
        }
        throw new AssertionError("no " + kind + " came, only " + done);
    }

    void does(DueAct act) {
        doing(act).forEach(this::log);
    }

    /** What an act becomes: what is proposed, but for what only a person can tell. */
    private List<Fact> doing(DueAct act) {
        return act.becomes().stream()
                .<Fact>map(proposal -> proposal.kind().make(stamp(), told(act.kind(), proposal.figures())))
                .toList();
    }

    private Figures told(Kind kind, Figures proposed) {
        return switch (kind) {
            case TASTE -> new Figures(Map.of("words", "clean, round"));
            case READ_COOLING -> new Figures(Map.of("celsius", cooled(state()).celsius()));
            case RESCUE -> throw Refusal.of("cooling", "a stock cooled by the plan does not fail");
            default -> proposed;
        };
    }

    private Temperature cooled(BatchState state) {
        Instant from = state.since();
        double minute = Duration.between(from, now).toSeconds() / 60.0;
        double celsius = plan.curve().points().stream()
                .filter(p -> p.minute() <= minute)
                .mapToDouble(CoolingCurve.Point::stockC)
                .min()
                .orElse(90);
        return Temperature.ofCelsius(celsius);
    }

    /** A reading of the level so far below the rim. */
    BatchEvent level(double belowRimCm) {
        return new PotEvent.LevelRead(stamp(), Length.ofCm(belowRimCm));
    }
}
