package potamos.core.cooling;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What is told of a cooling: by everything, by what was told in time, or by what was known at some moment.
 *
 * @param heatEnds when the pot came off its heat
 * @param began    when its cooling began, if that is told
 * @param readings oldest first, the pot's own counted in
 * @param reheats  each with the temperature that was read at its end, oldest first
 */
public record CoolingRecord(Instant heatEnds, Optional<Instant> began, List<Reading> readings, List<Reading> reheats) {

    private static final Comparator<Reading> BY_TIME = Comparator.comparing(Reading::at);

    public CoolingRecord {
        readings = readings.stream().sorted(BY_TIME).toList();
        reheats = reheats.stream().sorted(BY_TIME).toList();
    }

    /** The same without readings and reheats that do not count. */
    public CoolingRecord only(Predicate<Reading> counts) {
        return new CoolingRecord(
                heatEnds,
                began,
                readings.stream().filter(counts).toList(),
                reheats.stream().filter(counts).toList());
    }

    /** As it was known at a moment. */
    CoolingRecord until(Instant now) {
        return only(reading -> !reading.at().isAfter(now));
    }
}
