package potamos.core.quantity;

/**
 * A temperature in degrees Celsius.
 *
 * @param celsius from −273.15 upwards
 */
public record Temperature(double celsius) implements Comparable<Temperature> {

    private static final double ABSOLUTE_ZERO = -273.15;

    /** Apart by the rounding of doubles and no more. */
    private static final double EXACT_K = 1e-9;

    public Temperature {
        Refusal.unlessWithin("celsius", celsius, ABSOLUTE_ZERO, 2000, "°C");
    }

    public static Temperature ofCelsius(double celsius) {
        return new Temperature(celsius);
    }

    public static Temperature ofFahrenheit(double fahrenheit) {
        return new Temperature((fahrenheit - 32) / 1.8);
    }

    public double fahrenheit() {
        return celsius * 1.8 + 32;
    }

    public double kelvin() {
        return celsius - ABSOLUTE_ZERO;
    }

    /** Warmer by so many kelvin. */
    public Temperature plus(double kelvin) {
        return new Temperature(celsius + kelvin);
    }

    /** How many kelvin this is above another. */
    public double above(Temperature other) {
        return celsius - other.celsius;
    }

    @Override
    public int compareTo(Temperature other) {
        return Double.compare(celsius, other.celsius);
    }

    /**
     * Whether a thermometer that shows this shows no more than a limit. One that shows whole degrees Fahrenheit shows 70 for a limit of 21 °C, and is not
     * held to a tenth that it does not have.
     */
    public boolean readsAtMost(Temperature limit) {
        return celsius <= limit.celsius + EXACT_K
                || inWholeFahrenheit() && wholeFahrenheit() <= limit.wholeFahrenheit();
    }

    /** The same for a limit that is to be reached. */
    public boolean readsAtLeast(Temperature limit) {
        return celsius >= limit.celsius - EXACT_K
                || inWholeFahrenheit() && wholeFahrenheit() >= limit.wholeFahrenheit();
    }

    /** Read on a scale of whole degrees Fahrenheit: what is also a tenth of a degree Celsius was read as that. */
    private boolean inWholeFahrenheit() {
        double tenths = celsius * 10;
        boolean aTenth = Math.abs(tenths - Math.floor(tenths + 0.5)) < 0.05;
        return !aTenth && Math.abs(fahrenheit() - wholeFahrenheit()) < 0.02;
    }

    /** To the nearest whole degree. */
    private double wholeFahrenheit() {
        return Math.floor(fahrenheit() + 0.5);
    }
}
