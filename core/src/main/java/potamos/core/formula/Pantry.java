package potamos.core.formula;

import java.util.List;
import java.util.Optional;
import potamos.core.formula.Item.Trait;
import potamos.core.formula.Part.Kind;
import potamos.core.safety.Allergen;

/**
 * The usual items and their figures, as a kitchen starts from them: densities as measured in a jug, weights of a usual piece.
 *
 * <p>Ordinary kitchen figures, good to a fifth; a scale is better.
 */
public final class Pantry {

    /** Liquor that cooked vegetables hold when drained, as the book has it for mixed vegetables. */
    private static final double VEGETABLE_UPTAKE = 0.25;

    private static final double WINE_SULPHITES_MG_PER_L = 90;

    private static final List<Item> ITEMS = List.of(
            vegetable("onion", "Onion", 0.58, 150),
            vegetable("carrot", "Carrot", 0.60, 90),
            celery("celery", "Celery", 0.50, 60),
            celery("celeriac", "Celeriac", 0.55, 600),
            vegetable("leek", "Leek", 0.40, 180),
            vegetable("shallot", "Shallot", 0.56, 25),
            vegetable("garlic", "Garlic", 0.60, 5),
            vegetable("fennel", "Fennel", 0.45, 250),
            vegetable("parsnip", "Parsnip", 0.55, 120),
            vegetable("mushroom", "Mushroom", 0.32, 18),
            vegetable("mushroom-trim", "Mushroom trim", 0.28, 0),
            vegetable("ginger", "Ginger", 0.60, 60),
            vegetable("cabbage", "Cabbage", 0.35, 900, Trait.BRASSICA),
            vegetable("turnip", "Turnip", 0.58, 120, Trait.BRASSICA),
            vegetable("bell-pepper", "Bell pepper", 0.45, 170, Trait.PEPPER),
            vegetable("beetroot", "Beetroot", 0.60, 130, Trait.BEET),
            vegetable("potato", "Potato", 0.65, 140, Trait.STARCH),
            item("tomato", "Tomato", Kind.TOMATO, 0.90, 110, 0, 0.05),
            item("tomato-paste", "Tomato paste", Kind.TOMATO, 1.10, 0, 0, 0),
            herb("parsley-stems", "Parsley stems", 0.12, 0.10, 0),
            herb("thyme", "Thyme", 0.08, 0.18, 0.8),
            herb("bay", "Bay leaf", 0.04, 0.06, 0.2),
            herb("tarragon", "Tarragon", 0.08, 0.14, 0.8),
            spice("peppercorn-white", "White peppercorn", 0.60),
            spice("peppercorn-black", "Black peppercorn", 0.56),
            spice("clove", "Clove", 0.45),
            spice("juniper", "Juniper berry", 0.40),
            spice("fennel-seed", "Fennel seed", 0.42),
            new Item(
                    "kelp-dried",
                    "Dried kelp",
                    Kind.BODY,
                    0.10,
                    10,
                    0,
                    4.0,
                    Beds.KELP_SALT,
                    0,
                    List.of(Trait.KELP),
                    List.of()),
            new Item(
                    "fish-flakes-dried",
                    "Dried fish flakes",
                    Kind.BODY,
                    0.04,
                    0,
                    0,
                    3.0,
                    Beds.FLAKES_SALT,
                    0,
                    List.of(Trait.FLAKES),
                    List.of(Allergen.FISH)),
            item("shiitake-dried", "Dried shiitake", Kind.BODY, 0.12, 4, 0, 3.5),
            new Item(
                    "barley-pearl",
                    "Pearl barley",
                    Kind.BODY,
                    0.80,
                    0,
                    0,
                    2.2,
                    0,
                    0,
                    List.of(Trait.STARCH),
                    List.of(Allergen.GLUTEN)),
            liquid(
                    "wine-white",
                    "Dry white wine",
                    Kind.WINE,
                    0.99,
                    WINE_SULPHITES_MG_PER_L,
                    List.of(Allergen.SULPHITES)),
            liquid("wine-red", "Red wine", Kind.WINE, 0.99, 70, List.of(Allergen.SULPHITES)),
            new Item("brandy", "Brandy", Kind.WINE, 0.95, 0, 0, 0, 0, 0, List.of(Trait.SPIRIT), List.of()),
            liquid("vinegar-white-wine", "White wine vinegar", Kind.WINE, 1.01, 60, List.of(Allergen.SULPHITES)),
            new Item("butter", "Butter", Kind.FAT, 0.91, 0, 0, 0, 0, 0, List.of(Trait.ANIMAL), List.of(Allergen.MILK)),
            item("oil", "Neutral oil", Kind.FAT, 0.92, 0, 0, 0),
            seasoning("salt", "Salt", 1.20, 1000),
            seasoning("preserved-vegetables", "Salted preserved vegetables", 0.95, 80),
            new Item(
                    "miso",
                    "Miso",
                    Kind.SEASONING,
                    1.15,
                    0,
                    0,
                    0,
                    120,
                    0,
                    List.of(),
                    List.of(Allergen.SOY, Allergen.GLUTEN)),
            new Item(
                    "soy-sauce",
                    "Soy sauce",
                    Kind.SEASONING,
                    1.16,
                    0,
                    0,
                    0,
                    150,
                    0,
                    List.of(),
                    List.of(Allergen.SOY, Allergen.GLUTEN)),
            seasoning("mushroom-powder", "Mushroom powder", 0.45, 60));

