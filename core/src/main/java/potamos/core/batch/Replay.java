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
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.Projection;
import potamos.core.cooling.Reading;
import potamos.core.flow.Ledger;
import potamos.core.flow.Losses;
import potamos.core.flow.Solids;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;

/** One pass over the events of a batch. Not shared, not kept: a fresh one for every replay. */
final class Replay {

    private final Plan plan;
    private final PotModel pot;
    private final Map<String, Mass> weighed = new HashMap<>();
    private final Map<String, Instant> added = new HashMap<>();
    private final Map<String, Instant> takenOut = new HashMap<>();
    private final Map<String, Mass> addedMass = new HashMap<>();
    private final List<Reading> readings = new ArrayList<>();
    private final List<BatchState.Entered> path = new ArrayList<>();

    private Stage stage;
    private Instant since;
    private final Map<Integer, Instant> began = new HashMap<>();
    private final Map<Integer, Instant> finished = new HashMap<>();
    private final List<BatchState.CardReading> cards = new ArrayList<>();
    private final List<Integer> chores;
    private final Optional<Phase.Reduce> reduction;
    private final boolean reducedInThePot;
    private final boolean noBed;
    private Instant turned;
    private Instant waterChanged;
    private Instant burnerOff;
    private Instant held;
    private Instant tasted;
    private Instant flakes;
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
    private Volume strained;
    private int passes;
    private boolean pressed;
    private Instant strainedAt;
    private Instant clockFrom;
    private Instant coolingBegan;
    private int reheats;
    private Volume stored = Volume.ZERO;
    private Volume delivered = Volume.ZERO;
    private Volume discarded = Volume.ZERO;
    private Volume spoiled = Volume.ZERO;
    private boolean abandoned;

