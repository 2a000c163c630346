package potamos.core.probe;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import potamos.core.quantity.Refusal;

/**
 * Old readings made fewer: of every stretch of time the lowest and the highest stay, each at its own moment. A peak is never lost, and neither is the
 * time that it came.
 */
public final class Thinning {

    /** Everything is kept for so long. */
    public static final Duration WHOLE = Duration.ofHours(2);

    /** After {@link #WHOLE} two readings of each such stretch are kept. */
    public static final Duration STRETCH = Duration.ofMinutes(2);

    private Thinning() {}

    /**
     * What stays of some readings.
     *
     * @param samples in any order
     * @param stretch on whole multiples since the epoch, so that thinning twice changes nothing
     * @return in the order of time
     */
    public static List<Sample> keep(List<Sample> samples, Duration stretch) {
        Refusal.unlessWithin("stretchS", stretch.toSeconds(), 1, 86_400, "s");
        Map<Long, List<Sample>> stretches = new TreeMap<>();
        for (Sample sample : samples) {
            long at = Math.floorDiv(sample.at().toEpochMilli(), stretch.toMillis());
            stretches.computeIfAbsent(at, s -> new ArrayList<>()).add(sample);
        }
        List<Sample> kept = new ArrayList<>();
        Comparator<Sample> byValue = Comparator.comparingDouble(Sample::value).thenComparing(Sample::at);
        for (List<Sample> one : stretches.values()) {
            Sample lowest = one.stream().min(byValue).orElseThrow();
            Sample highest = one.stream().max(byValue).orElseThrow();
            Sample first = lowest.at().isBefore(highest.at()) ? lowest : highest;
            kept.add(first);
            if (lowest != highest) {
                kept.add(first == lowest ? highest : lowest);
            }
        }
        return kept;
    }

    /** Readings from this moment on are all kept. */
    public static Instant wholeSince(Instant now) {
        return now.minus(WHOLE);
    }
}
