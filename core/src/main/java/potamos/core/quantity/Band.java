package potamos.core.quantity;

/**
 * An estimate with its 10–90 % band: one time in ten it falls below {@code low}, one time in ten above {@code high}.
 *
 * @param low  tenth percentile
 * @param mid  median
 * @param high ninetieth percentile
 */
public record Band(double low, double mid, double high) {

    /** Standard deviations of a normal distribution between its median and its ninetieth percentile. */
    public static final double Z90 = 1.2815515655446004;

    public Band {
        if (!(low <= mid && mid <= high)) {
            throw Refusal.of("band", "a band runs from low over mid to high");
        }
    }

    /** A band that is sure of itself. */
    public static Band exactly(double value) {
        return new Band(value, value, value);
    }

    /** A normal estimate with a standard deviation relative to its value. */
    public static Band relative(double mid, double relativeSd) {
        double half = Z90 * relativeSd * Math.abs(mid);
        return new Band(mid - half, mid, mid + half);
    }

    /** A normal estimate with a variance, as of effects that do not depend on each other and so add as squares. */
    public static Band ofVariance(double mid, double variance) {
        double half = Z90 * Math.sqrt(variance);
        return new Band(mid - half, mid, mid + half);
    }

    /** The same, of something that can be neither less nor more. */
    public Band within(double least, double most) {
        return new Band(
                Math.max(least, Math.min(most, low)),
                Math.max(least, Math.min(most, mid)),
                Math.max(least, Math.min(most, high)));
    }

    /** The same, of something that cannot be less. */
    public Band notBelow(double least) {
        return within(least, Double.POSITIVE_INFINITY);
    }

    /** The half width downwards and upwards, as one standard deviation. */
    public double sd() {
        return (high - low) / (2 * Z90);
    }
}
