package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.Measure;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.flow.Ledger;
import potamos.core.flow.Losses;
import potamos.core.flow.Solids;
import potamos.core.formula.Family;
import potamos.core.formula.Phase;
import potamos.core.liquor.Body;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** What a batch needs next, in the order in which it is lost by waiting. */
public final class DueActs {

    /** First foam shows this many kelvins below the simmer. */
    private static final double FOAM_BELOW_SIMMER_K = 5;

    /** Foam is there for minutes; then it has boiled in. */
    private static final Duration FOAM_SOON = Duration.ofMinutes(4);

    /** The set fat is off before the stock goes on the shelf. */
    private static final Duration LIFTING_FAT = Duration.ofMinutes(10);

    private static final Duration LEVEL_EVERY = Duration.ofMinutes(60);
    private static final Duration TEMPERATURE_EVERY = Duration.ofMinutes(60);
    private static final Duration COOLING_EVERY = Duration.ofMinutes(20);
    private static final Duration COLD_EVERY = Duration.ofMinutes(45);
    private static final Duration SOON = Duration.ofMinutes(10);
    private static final Duration LAST_TOP_UP = Duration.ofMinutes(30);

    /** Once the last top-up is due, less than this is left alone. */
    private static final double LAST_TOP_UP_L = 0.2;

    private static final double WARM_C = 21;

    private static final int NO_STEP = -1;

    /** A shorter simmer is over before a taste could change anything. */
    private static final Duration WORTH_TASTING = Duration.ofMinutes(45);

