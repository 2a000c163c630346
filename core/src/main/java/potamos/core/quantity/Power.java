package potamos.core.quantity;

/**
 * Heat delivered per time.
 *
 * @param watts finite
 */
public record Power(double watts) {

    public Power {
        Refusal.unlessFinite("watts", watts, "W");
    }

    public static Power ofKilowatts(double kilowatts) {
        return new Power(kilowatts * 1000);
    }

    public Power times(double factor) {
        return new Power(watts * factor);
    }
}
