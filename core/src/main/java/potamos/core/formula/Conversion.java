package potamos.core.formula;

import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Refusal;

/** Weights, volumes and counts of an item into each other; exact between units of one kind, by the item's density and piece between kinds. */
public final class Conversion {

    private static final double L_PER_US_GAL = 3.785411784;
    private static final double KG_PER_LB = 0.45359237;

    private Conversion() {}

    /** What a unit measures. */
    public enum Measures {
        VOLUME,
        MASS,
        COUNT,
        TEMPERATURE,
        LENGTH
    }

    /**
     * A unit.
     *
     * @param id     as callers write it
     * @param of     what it measures
     * @param factor litres, kilograms, pieces, kelvins or centimetres in one of it
     */
    public record Unit(String id, Measures of, double factor) {}

    private static final List<Unit> UNITS = List.of(
            new Unit("L", Measures.VOLUME, 1),
            new Unit("mL", Measures.VOLUME, 0.001),
            new Unit("us-gal", Measures.VOLUME, L_PER_US_GAL),
            new Unit("us-qt", Measures.VOLUME, L_PER_US_GAL / 4),
            new Unit("us-pt", Measures.VOLUME, L_PER_US_GAL / 8),
            new Unit("us-cup", Measures.VOLUME, L_PER_US_GAL / 16),
            new Unit("us-fl-oz", Measures.VOLUME, L_PER_US_GAL / 128),
            new Unit("kg", Measures.MASS, 1),
            new Unit("g", Measures.MASS, 0.001),
            new Unit("lb", Measures.MASS, KG_PER_LB),
            new Unit("oz", Measures.MASS, KG_PER_LB / 16),
            new Unit("piece", Measures.COUNT, 1),
            new Unit("C", Measures.TEMPERATURE, 1),
            new Unit("F", Measures.TEMPERATURE, 1 / 1.8),
            new Unit("cm", Measures.LENGTH, 1),
            new Unit("mm", Measures.LENGTH, 0.1),
            new Unit("in", Measures.LENGTH, 2.54));

    /** What went into a conversion, beside the number itself. */
    public enum Basis {
        EXACT,
        DENSITY,
        PIECE
    }

    /** A converted value and what it rests on. */
    public record Converted(double value, Basis basis) {}

    public static List<Unit> units() {
        return UNITS;
    }

    /**
     * Converts.
     *
     * @param item needed between kinds of measure; empty otherwise
     * @throws Refusal on {@code from}, {@code to} or {@code item} when it cannot be done
     */
    public static Converted convert(double value, String from, String to, Optional<Item> item) {
        Refusal.unlessWithin("value", value, -1e7, 1e7, from);
        Unit a = unit("from", from);
        Unit b = unit("to", to);
        if (a.of() == Measures.TEMPERATURE && b.of() == Measures.TEMPERATURE) {
            double celsius = a.id().equals("F") ? (value - 32) / 1.8 : value;
            return new Converted(b.id().equals("F") ? celsius * 1.8 + 32 : celsius, Basis.EXACT);
        }
        double amount = value * a.factor();
        if (a.of() == b.of()) {
            return new Converted(amount / b.factor(), Basis.EXACT);
        }
        boolean material = kilograms(a.of()) && kilograms(b.of());
        if (!material) {
            throw Refusal.of("to", "these two do not measure the same kind of thing");
        }
        Item of = item.orElseThrow(
                () -> Refusal.of("item", "name the item: a weight is a volume or a count only of something"));
        double kg = amount * kgPer(a.of(), of);
        boolean counted = a.of() == Measures.COUNT || b.of() == Measures.COUNT;
        return new Converted(kg / kgPer(b.of(), of) / b.factor(), counted ? Basis.PIECE : Basis.DENSITY);
    }

    private static boolean kilograms(Measures measures) {
        return measures != Measures.TEMPERATURE && measures != Measures.LENGTH;
    }

    private static double kgPer(Measures measures, Item item) {
        if (measures == Measures.VOLUME) {
            return item.kgPerL();
        }
        if (measures == Measures.COUNT) {
            if (item.pieceG() <= 0) {
                throw Refusal.of("item", "nobody counts this by the piece; give a weight or a volume");
            }
            return item.pieceG() / 1000;
        }
        return 1;
    }

    private static Unit unit(String field, String id) {
        return UNITS.stream()
                .filter(unit -> unit.id().equals(id))
                .findFirst()
                .orElseThrow(
                        () -> Refusal.of(
                                field,
                                "one of L, mL, us-gal, us-qt, us-pt, us-cup, us-fl-oz, kg, g, lb, oz, piece, C, F, cm, mm, in"));
    }
}
