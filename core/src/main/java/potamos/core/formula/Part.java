package potamos.core.formula;

import java.time.Duration;
import java.util.List;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/**
 * Something that goes into the pot beside the bed and the water.
 *
 * @param id        stable name within its formula
 * @param name      name for people
 * @param kind      what it counts as
 * @param amount    how much, relative to the bed or the water
 * @param when      when it goes in
 * @param cutMm     edge of its pieces; 0 where it is not cut
 * @param allergens what it brings
 */
public record Part(
        String id, String name, Kind kind, Amount amount, When when, double cutMm, List<Allergen> allergens) {

    public Part {
        allergens = List.copyOf(allergens);
        Refusal.unlessWithin("cutMm", cutMm, 0, 300, "mm");
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

        /** Per cent of the bed's mass. */
        record PercentOfBed(double percent) implements Amount {
            public PercentOfBed {
                Refusal.unlessWithin("percentOfBed", percent, 0, 300, "%");
            }

            @Override
            public Mass of(Mass bed, Volume water) {
                return bed.times(percent / 100);
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
        }
    }

    /** When a part goes in. */
    public sealed interface When {

        /** With the bed, cold. */
        record WithTheBed() implements When {}

        /** So long before the simmer is planned to end. */
        record BeforeTheEnd(Duration before) implements When {}

        /** So long after the simmer is reached. */
        record IntoTheSimmer(Duration after) implements When {}
    }
}
