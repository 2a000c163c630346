package potamos.core.quantity;

/**
 * A figure that is believed, how widely it may be off, and what the belief rests on.
 *
 * @param value the best figure
 * @param sd    one standard deviation in the same unit, 0 or more
 * @param basis what it rests on
 */
public record Estimate(double value, double sd, Basis basis) {

    public Estimate {
        Refusal.unlessFinite("value", value, "");
        Refusal.unlessWithin("sd", sd, 0, 1e9, "");
    }

    public static Estimate book(double value, double relativeSd) {
        return new Estimate(value, Math.abs(value) * relativeSd, Basis.BOOK_DEFAULT);
    }

    public Band band() {
        return new Band(value - Band.Z90 * sd, value, value + Band.Z90 * sd);
    }
}
