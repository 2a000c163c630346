package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.formula.Formula;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Planner;

/** A cook who does whatever is due as soon as it is due, and nothing else. */
final class Worker {

    private static final Duration LOOK_UP = Duration.ofMinutes(1);
    private static final int MOST_LOOKS = 3 * 24 * 60;

    final Plan plan;
    final List<BatchEvent> events = new ArrayList<>();
    final Set<Kind> done = EnumSet.noneOf(Kind.class);
    Instant now = Samples.EIGHT;

    Worker(Formula formula, double litres) {
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(40, 45)), Samples.litres(litres));
        CoolingPlan cooling = Samples.iceBath(charge.forecast().yield().mid());
        CoolingCurve curve = Cooler.curve(cooling);
        Timeline timeline = Timeline.startingAt(Samples.EIGHT, Planner.parts(charge, curve, Samples.US));
        this.plan = new Plan(
                charge,
                Samples.US,
                cooling,
                null,
                curve,
                timeline,
                timeline.ready(),
                Volume.ofLitres(litres),
                Samples.EIGHT);
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

    /** Works until a stage is reached, or until the litres are put away. */
    Worker until(Stage stage) {
        for (int look = 0;
                look < MOST_LOOKS && state().stage() != stage && state().stage().open();
                look++) {
            if (!workOnce()) {
                pass(LOOK_UP);
            }
        }
        return this;
    }

    /** Does the first act that is due; tells whether there was one. */
    boolean workOnce() {
        List<DueAct> due = due();
        for (DueAct act : due) {
            if (!act.due().isAfter(now)) {
                log(doing(act));
                done.add(act.kind());
                return true;
            }
        }
        return false;
    }

    /** Until an act of a kind stands in the list, whether its time has come or not. */
    DueAct awaiting(Kind kind) {
        for (int look = 0; look < MOST_LOOKS; look++) {
            for (DueAct act : due()) {
                if (act.kind() == kind) {
                    return act;
                }
            }
            if (!workOnce()) {
                pass(LOOK_UP);
            }
        }
        throw new AssertionError("no " + kind + " came, only " + done);
    }

    BatchEvent doing(DueAct act) {
        BatchEvent.Stamp stamp = stamp();
        BatchState state = state();
        Volume amount = Volume.ofLitres(act.amount());
        return switch (act.kind()) {
            case WEIGH -> new BatchEvent.WeighedIn(stamp, BatchEvent.BED, Mass.ofKg(act.amount()), "");
            case BEGIN -> new BatchEvent.Began(stamp, act.step());
            case END -> new BatchEvent.Finished(stamp, act.step());
            case TURN -> new BatchEvent.Turned(stamp, 0);
            case JUDGE_SHADE -> new BatchEvent.CardRead(stamp, BatchEvent.Card.SHADE, act.amount());
            case CHANGE_WATER -> new BatchEvent.WaterChanged(stamp);
            case BURNER_OFF -> new BatchEvent.BurnerOff(stamp);
            case BLANCH -> new BatchEvent.Blanched(stamp);
            case FILL ->
                new BatchEvent.Filled(stamp, amount, plan.charge().run().waterC());
            case LIGHT -> new BatchEvent.HeatOn(stamp);
            case HOLD -> new BatchEvent.Held(stamp);
            case KELP_OUT -> new BatchEvent.TakenOut(stamp, act.parts().get(0));
            case FIRST_FOAM -> new BatchEvent.FirstFoam(stamp);
            case TURN_DOWN -> new BatchEvent.SimmerReached(stamp);
            case SKIM -> new BatchEvent.Skimmed(stamp, amount);
            case READ_LEVEL ->
                new BatchEvent.LevelRead(
                        stamp, plan.charge().run().vessel().belowRim(state.pot().level()));
            case READ_TEMPERATURE ->
                new BatchEvent.TemperatureRead(stamp, state.pot().temperature());
            case TOP_UP -> new BatchEvent.ToppedUp(stamp, amount, Temperature.ofCelsius(80));
            case ADD, FLAKES_IN -> {
                String part = act.parts().get(0);
                yield new BatchEvent.Added(
                        stamp, part, Replay.planned(plan, part).orElseThrow());
            }
            case TASTE -> new BatchEvent.Tasted(stamp, "clean, round");
            case SET_TEST -> new BatchEvent.CardRead(stamp, BatchEvent.Card.SET, 3);
            case JUDGE -> new BatchEvent.Judged(stamp, true, Duration.ZERO);
            case PASS -> new BatchEvent.Passed(stamp);
            case STRAIN -> new BatchEvent.Strained(stamp, amount, state.finish().passes() + 1, false);
            case REDUCE -> new BatchEvent.Reduced(stamp, amount);
            case DEGREASE -> new BatchEvent.Degreased(stamp, amount);
            case BEGIN_COOLING -> new BatchEvent.CoolingBegan(stamp);
            case READ_COOLING -> new BatchEvent.CoolingRead(stamp, cooled(state));
            case RESCUE -> throw Refusal.of("cooling", "a stock cooled by the plan does not fail");
            case STORE -> new BatchEvent.Stored(stamp, amount, "cold store");
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
        return new BatchEvent.LevelRead(stamp(), Length.ofCm(belowRimCm));
    }
}
