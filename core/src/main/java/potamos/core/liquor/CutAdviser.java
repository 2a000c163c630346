package potamos.core.liquor;

import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * Which cut fits a simmer: large enough not to go to mush, small enough not to be wasted.
 *
 * @param cut        shape of the pieces
 * @param smallestMm spent 98 % at two thirds of the time; anything smaller goes to mush and clouds
 * @param largestMm  spent 88 % at the end; anything larger is thrown away half used
 */
public record CutAdviser(Diffusion.Cut cut, double smallestMm, double largestMm) {

    /** Share of its flavour that a piece should have given by the end. */
    public static final double USED = 0.88;

    /** Share at which a piece is falling apart. */
    public static final double MUSH = 0.98;

    private static final double MUSH_AT = 2.0 / 3;
    private static final double LEAST_MM = 0.5;
    private static final double MOST_MM = 300;

    /** How a cut stands against the advice. */
    public enum Fit {
        TOO_SMALL,
        FITS,
        TOO_LARGE
    }

    /**
     * The advice for a simmer.
     *
     * @param minutes 1 to 2 880
     */
    public static CutAdviser of(Diffusion.Cut cut, Temperature simmer, double minutes) {
        Refusal.unlessWithin("simmerMin", minutes, 1, 48 * 60, "min");
        return new CutAdviser(cut, size(cut, simmer, minutes * MUSH_AT, MUSH), size(cut, simmer, minutes, USED));
    }

    /** The size that is spent to a share after a time. */
    private static double size(Diffusion.Cut cut, Temperature t, double minutes, double share) {
        double atLeast = Diffusion.spent(cut, LEAST_MM, t, minutes) - share;
        if (atLeast <= 0) {
            return LEAST_MM;
        }
        if (Diffusion.spent(cut, MOST_MM, t, minutes) - share >= 0) {
            return MOST_MM;
        }
        return new BracketingNthOrderBrentSolver(1e-9, 1e-6, 1e-12, 5)
                .solve(100, mm -> Diffusion.spent(cut, mm, t, minutes) - share, LEAST_MM, MOST_MM);
    }

    public Fit fitOf(double edgeMm) {
        if (edgeMm < smallestMm) {
            return Fit.TOO_SMALL;
        }
        return edgeMm > largestMm ? Fit.TOO_LARGE : Fit.FITS;
    }
}
