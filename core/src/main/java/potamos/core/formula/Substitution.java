package potamos.core.formula;

import java.util.List;
import potamos.core.quantity.Refusal;

/** Another item in the place of one, in a quantity that keeps the ratio. */
public final class Substitution {

    private Substitution() {}

    /**
     * The formula with one item standing for another: the same mass, at the same time, in the same cut.
     *
     * @throws Refusal on {@code item} when the formula does not have it, on {@code by} when it has the other already or they are of different kinds
     */
    public static Formula replace(Formula formula, String item, Item by) {
        Part part = formula.parts().stream()
                .filter(p -> p.id().equals(item))
                .findFirst()
                .orElseThrow(() -> Refusal.of("item", "this formula has no such part"));
        if (formula.parts().stream().anyMatch(p -> p.id().equals(by.id()))) {
            throw Refusal.of("by", "this formula has that already; change its amount instead");
        }
        if (part.kind() != by.kind()) {
            throw Refusal.of("by", "another kind of thing; the ratio would mean something else");
        }
        List<Part> parts = formula.parts().stream()
                .map(p -> p == part ? new Part(by, p.amount(), p.when(), p.cutMm()) : p)
                .toList();
        return formula.withParts(parts);
    }
}
