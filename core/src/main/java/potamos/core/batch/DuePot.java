package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.flow.Solids;
import potamos.core.flow.TopUpPolicy;
import potamos.core.formula.Family;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.liquor.Body;
import potamos.core.liquor.Taint;
import potamos.core.quantity.Volume;

/** What a pot over the fire needs: on its way to the simmer, and while it simmers. */
final class DuePot {

    /** Foam is there for minutes; then it has boiled in. */
    private static final Duration FOAM_SOON = Duration.ofMinutes(4);

    private static final Duration LEVEL_EVERY = Duration.ofMinutes(60);
    private static final Duration TEMPERATURE_EVERY = Duration.ofMinutes(60);
    private static final Duration TURN_DOWN_SOON = Duration.ofMinutes(5);
    private static final Duration SOON = Duration.ofMinutes(10);

    /** A shorter simmer is over before a taste could change anything. */
    private static final Duration WORTH_TASTING = Duration.ofMinutes(45);

    private static final Duration TASTE_BEFORE = Duration.ofMinutes(30);
    private static final Duration SET_TEST_BEFORE = Duration.ofMinutes(20);

    private final Plan plan;
    private final BatchState state;
    private final Instant now;
    private final Proposals usual;
    private final List<DueAct> acts = new ArrayList<>();

    private DuePot(Plan plan, BatchState state) {
        this.plan = plan;
        this.state = state;
        this.now = state.now();
        this.usual = new Proposals(plan, state);
    }

    static List<DueAct> of(Plan plan, BatchState state) {
        DuePot due = new DuePot(plan, state);
        if (state.stage() == Stage.BRING_UP) {
            due.bringUp();
        } else {
            due.simmer();
        }
        return due.acts;
    }

    /** Whether the foam that comes before the first bubbles stands on the pot now. */
    static boolean foams(Plan plan, BatchState state) {
        double foamC = plan.charge().run().simmerAt().celsius() - PotModel.FOAM_BELOW_SIMMER_K;
        return state.stage() == Stage.BRING_UP && state.pot().temperature().celsius() >= foamC;
    }

    private void bringUp() {
        double simmerC = plan.charge().run().simmerAt().celsius();
        Optional<PotPhase.Steep> steep = Replay.warmSteep(plan);
        boolean skimmed = !plan.charge().run().simmer().skim().early().isZero();
        if (state.simmer().foam().isEmpty() && skimmed) {
            List<Proposal> foam = List.of(Proposal.of(PotEvent.FirstFoam.KIND), usual.skim());
            acts.add(DueAct.of(Kind.FIRST_FOAM, foams(simmerC), FOAM_SOON, Cost.CLARITY, foam));
        }
        steep.ifPresent(this::warmSteep);
        if (steep.isEmpty()) {
            kelpOut(expectedAt(Math.min(Taint.KELP_LIFTED_C, simmerC)));
        }
        List<Proposal> down = List.of(Proposal.of(PotEvent.SimmerReached.KIND));
        boolean boilsDry =
                state.pot().simmers().isPresent() && state.pot().bare().cm() > 0;
        acts.add(DueAct.of(
                Kind.TURN_DOWN, simmerC, simmers(simmerC), TURN_DOWN_SOON, boilsDry ? Cost.YIELD : Cost.CLARITY, down));
        if (boilsDry) {
            topUpNow();
        }
    }

    /** Held below the simmer; kelp comes out at its end, or it turns bitter. */
    private void warmSteep(PotPhase.Steep steep) {
        Instant reached =
                state.simmer().held().orElseGet(() -> expectedAt(steep.at().celsius()));
        if (state.simmer().held().isEmpty()) {
            List<Proposal> held = List.of(Proposal.of(PotEvent.Held.KIND));
            double at = steep.at().celsius();
            acts.add(DueAct.of(Kind.HOLD, at, reached, Duration.ofMinutes(3), Cost.FLAVOUR, held));
        }
        kelpOut(reached.plus(steep.takes()));
    }

