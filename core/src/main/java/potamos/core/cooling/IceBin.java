package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import potamos.core.quantity.Mass;

/**
 * The kitchen's ice: what its bin holds, and how quickly the machine fills it again. A bin that nobody takes from is full.
 *
 * @param holds  when it is full
 * @param kgPerH that the machine makes; 0 where the ice is bought
 */
public record IceBin(Mass holds, double kgPerH) {

    private static final double SECONDS_PER_H = 3600;

    /** Ice that a bath is going to take. */
    public record Use(Instant at, Mass ice) {}

    /**
     * Ice in the bin at a moment, when it is full now and others take theirs until then. Where one takes more than there is, it takes all.
     *
     * @param uses in any order; those after the moment do not count
     */
    public Mass at(Instant now, List<Use> uses, Instant when) {
        double kg = holds.kg();
        Instant clock = now;
        List<Use> before = uses.stream()
                .filter(use -> !use.at().isAfter(when))
                .sorted(Comparator.comparing(Use::at))
                .toList();
        for (Use use : before) {
            kg = Math.max(0, filled(kg, clock, use.at()) - use.ice().kg());
            clock = use.at().isAfter(clock) ? use.at() : clock;
        }
        return Mass.ofKg(filled(kg, clock, when));
    }

    private double filled(double kg, Instant from, Instant to) {
        double hours = Math.max(0, Duration.between(from, to).toSeconds() / SECONDS_PER_H);
        return Math.min(holds.kg(), kg + kgPerH * hours);
    }
}
