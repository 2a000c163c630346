package potamos.core.cooling;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.safety.LimitProfile;

/**
 * What a verdict is reached on: since when the stock cools, and what was read since. A reheat that the limits allow, the first one, hot enough and begun
 * in time, starts everything again; any other starts nothing.
 *
 * @param heatEnds  when its heat ended, or that of its reheat
 * @param readings  since then, oldest first, a reheat's own counted in
 * @param reheats   so far, those that started nothing counted in
 * @param restarted whether one of them started the clock again
 */
public record Standing(Instant heatEnds, List<Reading> readings, int reheats, boolean restarted) {

    public Standing {
        readings = List.copyOf(readings);
    }

    /**
     * How things stand at a moment.
     *
     * @param heatEnds when the pot came off its heat
     * @param readings in any order
     * @param reheats  each with the temperature that was read at its end, in any order
     * @param now      what was read later is not known yet
     */
    public static Standing of(
            LimitProfile profile, Instant heatEnds, List<Reading> readings, List<Reading> reheats, Instant now) {
        List<Reading> all =
                Stream.concat(readings.stream(), reheats.stream()).distinct().toList();
        List<Reading> known = between(all, heatEnds, now);
        List<Reading> heated = between(reheats, heatEnds, now);
        if (heated.isEmpty()) {
            return new Standing(heatEnds, known, 0, false);
        }
        Reading first = heated.get(0);
        Standing before = new Standing(
                heatEnds,
                known.stream()
                        .filter(reading -> reading.at().isBefore(first.at()))
                        .toList(),
                0,
                false);
        boolean hotEnough = first.temperature().readsAtLeast(profile.reheat());
        boolean inTime = CoolingVerdict.of(profile, before, Optional.empty(), first.at())
                .reheatUntil(profile)
                .filter(first.at()::isAfter)
                .isEmpty();
        if (hotEnough && inTime) {
            return new Standing(first.at(), between(known, first.at(), now), heated.size(), true);
        }
        return new Standing(heatEnds, known, heated.size(), false);
    }

    /** Where the readings lead. */
    public Optional<Projection> projection(double mediumC, double expectedPerMinute) {
        List<Reading> read = readings.stream()
                .filter(reading -> reading.by() != Reading.By.RECKONED)
                .toList();
        return Projection.from(read, mediumC, expectedPerMinute);
    }

    private static List<Reading> between(List<Reading> readings, Instant from, Instant to) {
        return readings.stream()
                .filter(reading -> !reading.at().isBefore(from) && !reading.at().isAfter(to))
                .sorted(Comparator.comparing(Reading::at))
                .toList();
    }
}
