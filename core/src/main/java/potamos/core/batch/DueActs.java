package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.Measure;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.flow.Losses;
import potamos.core.flow.Solids;
import potamos.core.formula.Phase;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** What a batch needs next, in the order in which it is lost by waiting. */
public final class DueActs {

    /** First foam shows this many kelvins below the simmer. */
    private static final double FOAM_BELOW_SIMMER_K = 5;

    private static final Duration LEVEL_EVERY = Duration.ofMinutes(60);
    private static final Duration TEMPERATURE_EVERY = Duration.ofMinutes(60);
    private static final Duration COOLING_EVERY = Duration.ofMinutes(20);
    private static final Duration COLD_EVERY = Duration.ofMinutes(45);
    private static final Duration SOON = Duration.ofMinutes(10);
    private static final Duration LAST_TOP_UP = Duration.ofMinutes(30);

    /** Once the last top-up is past, less than this below the mark is left alone. */
    private static final double LAST_TOP_UP_CM = 1;

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
            case BLANCH -> add(Kind.BLANCH, null, state.since(), SOON, 0, Cost.CLARITY);
            case FILL -> {
                if (state.course().isEmpty()) {
                    add(
                            Kind.FILL,
                            null,
                            state.since(),
                            SOON,
                            plan.charge().water().litres(),
                            Cost.TIME);
                } else {
                    add(Kind.LIGHT, null, state.since(), SOON, 0, Cost.TIME);
                }
            }
            case BRING_UP -> bringUp();
            case SIMMER -> simmer();
            case REST -> add(Kind.STRAIN, null, restEnds(), SOON, expectedOut(), Cost.TIME);
            case STRAIN -> add(Kind.STRAIN, null, restEnds(), SOON, expectedOut(), Cost.SAFETY);
            case COOL -> cool();
            case STORE -> add(Kind.STORE, null, state.since(), SOON, litresLeft(), Cost.SAFETY);
            default -> {}
        }
    }

    private void bringUp() {
        Instant lit = state.simmer().lit().orElseThrow();
        double simmerC = plan.charge().run().simmerAt().celsius();
        Instant simmer = expectedAt(lit, simmerC);
        if (state.simmer().foam().isEmpty()) {
            add(Kind.FIRST_FOAM, null, expectedAt(lit, simmerC - FOAM_BELOW_SIMMER_K), SOON, skimL(), Cost.CLARITY);
        }
        add(Kind.TURN_DOWN, null, simmer, Duration.ofMinutes(5), simmerC, Cost.CLARITY);
    }

    /** When the pot is expected at a temperature: from the plan's bring-up, shifted to where the pot is now. */
    private Instant expectedAt(Instant lit, double celsius) {
        double from = plan.charge().run().waterC().celsius();
        double to = plan.charge().run().simmerAt().celsius();
        double whole = plan.charge().forecast().bringUpMin();
        double isNow = state.pot().temperature().celsius();
        double left = (celsius - isNow) / (to - from) * whole;
        Instant expected = left <= 0 ? now : now.plus(Duration.ofSeconds((long) (left * 60)));
        return expected.isBefore(lit) ? lit : expected;
    }

    private void simmer() {
        Phase.Simmer simmer = plan.charge().run().simmer();
        Instant reached = state.simmer().reached().orElseThrow();
        Instant end = state.simmer().plannedEnd().orElseThrow();
        skim(simmer.skim(), reached, end);
        topUp(simmer.topUp(), end);
        partsStillOut().forEach((intoTheSimmer, parts) -> {
            Instant due = end.minus(simmer.usual().minus(intoTheSimmer));
            double kg = parts.stream().mapToDouble(part -> mass(part).kg()).sum();
            acts.add(new DueAct(Kind.ADD, parts, due, due.plus(SOON), kg, Cost.FLAVOUR));
        });
        Instant levelFrom = state.pot().levelRead().orElse(reached);
        add(Kind.READ_LEVEL, null, levelFrom.plus(LEVEL_EVERY), SOON, 0, Cost.YIELD);
        Instant temperatureFrom = state.pot().temperatureRead().orElse(reached);
        add(Kind.READ_TEMPERATURE, null, temperatureFrom.plus(TEMPERATURE_EVERY), SOON, 0, Cost.CLARITY);
        add(Kind.JUDGE, null, end, SOON, 0, Cost.FLAVOUR);
    }

    /** Parts that wait beside the pot, by when they go in. */
    private SortedMap<Duration, List<String>> partsStillOut() {
        SortedMap<Duration, List<String>> out = new TreeMap<>();
        for (Solids solids : plan.charge().run().others()) {
            String part = solids.part().id();
            if (!solids.intoTheSimmer().isZero() && !state.added().containsKey(part)) {
                out.computeIfAbsent(solids.intoTheSimmer(), when -> new ArrayList<>())
                        .add(part);
            }
        }
        return out;
    }

    private void skim(Phase.Skim cadence, Instant reached, Instant end) {
        Instant last = state.simmer().lastSkim().orElse(reached);
        boolean early = last.isBefore(reached.plus(cadence.earlyFor()));
        Instant next = last.plus(early ? cadence.early() : cadence.late());
        if (next.isBefore(end)) {
            add(Kind.SKIM, null, next, SOON, skimL(), Cost.CLARITY);
        }
    }

    private void topUp(Phase.TopUp topUp, Instant end) {
        double below = state.pot().mark().minus(state.pot().level()).cm();
        double bare = state.pot().bedTop().minus(state.pot().level()).cm();
        if (bare > 0) {
            add(Kind.TOP_UP, null, now, Duration.ZERO, toMark(), Cost.YIELD);
            return;
        }
        Instant last = end.minus(LAST_TOP_UP);
        boolean tooLateToMatter = now.isAfter(end) || now.isAfter(last) && below < LAST_TOP_UP_CM;
        if (!topUp.hold() || tooLateToMatter) {
            return;
        }
        double cmPerH = state.pot().steamLPerH()
                / Math.max(
                        0.1,
                        plan.charge()
                                        .run()
                                        .vessel()
                                        .shape()
                                        .surfaceDm2(state.pot().level())
                                / 10);
        double hours = Math.max(0, topUp.drop().cm() - below) / Math.max(0.01, cmPerH);
        Instant byLevel = now.plus(Duration.ofSeconds((long) (hours * 3600)));
        Instant due = byLevel.isBefore(last) ? byLevel : last;
        add(Kind.TOP_UP, null, due, Duration.ofMinutes(20), toMark(), Cost.YIELD);
    }

    private void cool() {
        if (state.cooling().began().isEmpty()) {
            add(Kind.BEGIN_COOLING, null, state.since(), SOON, litresLeft(), Cost.SAFETY);
        }
        CoolingVerdict.Outcome outcome =
                state.cooling().verdict().map(CoolingVerdict::overall).orElse(CoolingVerdict.Outcome.WAITING);
        if (outcome == CoolingVerdict.Outcome.FAILED || outcome == CoolingVerdict.Outcome.WILL_FAIL) {
            add(Kind.RESCUE, null, now, Duration.ZERO, 0, Cost.SAFETY);
        }
        var readings = state.cooling().readings();
        Instant from = readings.isEmpty()
                ? state.since()
                : readings.get(readings.size() - 1).at();
        boolean warm = readings.isEmpty()
                || readings.get(readings.size() - 1).temperature().celsius() > WARM_C;
        Duration every = readings.isEmpty() ? Duration.ZERO : warm ? COOLING_EVERY : COLD_EVERY;
        add(Kind.READ_COOLING, null, from.plus(every), SOON, 0, Cost.SAFETY);
    }

    private Instant restEnds() {
        return state.simmer().ended().orElseThrow().plus(Duration.ofSeconds((long)
                (plan.charge().run().restMin() * 60)));
    }

    private double expectedOut() {
        return Math.max(0, state.ledger().yield().litres());
    }

    private double litresLeft() {
        return state.strained()
                .orElse(Volume.ZERO)
                .minus(state.shelf().spoiled())
                .litres();
    }

    private double toMark() {
        Vessel vessel = plan.charge().run().vessel();
        return Math.max(
                0,
                vessel.shape().volumeAt(state.pot().mark()).litres()
                        - state.pot().contents().litres());
    }

    /** The usual amount of one skimming: what the whole run should give, shared out over its skims. */
    private double skimL() {
        double all = Losses.skimmed(
                        plan.charge().run().bed(), plan.charge().run().preparation(), 1)
                .litres();
        Phase.Simmer simmer = plan.charge().run().simmer();
        return all / simmer.skim().countWithin(simmer.usual());
    }

    private double bedKg() {
        return plan.charge().run().bed().mass().kg();
    }

    private Mass mass(String part) {
        return plan.charge().measures().stream()
                .filter(m -> m.part().id().equals(part))
                .map(Measure::mass)
                .findFirst()
                .orElseThrow();
    }

    private Instant planned(Stage stage) {
        return plan.timeline().step(stage).map(Timeline.Step::from).orElse(plan.accepted());
    }

    private void add(Kind kind, String part, Instant due, Duration grace, double amount, Cost cost) {
        acts.add(new DueAct(kind, part == null ? List.of() : List.of(part), due, due.plus(grace), amount, cost));
    }
}
