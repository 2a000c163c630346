package potamos.core.formula;

import java.time.Duration;
import java.util.List;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/**
 * Something that goes into the pot beside the bed and the water. An item stands once in a formula.
 *
 * @param item   what
 * @param amount how much, relative to the bed or the water
 * @param when   when it goes in
 * @param cutMm  edge of its pieces; 0 where it is not cut
 */
public record Part(Item item, Amount amount, When when, double cutMm) {

    public Part {
        if (item == null || amount == null || when == null) {
            throw Refusal.of("part", "an item, an amount and when it goes in");
        }
        Refusal.unlessWithin("cutMm", cutMm, 0, 300, "mm");
    }

    public String id() {
        return item.id();
    }

    public String name() {
        return item.name();
    }

    public Kind kind() {
        return item.kind();
    }

    public List<Allergen> allergens() {
        return item.allergens();
    }

    public Part withAmount(Amount other) {
        return new Part(item, other, when, cutMm);
    }

    public Part goingIn(When other) {
        return new Part(item, amount, other, cutMm);
    }

    public Part cutTo(double edgeMm) {
        return new Part(item, amount, when, edgeMm);
    }

    /** What a part counts as in the pot. */
    public enum Kind {
        VEGETABLE,
        TOMATO,
        WINE,
        FAT,
        SACHET,
        SEASONING,
        BODY
    }

    /** How much of a part, always relative, so that every charge keeps the ratio. */
    public sealed interface Amount {

        /** The mass for a charge. */
        Mass of(Mass bed, Volume water);

        /** So many times as much. */
        Amount times(double factor);

        /** Per cent of the bed's mass. */
        record PercentOfBed(double percent) implements Amount {
            public PercentOfBed {
                Refusal.unlessWithin("percentOfBed", percent, 0, 300, "%");
            }

            @Override
            public Mass of(Mass bed, Volume water) {
                return bed.times(percent / 100);
            }

            @Override
            public Amount times(double factor) {
                return new PercentOfBed(percent * factor);
            }
        }

        /** Grams for each kilogram of bed. */
        record GramsPerKgBed(double grams) implements Amount {
            public GramsPerKgBed {
                Refusal.unlessWithin("gramsPerKgBed", grams, 0, 3000, "g/kg");
            }

            @Override
            public Mass of(Mass bed, Volume water) {
                return Mass.ofGrams(grams * bed.kg());
            }

            @Override
            public Amount times(double factor) {
                return new GramsPerKgBed(grams * factor);
            }
        }

        /** Grams for each litre of water drawn. */
        record GramsPerLitre(double grams) implements Amount {
            public GramsPerLitre {
                Refusal.unlessWithin("gramsPerLitre", grams, 0, 1000, "g/L");
            }

            @Override
            public Mass of(Mass bed, Volume water) {
                return Mass.ofGrams(grams * water.litres());
            }

            @Override
            public Amount times(double factor) {
                return new GramsPerLitre(grams * factor);
            }
        }
    }

    /** When a part goes in. */
    public sealed interface When {

        /** With the bed, cold. */
        record WithTheBed() implements When {}

        /** So long before the simmer is planned to end. */
        record BeforeTheEnd(Duration before) implements When {
            public BeforeTheEnd {
                minutes("beforeTheEndMin", before);
            }
        }

        /** So long after the simmer is reached. */
        record IntoTheSimmer(Duration after) implements When {
            public IntoTheSimmer {
                minutes("intoTheSimmerMin", after);
            }
        }

        private static void minutes(String field, Duration time) {
            Refusal.unlessWithin(field, time.toSeconds() / 60.0, 0, 48 * 60, "min");
        }
    }
}
