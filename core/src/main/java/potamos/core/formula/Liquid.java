package potamos.core.formula;

import java.util.List;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * What a pot is filled with.
 *
 * @param kind         what it is
 * @param gelatinGPerL that it brings
 * @param saltGPerL    that it brings
 * @param stock        share of it that is no water
 */
public record Liquid(Kind kind, double gelatinGPerL, double saltGPerL, double stock) {

    /** More of either is no liquid that a pot is filled with. */
    public static final double MOST_GELATIN_G_PER_L = 400;

    public static final double MOST_SALT_G_PER_L = 60;

    /** Plain water. */
    public static final Liquid WATER = new Liquid(Kind.WATER, 0, 0);

    /** What it is. */
    public enum Kind {
        WATER,
        /** Drawn from the spent bones of an earlier batch. */
        SECOND_WETTING,
        /** A finished stock. */
        STOCK
    }

    public Liquid {
        if (kind == null) {
            throw Refusal.of("liquid", "water, second-wetting or stock");
        }
        Refusal.unlessWithin("gelatinGPerL", gelatinGPerL, 0, MOST_GELATIN_G_PER_L, "g/L");
        Refusal.unlessWithin("saltGPerL", saltGPerL, 0, MOST_SALT_G_PER_L, "g/L");
        Refusal.unlessWithin("stock", stock, 0, 1, "of it");
    }

    /** With stock in the place of so much of it as is drawn, where a pot is filled with so much. */
    Liquid drawnWith(List<Draw> draws, Volume filled) {
        double all = Math.max(Draw.all(draws).litres(), filled.litres());
        double left = 1;
        double gelatin = 0;
        double salt = 0;
        for (Draw draw : draws) {
            double part = draw.litres().litres() / all;
            left -= part;
            gelatin += part * draw.contents().gelatinGPerL();
            salt += part * draw.saltGPerL();
        }
        double rest = Math.max(0, left);
        return new Liquid(
                kind == Kind.WATER ? Kind.STOCK : kind,
                gelatin + rest * gelatinGPerL,
                salt + rest * saltGPerL,
                1 - rest * (1 - stock));
    }

    /** All of it of a kind. */
    public Liquid(Kind kind, double gelatinGPerL, double saltGPerL) {
        this(kind, gelatinGPerL, saltGPerL, kind == Kind.WATER ? 0 : 1);
    }
}