    private static final Duration TASTE_BEFORE = Duration.ofMinutes(30);
    private static final Duration SET_TEST_BEFORE = Duration.ofMinutes(20);

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
            case BLANCH -> add(Kind.BLANCH, null, state.since(), SOON, 0, Cost.CLARITY);
            case FILL -> {
                if (state.course().isEmpty()) {
                    fill(begins());
                } else {
                    add(Kind.LIGHT, null, filledAt().plus(coldSteep()), SOON, 0, Cost.TIME);
                }
            }
            case BRING_UP -> bringUp();
            case SIMMER -> simmer();
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
                add(Kind.STORE, null, put, SOON, litresLeft(), Cost.SAFETY);
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
        add(Kind.FILL, null, when, SOON, plan.charge().water().litres(), Cost.TIME);
    }

    private Instant filledAt() {
        return state.course().get(0).at();
    }

    private Duration coldSteep() {
        return plan.charge().formula().phases(Phase.Steep.class).stream()
                .filter(steep -> steep.at().compareTo(plan.charge().run().waterC()) <= 0)
                .map(Phase.Steep::takes)
                .reduce(Duration.ZERO, Duration::plus);
    }

    private void bringUp() {
        double simmerC = plan.charge().run().simmerAt().celsius();
        Optional<Phase.Steep> steep = Replay.warmSteep(plan);
        boolean skimmed = !plan.charge().run().simmer().skim().early().isZero();
        if (state.simmer().foam().isEmpty() && skimmed) {
            add(Kind.FIRST_FOAM, null, expectedAt(simmerC - FOAM_BELOW_SIMMER_K), FOAM_SOON, skimL(), Cost.CLARITY);
        }
        steep.ifPresent(this::warmSteep);
        add(Kind.TURN_DOWN, null, expectedAt(simmerC), Duration.ofMinutes(5), simmerC, Cost.CLARITY);
    }

    /** Held below the simmer; kelp comes out at its end, or it turns bitter. */
    private void warmSteep(Phase.Steep steep) {
        Instant reached =
                state.simmer().held().orElseGet(() -> expectedAt(steep.at().celsius()));
        if (state.simmer().held().isEmpty()) {
            add(Kind.HOLD, null, reached, Duration.ofMinutes(3), steep.at().celsius(), Cost.FLAVOUR);
        }
        Infusion.kelp(plan.charge().formula())
                .filter(kelp -> !state.takenOut().containsKey(kelp))
                .ifPresent(kelp ->
                        add(Kind.KELP_OUT, kelp, reached.plus(steep.takes()), Duration.ofMinutes(3), 0, Cost.FLAVOUR));
    }

    /** When the pot is expected at a temperature: from the plan's bring-up, shifted to where the pot is now, holds that are ahead included. */
    private Instant expectedAt(double celsius) {
        Instant lit = state.simmer().lit().orElseThrow();
        double from = plan.charge().run().waterC().celsius();
        double to = plan.charge().run().simmerAt().celsius();
        double isNow = state.pot().temperature().celsius();
        double holds = 0;
        double ahead = 0;
        for (Phase.Steep steep : plan.charge().run().steeps()) {
            double minutes = steep.takes().toSeconds() / 60.0;
            holds += minutes;
            double done = state.simmer()
                    .held()
                    .map(h -> Duration.between(h, now).toSeconds() / 60.0)
                    .orElse(0.0);
            ahead += celsius > steep.at().celsius() ? Math.max(0, minutes - done) : 0;
        }
        double heating = plan.charge().forecast().bringUpMin() - holds;
        double left = Math.max(0, (celsius - isNow) / (to - from) * heating) + ahead;
        Instant expected = now.plus(Duration.ofSeconds((long) (left * 60)));
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
            acts.add(new DueAct(Kind.ADD, NO_STEP, parts, due, due.plus(SOON), kg, Cost.FLAVOUR));
        });
        Instant levelFrom = state.pot().levelRead().orElse(reached);
        add(Kind.READ_LEVEL, null, levelFrom.plus(LEVEL_EVERY), SOON, 0, Cost.YIELD);
        Instant temperatureFrom = state.pot().temperatureRead().orElse(reached);
        add(Kind.READ_TEMPERATURE, null, temperatureFrom.plus(TEMPERATURE_EVERY), SOON, 0, Cost.CLARITY);
        looks(reached, end);
        Instant tooLong = reached.plus(simmer.most());
        boolean fish = plan.charge().formula().family() == Family.FISH;
        Instant late = fish && tooLong.isAfter(end) ? tooLong : end.plus(SOON);
        acts.add(new DueAct(Kind.JUDGE, NO_STEP, List.of(), end, late, 0, Cost.FLAVOUR));
    }

    /** Taste and a spoonful on a cold plate, before the end, while something can still be done. */
    private void looks(Instant reached, Instant end) {
        boolean longEnough = Duration.between(reached, end).compareTo(WORTH_TASTING) >= 0;
        if (!longEnough) {
            return;
        }
        Instant taste = end.minus(TASTE_BEFORE);
        if (state.simmer().tasted().filter(t -> !t.isBefore(taste.minus(SOON))).isEmpty()) {
            add(Kind.TASTE, null, taste, Duration.ofMinutes(20), 0, Cost.FLAVOUR);
        }
        boolean gels = plan.charge().forecast().body().compareTo(Body.COATS) >= 0;
        boolean tested = state.card(BatchEvent.Card.SET)
                .filter(c -> !c.at().isBefore(taste.minus(SOON)))
                .isPresent();
        if (gels && !tested) {
            add(Kind.SET_TEST, null, end.minus(SET_TEST_BEFORE), Duration.ofMinutes(15), 0, Cost.FLAVOUR);
        }
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
            add(Kind.PASS, null, restEnds(), SOON, state.finish().passes() + 1.0, cost);
        }
        add(Kind.STRAIN, null, restEnds(), SOON, expectedStrained(), cost);
    }

    private void reduce() {
        Instant done =
                state.since().plus(Duration.ofSeconds((long) (plan.charge().boilDownMin() * 60)));
        double fraction = plan.charge().formula().reducesTo();
        double from =
                state.strained().map(Volume::litres).orElse(state.pot().liquor().litres());
        add(Kind.REDUCE, null, done, Duration.ofMinutes(5), from * fraction, Cost.YIELD);
    }

    /** Fat that is to be lifted hot before straining, or as a lid from the cold stock. */
    private boolean degrease(boolean cold) {
        boolean planned =
                plan.charge().formula().phases(Phase.Degrease.class).stream().anyMatch(phase -> phase.cold() == cold);
        boolean ahead = planned && state.finish().degreased().isEmpty();
        if (ahead) {
            double fat = Losses.renderedFat(plan.charge().run().bed()).litres();
            add(Kind.DEGREASE, null, cold ? state.since() : restEnds(), SOON, fat, Cost.CLARITY);
        }
        return ahead;
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
        if (!cadence.early().isZero() && next.isBefore(end)) {
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
        boolean lastDone =
                state.pot().toppedUp().filter(at -> !at.isBefore(last)).isPresent();
        boolean tooLateToMatter = now.isAfter(end) || lastDone || !now.isBefore(last) && toMark() < LAST_TOP_UP_L;
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
        Instant ended = state.simmer().ended().orElseThrow();
        Instant from = Infusion.flakes(plan.charge().formula())
                .map(flakes -> state.added().get(flakes))
                .filter(in -> in.isAfter(ended))
                .orElse(ended);
        return from.plus(Duration.ofSeconds((long) (plan.charge().run().restMin() * 60)));
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
        return all / Math.max(1, simmer.skim().countWithin(simmer.usual()));
    }

    private double bedKg() {
        return plan.charge().run().raw().kg();
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
        acts.add(new DueAct(
                kind, NO_STEP, part == null ? List.of() : List.of(part), due, due.plus(grace), amount, cost));
    }
}
