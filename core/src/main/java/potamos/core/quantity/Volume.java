package potamos.core.quantity;

/**
 * A volume in litres.
 *
 * @param litres finite; may be negative only as a difference
 */
public record Volume(double litres) implements Comparable<Volume> {

    /** Nothing. */
    public static final Volume ZERO = new Volume(0);

    /** A jug is not read finer than this, L. */
    public static final double A_JUG_L = 0.05;

    private static final double L_PER_US_GAL = 3.785411784;

    public Volume {
        Refusal.unlessFinite("litres", litres, "L");
    }

    public static Volume ofLitres(double litres) {
        return new Volume(litres);
    }

    public static Volume ofCubicCm(double cubicCm) {
        return new Volume(cubicCm / 1000);
    }

    /** US liquid gallons, exact: 1 US gal = 3.785411784 L. */
    public static Volume ofUsGallons(double gallons) {
        return new Volume(gallons * L_PER_US_GAL);
    }

    public double usGallons() {
        return litres / L_PER_US_GAL;
    }

    public double cubicCm() {
        return litres * 1000;
    }

    public Volume plus(Volume other) {
        return new Volume(litres + other.litres);
    }

    public Volume minus(Volume other) {
        return new Volume(litres - other.litres);
    }

    public Volume times(double factor) {
        return new Volume(litres * factor);
    }

    /** This volume, or nothing when it is below nothing. */
    public Volume orNone() {
        return litres < 0 ? ZERO : this;
    }

    @Override
    public int compareTo(Volume other) {
        return Double.compare(litres, other.litres);
    }
}
