package potamos.core.formula;

import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.Set;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/**
 * What is in a stock, for whoever must not have it, or wants it: all of it goes on into whatever is made of that stock.
 *
 * @param allergens    that must be declared
 * @param traces       what else people ask about
 * @param gelatinGPerL in it, 0 to 400 g/L
 * @param unknown      whether it was drawn with something whose content nobody has written down
 */
public record Contents(Set<Allergen> allergens, Set<Trace> traces, double gelatinGPerL, boolean unknown) {

    /** Of what nobody has written down. */
    public static final Contents UNKNOWN = new Contents(Set.of(), Set.of(), 0, true);

    public Contents {
        allergens = inOrder(Allergen.class, allergens);
        traces = inOrder(Trace.class, traces);
        Refusal.unlessWithin("gelatinGPerL", gelatinGPerL, 0, Liquid.MOST_GELATIN_G_PER_L, "g/L");
    }

    /** In one order, so that what is the same is written the same. */
    private static <E extends Enum<E>> Set<E> inOrder(Class<E> type, Set<E> some) {
        Set<E> all = EnumSet.noneOf(type);
        all.addAll(some);
        return Collections.unmodifiableSet(all);
    }

    /** What no law wants declared, and a station asks about all the same. */
    public enum Trace {
        /** Of land animals: their meat, bones or fat. */
        MEAT,
        /** Of anything that swims, with or without a shell. */
        FISH,
        TOMATO,
        /** Roasted or browned before the water, and so dark. */
        BROWNED
    }

    /**
     * What whatever held this has to be cleaned down of before something else goes in: of all that swims, as far as it is not in that too.
     *
     * @return nothing where it need not be
     */
    public Set<Allergen> cleanedOffFor(Contents next) {
        Set<Allergen> left = EnumSet.noneOf(Allergen.class);
        allergens.stream()
                .filter(Allergen::swims)
                .filter(allergen -> !next.allergens.contains(allergen))
                .forEach(left::add);
        return left;
    }

    /**
     * What is in the two poured together.
     *
     * @param litres      of this
     * @param otherLitres of the other; not both nothing
     */
    public Contents mixed(Volume litres, Contents other, Volume otherLitres) {
        Set<Allergen> allAllergens = new LinkedHashSet<>(allergens);
        allAllergens.addAll(other.allergens);
        Set<Trace> allTraces = new LinkedHashSet<>(traces);
        allTraces.addAll(other.traces);
        double share = litres.litres() / (litres.litres() + otherLitres.litres());
        return new Contents(
                allAllergens,
                allTraces,
                share * gelatinGPerL + (1 - share) * other.gelatinGPerL,
                unknown || other.unknown);
    }

    /** The same of the solids that lay in it; what they have to give is told by their kind. */
    public Contents ofSolids() {
        return new Contents(allergens, traces, 0, unknown);
    }

    /** The same with something in it that nobody has written down. */
    public Contents butUnknown() {
        return new Contents(allergens, traces, gelatinGPerL, true);
    }

    /**
     * What is in the stock of a formula, with what it is drawn with.
     *
     * @param gelatinGPerL that it comes out with
     */
    public static Contents of(Formula formula, double gelatinGPerL) {
        Set<Allergen> allergens = formula.allergens();
        Set<Trace> traces = EnumSet.noneOf(Trace.class);
        formula.fromOtherPots().forEach(contents -> traces.addAll(contents.traces()));
        if (formula.bed().stream().anyMatch(share -> Beds.ofMeat(share.kind()))) {
            traces.add(Trace.MEAT);
        }
        if (allergens.stream().anyMatch(Allergen::swims)) {
            traces.add(Trace.FISH);
        }
        if (formula.parts().stream().anyMatch(part -> part.kind() == Part.Kind.TOMATO)) {
            traces.add(Trace.TOMATO);
        }
        boolean browned = formula.phase(PrepPhase.Roast.class).isPresent()
                || formula.phase(PrepPhase.Brown.class).isPresent()
                || formula.family() == Family.BROWN;
        if (browned) {
            traces.add(Trace.BROWNED);
        }
        return new Contents(allergens, traces, gelatinGPerL, formula.allergensUnknown());
    }
}
