package potamos.server.charges;

import potamos.core.quantity.Band;

/** Nine times in ten it lies between {@code p10} and {@code p90}. */
public record BandView(double p10, double p50, double p90) {
    public static BandView of(Band band) {
        return new BandView(band.low(), band.mid(), band.high());
    }
}
