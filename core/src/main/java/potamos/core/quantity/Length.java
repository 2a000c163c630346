package potamos.core.quantity;

/**
 * A length in centimetres: the size of a vessel, or a level above its inside bottom.
 *
 * @param cm finite
 */
public record Length(double cm) implements Comparable<Length> {

    /** No length. */
    public static final Length ZERO = new Length(0);

    private static final double CM_PER_INCH = 2.54;

    public Length {
        Refusal.unlessFinite("cm", cm, "cm");
    }

    public static Length ofCm(double cm) {
        return new Length(cm);
    }

    public static Length ofMm(double mm) {
        return new Length(mm / 10);
    }

    /** Inches, exact: 1 in = 2.54 cm. */
    public static Length ofInches(double inches) {
        return new Length(inches * CM_PER_INCH);
    }

    public double inches() {
        return cm / CM_PER_INCH;
    }

    public double metres() {
        return cm / 100;
    }

    public Length plus(Length other) {
        return new Length(cm + other.cm);
    }

    public Length minus(Length other) {
        return new Length(cm - other.cm);
    }

    public Length times(double factor) {
        return new Length(cm * factor);
    }

    @Override
    public int compareTo(Length other) {
        return Double.compare(cm, other.cm);
    }
}
