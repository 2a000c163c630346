package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.flow.Ledger;
import potamos.core.flow.Losses;
import potamos.core.formula.Phase;
import potamos.core.quantity.Volume;

/** What a batch needs next, in the order in which it is lost by waiting. */
public final class DueActs {

    /** The set fat is off before the stock goes on the shelf. */
    private static final Duration LIFTING_FAT = Duration.ofMinutes(10);

    private static final Duration COOLING_EVERY = Duration.ofMinutes(20);
    private static final Duration COLD_EVERY = Duration.ofMinutes(45);
    private static final Duration SOON = Duration.ofMinutes(10);

    private static final double WARM_C = 21;

    private final Plan plan;
    private final BatchState state;
    private final Instant now;
    private final List<DueAct> acts = new ArrayList<>();

    private DueActs(Plan plan, BatchState state) {
        this.plan = plan;
        this.state = state;
        this.now = state.now();
    }

    /** Acts of a batch from now on: overdue ones first by what waiting costs, then the rest by time. */
    public static List<DueAct> of(Plan plan, BatchState state) {
        DueActs due = new DueActs(plan, state);
        due.collect();
        Instant now = state.now();
        due.acts.sort(Comparator.comparing((DueAct act) -> act.due().isAfter(now))
                .thenComparing(act -> act.due().isAfter(now) ? Cost.SAFETY : act.cost())
                .thenComparing(DueAct::due));
        return List.copyOf(due.acts);
    }

    private void collect() {
        switch (state.stage()) {
            case WEIGH_IN -> add(Kind.WEIGH, BatchEvent.BED, planned(Stage.WEIGH_IN), SOON, bedKg(), Cost.TIME);
            case PREPARE -> {
                DueChores.Found chores = DueChores.of(plan, state, begins());
                acts.addAll(chores.acts());
                fill(chores.done());
            }
            case BLANCH -> add(Kind.BLANCH, state.since(), SOON, 0, Cost.CLARITY);
            case FILL -> {
                if (state.course().isEmpty()) {
                    fill(begins());
                } else {
                    add(Kind.LIGHT, filledAt().plus(plan.charge().formula().coldSteep()), SOON, 0, Cost.TIME);
                }
            }
            case BRING_UP, SIMMER -> acts.addAll(DuePot.of(plan, state));
            case REST -> {
                flakes();
                strain(Cost.TIME);
            }
            case STRAIN -> strain(Cost.SAFETY);
            case REDUCE -> reduce();
            case COOL -> cool();
            case STORE -> {
                boolean fat = degrease(true);
                Instant put = fat ? state.since().plus(LIFTING_FAT) : state.since();
                add(Kind.STORE, put, SOON, litresLeft(), Cost.SAFETY);
            }
            default -> {}
        }
    }

    /** A batch that has no bed to weigh begins with what comes next, at its planned time. */
    private Instant begins() {
        Instant start = plan.timeline().start();
        return state.path().isEmpty() && start.isAfter(state.since()) ? start : state.since();
    }

    private void fill(Instant when) {
        add(Kind.FILL, when, SOON, plan.charge().water().litres(), Cost.TIME);
    }

    private Instant filledAt() {
        return state.course().get(0).at();
    }

    private void flakes() {
        Infusion.flakes(plan.charge().formula())
                .filter(flakes -> !state.added().containsKey(flakes))
                .ifPresent(flakes -> add(
                        Kind.FLAKES_IN,
                        flakes,
                        state.simmer().ended().orElseThrow(),
                        Duration.ofMinutes(2),
                        Infusion.share(plan.charge(), flakes).orElseThrow().kg(),
                        Cost.FLAVOUR));
    }

    private void strain(Cost cost) {
        degrease(false);
        int before = plan.charge().run().strain().passes() - 1;
        if (state.finish().passes() < before) {
            add(Kind.PASS, restEnds(), SOON, state.finish().passes() + 1.0, cost);
        }
        add(Kind.STRAIN, restEnds(), SOON, expectedStrained(), cost);
    }

    private void reduce() {
        Instant done =
                state.since().plus(Duration.ofSeconds((long) (plan.charge().boilDownMin() * 60)));
        double fraction = plan.charge().formula().reducesTo();
        double from =
                state.strained().map(Volume::litres).orElse(state.pot().liquor().litres());
        add(Kind.REDUCE, done, Duration.ofMinutes(5), from * fraction, Cost.YIELD);
    }

    /** Fat that is to be lifted hot before straining, or as a lid from the cold stock. */
    private boolean degrease(boolean cold) {
        boolean planned =
                plan.charge().formula().phases(Phase.Degrease.class).stream().anyMatch(phase -> phase.cold() == cold);
        boolean ahead = planned && state.finish().degreased().isEmpty();
        if (ahead) {
            double fat = Losses.renderedFat(plan.charge().run().bed()).litres();
            add(Kind.DEGREASE, cold ? state.since() : restEnds(), SOON, fat, Cost.CLARITY);
        }
        return ahead;
    }

    private void cool() {
        if (state.cooling().began().isEmpty()) {
            add(Kind.BEGIN_COOLING, state.since(), SOON, litresLeft(), Cost.SAFETY);
        }
        CoolingVerdict.Outcome outcome =
                state.cooling().verdict().map(CoolingVerdict::overall).orElse(CoolingVerdict.Outcome.WAITING);
        if (outcome == CoolingVerdict.Outcome.FAILED || outcome == CoolingVerdict.Outcome.WILL_FAIL) {
            add(Kind.RESCUE, now, Duration.ZERO, 0, Cost.SAFETY);
        }
        var readings = state.cooling().readings();
        Instant from = readings.isEmpty()
                ? state.since()
                : readings.get(readings.size() - 1).at();
        boolean warm = readings.isEmpty()
                || readings.get(readings.size() - 1).temperature().celsius() > WARM_C;
        Duration every = readings.isEmpty() ? Duration.ZERO : warm ? COOLING_EVERY : COLD_EVERY;
        add(Kind.READ_COOLING, from.plus(every), SOON, 0, Cost.SAFETY);
    }

    /** Litres that the last strainer should give; what is boiled away afterwards is still in them. */
    private double expectedStrained() {
        Ledger ledger = state.ledger();
        boolean later = state.finish().reduced().isEmpty()
                && !plan.charge().run().reduction().beforeStraining();
        double boiled = later ? ledger.of(Ledger.Cause.REDUCED).litres() : 0;
        return Math.max(0, ledger.yield().litres() + boiled);
    }

    private double litresLeft() {
        return state.out().orElse(Volume.ZERO).minus(state.shelf().spoiled()).litres();
    }

    private double bedKg() {
        return plan.charge().run().raw().kg();
    }

    private Instant planned(Stage stage) {
        return plan.timeline().step(stage).map(Timeline.Step::from).orElse(plan.accepted());
    }

    private Instant restEnds() {
        return Infusion.restEnds(plan.charge(), state.simmer().ended().orElseThrow(), state.added());
    }

    private void add(Kind kind, String part, Instant due, Duration grace, double amount, Cost cost) {
        acts.add(DueAct.of(kind, List.of(part), due, grace, amount, cost));
    }

    private void add(Kind kind, Instant due, Duration grace, double amount, Cost cost) {
        acts.add(DueAct.of(kind, due, grace, amount, cost));
    }
}
