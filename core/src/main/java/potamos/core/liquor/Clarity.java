package potamos.core.liquor;

import java.util.ArrayList;
import java.util.List;

/**
 * How clear a stock is, 0 to 100, and what took the rest.
 *
 * <p>Whatever clouds a stock adds to its turbidity, and the light that comes through falls by the exponential of that: {@code 100·exp(−Σ load)}. Each
 * cause is shown with its share of what is missing. The loads are the project's own scale, set so that a well-skimmed, ladled white stock stands near
 * 85 and one that boiled for an hour near 30; a kitchen's ladle card is the measure, not this.
 *
 * @param index  0 to 100
 * @param shares every cause that takes something, largest first; with the index they add up to 100
 */
public record Clarity(double index, List<Share> shares) {

    public Clarity {
        shares = List.copyOf(shares);
    }

    /** Why a stock is cloudy. */
    public enum Cause {
        /** Scum that rose and was not taken off. */
        SCUM,
        /** Time above the simmer band. */
        BOILED,
        STIRRED,
        /** Pieces cut so small that they fell apart. */
        MUSH,
        /** Poured or tilted instead of ladled or drawn off. */
        POURED,
        /** Fewer passes through the strainers than two. */
        PASSES,
        PRESSED,
        /** Tomato, starch and barley on purpose. */
        THICKENED
    }

    /** Points taken by one cause. */
    public record Share(Cause cause, double points) {}

    /**
     * What happened to a stock.
     *
     * @param scumLeftGPerL  scum that was not skimmed, grams per litre of liquor
     * @param boiledMin      minutes above the band
     * @param stirs          times it was stirred
     * @param mushGPerL      pieces that fell apart, grams per litre
     * @param poured         poured or tilted rather than ladled or drawn off
     * @param passes         strainers it went through, the last one cloth
     * @param pressed        whether the bed was pressed
     * @param thickenerGPerL tomato, starch, barley, grams per litre
     */
    public record Handling(
            double scumLeftGPerL,
            double boiledMin,
            int stirs,
            double mushGPerL,
            boolean poured,
            int passes,
            boolean pressed,
            double thickenerGPerL) {}

    private static final double SCUM_PER_G_L = 0.11;
    private static final double BOILED_PER_MIN = 0.018;
    private static final double A_STIR = 0.06;
    private static final double MUSH_PER_G_L = 0.012;
    private static final double POURING = 0.12;
    private static final double A_MISSING_PASS = 0.15;
    private static final double ENOUGH_PASSES = 2;

    /** Each pass beyond the second takes something out again. */
    private static final double A_PASS_MORE = 0.8;

    private static final double PRESSING = 0.22;
    private static final double THICKENER_PER_G_L = 0.006;

    public static Clarity of(Handling handling) {
        double strained = Math.pow(A_PASS_MORE, Math.max(0, handling.passes() - ENOUGH_PASSES));
        List<Share> loads = new ArrayList<>();
        add(loads, Cause.SCUM, SCUM_PER_G_L * Math.max(0, handling.scumLeftGPerL()) * strained);
        add(loads, Cause.BOILED, BOILED_PER_MIN * Math.max(0, handling.boiledMin()) * strained);
        add(loads, Cause.STIRRED, A_STIR * Math.max(0, handling.stirs()) * strained);
        add(loads, Cause.MUSH, MUSH_PER_G_L * Math.max(0, handling.mushGPerL()) * strained);
        add(loads, Cause.POURED, handling.poured() ? POURING * strained : 0);
        add(loads, Cause.PASSES, A_MISSING_PASS * Math.max(0, ENOUGH_PASSES - handling.passes()));
        add(loads, Cause.PRESSED, handling.pressed() ? PRESSING * strained : 0);
        add(loads, Cause.THICKENED, THICKENER_PER_G_L * Math.max(0, handling.thickenerGPerL()));
        double sum = loads.stream().mapToDouble(Share::points).sum();
        double index = 100 * Math.exp(-sum);
        List<Share> shares = loads.stream()
                .map(load -> new Share(load.cause(), (100 - index) * load.points() / sum))
                .sorted((a, b) -> Double.compare(b.points(), a.points()))
                .toList();
        return new Clarity(index, shares);
    }

    private static void add(List<Share> loads, Cause cause, double load) {
        if (load > 0) {
            loads.add(new Share(cause, load));
        }
    }
}
