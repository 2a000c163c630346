package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.cooling.CoolingProof;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.Reading;
import potamos.core.flow.Run;
import potamos.core.formula.FinishPhase;
import potamos.core.quantity.Temperature;

/** What a batch needs next, in the order in which it is lost by waiting. */
public final class DueActs {

    /** The set fat is off before the stock goes on the shelf. */
    private static final Duration LIFTING_FAT = Duration.ofMinutes(10);

    private static final Duration COOLING_EVERY = Duration.ofMinutes(60);
    private static final Duration SOON = Duration.ofMinutes(10);

    /** A probe hangs in one place of a pot that is not stirred; further off than this one of the two is wrong. */
    private static final double CONTRADICTS_K = 6;

    /** Whoever has just read it has answered. */
    private static final Duration JUST_READ = Duration.ofMinutes(10);

    private final Plan plan;
    private final BatchState state;
    private final Instant now;
    private final Proposals usual;
    private final List<DueAct> acts = new ArrayList<>();

    private DueActs(Plan plan, BatchState state) {
        this.plan = plan;
        this.state = state;
        this.now = state.now();
        this.usual = new Proposals(plan, state);
    }

    /** Whether the foam that is to be skimmed stands on the pot now. */
    public static boolean foams(Plan plan, BatchState state) {
        return DuePot.foams(plan, state);
    }

    /**
     * Acts of a batch from now on: overdue ones first, and of those what ends or saves a pot before what measures it, each by what its waiting costs; then
     * the rest by time.
     */
    public static List<DueAct> of(Plan plan, BatchState state) {
        DueActs due = new DueActs(plan, state);
        due.collect();
        return inOrder(due.acts, state.now());
    }

    /**
     * The same beside a probe: one that contradicts what the pot is reckoned at is asked about, for one of the two is wrong, and what is due goes by them.
     *
     * @param probe what it shows now; nothing when there is none, or it is silent
     */
    public static List<DueAct> of(Plan plan, BatchState state, Optional<Temperature> probe) {
        List<DueAct> acts = of(plan, state);
        boolean onTheFire = state.stage() == Stage.BRING_UP || state.stage() == Stage.SIMMER;
        Instant now = state.now();
        boolean justRead = state.pot()
                .temperatureRead()
                .filter(read -> read.isAfter(now.minus(JUST_READ)))
                .isPresent();
        double reckoned = state.pot().temperature().celsius();
        boolean contradicts = probe.filter(shows -> Math.abs(shows.celsius() - reckoned) > CONTRADICTS_K)
                .isPresent();
        if (!onTheFire || justRead || !contradicts) {
            return acts;
        }
        Proposal read = new Proposals(plan, state).temperature();
        List<DueAct> asked = new ArrayList<>();
        asked.add(DueAct.of(Kind.READ_TEMPERATURE, now, Duration.ZERO, Cost.CLARITY, List.of(read)));
        acts.stream().filter(act -> act.kind() != Kind.READ_TEMPERATURE).forEach(asked::add);
        return inOrder(asked, now);
    }

    private static List<DueAct> inOrder(List<DueAct> acts, Instant now) {
        return acts.stream()
                .sorted(Comparator.comparing((DueAct act) -> act.due().isAfter(now))
                        .thenComparing(
                                act -> !act.due().isAfter(now) && act.kind().measures())
                        .thenComparing(act -> act.due().isAfter(now) ? Cost.SAFETY : act.cost())
                        .thenComparing(DueAct::due))
                .toList();
    }

    private static Kind lit(Run.Heat heat) {
        return switch (heat) {
            case BURNER -> Kind.LIGHT;
            case OWN -> Kind.SWITCH_ON;
            case OVEN -> Kind.INTO_THE_OVEN;
        };
    }

