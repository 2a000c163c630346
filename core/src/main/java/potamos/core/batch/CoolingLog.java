package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingHistory;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingProof;
import potamos.core.cooling.CoolingRecord;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.FastestFall;
import potamos.core.cooling.Projection;
import potamos.core.cooling.Reading;
import potamos.core.cooling.Standing;
import potamos.core.quantity.Temperature;

/** What a record tells of the cooling of its batch: since when, what was read, and how the record came to say so. */
final class CoolingLog {

    /** No stage of any limits is shorter; what was entered before it was over could not turn anything. */
    private static final Duration SHORTEST_STAGE = Duration.ofMinutes(10);

    private final Plan plan;
    private final List<BatchEvent> told;
    private Temperature last;

    private CoolingLog(Plan plan, List<BatchEvent> told) {
        this.plan = plan;
        this.told = told;
    }

    /** @param told every entry of the batch, in the order of arrival */
    static CoolingLog of(Plan plan, List<? extends BatchEvent> told) {
        Map<String, Fact> facts = new HashMap<>();
        List<BatchEvent> ofCooling = new ArrayList<>();
        for (BatchEvent event : told) {
            if (event instanceof Fact fact && tells(fact)) {
                facts.put(fact.stamp().id(), fact);
                ofCooling.add(event);
            } else if (event instanceof Amendment amendment && facts.containsKey(amendment.event())) {
                ofCooling.add(event);
            }
        }
        return new CoolingLog(plan, ofCooling);
    }

    private static boolean tells(Fact fact) {
        return fact instanceof ColdEvent
                || fact instanceof PotEvent.TemperatureRead
                || fact instanceof PotEvent.SimmerReached
                || fact instanceof PotEvent.Judged
                || fact instanceof FinishEvent.Reduced
                || fact instanceof FinishEvent.Strained;
    }

    /** Nothing before it is strained: what stands in the pot can be put back on. */
    private static Optional<CoolingRecord> record(List<Fact> believed) {
        Instant simmers = null;
        Instant judged = null;
        Instant reduced = null;
        Instant strained = null;
        Instant began = null;
        List<Reading> readings = new ArrayList<>();
        List<Reading> reheats = new ArrayList<>();
        for (Fact fact : believed) {
            Instant at = fact.stamp().at();
            if (fact instanceof PotEvent.SimmerReached) {
                simmers = simmers == null ? at : simmers;
            } else if (fact instanceof PotEvent.Judged end && end.enough()) {
                judged = at;
            } else if (fact instanceof FinishEvent.Reduced) {
                reduced = at;
            } else if (fact instanceof FinishEvent.Strained) {
                strained = at;
            } else if (fact instanceof ColdEvent.CoolingBegan) {
                began = at;
            } else if (fact instanceof PotEvent.TemperatureRead read) {
                readings.add(new Reading(at, read.temperature(), fact.stamp().entered()));
            } else if (fact instanceof ColdEvent.CoolingRead read) {
                readings.add(new Reading(at, read.temperature(), fact.stamp().entered()));
            } else if (fact instanceof ColdEvent.Reheated hot) {
                reheats.add(new Reading(at, hot.temperature(), fact.stamp().entered()));
            }
        }
        if (strained == null) {
            return Optional.empty();
        }
        // What is boiled down, in the pot or after it, was boiling then.
        Instant heatEnds = reduced != null ? reduced : judged != null ? judged : strained;
        Instant from = reduced != null ? reduced : simmers;
        CoolingRecord all = new CoolingRecord(heatEnds, Optional.ofNullable(began), readings, reheats);
        return Optional.of(
                from == null ? all : all.only(reading -> !reading.at().isBefore(from)));
    }

    /** The heat is on, or ends: what was read before says nothing of how cold it is. */
    void hot() {
        last = null;
    }

    /** As the replay comes to it. */
    void read(Temperature temperature) {
        last = temperature;
    }

    /** Whether the last reading is as cold as the limits want it in the end. */
    boolean cold() {
        return last != null && last.readsAtMost(plan.limits().coldest());
    }

    /** Where it stands, once the stock has left the pot. */
    BatchState.Cooling at(Instant strained, Optional<Instant> released, Instant asked) {
        CoolingRecord known = record(History.believed(told)).orElseThrow();
        Instant now = latest(known, asked);
        CoolingProof proof = new CoolingProof(plan.limits(), FastestFall.of(plan.cooling()));
        Standing standing = proof.standing(known, now);
        Optional<Projection> projection = projection(standing);
        CoolingVerdict verdict = proof.verdict(history(known), projection, now);
        return new BatchState.Cooling(
                Optional.of(strained),
                known.began(),
                standing.sinceTheHeat(),
                projection,
                Optional.of(verdict),
                verdict.allowed(plan.limits(), standing, now),
                standing.reheats(),
                released);
    }

    private CoolingHistory history(CoolingRecord known) {
        List<CoolingHistory.Past> past = new ArrayList<>();
        Instant couldFail = known.heatEnds().plus(SHORTEST_STAGE);
        for (int i = 0; i < told.size(); i++) {
            Instant entered = told.get(i).stamp().entered();
            if (entered.isAfter(couldFail) || told.get(i) instanceof Amendment) {
                boolean amendedSince = told.subList(i, told.size()).stream().anyMatch(Amendment.class::isInstance);
                record(History.believed(told.subList(0, i)))
                        .ifPresent(then -> past.add(new CoolingHistory.Past(then, entered, amendedSince)));
            }
        }
        return new CoolingHistory(known, record(History.believed(inTime())).orElse(known), past);
    }

    /** What was told as it happened; a correction or a withdrawal of what was, soon after that. */
    private List<BatchEvent> inTime() {
        Map<String, Instant> happened = new HashMap<>();
        List<BatchEvent> inTime = new ArrayList<>();
        for (BatchEvent event : told) {
            if (event instanceof Fact fact) {
                happened.put(fact.stamp().id(), fact.stamp().at());
                // That it left the pot is not in doubt, whenever it was told.
                if (!fact.stamp().late() || fact instanceof FinishEvent.Strained) {
                    inTime.add(event);
                }
            } else if (event instanceof Amendment amendment) {
                Instant at = happened.get(amendment.event());
                boolean soon = !amendment.stamp().entered().isAfter(at.plus(BatchEvent.Stamp.LATE));
                // Moved back, it is told that much after its moment, however soon after the first word of it.
                boolean movedBack = amendment instanceof Amendment.Corrected corrected
                        && corrected.replacement().stamp().late();
                if (soon && !movedBack) {
                    inTime.add(event);
                }
            }
        }
        return inTime;
    }

    /** Whatever has been logged is known, also by a tablet whose clock is ahead. */
    private static Instant latest(CoolingRecord known, Instant now) {
        return Stream.concat(known.readings().stream(), known.reheats().stream())
                .map(Reading::at)
                .filter(at -> at.isAfter(now))
                .max(Comparator.naturalOrder())
                .orElse(now);
    }

    private Optional<Projection> projection(Standing standing) {
        List<Reading> read = standing.sinceTheHeat();
        if (read.isEmpty()) {
            return Optional.empty();
        }
        double stock = read.get(read.size() - 1).temperature().celsius();
        List<CoolingPlan.Leg> legs = plan.cooling().legs();
        CoolingPlan.Leg leg = legs.stream()
                .filter(l -> l.until().celsius() < stock)
                .findFirst()
                .orElse(legs.get(legs.size() - 1));
        double expected = Cooler.ratePerMin(plan.cooling(), leg.medium(), stock);
        return standing.projection(leg.medium().start().celsius(), expected);
    }
}
