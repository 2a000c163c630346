package potamos.core.cooling;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What a stock went through since its clock began: since its heat ended, or since the one reheat that begins another clock.
 *
 * @param heatEnds  that end, or the moment of that reheat
 * @param began     when cooling began; empty where nobody told, and after a reheat
 * @param readings  oldest first; of several in one minute the warmest
 * @param heated    those of them that are of a reheat
 * @param reheats   so far, those that started nothing counted in
 * @param restarted whether one of them started the clock again
 */
public record Standing(
        Instant heatEnds,
        Optional<Instant> began,
        List<Reading> readings,
        List<Reading> heated,
        int reheats,
        boolean restarted) {

    public Standing {
        readings = List.copyOf(readings);
        heated = List.copyOf(heated);
    }

    /** Where the readings lead. */
    public Optional<Projection> projection(double mediumC, double expectedPerMinute) {
        return Projection.from(sinceTheHeat(), mediumC, expectedPerMinute);
    }

    /** What was read since the heat ended. */
    public List<Reading> sinceTheHeat() {
        return readings.stream()
                .filter(reading -> !reading.at().isBefore(heatEnds))
                .toList();
    }
}