    private void collect() {
        switch (state.stage()) {
            case WEIGH_IN -> add(Kind.WEIGH, planned(Stage.WEIGH_IN), SOON, Cost.TIME, usual.weigh());
            case PREPARE -> {
                DueChores.Found chores = DueChores.of(plan, state, begins());
                acts.addAll(chores.acts());
                fill(chores.done());
            }
            case BLANCH -> add(Kind.BLANCH, state.since(), SOON, Cost.CLARITY, Proposal.of(ChoreEvent.Blanched.KIND));
            case FILL -> {
                if (state.course().isEmpty()) {
                    fill(begins());
                } else {
                    Instant light = filledAt().plus(plan.charge().formula().coldSteep());
                    add(lit(plan.charge().run().heat()), light, SOON, Cost.TIME, Proposal.of(PotEvent.HeatOn.KIND));
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
            case STORE -> putAway();
            default -> {}
        }
    }

    /** What is not proven to have cooled in time is not put away by whoever stands there. */
    private void putAway() {
        BatchState.Cooling cooling = state.cooling();
        switch (cooling.outcome()) {
            case FAILED -> add(Kind.RESCUE, now, Duration.ZERO, Cost.SAFETY, usual.reheat());
            case NOT_SHOWN, PASSED_ON_LATE_ENTRIES, PASSED_AFTER_CORRECTION -> {
                if (cooling.released().isEmpty()) {
                    add(Kind.RELEASE, state.since(), SOON, Cost.SAFETY, Proposal.of(ColdEvent.Released.KIND));
                } else {
                    store();
                }
            }
            case PASSED -> store();
            default -> readCooling();
        }
    }

    private void store() {
        boolean fat = degrease(true);
        Instant put = fat ? state.since().plus(LIFTING_FAT) : state.since();
        add(Kind.STORE, put, SOON, Cost.SAFETY, usual.store());
    }

    /** A batch that has no bed to weigh begins with what comes next, at its planned time. */
    private Instant begins() {
        Instant start = plan.timeline().start();
        return state.path().isEmpty() && start.isAfter(state.since()) ? start : state.since();
    }

    private void fill(Instant when) {
        Drawing.open(plan, state).forEach(draw -> add(Kind.DRAW, when, SOON, Cost.TIME, usual.draw(draw)));
        add(Kind.FILL, when, SOON, Cost.TIME, usual.fill());
    }

    private Instant filledAt() {
        return state.course().get(0).at();
    }

    private void flakes() {
        Infusion.flakes(plan.charge().formula())
                .filter(flakes -> !state.added().containsKey(flakes))
                .ifPresent(flakes -> add(
                        Kind.FLAKES_IN,
                        state.simmer().ended().orElseThrow(),
                        Duration.ofMinutes(2),
                        Cost.FLAVOUR,
                        usual.add(flakes)));
    }

    private void strain(Cost cost) {
        degrease(false);
        int before = plan.charge().run().strain().passes() - 1;
        if (state.finish().passes() < before) {
            Proposal pass = Proposal.of(FinishEvent.Passed.KIND);
            acts.add(DueAct.of(Kind.PASS, state.finish().passes() + 1.0, restEnds(), SOON, cost, List.of(pass)));
        }
        add(Kind.STRAIN, restEnds(), SOON, cost, usual.strain());
    }

    private void reduce() {
        Instant done =
                state.since().plus(Duration.ofSeconds((long) (plan.charge().boilDownMin() * 60)));
        add(Kind.REDUCE, done, Duration.ofMinutes(5), Cost.YIELD, usual.reduce());
    }

    /** Fat that is to be lifted hot before straining, or as a lid from the cold stock. */
    private boolean degrease(boolean cold) {
        boolean planned = plan.charge().formula().phases(FinishPhase.Degrease.class).stream()
                .anyMatch(phase -> phase.cold() == cold);
        boolean ahead = planned && state.finish().degreased().isEmpty();
        if (ahead) {
            add(Kind.DEGREASE, cold ? state.since() : restEnds(), SOON, Cost.CLARITY, usual.degrease());
        }
        return ahead;
    }

    private void cool() {
        if (state.cooling().began().isEmpty()) {
            Proposal begin = Proposal.of(ColdEvent.CoolingBegan.KIND);
            double litres = usual.litresLeft().litres();
            acts.add(DueAct.of(Kind.BEGIN_COOLING, litres, state.since(), SOON, Cost.SAFETY, List.of(begin)));
        }
        if (state.cooling().outcome().fails()) {
            add(Kind.RESCUE, now, Duration.ZERO, Cost.SAFETY, usual.reheat());
        }
        readCooling();
    }

    /** When the next reading would prove something; between those the stock is left alone. */
    private void readCooling() {
        var readings = state.cooling().readings();
        if (readings.isEmpty()) {
            add(Kind.READ_COOLING, state.since(), SOON, Cost.SAFETY, usual.cooling());
            return;
        }
        Reading last = readings.get(readings.size() - 1);
        Instant soonest = last.at().plus(SOON);
        Instant proves = state.cooling().verdict().stream()
                .flatMap(verdict -> verdict.asks().stream())
                .map(CoolingVerdict.Ask::at)
                .findFirst()
                .orElse(now);
        boolean doubted = state.cooling().verdict().stream()
                .anyMatch(verdict -> verdict.doubtful().contains(last));
        // A thermometer that is asked again at once says the same; and it is asked now and then, for what is foretold
        // is not what is.
        Instant due = doubted
                ? last.at().plus(CoolingProof.AGREES_AFTER)
                : Stream.of(proves, last.at().plus(COOLING_EVERY))
                        .min(Comparator.naturalOrder())
                        .filter(soonest::isBefore)
                        .orElse(soonest);
        add(Kind.READ_COOLING, due, SOON, Cost.SAFETY, usual.cooling());
    }

    private Instant planned(Stage stage) {
        return plan.timeline().step(stage).map(Timeline.Step::from).orElse(plan.accepted());
    }

    private Instant restEnds() {
        return Infusion.restEnds(plan.charge(), state.simmer().ended().orElseThrow(), state.added());
    }

    private void add(Kind kind, Instant due, Duration grace, Cost cost, Proposal becomes) {
        acts.add(DueAct.of(kind, due, grace, cost, List.of(becomes)));
    }
}
