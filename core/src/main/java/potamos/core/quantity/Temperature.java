package potamos.core.quantity;

/**
 * A temperature in degrees Celsius.
 *
 * @param celsius from −273.15 upwards
 */
public record Temperature(double celsius) implements Comparable<Temperature> {

    private static final double ABSOLUTE_ZERO = -273.15;

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
}
