package potamos.core.quantity;

/**
 * A mass in kilograms.
 *
 * @param kg finite; may be negative only as a difference
 */
public record Mass(double kg) implements Comparable<Mass> {

    /** Nothing. */
    public static final Mass ZERO = new Mass(0);

    private static final double KG_PER_LB = 0.45359237;

    public Mass {
        Refusal.unlessFinite("kg", kg, "kg");
    }

    public static Mass ofKg(double kg) {
        return new Mass(kg);
    }

    public static Mass ofGrams(double grams) {
        return new Mass(grams / 1000);
    }

    /** Avoirdupois pounds, exact: 1 lb = 0.45359237 kg. */
    public static Mass ofPounds(double pounds) {
        return new Mass(pounds * KG_PER_LB);
    }

    public double grams() {
        return kg * 1000;
    }

    public double pounds() {
        return kg / KG_PER_LB;
    }

    public Mass plus(Mass other) {
        return new Mass(kg + other.kg);
    }

    public Mass minus(Mass other) {
        return new Mass(kg - other.kg);
    }

    public Mass times(double factor) {
        return new Mass(kg * factor);
    }

    /** Nothing where it is below nothing. */
    public Mass orNone() {
        return kg > 0 ? this : ZERO;
    }

    /** The volume this mass fills at a density in kg/L. */
    public Volume atDensity(double kgPerL) {
        return Volume.ofLitres(kg / kgPerL);
    }

    @Override
    public int compareTo(Mass other) {
        return Double.compare(kg, other.kg);
    }
}
