package potamos.core.liquor;

import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * Flavour leaving a piece of vegetable by diffusion, from the series solution for a slab that is held in well-mixed liquor.
 *
 * <p>A slab of thickness L keeps the share {@code S = Σ 8/((2n+1)²π²)·exp(−(2n+1)²π²Dt/L²)}; a cube keeps {@code S³}, a piece
 * between the two a power of S between one and three. Ignores swelling, the
 * softening of cell walls and the flavour already in the liquor.
 *
 * @see <a href="https://global.oup.com/academic/product/9780198534112">J. Crank, The Mathematics of Diffusion, 2nd ed., equation 4.18</a>
 */
public final class Diffusion {

    /** Of dissolved sugars and salts through cooked vegetable tissue at 95 °C, m²/s. */
    private static final double AT_95_M2_PER_S = 1.6e-9;

    private static final double ACTIVATION_J_PER_MOL = 20_000;
    private static final double GAS_J_PER_MOL_K = 8.314462618;
    private static final double REFERENCE_K = 273.15 + 95;

    /** A term that is e to this adds nothing that a double could hold, and those after it are smaller still. */
    private static final double NOTHING = -40;

    /** Below this Fourier number the series converges slowly and the half-space form is exact to 1e-9. */
    private static final double SHORT_FOURIER = 0.005;

    private Diffusion() {}

    /** What a piece is cut to. */
    public enum Cut {
        /** As long as it is wide and high. */
        CUBE,
        /** Much wider than thick. */
        SLICE,
        /** As a knife does it: what is thin is a slice, what is thick a cube, and what is between them something of both. */
        AS_CUT;

        private static final double THIN_MM = 3;
        private static final double THICK_MM = 12;

        /** Through how many pairs of faces flavour leaves a piece. */
        private double ways(double edgeMm) {
            double share = Math.max(0, Math.min(1, (edgeMm - THIN_MM) / (THICK_MM - THIN_MM)));
            return this == CUBE ? 3 : this == SLICE ? 1 : 1 + 2 * share;
        }
    }

    /** Diffusion coefficient at a temperature, m²/s. */
    public static double coefficient(Temperature t) {
        return AT_95_M2_PER_S * Math.exp(ACTIVATION_J_PER_MOL / GAS_J_PER_MOL_K * (1 / REFERENCE_K - 1 / t.kelvin()));
    }

    /**
     * Share of the flavour that has left.
     *
     * @param cut     shape of the piece
     * @param edgeMm  edge of a cube or thickness of a slice, 0.5 to 300 mm
     * @param t       temperature meanwhile
     * @param minutes 0 or more
     * @return 0 to 1, rising with time and falling with size
     */
    public static double spent(Cut cut, double edgeMm, Temperature t, double minutes) {
        Refusal.unlessWithin("edgeMm", edgeMm, 0.5, 300, "mm");
        double edgeM = edgeMm / 1000;
        double kept = slabKeeps(coefficient(t) * Math.max(0, minutes) * 60 / (edgeM * edgeM));
        return 1 - Math.pow(kept, cut.ways(edgeMm));
    }

    /** What a slab keeps at a Fourier number {@code Dt/L²}. */
    private static double slabKeeps(double fourier) {
        if (fourier < SHORT_FOURIER) {
            return 1 - 4 * Math.sqrt(fourier / Math.PI);
        }
        double sum = 0;
        for (int n = 0; ; n++) {
            double odd = (2 * n + 1) * Math.PI;
            double power = -odd * odd * fourier;
            if (power < NOTHING) {
                return sum;
            }
            sum += 8 / (odd * odd) * Math.exp(power);
        }
    }
}
