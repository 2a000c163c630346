package potamos.core.flow;

import java.util.List;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;
import potamos.core.vessel.BedKind;

/** Liquor that does not reach the jug, other than as steam. */
public final class Losses {

    /** Liquor that a skimming ladle carries off with each kilogram of scum. */
    private static final double SKIMMED_L_PER_KG_SCUM = 4;

    /** Left on strainer and walls for each pass of a vessel 40 cm wide. */
    private static final double STRAINER_L_PER_PASS = 0.15;

    private static final double STRAINER_WIDTH_CM = 40;

    /** Share of the bed's fat that a simmer renders, and the density it floats at. */
    private static final double RENDERED_SHARE = 0.5;

    private static final double FAT_KG_PER_L = 0.92;

    private Losses() {}

    public static Volume skimmed(Bed bed, BedKind.Preparation preparation, double factor) {
        double scumKg = bed.kind().scum().after(preparation) / 1000 * bed.mass().kg();
        return Volume.ofLitres(scumKg * SKIMMED_L_PER_KG_SCUM * factor);
    }

    /** Liquor that all solids hold when they are strained out; below nothing where they give more of their own. */
    public static Volume uptake(Bed bed, List<Solids> others, boolean pressed, double factor) {
        double perKg = pressed ? bed.kind().uptakePressed() : bed.kind().uptakeDrained();
        double rest =
                others.stream().mapToDouble(s -> s.uptake(pressed).litres()).sum();
        return Volume.ofLitres((perKg * bed.mass().kg() + rest) * factor);
    }

    public static Volume strainers(int passes, Length vesselWidth, double factor) {
        return Volume.ofLitres(STRAINER_L_PER_PASS * passes * vesselWidth.cm() / STRAINER_WIDTH_CM * factor);
    }

    /** What fat weighs. */
    public static Mass weightOfFat(Volume fat) {
        return Mass.ofKg(fat.litres() * FAT_KG_PER_L);
    }

    /** Fat that melts out of the bed and floats. */
    public static Volume renderedFat(Bed bed) {
        double kg = bed.kind().fatGPerKg() / 1000 * bed.mass().kg() * RENDERED_SHARE;
        return Volume.ofLitres(kg / FAT_KG_PER_L);
    }
}
