package potamos.core.charge;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import potamos.core.figure.Figure;
import potamos.core.formula.Contents;
import potamos.core.formula.Contents.Trace;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;
import potamos.core.formula.Substitution;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.liquor.Body;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.safety.Allergen;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;

/**
 * What a station must not have in its stock, and what its stock must be.
 *
 * @param without allergens that must not be in it
 * @param needs   what else it must be
 */
public record Needs(Set<Allergen> without, Set<Need> needs) {

    /** Anything will do. */
    public static final Needs NONE = new Needs(Set.of(), Set.of());

    public Needs {
        without = Set.copyOf(without);
        needs = Set.copyOf(needs);
    }

    /** What a stock must be. */
    public enum Need {
        /** Neither browned nor with tomato. */
        PALE("is browned or has tomato in it", Trace.BROWNED, Trace.TOMATO),
        NO_TOMATO("has tomato in it", Trace.TOMATO),
        /** Nothing of land animals in it. */
        MEAT_FREE("is made with meat or bones", Trace.MEAT),
        /** Nothing that swims in it. */
        FISH_FREE("is made with fish or shellfish", Trace.FISH),
        /** Stands by itself when it is cold. */
        SETS("does not set when it is cold");

        private final String refusal;
        private final Set<Trace> never;

        Need(String refusal, Trace... never) {
            this.refusal = refusal;
            this.never = Set.of(never);
        }

        /** Whether it can be seen in the pot, whatever went into it before. */
        private boolean seen() {
            return this == PALE || this == SETS;
        }

        private boolean metBy(Contents contents) {
            return this == SETS
                    ? Body.of(contents.gelatinGPerL()).sets()
                    : contents.traces().stream().noneMatch(never::contains);
        }
    }

    /** An item that stands against what is needed, and another that could stand in its place. */
    public record Swap(Item item, Item by) {}

    /** Only allergens. */
    public static Needs without(Set<Allergen> allergens) {
        return new Needs(allergens, Set.of());
    }

    /** Whether anything will do. */
    public boolean none() {
        return without.isEmpty() && needs.isEmpty();
    }

    /** These and others as well. */
    public Needs and(Needs others) {
        Set<Allergen> allergens = EnumSet.noneOf(Allergen.class);
        allergens.addAll(without);
        allergens.addAll(others.without);
        Set<Need> all = EnumSet.noneOf(Need.class);
        all.addAll(needs);
        all.addAll(others.needs);
        return new Needs(allergens, all);
    }

    /**
     * Why a stock may not go to whoever needs this. What is not known is refused.
     *
     * @param name of the stock, for people
     * @return empty when it may
     */
    public Optional<String> refused(String name, Contents contents) {
        Optional<String> contained = contents.allergens().stream()
                .filter(without::contains)
                .min(Comparator.naturalOrder())
                .map(allergen -> name + " contains " + Figure.word(allergen));
        Optional<String> otherwise = needs.stream()
                .filter(need -> !need.metBy(contents))
                .min(Comparator.naturalOrder())
                .map(need -> name + " " + need.refusal);
        boolean mustBeKnown = !without.isEmpty() || needs.stream().anyMatch(need -> !need.seen());
        Optional<String> unknown = contents.unknown() && mustBeKnown
                ? Optional.of("what the stock contained that " + name + " is drawn with is not known")
                : Optional.empty();
        return contained.or(() -> otherwise).or(() -> unknown);
    }

    /** Why no batch of a formula, made as it is written, may go to whoever needs this; whether it sets is judged in a pot of the book. */
    public Optional<String> refused(Formula formula) {
        double strength = needs.contains(Need.SETS)
                ? ChargeSolver.solve(formula, ofTheBook(), new Goal.FullVessel())
                        .forecast()
                        .gelatinGPerL()
                : 0;
        return refused(formula.name(), Contents.of(formula, strength));
    }

    /** What could stand in the place of a part, if that part alone is in the way. */
    public Optional<Swap> swapped(Formula formula) {
        return formula.parts().stream()
                .map(Part::item)
                .flatMap(item -> Pantry.inPlaceOf(item).map(by -> new Swap(item, by)).stream())
                .filter(swap -> formula.parts().stream()
                        .noneMatch(part -> part.id().equals(swap.by().id())))
                .filter(swap -> refused(
                                Substitution.replace(formula, swap.item().id(), swap.by()))
                        .isEmpty())
                .findFirst();
    }

    private static Pot ofTheBook() {
        Vessel vessel = new Vessel(
                "pot",
                new Shape.Cylinder(Length.ofCm(36), Length.ofCm(40)),
                Vessel.bookKappa(),
                Mass.ofKg(5),
                Vessel.Handling.LIFTED);
        return new Pot(vessel, new Burner("gas", Power.ofKilowatts(9), Burner.BOOK_GAS), Air.usualAt(Length.ZERO));
    }
}
