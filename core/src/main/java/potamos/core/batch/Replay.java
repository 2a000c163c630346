package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.flow.Ledger;
import potamos.core.flow.Luck;
import potamos.core.formula.Draw;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Cover;
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
    private final List<Draw> drawn = new ArrayList<>();
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
    private Mass salted = Mass.ofKg(0);
    private boolean abandoned;
    private final List<FinishEvent.LeftOver> leftOver = new ArrayList<>();
    private Mass pickedOut = Mass.ZERO;
    private final ShelfLog shelf = new ShelfLog();

    /** What a jug is read to: so much that nobody has put away is none. */
    private static final double LEAST_REST_L = 0.2;

    private static final double REST_SHARE = 0.03;

    private Replay(Plan plan, Luck luck, List<? extends BatchEvent> told) {
        this.plan = plan;
        this.pot = new PotModel(plan, luck);
        this.cooling = CoolingLog.of(plan, told);
        this.since = plan.accepted();
        Formula formula = plan.charge().formula();
        this.chores = Chores.of(formula);
        this.reduction = formula.phase(FinishPhase.Reduce.class);
        this.noBed = formula.bed().isEmpty();
        this.reducedInThePot = plan.charge().run().reduction().beforeStraining();
        this.stage = nextStage();
    }

    /** Of all that is believed to have happened, over the plan as what was weighed makes it. */
    static Replay of(Plan plan, List<? extends BatchEvent> events) {
        List<Fact> believed = History.believed(events);
        return over(Weighing.standing(plan, believed), Luck.BOOK, believed, events);
    }

    static Replay of(Plan plan, Luck luck, List<Fact> believed) {
        return over(Weighing.standing(plan, believed), luck, believed, believed);
    }

    /**
     * The same over the plan as it stands by these very facts.
     *
     * @param told the entries that the facts are believed from
     */
    static Replay over(Plan standing, Luck luck, List<Fact> believed, List<? extends BatchEvent> told) {
        Replay replay = new Replay(standing, luck, told);
        believed.forEach(replay::apply);
        return replay;
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
        weighed(e.part(), e.mass());
    }

    void took(ChoreEvent.Took e) {
        weighed(e.part(), weighed.getOrDefault(e.part(), Mass.ZERO).plus(e.mass()));
    }

    private void weighed(String part, Mass mass) {
        weighed.put(part, mass);
        if (part.equals(BatchEvent.BED)) {
            // Bones are weighed raw; what is roasted down loses water before it meets the pot.
            pot.bed(mass.times(plan.charge().formula().keepsMass()));
        }
    }

    void drew(ChoreEvent.Drew e) {
        drawn.add(e.draw());
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

    void turnedDown(PotEvent.TurnedDown e) {
        pot.turnDown();
    }

    void boiledOver(MishapEvent.BoiledOver e) {
        pot.boilOver(e.liquor(), e.stamp().at());
    }

    void lidOn(MishapEvent.LidOn e) {
        pot.cover(Cover.LID_ON);
    }

    void lidOff(MishapEvent.LidOff e) {
        pot.cover(plan.charge().run().simmer().cover());
    }

    void leftOver(FinishEvent.LeftOver e) {
        leftOver.add(e);
    }

    void pickedOut(MishapEvent.PickedOut e) {
        pickedOut = pickedOut.plus(e.mass());
        pot.bed(Mass.ofKg(Math.max(0, pot.bed().mass().kg() - e.mass().kg())));
    }

    void salted(MishapEvent.Salted e) {
        salted = salted.plus(e.salt());
    }

    void lostBeforeTheShelf(Volume litres) {
        shelf.spoiled(litres);
    }

    void skimmed(PotEvent.Skimmed e) {
        skims++;
        pot.takeOut(e.liquor());
    }

    void levelRead(PotEvent.LevelRead e) {
        pot.levelRead(e.belowRim(), e.stamp().at());
    }

    void temperatureRead(PotEvent.TemperatureRead e) {
        if (ended != null) {
            cooling.read(e.temperature());
        }
        pot.temperatureRead(e.temperature(), e.stamp().at());
    }

    void toppedUp(PotEvent.ToppedUp e) {
        pot.topUp(e.water(), e.temperature(), e.stamp().at());
    }

    void added(PotEvent.Added e) {
        added.put(e.part(), e.stamp().at());
        if (!Infusion.ofTheBed(plan.charge().formula(), e.part())) {
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
            cooling.hot();
        }
    }

    void strained(FinishEvent.Strained e) {
        strained = e;
        pot.empty();
    }

    void coolingRead(ColdEvent.CoolingRead e) {
        cooling.read(e.temperature());
    }

    void reheated(ColdEvent.Reheated e) {
        cooling.read(e.temperature());
    }

    void stored(ShelfEvent.Stored e) {
        shelf.stored(e);
    }

    void delivered(ShelfEvent.Delivered e) {
        shelf.delivered(e);
    }

    void takenOver(SlipEvent.TakenOver e) {
        shelf.takenOver(e);
    }

    void returned(SlipEvent.Returned e) {
        shelf.returned(e, e.keptCold(plan));
    }

    void drawnOff(ShelfEvent.DrawnOff e) {
        shelf.drawnOff(e);
    }

    void moved(LotEvent.Moved e) {
        shelf.moved(e);
    }

    void blended(LotEvent.Blended e) {
        shelf.blended(e);
    }

    void counted(LotEvent.Counted e) {
        shelf.counted(e);
    }

    void discarded(ShelfEvent.Discarded e) {
        shelf.discarded(e);
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
        if (strained != null) {
            Volume out = reduced != null && !reducedInThePot ? reduced : strained.out();
            PutAway kept = shelf.state();
            double rest = kept.restOf(out).litres();
            boolean stored = kept.stored().litres() > 0;
            if (stored && rest <= Math.max(LEAST_REST_L, REST_SHARE * out.litres())) {
                return kept.left().litres() > Stage.A_DROP_L ? Stage.ON_SHELF : Stage.DONE;
            }
            if (rest <= Stage.A_DROP_L) {
                return Stage.DONE;
            }
            if (stored) {
                return Stage.STORE;
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
        YieldAhead yield = new YieldAhead(
                plan,
                pot,
                filled(),
                addedMass,
                Optional.ofNullable(degreased),
                Optional.ofNullable(strained),
                Optional.ofNullable(reduced));
        Ledger ledger = yield.ledger();
        return new BatchState(
                stage,
                since,
                now,
                weighed,
                drawn,
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
                expected(yield, ledger),
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
                        : cooling.at(strained.stamp().at(), last(ColdEvent.Released.KIND), now),
                new WhatIsLeft(leftOver, pickedOut),
                shelf.state(),
                added,
                takenOut,
                salted,
                pot.course(),
                path,
                last);
    }

    private Expected expected(YieldAhead yield, Ledger ledger) {
        return stage.hot() && strained == null
                ? yield.of(onToTheStrainer(pot.another()), onToTheStrainer(pot.anotherThatSteamsMore()))
                : yield.now(ledger);
    }

    /** Another pot than the one that is replayed, run on as planned. */
    private PotModel onToTheStrainer(PotModel on) {
        if (stage == Stage.REST) {
            on.runTo(restEnds().orElseThrow());
        }
        Ahead.of(plan.charge().run(), on, stage, Optional.ofNullable(plannedEnd), Ahead.Until.STRAINED);
        return on;
    }

    /** Measures of the plan by part, for whoever needs the planned mass. */
    static Optional<Mass> planned(Plan plan, String part) {
        return Weighing.planned(plan.charge(), part).or(() -> Infusion.share(plan.charge(), part));
    }
}
