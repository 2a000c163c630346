package potamos.core.quantity;

import java.io.Serial;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A value that cannot be used, said so that a person can mend it: which field, why, and what would be accepted.
 *
 * <p>Thrown by constructors and by every entry into the core. The edge of the system turns it into a message beside the field.
 */
public final class Refusal extends RuntimeException {

    @Serial
    private static final long serialVersionUID = 1L;

    private final String field;
    private final double low;
    private final double high;
    private final String unit;

    private Refusal(String field, String reason, double low, double high, String unit) {
        super(reason);
        this.field = field;
        this.low = low;
        this.high = high;
        this.unit = unit;
    }

    /** A refusal with no range: the value is of the wrong kind, not of the wrong size. */
    public static Refusal of(String field, String reason) {
        return new Refusal(field, reason, Double.NaN, Double.NaN, "");
    }

    /** A refusal of what is none of the words that are known here. */
    public static Refusal noneOf(String field, Stream<String> words) {
        return of(field, words.collect(Collectors.joining(", ", "one of ", "")));
    }

    /** A refusal that tells the allowed range, both ends included. */
    public static Refusal outside(String field, String reason, double low, double high, String unit) {
        return new Refusal(field, reason, low, high, unit);
    }

    /**
     * Lets pass what is there.
     *
     * @throws Refusal when nothing is
     */
    public static <T> T unlessGiven(String field, T value) {
        if (value == null) {
            throw of(field, "is needed here");
        }
        return value;
    }

    /**
     * Lets a finite number within a closed range pass.
     *
     * @throws Refusal when it is not a number, infinite, or outside
     */
    public static double unlessWithin(String field, double value, double low, double high, String unit) {
        if (!(value >= low && value <= high)) {
            throw outside(field, "outside the range that makes sense", low, high, unit);
        }
        return value;
    }

    /**
     * Lets a finite number pass.
     *
     * @throws Refusal when it is not a number or infinite
     */
    public static double unlessFinite(String field, double value, String unit) {
        return unlessWithin(field, value, -1e9, 1e9, unit);
    }

    /** The name of the field as the caller knows it. */
    public String field() {
        return field;
    }

    /** The same of a field that stands in something larger. */
    public Refusal in(String path) {
        return new Refusal(path + field, getMessage(), low, high, unit);
    }

    /** The same of a field that whoever asked calls otherwise; of any other field just the same. */
    public Refusal called(String ours, String theirs) {
        return field.equals(ours) ? new Refusal(theirs, getMessage(), low, high, unit) : this;
    }

    /** Whether {@link #low()} and {@link #high()} say anything. */
    public boolean hasRange() {
        return !Double.isNaN(low);
    }

    public double low() {
        return low;
    }

    public double high() {
        return high;
    }

    public String unit() {
        return unit;
    }
}
