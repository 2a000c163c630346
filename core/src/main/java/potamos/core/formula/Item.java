package potamos.core.formula;

import java.util.List;
import java.util.regex.Pattern;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;

/**
 * Something that a larder holds and that may go into a pot, with the figures that its use needs.
 *
 * @param id              stable name in data, such as {@code onion}
 * @param name            name for people
 * @param kind            what it counts as in the pot
 * @param kgPerL          what a litre of it weighs as it is measured: chopped, picked, ground or poured
 * @param pieceG          what a usual piece weighs; 0 where nobody counts it
 * @param driedKgPerL     what a litre of its dried form weighs; 0 where there is none
 * @param uptakeLPerKg    liquor that stays in it when it is strained out; below 0 where it gives its own water
 * @param saltGPerKg      NaCl in it
 * @param sulphitesMgPerL sulphites in a litre of it
 * @param traits          what to look out for
 * @param allergens       what it brings
 */
public record Item(
        String id,
        String name,
        Part.Kind kind,
        double kgPerL,
        double pieceG,
        double driedKgPerL,
        double uptakeLPerKg,
        double saltGPerKg,
        double sulphitesMgPerL,
        List<Trait> traits,
        List<Allergen> allergens) {

    private static final Pattern ID = Pattern.compile("[a-z0-9-]{1,60}");

    public Item {
        if (id == null || !ID.matcher(id).matches()) {
            throw Refusal.of("id", "small letters, digits and hyphens, up to 60");
        }
        if (name == null || name.isBlank() || name.length() > 80) {
            throw Refusal.outside("name", "too short or too long", 1, 80, "characters");
        }
        if (kind == null) {
            throw Refusal.of("kind", "what it counts as in the pot");
        }
        Refusal.unlessWithin("kgPerL", kgPerL, 0.01, 3, "kg/L");
        Refusal.unlessWithin("pieceG", pieceG, 0, 5000, "g");
        Refusal.unlessWithin("driedKgPerL", driedKgPerL, 0, 2, "kg/L");
        Refusal.unlessWithin("uptakeLPerKg", uptakeLPerKg, -1, 12, "L/kg");
        Refusal.unlessWithin("saltGPerKg", saltGPerKg, 0, 1000, "g/kg");
        Refusal.unlessWithin("sulphitesMgPerL", sulphitesMgPerL, 0, 2000, "mg/L");
        traits = List.copyOf(traits);
        allergens = List.copyOf(allergens);
    }

    /** What a cook looks out for in an item. */
    public enum Trait {
        /** Bitter in a long simmer: cabbages, turnip, kale. */
        BRASSICA,
        /** Bell pepper: bitter in a long simmer. */
        PEPPER,
        /** Colours everything red-brown. */
        BEET,
        /** Bitter when it boils; iodine. */
        KELP,
        /** Dried fish, strewn on after the heat and never simmered. */
        FLAKES,
        /** Burns; flamed with care. */
        SPIRIT,
        /** From an animal: not in a meat-free stock. */
        ANIMAL,
        /** Thickens and clouds. */
        STARCH
    }

    public boolean has(Trait trait) {
        return traits.contains(trait);
    }
}
