package potamos.core.flow;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Volume;

/**
 * One of the reasons for which so many litres are expected.
 *
 * @param term      what moves them
 * @param litres    so many; the term tells in which direction
 * @param basis     what that rests on
 * @param bandShare the part of what is not known that comes from it, 0 to 1
 */
public record Why(Ledger.Cause term, Volume litres, Basis basis, double bandShare) {

    /** What a term rests on. */
    public enum Basis {
        /** As the plan has it. */
        PLANNED,
        /** The trade's usual figure. */
        BOOK,
        /** What this kitchen has learnt. */
        KITCHEN,
        /** Weighed, read or logged in this very batch. */
        MEASURED;

        /** Of an estimate. */
        public static Basis of(Estimate estimate) {
            return switch (estimate.basis()) {
                case BOOK_DEFAULT -> BOOK;
                case CALIBRATED, MEASURED_HERE -> KITCHEN;
            };
        }
    }

    /** Less is nothing that anybody would ask about. */
    private static final double LEAST_L = 0.005;

    /**
     * The reasons of a ledger, in its order.
     *
     * @param effects litres by which one standard deviation of a term moves what comes out; terms that are known have none
     * @param basis   of each term
     */
    public static List<Why> of(Ledger ledger, Map<Ledger.Cause, Double> effects, Function<Ledger.Cause, Basis> basis) {
        double variance = effects.values().stream().mapToDouble(e -> e * e).sum();
        List<Why> reasons = new ArrayList<>();
        for (Ledger.Entry entry : ledger.entries()) {
            double effect = effects.getOrDefault(entry.cause(), 0.0);
            double share = variance > 0 ? effect * effect / variance : 0;
            if (entry.amount().litres() >= LEAST_L) {
                reasons.add(new Why(entry.cause(), entry.amount(), basis.apply(entry.cause()), share));
            }
        }
        return reasons;
    }
}
