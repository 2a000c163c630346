package potamos.core.vessel;

import potamos.core.quantity.Refusal;

/**
 * A kind of bed and its figures per kilogram.
 *
 * @param id               stable name in data, such as {@code chicken-carcass}
 * @param name             name for people
 * @param bulkKgPerL       density as it lies in the pot
 * @param trueKgPerL       density of the pieces themselves, above the bulk density
 * @param collagenGPerKg   collagen that can become gelatin
 * @param halfTimeH        hours at 95 °C for half of it; 0 where there is none
 * @param fatGPerKg        fat that can be lifted
 * @param scum             what rises as scum
 * @param uptakeDrained    litres per kg that stay in the drained bed
 * @param uptakePressed    litres per kg that stay after pressing; negative when the bed gives its own water
 * @param settlesTo        share of its raw height after long cooking
 * @param heatKjPerKgK     specific heat
 */
public record BedKind(
        String id,
        String name,
        double bulkKgPerL,
        double trueKgPerL,
        double collagenGPerKg,
        double halfTimeH,
        double fatGPerKg,
        Scum scum,
        double uptakeDrained,
        double uptakePressed,
        double settlesTo,
        double heatKjPerKgK) {

    public BedKind {
        Refusal.unlessWithin("bulkKgPerL", bulkKgPerL, 0.03, 2, "kg/L");
        if (!(trueKgPerL > bulkKgPerL && trueKgPerL <= 3)) {
            throw Refusal.outside("trueKgPerL", "above the bulk density", bulkKgPerL, 3, "kg/L");
        }
        Refusal.unlessWithin("collagenGPerKg", collagenGPerKg, 0, 300, "g/kg");
        Refusal.unlessWithin("halfTimeH", halfTimeH, 0, 100, "h");
        Refusal.unlessWithin("fatGPerKg", fatGPerKg, 0, 900, "g/kg");
        Refusal.unlessWithin("uptakeDrained", uptakeDrained, -1, 12, "L/kg");
        Refusal.unlessWithin("uptakePressed", uptakePressed, -1, 12, "L/kg");
        Refusal.unlessWithin("settlesTo", settlesTo, 0.2, 1, "");
        Refusal.unlessWithin("heatKjPerKgK", heatKjPerKgK, 0.5, 4.5, "kJ/kg/K");
    }

    /**
     * Scum in grams per kg of bed by how the bed was prepared; where a preparation is not usual the raw figure stands in.
     *
     * @param rawG     untreated
     * @param blanchedG after blanching
     * @param roastedG after roasting
     */
    public record Scum(double rawG, double blanchedG, double roastedG) {
        private static final double MOST_G_PER_KG = 200;

        public Scum {
            Refusal.unlessWithin("scumRawG", rawG, 0, MOST_G_PER_KG, "g/kg");
            Refusal.unlessWithin("scumBlanchedG", blanchedG, 0, MOST_G_PER_KG, "g/kg");
            Refusal.unlessWithin("scumRoastedG", roastedG, 0, MOST_G_PER_KG, "g/kg");
        }

        /** Grams per kg for a preparation. */
        public double after(Preparation preparation) {
            return switch (preparation) {
                case RAW -> rawG;
                case BLANCHED -> blanchedG;
                case ROASTED -> roastedG;
            };
        }
    }

    /** What was done to a bed before it met its water. */
    public enum Preparation {
        RAW,
        BLANCHED,
        ROASTED
    }
}
