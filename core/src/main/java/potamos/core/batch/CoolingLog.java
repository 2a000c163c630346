package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.Projection;
import potamos.core.cooling.Reading;
import potamos.core.cooling.Standing;
import potamos.core.quantity.Temperature;

/** The cooling of one batch as it is replayed: its clock, its readings and where they lead. */
final class CoolingLog {

    private final Plan plan;
    private final List<Reading> readings = new ArrayList<>();
    private final List<Reading> reheats = new ArrayList<>();
    private Instant heatEnds;
    private Instant began;

    CoolingLog(Plan plan) {
        this.plan = plan;
    }

    /** The clock of the limits starts: the pot is off its heat, or what was boiled down after straining is. */
    void heatEnds(Instant at) {
        heatEnds = at;
        readings.clear();
    }

    /** When the clock started. */
    Instant since() {
        return heatEnds;
    }

    void began(Instant at) {
        began = at;
    }

    void read(BatchEvent.Stamp stamp, Temperature temperature, boolean byProbe) {
        Reading.By by = byProbe ? Reading.By.PROBE : Reading.By.HAND;
        readings.add(new Reading(stamp.at(), temperature, stamp.late() && !byProbe, by));
    }

    /** What a pot that stands off the heat must have had, where nobody read it. */
    void reckoned(Instant at, double celsius) {
        readings.add(new Reading(at, Temperature.ofCelsius(celsius), false, Reading.By.RECKONED));
    }

    /** Brought to the boil again. */
    void reheated(BatchEvent.Stamp stamp, Temperature temperature) {
        reheats.add(new Reading(stamp.at(), temperature, stamp.late(), Reading.By.HAND));
    }

    /** Whether the last reading is as cold as the limits want it in the end. */
    boolean cold() {
        return last().filter(reading ->
                        reading.temperature().readsAtMost(plan.limits().coldest()))
                .isPresent();
    }

    /** Where it stands, once the stock has left the pot. */
    BatchState.Cooling since(Instant strained, Instant now) {
        Standing standing = Standing.of(plan.limits(), heatEnds, readings, reheats, latest(now));
        Optional<Projection> projection = projection(standing);
        CoolingVerdict verdict = CoolingVerdict.of(plan.limits(), standing, projection, now);
        return new BatchState.Cooling(
                Optional.of(strained),
                Optional.ofNullable(began),
                read(standing.readings()),
                projection,
                Optional.of(verdict),
                verdict.allowed(plan.limits(), standing, now),
                standing.reheats());
    }

    /** Whatever has been logged is known, also by a tablet whose clock is ahead. */
    private Instant latest(Instant now) {
        return Stream.concat(readings.stream(), reheats.stream())
                .map(Reading::at)
                .filter(at -> at.isAfter(now))
                .max(Comparator.naturalOrder())
                .orElse(now);
    }

    private Optional<Projection> projection(Standing standing) {
        List<Reading> read = read(standing.readings());
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

    private Optional<Reading> last() {
        return Stream.concat(read(readings).stream(), reheats.stream()).max(Comparator.comparing(Reading::at));
    }

    private static List<Reading> read(List<Reading> all) {
        return all.stream()
                .filter(reading -> reading.by() != Reading.By.RECKONED)
                .toList();
    }
}
