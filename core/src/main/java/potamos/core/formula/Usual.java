package potamos.core.formula;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the trade calls usual. A formula outside it is not forbidden; the cook is told what is unusual and what that does. */
public final class Usual {

    private Usual() {}

    /** Ovens that roast hot and fast, and overnight. */
    static final Range HOT_OVEN_C = new Range(145, 230);

    static final Range SLOW_OVEN_C = new Range(110, 130);

    /** A usual range, ends included. */
    public record Range(double low, double high) {
        public boolean holds(double value) {
            return value >= low - 1e-9 && value <= high + 1e-9;
        }

        /** The end that a value outside is nearer to. */
        public double nearer(double value) {
            return value < low ? low : high;
        }
    }

    /** What is unusual, and with it what that does. */
    public enum Matter {
        /** Litres of water for each kg of bed. */
        WATER,
        /** Vegetables in % of the bones. */
        VEGETABLES,
        /** Tomato in % of the bones. */
        TOMATO,
        /** Length of the simmer in minutes. */
        SIMMER,
        /** Oven in °C. */
        OVEN,
        /** Shade to roast to. */
        SHADE,
        /** Kelp in g/L. */
        KELP,
        /** Days in the cold. */
        KEEPING
    }

    /**
     * Something unusual.
     *
     * @param matter what
     * @param field  where it stands in the formula
     * @param value  as it is
     * @param usual  as it usually is
     * @param unit   of both
     */
    public record Remark(Matter matter, String field, double value, Range usual, String unit) {}

    /** Litres of water for each kilogram of raw bed; empty where the family has no usual figure. */
    public static Optional<Range> water(Family family) {
        return Optional.ofNullable(
                switch (family) {
                    case BROWN -> new Range(1.4, 1.9);
                    case WHITE -> new Range(1.5, 2.0);
                    case FISH -> new Range(0.9, 1.2);
                    case SHELLFISH -> new Range(1.8, 2.5);
                    case VEGETABLE -> new Range(1.4, 4.0);
                    case INFUSED -> new Range(4, 50);
                    case SECOND_WETTING -> new Range(0.9, 1.5);
                    default -> null;
                });
    }

    private static Optional<Range> vegetables(Family family) {
        return Optional.ofNullable(
                switch (family) {
                    case BROWN, WHITE -> new Range(10, 15);
                    case FISH -> new Range(15, 25);
                    case SHELLFISH -> new Range(20, 30);
                    default -> null;
                });
    }

    private static Optional<Range> simmerMin(Family family) {
        return Optional.ofNullable(
                switch (family) {
                    case BROWN -> new Range(90, 48 * 60);
                    case WHITE -> new Range(120, 360);
                    case FISH -> new Range(20, 35);
                    case SHELLFISH -> new Range(40, 90);
                    case VEGETABLE -> new Range(30, 90);
                    case SECOND_WETTING -> new Range(60, 360);
                    case COURT_BOUILLON -> new Range(20, 40);
                    default -> null;
                });
    }

    /** Everything unusual about a formula, in the order of its work. */
    public static List<Remark> remarks(Formula formula) {
        List<Remark> remarks = new ArrayList<>();
        Family family = formula.family();
        if (formula.water() instanceof WaterRule.PerKgBed rule && !formula.bed().isEmpty()) {
            water(family).ifPresent(r -> note(remarks, Matter.WATER, "water", rule.litresPerKg(), r, "L/kg"));
        }
        vegetables(family)
                .ifPresent(
                        r -> note(remarks, Matter.VEGETABLES, "parts", percent(formula, Part.Kind.VEGETABLE), r, "%"));
        double tomato = percent(formula, Part.Kind.TOMATO);
        if (family == Family.BROWN && tomato > 0) {
            note(remarks, Matter.TOMATO, "parts", tomato, new Range(3, 6), "%");
        }
        simmerMin(family)
                .ifPresent(r -> note(
                        remarks,
                        Matter.SIMMER,
                        "procedure",
                        formula.simmer().usual().toMinutes(),
                        r,
                        "min"));
        formula.phase(PrepPhase.Roast.class).ifPresent(roast -> {
            double celsius = roast.oven().celsius();
            Range ovens = celsius < HOT_OVEN_C.low() ? SLOW_OVEN_C : HOT_OVEN_C;
            note(remarks, Matter.OVEN, "procedure", celsius, ovens, "°C");
            note(remarks, Matter.SHADE, "procedure", roast.shade(), new Range(4, 6.5), "on the shade card");
        });
        for (Part part : formula.parts()) {
            if (part.item().has(Item.Trait.KELP) && part.amount() instanceof Part.Amount.GramsPerLitre grams) {
                note(remarks, Matter.KELP, "parts", grams.grams(), new Range(2, 12), "g/L");
            }
        }
        boolean sea = family == Family.FISH || family == Family.SHELLFISH || family == Family.INFUSED;
        note(remarks, Matter.KEEPING, "coldDays", formula.coldDays(), new Range(1, sea ? 2 : 5), "days");
        return remarks;
    }

    private static double percent(Formula formula, Part.Kind kind) {
        double percent = 0;
        for (Part part : formula.parts()) {
            if (part.kind() == kind && part.amount() instanceof Part.Amount.PercentOfBed share) {
                percent += share.percent();
            }
        }
        return percent;
    }

    private static void note(
            List<Remark> remarks, Matter matter, String field, double value, Range usual, String unit) {
        if (!usual.holds(value)) {
            remarks.add(new Remark(matter, field, value, usual, unit));
        }
    }
}
