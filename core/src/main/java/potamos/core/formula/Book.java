package potamos.core.formula;

import java.time.Duration;
import java.util.List;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;
import potamos.core.vessel.BedKind;

/**
 * The figures that a kitchen starts from. A new kitchen gets a copy of them as its own data; after that this book changes nothing there.
 */
public final class Book {

    /** Specific heat of raw bones with their meat and fat, kJ/kg/K. */
    private static final double BONE_HEAT = 3.0;

    /** Specific heat of raw vegetables, mostly water, kJ/kg/K. */
    private static final double VEGETABLE_HEAT = 3.9;

    public static final BedKind CHICKEN_CARCASS = new BedKind(
            "chicken-carcass",
            "chicken carcass, raw",
            0.50,
            1.10,
            28,
            1.6,
            60,
            scum(12, 3, 5),
            0.22,
            0.12,
            0.8,
            BONE_HEAT);

    public static final BedKind MIXED_VEGETABLES = new BedKind(
            "vegetables",
            "mixed vegetables, sliced",
            0.50,
            1.00,
            0,
            0,
            2,
            scum(1, 1, 1),
            0.25,
            -0.25,
            0.6,
            VEGETABLE_HEAT);

    private Book() {}

    /** Every kind of bed. */
    public static List<BedKind> beds() {
        return List.of(
                CHICKEN_CARCASS,
                bone(
                        "chicken-wings-feet",
                        "chicken wings and feet",
                        0.60,
                        1.10,
                        55,
                        2.0,
                        70,
                        scum(10, 3, 4),
                        0.20,
                        0.10),
                bone(
                        "veal-knuckle-breast",
                        "veal knuckle and breast",
                        0.62,
                        1.20,
                        55,
                        3.2,
                        50,
                        scum(12, 3, 4),
                        0.12,
                        0.08),
                bone("beef-shank-marrow", "beef shank and marrow", 0.70, 1.30, 35, 5.0, 90, scum(12, 3, 4), 0.08, 0.05),
                bone("beef-knuckle", "beef knuckle", 0.65, 1.22, 48, 5.0, 60, scum(12, 3, 4), 0.10, 0.07),
                bone("pork-neck-trotter", "pork neck and trotter", 0.62, 1.15, 50, 2.6, 80, scum(14, 4, 5), 0.15, 0.10),
                new BedKind(
                        "fish-frames",
                        "lean fish frames",
                        0.55,
                        1.10,
                        22,
                        0.25,
                        5,
                        scum(6, 6, 6),
                        0.18,
                        0.10,
                        0.8,
                        3.5),
                new BedKind(
                        "crustacean-shells",
                        "crustacean shells",
                        0.35,
                        1.15,
                        2,
                        0.5,
                        8,
                        scum(5, 5, 3),
                        0.30,
                        0.12,
                        0.8,
                        BONE_HEAT),
                MIXED_VEGETABLES,
                new BedKind(
                        "vegetables-roasted",
                        "vegetables, slow-roasted to 45 %",
                        0.55,
                        1.05,
                        0,
                        0,
                        4,
                        scum(1, 1, 1),
                        0.90,
                        0.35,
                        0.6,
                        VEGETABLE_HEAT));
    }

    /** Every formula that ships. */
    public static List<Formula> formulas() {
        return List.of(whiteChicken());
    }

    /** White chicken stock, unblanched by default: blanching buys clarity with flavour, and the cook chooses. */
    public static Formula whiteChicken() {
        return new Formula(
                "white-chicken",
                "White chicken stock",
                Family.WHITE,
                1,
                List.of(new Formula.BedShare(CHICKEN_CARCASS, 1)),
                new WaterRule.PerKgBed(1.7),
                List.of(
                        vegetable("onion", "Onion", 6, List.of()),
                        vegetable("carrot", "Carrot", 3, List.of()),
                        vegetable("celery", "Celery", 3, List.of(Allergen.CELERY)),
                        sachet("parsley", "Parsley stems", 2.5),
                        sachet("thyme", "Thyme", 0.8),
                        sachet("bay", "Bay leaf", 0.15),
                        sachet("peppercorn", "White peppercorn", 0.6)),
                List.of(
                        new Phase.Rinse(Duration.ofMinutes(10)),
                        new Phase.Fill(Temperature.ofCelsius(12)),
                        new Phase.BringUp(),
                        new Phase.Simmer(
                                SimmerBand.LAZY,
                                Duration.ofHours(3),
                                Duration.ofHours(2),
                                Duration.ofHours(4),
                                Cover.OPEN,
                                new Phase.TopUp(true, Length.ofCm(2.5), Temperature.ofCelsius(85)),
                                new Phase.Skim(Duration.ofMinutes(15), Duration.ofMinutes(75), Duration.ofMinutes(45))),
                        new Phase.Rest(Duration.ofMinutes(20)),
                        new Phase.Strain(2, false),
                        new Phase.Cool(),
                        new Phase.Degrease(true),
                        new Phase.Portion(Duration.ofMinutes(15))),
                3,
                3,
                List.of(Caution.RAW_BONES, Caution.LIFTING, Caution.TWINE, Caution.HOT_STRAINING));
    }

    private static Part vegetable(String id, String name, double percent, List<Allergen> allergens) {
        return new Part(
                id,
                name,
                Part.Kind.VEGETABLE,
                new Part.Amount.PercentOfBed(percent),
                new Part.When.BeforeTheEnd(Duration.ofMinutes(105)),
                15,
                allergens);
    }

    private static Part sachet(String id, String name, double gramsPerKg) {
        return new Part(
                id,
                name,
                Part.Kind.SACHET,
                new Part.Amount.GramsPerKgBed(gramsPerKg),
                new Part.When.BeforeTheEnd(Duration.ofMinutes(60)),
                0,
                List.of());
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

    private static BedKind.Scum scum(double raw, double blanched, double roasted) {
        return new BedKind.Scum(raw, blanched, roasted);
    }
}