    private Pantry() {}

    public static List<Item> items() {
        return ITEMS;
    }

    /** What a cook takes in the place of an item that somebody must not have, in the same quantity; empty where nothing does its work. */
    public static Optional<Item> inPlaceOf(Item item) {
        return switch (item.id()) {
            case "celery" -> find("fennel");
            case "celeriac" -> find("parsnip");
            case "butter" -> find("oil");
            default -> Optional.empty();
        };
    }

    public static Optional<Item> find(String id) {
        return ITEMS.stream().filter(item -> item.id().equals(id)).findFirst();
    }

    static Item of(String id) {
        return find(id).orElseThrow();
    }

    private static Item vegetable(String id, String name, double kgPerL, double pieceG, Trait... traits) {
        return new Item(
                id, name, Kind.VEGETABLE, kgPerL, pieceG, 0, VEGETABLE_UPTAKE, 0, 0, List.of(traits), List.of());
    }

    private static Item celery(String id, String name, double kgPerL, double pieceG) {
        return new Item(
                id,
                name,
                Kind.VEGETABLE,
                kgPerL,
                pieceG,
                0,
                VEGETABLE_UPTAKE,
                0,
                0,
                List.of(),
                List.of(Allergen.CELERY));
    }

    private static Item item(
            String id, String name, Kind kind, double kgPerL, double pieceG, double driedKgPerL, double uptake) {
        return new Item(id, name, kind, kgPerL, pieceG, driedKgPerL, uptake, 0, 0, List.of(), List.of());
    }

    private static Item herb(String id, String name, double kgPerL, double driedKgPerL, double pieceG) {
        return item(id, name, Kind.SACHET, kgPerL, pieceG, driedKgPerL, VEGETABLE_UPTAKE);
    }

    private static Item spice(String id, String name, double kgPerL) {
        return item(id, name, Kind.SACHET, kgPerL, 0, 0, VEGETABLE_UPTAKE);
    }

    private static Item seasoning(String id, String name, double kgPerL, double saltGPerKg) {
        return new Item(id, name, Kind.SEASONING, kgPerL, 0, 0, 0, saltGPerKg, 0, List.of(), List.of());
    }

    private static Item liquid(
            String id, String name, Kind kind, double kgPerL, double sulphites, List<Allergen> allergens) {
        return new Item(id, name, kind, kgPerL, 0, 0, 0, 0, sulphites, List.of(), allergens);
    }
}
