package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.charge.Measure;
import potamos.core.flow.Ledger;
import potamos.core.flow.Luck;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/** One pass over the events of a batch. Not shared, not kept: a fresh one for every replay. */
final class Replay {

    private final Plan plan;
    private final PotModel pot;
    private final CoolingLog cooling;
    private final Map<String, Mass> weighed = new HashMap<>();
    private final Map<String, Instant> added = new HashMap<>();
    private final Map<String, Instant> takenOut = new HashMap<>();
    private final Map<String, Mass> addedMass = new HashMap<>();
    private final List<BatchState.Entered> path = new ArrayList<>();

    private Stage stage;
    private Instant since;
    private final Map<Integer, Instant> began = new HashMap<>();
    private final Map<Integer, Instant> finished = new HashMap<>();
    private final List<BatchState.CardReading> cards = new ArrayList<>();
    private final List<BatchState.BrixReading> brix = new ArrayList<>();
    private final Map<EventKind<?>, Instant> last = new LinkedHashMap<>();
    private final List<Integer> chores;
    private final Optional<FinishPhase.Reduce> reduction;
    private final boolean reducedInThePot;
    private final boolean noBed;
    private int passed;
    private Volume reduced;
    private Volume degreased;
    private Instant plannedEnd;
    private Instant ended;
    private int skims;
    private FinishEvent.Strained strained;
    private Volume stored = Volume.ZERO;
    private Volume delivered = Volume.ZERO;
    private Volume discarded = Volume.ZERO;
    private Volume spoiled = Volume.ZERO;
    private boolean abandoned;

    Replay(Plan plan) {
        this(plan, Luck.BOOK);
    }

    Replay(Plan plan, Luck luck) {
        this.plan = plan;
        this.pot = new PotModel(plan, luck);
        this.cooling = new CoolingLog(plan);
        this.since = plan.accepted();
        Formula formula = plan.charge().formula();
        this.chores = Chores.of(formula);
        this.reduction = formula.phase(FinishPhase.Reduce.class);
        this.noBed = formula.bed().isEmpty();
        this.reducedInThePot = plan.charge().run().reduction().beforeStraining();
        this.stage = nextStage();
    }

    void apply(Fact event) {
        pot.runTo(event.stamp().at());
        last.put(event.kind(), event.stamp().at());
        event.kind().happen(this, event);
        settle(event.stamp());
    }

    /** Of what changes neither pot nor shelf it is enough to know when it was. */
    void remembered(Fact event) {}

    void weighedIn(ChoreEvent.WeighedIn e) {
        weighed.put(e.part(), e.mass());
        if (e.part().equals(BatchEvent.BED)) {
            // Bones are weighed raw; what is roasted down loses water before it meets the pot.
            pot.bed(e.mass().times(plan.charge().formula().keepsMass()));
        }
    }

    void began(ChoreEvent.Began e) {
        began.put(e.step(), e.stamp().at());
    }

    void finished(ChoreEvent.Finished e) {
        finished.put(e.step(), e.stamp().at());
    }

    void filled(PotEvent.Filled e) {
        pot.fill(e.water(), e.temperature(), e.stamp().at());
    }

    void lit(PotEvent.HeatOn e) {
        pot.light();
    }

    void held(PotEvent.Held e) {
        warmSteep(plan).ifPresent(steep -> pot.hold(steep.at(), e.stamp().at().plus(steep.takes())));
    }

    /** The hold on the way to the simmer, if the procedure has one. */
    static Optional<PotPhase.Steep> warmSteep(Plan plan) {
        return plan.charge().run().steeps().stream().findFirst();
    }

    void takenOut(PotEvent.TakenOut e) {
        takenOut.put(e.part(), e.stamp().at());
        pot.goOn();
    }

    void simmerReached(PotEvent.SimmerReached e) {
        plannedEnd = e.stamp().at().plus(plan.charge().run().simmer().usual());
        pot.simmer();
    }

    void skimmed(PotEvent.Skimmed e) {
        skims++;
        pot.takeOut(e.liquor());
    }

    void levelRead(PotEvent.LevelRead e) {
        pot.levelRead(e.belowRim(), e.stamp().at());
    }

