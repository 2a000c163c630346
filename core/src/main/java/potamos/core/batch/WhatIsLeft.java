package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.formula.Formula;
import potamos.core.formula.Leftover;
import potamos.core.quantity.Mass;

/**
 * What was weighed of the solids, and of the fat, that a stock was strained off.
 *
 * @param weighed   in the order in which it was
 * @param pickedOut scorched pieces that were left out of the pot
 */
public record WhatIsLeft(List<FinishEvent.LeftOver> weighed, Mass pickedOut) {

    public WhatIsLeft {
        weighed = List.copyOf(weighed);
    }

    /**
     * Something that can be made of them.
     *
     * @param about   what it may weigh, all of it; nothing where that is for the cook's hands to find out
     * @param until   when it has stood for too long to go on; nothing of what may stand
     * @param weighed of it, so far
     */
    public record Offer(Leftover as, Optional<Mass> about, Optional<Instant> until, Mass weighed) {}

    /** Weighed as something. */
    public Mass of(Leftover as) {
        return sum(weighed.stream().filter(one -> one.as() == as).toList());
    }

    /** Weighed of the solids. */
    Mass solids() {
        return sum(weighed.stream().filter(one -> one.as().solid()).toList());
    }

    private static Mass sum(List<FinishEvent.LeftOver> some) {
        return some.stream().map(FinishEvent.LeftOver::mass).reduce(Mass.ZERO, Mass::plus);
    }

    /**
     * What can be made of what a batch was strained off, the best first.
     *
     * @param ledger of its kilograms
     */
    public static List<Offer> offers(MassLedger ledger, Plan plan, BatchState state) {
        Formula formula = plan.charge().formula();
        return Leftover.of(formula).stream()
                .map(as -> new Offer(
                        as,
                        about(as, formula, ledger, state),
                        until(as, plan, state),
                        state.left().of(as)))
                .toList();
    }

    private static Optional<Mass> about(Leftover as, Formula formula, MassLedger ledger, BatchState state) {
        return switch (as) {
            case SECOND_WETTING, SECOND_STEEP -> Optional.of(ledger.spentBed().times(as.shareOf(formula)));
            case FAT -> Optional.of(ledger.fat());
            // What is neither kept for anything nor thrown away yet.
            case COMPOST ->
                Optional.of(ledger.solids()
                        .minus(state.left().solids())
                        .orNone()
                        .plus(state.left().of(as)));
            case PICKED_MEAT, RELISH, PUREE -> Optional.empty();
        };
    }

    /** Warm solids may stand for as long as a stock may take to its first mark; fat keeps, and what is thrown away has no hurry. */
    static Optional<Instant> until(Leftover as, Plan plan, BatchState state) {
        Duration within = plan.limits().stages().get(0).within();
        return as.solid() && as != Leftover.COMPOST
                ? state.cooling().strainedAt().map(at -> at.plus(within))
                : Optional.empty();
    }
}
