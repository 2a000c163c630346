package potamos.core.flow;

import java.util.List;
import java.util.Map;

/**
 * One thing that a computed figure rests on.
 *
 * @param term      which
 * @param value     how much, in the term's measure
 * @param basis     what that rests on itself
 * @param bandShare the part of what is not known of the figure that comes from it, 0 to 1
 */
public record Ground(Term term, double value, Why.Basis basis, double bandShare) {

    /** What a term is measured in. */
    public enum Measure {
        LITRES,
        KILOGRAMS,
        GRAMS,
        GRAMS_PER_LITRE,
        CELSIUS,
        MINUTES,
        HOURS,
        KILOWATTS,
        CENTIMETRES,
        /** Of a whole, 0 to 1. */
        SHARE,
        FACTOR,
        COUNT
    }

    /** What figures rest on. */
    public enum Term {
        /** Collagen that the bed can give. */
        COLLAGEN(Measure.GRAMS),
        /** In which half of it is given at 95 °C. */
        HALF_TIME(Measure.HOURS),
        SIMMER_AT(Measure.CELSIUS),
        SIMMER_FOR(Measure.MINUTES),
        /** Of the collagen, what has come out by the end. */
        GIVEN(Measure.SHARE),
        /** With a stock that was drawn instead of water. */
        BROUGHT(Measure.GRAMS),
        /** That it is dissolved in at the end. */
        LIQUOR(Measure.LITRES),
        WATER(Measure.LITRES),
        SOLIDS(Measure.KILOGRAMS),
        WATER_AT(Measure.CELSIUS),
        /** What an oven is set to that a pot simmers in. */
        OVEN_AT(Measure.CELSIUS),
        BURNER(Measure.KILOWATTS),
        INTO_THE_POT(Measure.SHARE),
        /** Across the pot. */
        WIDTH(Measure.CENTIMETRES),
        /** Of the open surface, what the lid leaves. */
        COVER(Measure.SHARE),
        EVAPORATION(Measure.FACTOR),
        AIR(Measure.CELSIUS),
        CONTAINERS(Measure.COUNT),
        EACH(Measure.LITRES),
        STRAINED_AT(Measure.CELSIUS),
        MEDIUM(Measure.CELSIUS),
        ICE(Measure.KILOGRAMS),
        /** How well heat goes through the wall, and how it is stirred. */
        WALL(Measure.FACTOR),
        /** Of what parts it from its medium, what goes in ten minutes by its own readings. */
        IN_TEN_MINUTES(Measure.SHARE);

        private final Measure measure;

        Term(Measure measure) {
            this.measure = measure;
        }

        public Measure measure() {
            return measure;
        }
    }

    /** One that nothing of the band comes from. */
    public static Ground of(Term term, double value, Why.Basis basis) {
        return new Ground(term, value, basis, 0);
    }

    /** With its part of the band, going by what one standard deviation of each term does to the figure. */
    static List<Ground> shared(List<Ground> grounds, Map<Term, Double> effects) {
        double variance = effects.values().stream().mapToDouble(e -> e * e).sum();
        return grounds.stream()
                .map(ground -> {
                    double effect = effects.getOrDefault(ground.term, 0.0);
                    double share = variance > 0 ? effect * effect / variance : 0;
                    return new Ground(ground.term, ground.value, ground.basis, share);
                })
                .toList();
    }
}