    void temperatureRead(PotEvent.TemperatureRead e) {
        pot.temperatureRead(e.temperature(), e.stamp().at());
    }

    void toppedUp(PotEvent.ToppedUp e) {
        pot.topUp(e.water(), e.temperature(), e.stamp().at());
    }

    void added(PotEvent.Added e) {
        added.put(e.part(), e.stamp().at());
        // Flakes are of the bed, which was counted in when the pot was filled.
        if (!Infusion.flakes(plan.charge().formula(), e.part())) {
            addedMass.put(e.part(), e.mass());
            pot.add(e.mass());
        }
    }

    void judged(PotEvent.Judged e) {
        Instant at = e.stamp().at();
        if (e.enough()) {
            ended = at;
            if (reducedInThePot && reduction.isPresent()) {
                pot.boilDown();
            } else {
                pot.off();
            }
            return;
        }
        Instant from = plannedEnd == null || plannedEnd.isBefore(at) ? at : plannedEnd;
        plannedEnd = from.plus(e.longer());
    }

    void cardRead(LookEvent.CardRead e) {
        cards.add(new BatchState.CardReading(e.stamp().at(), e.card(), e.value()));
    }

    void brixRead(LookEvent.BrixRead e) {
        brix.add(new BatchState.BrixReading(e.stamp().at(), e.degrees()));
    }

    void passed(FinishEvent.Passed e) {
        passed++;
    }

    void degreased(FinishEvent.Degreased e) {
        degreased = (degreased == null ? Volume.ZERO : degreased).plus(e.fat());
    }

    void reduced(FinishEvent.Reduced e) {
        reduced = e.left();
        if (strained == null) {
            pot.reduce(e.left());
        } else {
            cooling.clockFrom(e.stamp().at());
        }
    }

    void strained(FinishEvent.Strained e) {
        strained = e;
        cooling.clockFrom(e.stamp().at());
        pot.empty();
    }

    void coolingBegan(ColdEvent.CoolingBegan e) {
        cooling.began(e.stamp().at());
    }

    void coolingRead(ColdEvent.CoolingRead e) {
        cooling.read(e.stamp(), e.temperature());
    }

    void reheated(ColdEvent.Reheated e) {
        cooling.reheated(e.stamp(), e.temperature());
    }

    void stored(ShelfEvent.Stored e) {
        stored = stored.plus(e.litres());
    }

    void delivered(ShelfEvent.Delivered e) {
        delivered = delivered.plus(e.litres());
    }

    void discarded(ShelfEvent.Discarded e) {
        if (stored.litres() > 0) {
            discarded = discarded.plus(e.litres());
        } else {
            spoiled = spoiled.plus(e.litres());
        }
    }

    void abandoned(ShelfEvent.Abandoned e) {
        abandoned = true;
    }

    private void settle(Stamp stamp) {
        Stage next = nextStage();
        if (next != stage) {
            enter(next, stamp.at());
        }
    }

    private void enter(Stage next, Instant at) {
        stage = next;
        since = at;
        path.add(new BatchState.Entered(next, at));
    }

    private Stage nextStage() {
        if (abandoned) {
            return Stage.ABANDONED;
        }
        if (stored.litres() > 0) {
            return stored.minus(delivered).minus(discarded).litres() > 0.01 ? Stage.ON_SHELF : Stage.DONE;
        }
        if (strained != null) {
            Volume out = reduced != null && !reducedInThePot ? reduced : strained.out();
            if (spoiled.litres() >= out.litres() - 0.01) {
                return Stage.DONE;
            }
            if (toReduce()) {
                return Stage.REDUCE;
            }
            return cooling.cold() ? Stage.STORE : Stage.COOL;
        }
        if (ended != null) {
            if (reducedInThePot && toReduce()) {
                return Stage.REDUCE;
            }
            return pot.clock().isBefore(restEnds().orElseThrow()) ? Stage.REST : Stage.STRAIN;
        }
        if (last.containsKey(PotEvent.SimmerReached.KIND)) {
            return Stage.SIMMER;
        }
        if (last.containsKey(PotEvent.HeatOn.KIND)) {
            return Stage.BRING_UP;
        }
        if (filled()) {
            return Stage.FILL;
        }
        if (!noBed && !weighed.containsKey(BatchEvent.BED)) {
            return Stage.WEIGH_IN;
        }
        if (!finished.keySet().containsAll(chores)) {
            return Stage.PREPARE;
        }
        boolean toBlanch = plan.charge().formula().phase(PrepPhase.Blanch.class).isPresent();
        return toBlanch && !last.containsKey(ChoreEvent.Blanched.KIND) ? Stage.BLANCH : Stage.FILL;
    }

