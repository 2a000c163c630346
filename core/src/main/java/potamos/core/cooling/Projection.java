package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Temperature;

/**
 * Where the readings so far lead: the decay constant fitted by least squares on the logarithm of the distance to the medium.
 *
 * @param last      latest reading
 * @param mediumC   what the stock is cooling towards
 * @param perMinute fitted decay constant, above 0
 */
public record Projection(Reading last, double mediumC, double perMinute) {

    /** More than the last few readings would let a fast start hide a slow end. */
    private static final int MOST_READINGS = 4;

    /** Closer to its medium a reading says more of the thermometer than of the stock. */
    private static final double LEAST_DISTANCE_K = 0.2;

    private static final double LONGEST_MIN = 72 * 60;

    /**
     * The projection from readings, oldest first.
     *
     * @param expectedPerMinute what the plan expects now; used while fewer than two readings stand
     */
    public static Optional<Projection> from(List<Reading> readings, double mediumC, double expectedPerMinute) {
        if (readings.isEmpty()) {
            return Optional.empty();
        }
        Reading last = readings.get(readings.size() - 1);
        List<Reading> warm = readings.subList(Math.max(0, readings.size() - MOST_READINGS), readings.size()).stream()
                .filter(reading -> reading.temperature().celsius() - mediumC > LEAST_DISTANCE_K)
                .toList();
        double k = warm.size() >= 2 ? decay(warm, mediumC) : expectedPerMinute;
        return k > 1e-6 ? Optional.of(new Projection(last, mediumC, k)) : Optional.empty();
    }

    /** The slope of the least squares through time and logarithm, falling. */
    private static double decay(List<Reading> readings, double mediumC) {
        Instant start = readings.get(0).at();
        double meanMin = 0;
        for (Reading reading : readings) {
            meanMin += minutes(start, reading.at()) / readings.size();
        }
        double together = 0;
        double alone = 0;
        for (Reading reading : readings) {
            double min = minutes(start, reading.at()) - meanMin;
            // Times from their mean add up to nothing, so the logarithms need no mean of their own.
            together += min * Math.log(reading.temperature().celsius() - mediumC);
            alone += min * min;
        }
        return alone > 0 ? -together / alone : 0;
    }

    /** When the stock will be down to a temperature; empty when that is not within three days. */
    public Optional<Instant> reaches(Temperature t) {
        double above = last.temperature().celsius() - mediumC;
        double target = t.celsius() - mediumC;
        if (last.temperature().compareTo(t) <= 0) {
            return Optional.of(last.at());
        }
        if (target <= 0) {
            return Optional.empty();
        }
        double minutes = Math.log(above / target) / perMinute;
        return minutes > LONGEST_MIN
                ? Optional.empty()
                : Optional.of(last.at().plus(Duration.ofSeconds((long) (minutes * 60))));
    }

    /** How warm it will be at a moment; before the last reading, that reading. */
    public Temperature at(Instant when) {
        double above = last.temperature().celsius() - mediumC;
        double later = Math.max(0, minutes(last.at(), when));
        return Temperature.ofCelsius(mediumC + above * Math.exp(-perMinute * later));
    }

    private static double minutes(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 60000.0;
    }
}
