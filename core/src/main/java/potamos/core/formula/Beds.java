package potamos.core.formula;

import java.util.List;
import java.util.Optional;
import potamos.core.safety.Allergen;
import potamos.core.vessel.BedKind;

/**
 * The kinds of bed that ship, with their figures per kilogram. Those of the trade's table are ordinary; kelp, flakes, game and spent bones are the
 * project's own, inside the ranges that practitioners give.
 */
public final class Beds {

    /** Specific heat of raw bones with their meat and fat, kJ/kg/K. */
    private static final double BONE_HEAT = 3.0;

    /** Specific heat of raw vegetables, mostly water, kJ/kg/K. */
    private static final double VEGETABLE_HEAT = 3.9;

    private static final double DRY_HEAT = 1.6;

    /** About 0.3 g/L at the usual 10 g of kelp. */
    static final double KELP_SALT = 30;

    static final double FLAKES_SALT = 5;

    public static final BedKind CHICKEN_CARCASS = light(
            "chicken-carcass", "chicken carcass, raw", 0.50, 1.10, 28, 1.6, 60, scum(12, 3, 5), 0.22, 0.12, BONE_HEAT);
    public static final BedKind CHICKEN_WINGS =
            bone("chicken-wings-feet", "chicken wings and feet", 0.60, 1.10, 55, 2.0, 70, scum(10, 3, 4), 0.20, 0.10);
    public static final BedKind VEAL =
            bone("veal-knuckle-breast", "veal knuckle and breast", 0.62, 1.20, 55, 3.2, 50, scum(12, 3, 4), 0.12, 0.08);
    public static final BedKind BEEF_SHANK =
            bone("beef-shank-marrow", "beef shank and marrow", 0.70, 1.30, 35, 5.0, 90, scum(12, 3, 4), 0.08, 0.05);
    public static final BedKind BEEF_KNUCKLE =
            bone("beef-knuckle", "beef knuckle", 0.65, 1.22, 48, 5.0, 60, scum(12, 3, 4), 0.10, 0.07);
    public static final BedKind PORK =
            bone("pork-neck-trotter", "pork neck and trotter", 0.62, 1.15, 50, 2.6, 80, scum(14, 4, 5), 0.15, 0.10);
    public static final BedKind GAME =
            bone("game-bones", "game bones and trim", 0.58, 1.18, 38, 3.0, 25, scum(14, 4, 5), 0.14, 0.09);
    public static final BedKind FISH_FRAMES =
            light("fish-frames", "lean fish frames", 0.55, 1.10, 22, 0.25, 5, scum(6, 6, 6), 0.18, 0.10, 3.5);
    public static final BedKind SHELLS = light(
            "crustacean-shells", "crustacean shells", 0.35, 1.15, 2, 0.5, 8, scum(5, 5, 3), 0.30, 0.12, BONE_HEAT);
    public static final BedKind MIXED_VEGETABLES =
            vegetable("vegetables", "mixed vegetables, sliced", 0.50, 1.00, 2, 0.25, -0.25, VEGETABLE_HEAT);
    public static final BedKind ROASTED_VEGETABLES = vegetable(
            "vegetables-roasted", "vegetables, slow-roasted to 45 %", 0.55, 1.05, 4, 0.90, 0.35, VEGETABLE_HEAT);
    public static final BedKind SPENT_BONES =
            bone("spent-bones", "spent veal or beef bones", 0.66, 1.22, 14, 6.0, 6, scum(2, 2, 2), 0.03, 0.0);
    public static final BedKind KELP = vegetable("kelp", "dried kelp", 0.10, 1.40, 0, 4.0, 3.6, DRY_HEAT);
    public static final BedKind FLAKES =
            vegetable("fish-flakes", "dried fish flakes", 0.04, 1.20, 0, 3.0, 2.4, DRY_HEAT);
    public static final BedKind SPENT_KELP_FLAKES =
            vegetable("spent-kelp-flakes", "spent kelp and flakes", 0.55, 1.05, 0, 0.05, 0.0, VEGETABLE_HEAT);

    /** Stands in where a formula has no solid bed, as in a reduction. */
    static final BedKind NONE = vegetable("none", "no bed", 0.50, 1.00, 0, 0, 0, VEGETABLE_HEAT);

    private Beds() {}

    /** Salt that a kind brings, g of NaCl per kg: the sea stays in what is dried from it. */
    public static double saltGPerKg(BedKind kind) {
        return kind.id().equals(KELP.id()) ? KELP_SALT : kind.id().equals(FLAKES.id()) ? FLAKES_SALT : 0;
    }

    /** Every kind of bed. */
    public static List<BedKind> all() {
        return List.of(
                CHICKEN_CARCASS,
                CHICKEN_WINGS,
                VEAL,
                BEEF_SHANK,
                BEEF_KNUCKLE,
                PORK,
                GAME,
                FISH_FRAMES,
                SHELLS,
                MIXED_VEGETABLES,
                ROASTED_VEGETABLES,
                SPENT_BONES,
                KELP,
                FLAKES,
                SPENT_KELP_FLAKES);
    }

    public static Optional<BedKind> find(String id) {
        return all().stream().filter(kind -> kind.id().equals(id)).findFirst();
    }

    /** Whether it comes of land animals; of what the book does not know it is taken for granted. */
    public static boolean ofMeat(BedKind kind) {
        return !List.of(
                        FISH_FRAMES,
                        SHELLS,
                        MIXED_VEGETABLES,
                        ROASTED_VEGETABLES,
                        KELP,
                        FLAKES,
                        SPENT_KELP_FLAKES,
                        NONE)
                .stream()
                .map(BedKind::id)
                .toList()
                .contains(kind.id());
    }

    /** What a kind of bed brings by itself. */
    static List<Allergen> allergens(String id) {
        return switch (id) {
            case "fish-frames", "fish-flakes", "spent-kelp-flakes" -> List.of(Allergen.FISH);
            case "crustacean-shells" -> List.of(Allergen.CRUSTACEANS);
            case "vegetables", "vegetables-roasted" -> List.of(Allergen.CELERY);
            default -> List.of();
        };
    }

    private static BedKind bone(
            String id,
            String name,
            double bulk,
            double real,
            double collagen,
            double halfTimeH,
            double fat,
            BedKind.Scum scum,
            double drained,
            double pressed) {
        return new BedKind(id, name, bulk, real, collagen, halfTimeH, fat, scum, drained, pressed, 0.95, BONE_HEAT);
    }

    private static BedKind light(
            String id,
            String name,
            double bulk,
            double real,
            double collagen,
            double halfTimeH,
            double fat,
            BedKind.Scum scum,
            double drained,
            double pressed,
            double heat) {
        return new BedKind(id, name, bulk, real, collagen, halfTimeH, fat, scum, drained, pressed, 0.8, heat);
    }

    private static BedKind vegetable(
            String id, String name, double bulk, double real, double fat, double drained, double pressed, double heat) {
        return new BedKind(id, name, bulk, real, 0, 0, fat, scum(1, 1, 1), drained, pressed, 0.6, heat);
    }

    private static BedKind.Scum scum(double raw, double blanched, double roasted) {
        return new BedKind.Scum(raw, blanched, roasted);
    }
}
