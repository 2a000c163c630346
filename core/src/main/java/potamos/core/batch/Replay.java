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
    private final Map<String, Mass> addedMass = new HashMap<>();
    private final List<Reading> readings = new ArrayList<>();
    private final List<BatchState.Entered> path = new ArrayList<>();

    private Stage stage = Stage.WEIGH_IN;
    private Instant since;
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
    }

    void apply(BatchEvent event) {
        Instant at = event.stamp().at();
        pot.runTo(at);
        if (event instanceof BatchEvent.WeighedIn e) {
            weighed.put(e.part(), e.mass());
            if (e.part().equals(BatchEvent.BED)) {
                pot.bed(e.mass());
            }
        } else if (event instanceof BatchEvent.Blanched) {
            blanched = true;
        } else if (event instanceof BatchEvent.Filled e) {
            filled = true;
            pot.fill(e.water(), e.temperature(), at);
        } else if (event instanceof BatchEvent.HeatOn) {
            lit = at;
            pot.light();
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
            pot.topUp(e.water(), e.temperature());
        } else if (event instanceof BatchEvent.Added e) {
            added.put(e.part(), at);
            addedMass.put(e.part(), e.mass());
            pot.add(e.mass());
        } else if (event instanceof BatchEvent.Judged e) {
            judged(e);
        } else {
            afterThePot(event);
        }
        settle(event.stamp());
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
        if (event instanceof BatchEvent.Strained e) {
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
            if (spoiled.litres() >= strained.litres() - 0.01) {
                return Stage.DONE;
            }
            return cold() ? Stage.STORE : Stage.COOL;
        }
        if (ended != null) {
            Duration rest = Duration.ofSeconds((long) (plan.charge().run().restMin() * 60));
            return pot.clock().isBefore(ended.plus(rest)) ? Stage.REST : Stage.STRAIN;
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
        if (!weighed.containsKey(BatchEvent.BED)) {
            return Stage.WEIGH_IN;
        }
        boolean toBlanch = plan.charge().formula().phase(Phase.Blanch.class).isPresent();
        return toBlanch && !blanched ? Stage.BLANCH : Stage.FILL;
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
            Instant restEnds =
                    ended.plus(Duration.ofSeconds((long) (plan.charge().run().restMin() * 60)));
            if (stage == Stage.REST && !now.isBefore(restEnds)) {
                enter(Stage.STRAIN, restEnds);
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
                        skims),
                ledger(),
                Optional.ofNullable(strained),
                cooling(now),
                new BatchState.Shelf(stored, delivered, discarded, spoiled),
                added,
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
        return strained == null ? Ledger.predicted(entries) : Ledger.measured(entries, strained);
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
            return Optional.of(plan.charge().run().bed().mass());
        }
        return plan.charge().measures().stream()
                .filter(m -> m.part().id().equals(part))
                .map(Measure::mass)
                .findFirst();
    }
}
