package potamos.core.heat;

import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * The air over the range.
 *
 * @param altitude    of the kitchen
 * @param temperature of the air
 * @param humidity    relative, 0 to 1
 * @param speedMS     draught over the surface, 0 to 5 m/s; about 0.1 still, 0.3 under a running hood
 */
public record Air(Length altitude, Temperature temperature, double humidity, double speedMS) {

    public Air {
        Refusal.unlessWithin("altitudeM", altitude.metres(), -430, 5500, "m");
        Refusal.unlessWithin("airC", temperature.celsius(), -10, 60, "°C");
        Refusal.unlessWithin("humidity", humidity, 0, 1, "");
        Refusal.unlessWithin("speedMS", speedMS, 0, 5, "m/s");
    }

    /** A warm kitchen with the hood at rest. */
    public static Air usualAt(Length altitude) {
        return new Air(altitude, Temperature.ofCelsius(26), 0.6, 0.1);
    }

    public Temperature boilingPoint() {
        return Water.boilingPoint(altitude);
    }

    /** Pressure of the steam that is already in the air, kPa. */
    public double vapourKpa() {
        return humidity * Water.saturationKpa(temperature);
    }
}
