package potamos.core.quantity;

/** The one place where the core rounds for people. */
public final class Rounding {

    private Rounding() {}

    /**
     * The step to which a figure may be shown, given how wide its band is: never finer than a tenth of the band, and one of 1, 2 or 5 times a power of
     * ten.
     *
     * @param bandWidth width of the 10–90 % band in the unit of the figure, 0 when exact
     * @param finest    the finest step that anyone in a kitchen could use, above 0
     */
    public static double step(double bandWidth, double finest) {
        double wanted = Math.max(bandWidth / 10, finest);
        double power = Math.pow(10, Math.floor(Math.log10(wanted)));
        double lead = wanted / power;
        double nice = lead < 1.5 ? 1 : lead < 3.5 ? 2 : lead < 7.5 ? 5 : 10;
        return nice * power;
    }

    /** The value at the nearest multiple of a step, halves away from zero. */
    public static double to(double value, double step) {
        double steps = Math.floor(Math.abs(value) / step + 0.5);
        return Math.signum(value) * steps * step;
    }
}