    private void kelpOut(Instant when) {
        Infusion.kelp(plan.charge().formula())
                .filter(kelp -> !state.takenOut().containsKey(kelp))
                .ifPresent(kelp -> add(Kind.KELP_OUT, when, Duration.ofMinutes(3), Cost.FLAVOUR, usual.takeOut(kelp)));
    }

    /** When the pot came to its foam: what has been reached has its moment, and an act that waits for it grows late from there. */
    private Instant foams(double simmerC) {
        return state.pot().foams().orElseGet(() -> expectedAt(simmerC - PotModel.FOAM_BELOW_SIMMER_K));
    }

    private Instant simmers(double simmerC) {
        return state.pot().simmers().orElseGet(() -> expectedAt(simmerC));
    }

    /** When the pot is expected at a temperature that is still ahead: from the plan's bring-up, shifted to where the pot is now, holds that are ahead included. */
    private Instant expectedAt(double celsius) {
        Instant lit = state.simmer().lit().orElseThrow();
        double from = plan.charge().run().waterC().celsius();
        double to = plan.charge().run().simmerAt().celsius();
        double isNow = state.pot().temperature().celsius();
        double holds = 0;
        double ahead = 0;
        for (PotPhase.Steep steep : plan.charge().run().steeps()) {
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
        PotPhase.Simmer simmer = plan.charge().run().simmer();
        Instant reached = state.simmer().reached().orElseThrow();
        Instant end = state.simmer().plannedEnd().orElseThrow();
        state.pot().tooHotSince().ifPresent(this::turnDown);
        skim(simmer.skim(), reached, end);
        topUp(end);
        partsStillOut().forEach((intoTheSimmer, parts) -> {
            Instant due = end.minus(simmer.usual().minus(intoTheSimmer));
            List<Proposal> in = parts.stream().map(usual::add).toList();
            acts.add(DueAct.of(Kind.ADD, due, SOON, Cost.FLAVOUR, in));
        });
        Instant levelFrom = state.pot().levelRead().orElse(reached);
        add(Kind.READ_LEVEL, levelFrom.plus(LEVEL_EVERY), SOON, Cost.YIELD, usual.level());
        Instant temperatureFrom = state.pot().temperatureRead().orElse(reached);
        add(Kind.READ_TEMPERATURE, temperatureFrom.plus(TEMPERATURE_EVERY), SOON, Cost.CLARITY, usual.temperature());
        looks(reached, end);
        Instant tooLong = reached.plus(simmer.most());
        boolean fish = plan.charge().formula().family() == Family.FISH;
        Instant late = fish && tooLong.isAfter(end) ? tooLong : end.plus(SOON);
        add(Kind.JUDGE, end, Duration.between(end, late), Cost.FLAVOUR, Proposal.of(PotEvent.Judged.ENOUGH));
    }

    /** Above its band every minute clouds it and steams it away; once its bed is bare, what is turned down first needs less water afterwards. */
    private void turnDown(Instant since) {
        double to = plan.charge().run().simmerAt().celsius();
        List<Proposal> down = List.of(Proposal.of(PotEvent.TurnedDown.KIND));
        Cost cost = state.pot().bare().cm() > 0 ? Cost.YIELD : Cost.CLARITY;
        acts.add(DueAct.of(Kind.TURN_DOWN, to, since, Duration.ZERO, cost, down));
    }

    /** Taste and a spoonful on a cold plate, before the end, while something can still be done. */
    private void looks(Instant reached, Instant end) {
        boolean longEnough = Duration.between(reached, end).compareTo(WORTH_TASTING) >= 0;
        if (!longEnough) {
            return;
        }
        Instant taste = end.minus(TASTE_BEFORE);
        if (state.last(LookEvent.Tasted.KIND)
                .filter(t -> !t.isBefore(taste.minus(SOON)))
                .isEmpty()) {
            add(Kind.TASTE, taste, Duration.ofMinutes(20), Cost.FLAVOUR, Proposal.of(LookEvent.Tasted.KIND));
        }
        boolean gels = plan.charge().forecast().body().compareTo(Body.COATS) >= 0;
        boolean tested = state.card(JudgingCard.SET)
                .filter(c -> !c.at().isBefore(taste.minus(SOON)))
                .isPresent();
        if (gels && !tested) {
            add(Kind.SET_TEST, end.minus(SET_TEST_BEFORE), Duration.ofMinutes(15), Cost.FLAVOUR, usual.set());
        }
    }

    /** Parts that wait beside the pot, by when they go in. */
    private SortedMap<Duration, List<String>> partsStillOut() {
        SortedMap<Duration, List<String>> out = new TreeMap<>();
        for (Solids solids : plan.charge().run().others()) {
            String part = solids.part().id();
            boolean afterTheHeat = Infusion.flakes(plan.charge().formula(), part);
            if (!solids.intoTheSimmer().isZero()
                    && !afterTheHeat
                    && !state.added().containsKey(part)) {
                out.computeIfAbsent(solids.intoTheSimmer(), when -> new ArrayList<>())
                        .add(part);
            }
        }
        return out;
    }

    /** A pot that was turned down before anybody skimmed it still has its foam on it. */
    private void skim(PotPhase.Skim cadence, Instant reached, Instant end) {
        Instant last = state.simmer().lastSkim().orElse(reached);
        boolean early = last.isBefore(reached.plus(cadence.earlyFor()));
        boolean foam =
                state.simmer().lastSkim().isEmpty() && state.simmer().foam().isEmpty();
        Instant next = foam ? reached : last.plus(early ? cadence.early() : cadence.late());
        if (!cadence.early().isZero() && next.isBefore(end)) {
            add(Kind.SKIM, next, SOON, Cost.CLARITY, usual.skim());
        }
    }

    /** The bed stands bare: since when, by how far. */
    private void topUpNow() {
        add(Kind.TOP_UP, hoursFromNow(-state.pot().bare().cm() / cmPerH()), Duration.ZERO, Cost.YIELD, usual.topUp());
    }

    /** How fast the level falls by the steam that leaves now. */
    private double cmPerH() {
        double surfaceDm2 =
                plan.charge().run().vessel().shape().surfaceDm2(state.pot().level());
        return Math.max(0.01, state.pot().steamLPerH() / Math.max(0.1, surfaceDm2 / 10));
    }

    /** So many hours from now, or ago; what a reading or water has changed since is no older than that. */
    private Instant hoursFromNow(double hours) {
        Instant reckoned = now.plus(Duration.ofSeconds((long) (hours * 3600)));
        Instant earliest = Stream.of(
                        state.pot().levelRead(),
                        state.pot().toppedUp(),
                        state.simmer().reached(),
                        state.pot().simmers())
                .flatMap(Optional::stream)
                .filter(at -> !at.isAfter(now))
                .max(Comparator.naturalOrder())
                .orElse(now);
        return reckoned.isBefore(earliest) ? earliest : reckoned;
    }

    private void topUp(Instant end) {
        TopUpPolicy policy = TopUpPolicy.of(plan.charge().run());
        double below = state.pot().mark().minus(state.pot().level()).cm();
        if (state.pot().bare().cm() > 0) {
            topUpNow();
            return;
        }
        Instant last = policy.last(end);
        Volume missing = state.pot().toMark();
        boolean tooLateToMatter = now.isAfter(end)
                || LastTopUp.done(policy, state)
                || !now.isBefore(last)
                        && !TopUpPolicy.worthIt(
                                policy.amount(missing.litres()), state.pot().contents());
        if (policy.keeps() == Keeps.LEFT || tooLateToMatter) {
            return;
        }
        double hours = policy.hoursTo(
                new TopUpPolicy.Down(
                        below, missing.litres(), state.pot().liquor().litres()),
                state.pot().steamLPerH(),
                cmPerH());
        Instant byLevel = hoursFromNow(hours);
        Instant due = byLevel.isBefore(last) ? byLevel : last;
        add(Kind.TOP_UP, due, TopUpPolicy.MAY_WAIT, Cost.YIELD, usual.topUp());
    }

    private void add(Kind kind, Instant due, Duration grace, Cost cost, Proposal becomes) {
        acts.add(DueAct.of(kind, due, grace, cost, List.of(becomes)));
    }
}
