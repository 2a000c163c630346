package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.Projection;
import potamos.core.cooling.Reading;
import potamos.core.quantity.Temperature;

/** The cooling of one batch as it is replayed: its clock, its readings and where they lead. */
final class CoolingLog {

    private final Plan plan;
    private final List<Reading> readings = new ArrayList<>();
    private Instant clockFrom;
    private Instant began;
    private int reheats;

    CoolingLog(Plan plan) {
        this.plan = plan;
    }

    /** The clock of the limits starts: strained, or boiled down after that. */
    void clockFrom(Instant at) {
        clockFrom = at;
    }

    void began(Instant at) {
        began = at;
    }

    void read(BatchEvent.Stamp stamp, Temperature temperature) {
        readings.add(new Reading(stamp.at(), temperature, stamp.late()));
    }

    /** Brought to the boil again, which starts the clock anew. */
    void reheated(BatchEvent.Stamp stamp, Temperature temperature) {
        reheats++;
        readings.clear();
        read(stamp, temperature);
        clockFrom(stamp.at());
    }

    /** Whether the last reading is as cold as the limits want it in the end. */
    boolean cold() {
        return !readings.isEmpty()
                && last().temperature().compareTo(plan.limits().coldest()) <= 0;
    }

    /** Where it stands, once the stock has left the pot. */
    BatchState.Cooling since(Instant strained, Instant now) {
        Optional<Projection> projection = projection();
        return new BatchState.Cooling(
                Optional.of(strained),
                Optional.ofNullable(began),
                readings,
                projection,
                Optional.of(CoolingVerdict.of(plan.limits(), readings, clockFrom, projection, now)),
                reheats);
    }

    private Optional<Projection> projection() {
        if (readings.isEmpty()) {
            return Optional.empty();
        }
        double stock = last().temperature().celsius();
        List<CoolingPlan.Leg> legs = plan.cooling().legs();
        CoolingPlan.Leg leg = legs.stream()
                .filter(l -> l.until().celsius() < stock)
                .findFirst()
                .orElse(legs.get(legs.size() - 1));
        double expected = Cooler.ratePerMin(plan.cooling(), leg.medium(), stock);
        return Projection.from(readings, leg.medium().start().celsius(), expected);
    }

    private Reading last() {
        return readings.get(readings.size() - 1);
    }
}
