package potamos.core.course;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/**
 * Stock that there is, or is going to be whatever the course does.
 *
 * @param formula   its slug
 * @param allergens in it
 * @param from      when it can be had
 * @param useBy     until when
 * @param unknown   whether it was drawn with something whose content nobody has written down: it is for no call that leaves something out
 */
public record Lot(
        String id,
        String formula,
        Volume litres,
        Instant from,
        Instant useBy,
        Set<Allergen> allergens,
        boolean unknown) {

    public Lot {
        allergens = Set.copyOf(allergens);
    }

    /** Why it is not for a call; empty when it may be. */
    Optional<String> refusedFor(Call call) {
        if (!formula.equals(call.formula().slug())) {
            return Optional.of("it is another stock");
        }
        if (call.by().isAfter(useBy)) {
            return Optional.of("it is past its use-by then");
        }
        if (unknown && !call.without().isEmpty()) {
            return Optional.of("what it contains is not known");
        }
        return allergens.stream().anyMatch(call.without()::contains)
                ? Optional.of("it contains what the call is without")
                : Optional.empty();
    }

    static Lot of(Draft draft) {
        Formula formula = draft.charge().formula();
        return new Lot(
                draft.id(),
                formula.slug(),
                draft.litres(),
                draft.ready(),
                draft.useBy(),
                formula.allergens(),
                formula.allergensUnknown());
    }
}