    Replay(Plan plan) {
        this.plan = plan;
        this.pot = new PotModel(plan);
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
            if (Infusion.flakes(plan.charge().formula(), e.part())) {
                // The bed was counted in when the pot was filled.
                flakes = at;
            } else {
                addedMass.put(e.part(), e.mass());
                pot.add(e.mass());
            }
        } else if (event instanceof BatchEvent.Judged e) {
            judged(e);
        } else if (event instanceof BatchEvent.CardRead e) {
            cards.add(new BatchState.CardReading(at, e.card(), e.value()));
        } else if (event instanceof BatchEvent.Tasted) {
            tasted = at;
        } else if (!beforeThePot(event)) {
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
                clockFrom = at;
            }
        } else if (event instanceof BatchEvent.Strained e) {
            strained = e.out();
            passes = e.passes();
            pressed = e.pressed();
            strainedAt = at;
            clockFrom = at;
            pot.empty();
        } else if (event instanceof BatchEvent.CoolingBegan) {
            coolingBegan = at;
        } else if (event instanceof BatchEvent.CoolingRead e) {
            readings.add(new Reading(at, e.temperature()));
        } else if (event instanceof BatchEvent.Reheated e) {
            reheats++;
            readings.clear();
            readings.add(new Reading(at, e.temperature()));
            clockFrom = at;
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
            Volume out = reduced != null && !reducedInThePot ? reduced : strained;
            if (spoiled.litres() >= out.litres() - 0.01) {
                return Stage.DONE;
            }
            if (toReduce()) {
                return Stage.REDUCE;
            }
            return cold() ? Stage.STORE : Stage.COOL;
        }
        if (ended != null) {
            if (reducedInThePot && toReduce()) {
                return Stage.REDUCE;
            }
            return pot.clock().isBefore(restEnds()) ? Stage.REST : Stage.STRAIN;
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

    private boolean toReduce() {
        boolean tooLate = reducedInThePot && strained != null;
        return reduction.isPresent() && reduced == null && !tooLate;
    }

    private Instant restEnds() {
        Instant from = flakes != null && flakes.isAfter(ended) ? flakes : ended;
        return from.plus(Duration.ofSeconds((long) (plan.charge().run().restMin() * 60)));
    }

    private boolean cold() {
        return !readings.isEmpty()
                && readings.get(readings.size() - 1)
                                .temperature()
                                .compareTo(plan.limits().coldest())
                        <= 0;
    }

    BatchState stateAt(Instant now) {
        pot.runTo(now);
        if (ended != null && strained == null) {
            if (stage == Stage.REST && !now.isBefore(restEnds())) {
                enter(Stage.STRAIN, restEnds());
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
                        Optional.ofNullable(tasted)),
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
                ledger(),
                Optional.ofNullable(strained),
                new BatchState.Finish(
                        passed,
                        toReduce() && (strained != null || reducedInThePot),
                        reducedInThePot ? Optional.empty() : Optional.ofNullable(reduced),
                        Optional.ofNullable(degreased)),
                cards,
                cooling(now),
                new BatchState.Shelf(stored, delivered, discarded, spoiled),
                added,
                takenOut,
                pot.course(),
                path);
    }

    /** The litres as they stand: what happened by the events and the models, and the losses still ahead by the plan. */
    private Ledger ledger() {
        if (!filled) {
            return plan.charge().forecast().ledger();
        }
        Bed bed = pot.bed();
        boolean press = strained == null ? plan.charge().run().strain().pressed() : pressed;
        int through = strained == null ? plan.charge().run().strain().passes() : passes;
        Volume fat = Losses.renderedFat(bed);
        List<Solids> solids = solidsIn();
        List<Ledger.Entry> entries = new ArrayList<>(List.of(
                new Ledger.Entry(Ledger.Cause.WATER, pot.drawn()),
                new Ledger.Entry(Ledger.Cause.TOP_UP, pot.toppedUp()),
                new Ledger.Entry(Ledger.Cause.WINE, plan.charge().run().poured()),
                new Ledger.Entry(Ledger.Cause.EVAPORATED, pot.evaporated()),
                new Ledger.Entry(Ledger.Cause.SKIMMED, pot.skimmed()),
                new Ledger.Entry(
                        Ledger.Cause.STRAINERS,
                        Losses.strainers(
                                through, plan.charge().run().vessel().shape().width(), 1)),
                new Ledger.Entry(Ledger.Cause.FAT_LIFTED, plan.charge().run().degreased() ? fat : Volume.ZERO)));
        entries.addAll(Ledger.solids(Losses.uptake(bed, solids, press, 1), fat));
        return reducedTo(entries);
    }

    /** The account closed with what is boiled away: as measured where it was, as planned where that is still ahead. */
    private Ledger reducedTo(List<Ledger.Entry> entries) {
        double fraction = reduction.map(Phase.Reduce::toFraction).orElse(1.0);
        if (strained == null) {
            Volume before = Ledger.predicted(entries).yield().orNone();
            Volume boiled = reduced == null ? before.times(1 - fraction) : pot.reduced();
            entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, boiled));
            return Ledger.predicted(entries);
        }
        if (reducedInThePot || reduction.isEmpty()) {
            entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, pot.reduced()));
            return Ledger.measured(entries, strained);
        }
        Volume left = reduced == null ? strained.times(fraction) : reduced;
        entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, strained.minus(left).orNone()));
        return Ledger.measured(entries, left);
    }

    /** What was put in with the mass it was put in with; before straining, what is still to come as planned. */
    private List<Solids> solidsIn() {
        List<Solids> solids = new ArrayList<>();
        for (Solids planned : plan.charge().run().others()) {
            Mass mass = addedMass.get(planned.part().id());
            boolean counts =
                    mass != null || strained == null || planned.intoTheSimmer().isZero();
            if (counts) {
                solids.add(new Solids(planned.part(), mass == null ? planned.mass() : mass, planned.intoTheSimmer()));
            }
        }
        return solids;
    }

    private BatchState.Cooling cooling(Instant now) {
        if (strained == null) {
            return new BatchState.Cooling(
                    Optional.empty(), Optional.empty(), List.of(), Optional.empty(), Optional.empty(), 0);
        }
        Optional<Projection> projection = projection();
        return new BatchState.Cooling(
                Optional.of(strainedAt),
                Optional.ofNullable(coolingBegan),
                readings,
                projection,
                Optional.of(CoolingVerdict.of(plan.limits(), readings, clockFrom, projection, now)),
                reheats);
    }

    private Optional<Projection> projection() {
        if (readings.isEmpty()) {
            return Optional.empty();
        }
        double stock = readings.get(readings.size() - 1).temperature().celsius();
        CoolingPlan.Leg leg = plan.cooling().legs().stream()
                .filter(l -> l.until().celsius() < stock)
                .findFirst()
                .orElse(plan.cooling().legs().get(plan.cooling().legs().size() - 1));
        double expected = Cooler.ratePerMin(plan.cooling(), leg.medium(), stock);
        return Projection.from(readings, leg.medium().start().celsius(), expected);
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