    PotModel pot() {
        return pot;
    }

    private Optional<Instant> restEnds() {
        return Optional.ofNullable(ended).map(at -> Infusion.restEnds(plan.charge(), at, added));
    }

    private boolean filled() {
        return last.containsKey(PotEvent.Filled.KIND);
    }

    private Optional<Instant> last(EventKind<?> kind) {
        return Optional.ofNullable(last.get(kind));
    }

    private boolean toReduce() {
        boolean tooLate = reducedInThePot && strained != null;
        return reduction.isPresent() && reduced == null && !tooLate;
    }

    BatchState stateAt(Instant now) {
        pot.runTo(now);
        if (ended != null && strained == null) {
            Instant rested = restEnds().orElseThrow();
            if (stage == Stage.REST && !now.isBefore(rested)) {
                enter(Stage.STRAIN, rested);
            }
        }
        Ledger ledger = account(pot);
        return new BatchState(
                stage,
                since,
                now,
                weighed,
                pot.state(),
                new BatchState.Simmer(
                        last(PotEvent.HeatOn.KIND),
                        last(PotEvent.FirstFoam.KIND),
                        last(PotEvent.SimmerReached.KIND),
                        Optional.ofNullable(plannedEnd),
                        Optional.ofNullable(ended),
                        last(PotEvent.Skimmed.KIND),
                        skims,
                        last(PotEvent.Held.KIND)),
                new BatchState.Prep(chores.stream()
                        .map(step -> new BatchState.Chore(
                                step, Optional.ofNullable(began.get(step)), Optional.ofNullable(finished.get(step))))
                        .toList()),
                ledger,
                expected(ledger),
                Optional.ofNullable(strained).map(FinishEvent.Strained::out),
                new BatchState.Finish(
                        passed,
                        toReduce() && (strained != null || reducedInThePot),
                        reducedInThePot ? Optional.empty() : Optional.ofNullable(reduced),
                        Optional.ofNullable(degreased),
                        Optional.ofNullable(strained)),
                cards,
                brix,
                strained == null
                        ? BatchState.Cooling.AHEAD
                        : cooling.since(strained.stamp().at(), now),
                new BatchState.Shelf(stored, delivered, discarded, spoiled),
                added,
                takenOut,
                pot.course(),
                path,
                last);
    }

    private Ledger account(PotModel of) {
        if (!filled()) {
            return plan.charge().forecast().ledger();
        }
        return new Account(
                        plan.charge().run(), of, addedMass, Optional.ofNullable(strained), Optional.ofNullable(reduced))
                .ledger();
    }

    /** What comes out if the pot goes on from here as planned; another pot than the one that is replayed, where it still goes on at all. */
    private Volume expected(Ledger ledger) {
        if (stage != Stage.BRING_UP && stage != Stage.SIMMER && stage != Stage.REST) {
            return ledger.yield();
        }
        PotModel on = pot.another();
        if (stage == Stage.REST) {
            on.runTo(restEnds().orElseThrow());
        }
        Ahead.of(plan.charge().run(), on, stage, Optional.ofNullable(plannedEnd), Ahead.Until.STRAINED);
        return account(on).yield();
    }

    /** Measures of the plan by part, for whoever needs the planned mass. */
    static Optional<Mass> planned(Plan plan, String part) {
        if (part.equals(BatchEvent.BED)) {
            return Optional.of(plan.charge().run().raw());
        }
        return plan.charge().measures().stream()
                .filter(m -> m.part().id().equals(part))
                .map(Measure::mass)
                .findFirst()
                .or(() -> Infusion.share(plan.charge(), part));
    }
}
