package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.charge.Measure;
import potamos.core.flow.Ledger;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
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
    private final Judgements judgements = new Judgements();
    private final List<Integer> chores;
    private final Optional<Phase.Reduce> reduction;
    private final boolean reducedInThePot;
    private final boolean noBed;
    private Instant turned;
    private Instant waterChanged;
    private Instant burnerOff;
    private Instant held;
    private int passed;
    private Volume reduced;
    private Volume degreased;
    private boolean blanched;
    private boolean filled;
    private Instant lit;
    private Instant foam;
    private Instant reached;
    private Duration longer = Duration.ZERO;
    private Instant plannedEnd;
    private Instant ended;
    private Instant lastSkim;
    private int skims;
    private BatchEvent.Strained strained;
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
        this.reduction = formula.phase(Phase.Reduce.class);
        this.noBed = formula.bed().isEmpty();
        this.reducedInThePot = plan.charge().run().reduction().beforeStraining();
        this.stage = nextStage();
    }

    void apply(BatchEvent event) {
        Instant at = event.stamp().at();
        pot.runTo(at);
        if (event instanceof BatchEvent.WeighedIn e) {
            weighed.put(e.part(), e.mass());
            if (e.part().equals(BatchEvent.BED)) {
                // Bones are weighed raw; what is roasted down loses water before it meets the pot.
                pot.bed(e.mass().times(plan.charge().formula().keepsMass()));
            }
        } else if (event instanceof BatchEvent.Blanched) {
            blanched = true;
        } else if (event instanceof BatchEvent.Filled e) {
            filled = true;
            pot.fill(e.water(), e.temperature(), at);
        } else if (event instanceof BatchEvent.HeatOn) {
            lit = at;
            pot.light();
        } else if (event instanceof BatchEvent.Held) {
            held = at;
            warmSteep(plan).ifPresent(steep -> pot.hold(steep.at(), at.plus(steep.takes())));
        } else if (event instanceof BatchEvent.TakenOut e) {
            takenOut.put(e.part(), at);
            pot.goOn();
        } else if (event instanceof BatchEvent.FirstFoam) {
            foam = at;
        } else if (event instanceof BatchEvent.SimmerReached) {
            reached = at;
            plannedEnd = at.plus(plan.charge().run().simmer().usual()).plus(longer);
            pot.simmer();
        } else if (event instanceof BatchEvent.Skimmed e) {
            skims++;
            lastSkim = at;
            pot.takeOut(e.liquor());
        } else if (event instanceof BatchEvent.LevelRead e) {
            pot.levelRead(e.belowRim(), at);
        } else if (event instanceof BatchEvent.TemperatureRead e) {
            pot.temperatureRead(e.temperature(), at);
        } else if (event instanceof BatchEvent.ToppedUp e) {
            pot.topUp(e.water(), e.temperature(), at);
        } else if (event instanceof BatchEvent.Added e) {
            added.put(e.part(), at);
            // Flakes are of the bed, which was counted in when the pot was filled.
            if (!Infusion.flakes(plan.charge().formula(), e.part())) {
                addedMass.put(e.part(), e.mass());
                pot.add(e.mass());
            }
        } else if (event instanceof BatchEvent.Judged e) {
            judged(e);
        } else if (!judgements.took(event) && !beforeThePot(event)) {
            afterThePot(event);
        }
        settle(event.stamp());
    }

    private boolean beforeThePot(BatchEvent event) {
        Instant at = event.stamp().at();
        if (event instanceof BatchEvent.Began e) {
            began.put(e.step(), at);
        } else if (event instanceof BatchEvent.Finished e) {
            finished.put(e.step(), at);
        } else if (event instanceof BatchEvent.Turned) {
            turned = at;
        } else if (event instanceof BatchEvent.WaterChanged) {
            waterChanged = at;
        } else if (event instanceof BatchEvent.BurnerOff) {
            burnerOff = at;
        } else {
            return false;
        }
        return true;
    }

    /** The hold on the way to the simmer, if the procedure has one. */
    static Optional<Phase.Steep> warmSteep(Plan plan) {
        return plan.charge().run().steeps().stream().findFirst();
    }

    private void judged(BatchEvent.Judged judged) {
        Instant at = judged.stamp().at();
        if (judged.enough()) {
            ended = at;
            pot.off();
            return;
        }
        Instant from = plannedEnd == null || plannedEnd.isBefore(at) ? at : plannedEnd;
        plannedEnd = from.plus(judged.longer());
    }

    private void afterThePot(BatchEvent event) {
        Instant at = event.stamp().at();
        if (event instanceof BatchEvent.Passed) {
            passed++;
        } else if (event instanceof BatchEvent.Degreased e) {
            degreased = (degreased == null ? Volume.ZERO : degreased).plus(e.fat());
        } else if (event instanceof BatchEvent.Reduced e) {
            reduced = e.left();
            if (strained == null) {
                pot.reduce(e.left());
            } else {
                cooling.clockFrom(at);
            }
        } else if (event instanceof BatchEvent.Strained e) {
            strained = e;
            cooling.clockFrom(at);
            pot.empty();
        } else if (event instanceof BatchEvent.CoolingBegan) {
            cooling.began(at);
        } else if (event instanceof BatchEvent.CoolingRead e) {
            cooling.read(e.stamp(), e.temperature());
        } else if (event instanceof BatchEvent.Reheated e) {
            cooling.reheated(e.stamp(), e.temperature());
        } else if (event instanceof BatchEvent.Stored e) {
            stored = stored.plus(e.litres());
        } else if (event instanceof BatchEvent.Delivered e) {
            delivered = delivered.plus(e.litres());
        } else if (event instanceof BatchEvent.Discarded e) {
            if (stored.litres() > 0) {
                discarded = discarded.plus(e.litres());
            } else {
                spoiled = spoiled.plus(e.litres());
            }
        } else if (event instanceof BatchEvent.Abandoned) {
            abandoned = true;
        }
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
            return pot.clock().isBefore(Infusion.restEnds(plan.charge(), ended, added)) ? Stage.REST : Stage.STRAIN;
        }
        if (reached != null) {
            return Stage.SIMMER;
        }
        if (lit != null) {
            return Stage.BRING_UP;
        }
        if (filled) {
            return Stage.FILL;
        }
        if (!noBed && !weighed.containsKey(BatchEvent.BED)) {
            return Stage.WEIGH_IN;
        }
        if (!finished.keySet().containsAll(chores)) {
            return Stage.PREPARE;
        }
        boolean toBlanch = plan.charge().formula().phase(Phase.Blanch.class).isPresent();
        return toBlanch && !blanched ? Stage.BLANCH : Stage.FILL;
    }

    PotModel pot() {
        return pot;
    }

    private boolean toReduce() {
        boolean tooLate = reducedInThePot && strained != null;
        return reduction.isPresent() && reduced == null && !tooLate;
    }

    BatchState stateAt(Instant now) {
        pot.runTo(now);
        if (ended != null && strained == null) {
            if (stage == Stage.REST && !now.isBefore(Infusion.restEnds(plan.charge(), ended, added))) {
                enter(Stage.STRAIN, Infusion.restEnds(plan.charge(), ended, added));
            }
        }
        return new BatchState(
                stage,
                since,
                now,
                weighed,
                pot.state(),
                new BatchState.Simmer(
                        Optional.ofNullable(lit),
                        Optional.ofNullable(foam),
                        Optional.ofNullable(reached),
                        Optional.ofNullable(plannedEnd),
                        Optional.ofNullable(ended),
                        Optional.ofNullable(lastSkim),
                        skims,
                        Optional.ofNullable(held),
                        Optional.ofNullable(judgements.tasted())),
                new BatchState.Prep(
                        chores.stream()
                                .map(step -> new BatchState.Chore(
                                        step,
                                        Optional.ofNullable(began.get(step)),
                                        Optional.ofNullable(finished.get(step))))
                                .toList(),
                        Optional.ofNullable(turned),
                        Optional.ofNullable(waterChanged),
                        Optional.ofNullable(burnerOff)),
                account(),
                Optional.ofNullable(strained).map(BatchEvent.Strained::out),
                new BatchState.Finish(
                        passed,
                        toReduce() && (strained != null || reducedInThePot),
                        reducedInThePot ? Optional.empty() : Optional.ofNullable(reduced),
                        Optional.ofNullable(degreased),
                        Optional.ofNullable(strained)),
                judgements.cards(),
                judgements.brix(),
                strained == null
                        ? BatchState.Cooling.AHEAD
                        : cooling.since(strained.stamp().at(), now),
                new BatchState.Shelf(stored, delivered, discarded, spoiled),
                added,
                takenOut,
                pot.course(),
                path);
    }

    private Ledger account() {
        if (!filled) {
            return plan.charge().forecast().ledger();
        }
        return new Account(
                        plan.charge().run(),
                        pot,
                        addedMass,
                        Optional.ofNullable(strained),
                        Optional.ofNullable(reduced))
                .ledger();
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
