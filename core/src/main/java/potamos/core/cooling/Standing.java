package potamos.core.cooling;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.safety.LimitProfile;

/**
 * What a verdict is reached on: since when the stock cools, and what was read since. A reheat that the limits allow, the first one, hot enough and begun
 * in time, starts everything again; any other starts nothing, and what it made the stock read is no sign that its clock had not started.
 *
 * @param heatEnds  when its heat ended, or that of its reheat
 * @param readings  since then, oldest first, a reheat's own counted in
 * @param inVain    those of them that are of reheats which started nothing
 * @param reheats   so far, those that started nothing counted in
 * @param restarted whether one of them started the clock again
 */
public record Standing(Instant heatEnds, List<Reading> readings, List<Reading> inVain, int reheats, boolean restarted) {

    public Standing {
        readings = List.copyOf(readings);
        inVain = List.copyOf(inVain);
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
            return new Standing(heatEnds, known, List.of(), 0, false);
        }
        Reading first = heated.get(0);
        Standing before = new Standing(
                heatEnds,
                known.stream()
                        .filter(reading -> reading.at().isBefore(first.at()))
                        .toList(),
                List.of(),
                0,
                false);
        boolean hotEnough = first.temperature().readsAtLeast(profile.reheat());
        boolean inTime = CoolingVerdict.of(profile, before, Optional.empty(), first.at())
                .reheatUntil(profile)
                .filter(first.at()::isAfter)
                .isEmpty();
        if (hotEnough && inTime) {
            List<Reading> later = heated.subList(1, heated.size());
            return new Standing(first.at(), between(known, first.at(), now), later, heated.size(), true);
        }
        return new Standing(heatEnds, known, heated, heated.size(), false);
    }

    /** The same without what was entered from memory. */
    Standing asRead() {
        return new Standing(
                heatEnds, readings.stream().filter(reading -> !reading.late()).toList(), inVain, reheats, restarted);
    }

    /** What tells since when it cools: all that was read but where somebody heated it in vain. */
    List<Reading> cooling() {
        return readings.stream().filter(reading -> !inVain.contains(reading)).toList();
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
