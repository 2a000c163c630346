package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.BatchState;
import potamos.core.batch.FinishEvent;
import potamos.core.batch.MassLedger;
import potamos.core.batch.Plan;
import potamos.core.batch.WhatIsLeft;
import potamos.core.formula.Leftover;
import potamos.core.quantity.Mass;

/**
 * What is left of the solids that a stock was strained off, and the account of its kilograms.
 *
 * @param offers       what can be made of it, the best first
 * @param weighed      what somebody weighed of it, and as what
 * @param in           what went in
 * @param out          what came out other than as what was weighed
 * @param notWeighedKg solids that nobody has weighed; below nothing where more was weighed than the account leaves
 */
record LeftView(
        @NotNull List<LeftOfferView> offers,
        @NotNull List<KeptView> weighed,
        @NotNull List<MassView> in,
        @NotNull List<MassView> out,
        double notWeighedKg) {

    /** Less than this no floor scale tells. */
    private static final double LEAST_KG = 0.005;

    /** @param until when it has stood for too long to go on */
    record LeftOfferView(@NotNull Leftover as, Optional<Double> aboutKg, Optional<Instant> until, double weighedKg) {}

    /**
     * @param boxId of the larder, by which it goes on; nothing of what is thrown away
     * @param goods as which it lies there
     */
    record KeptView(
            @NotNull String eventId,
            @NotNull Leftover as,
            double kg,
            @NotNull Instant at,
            Optional<String> boxId,
            Optional<String> goods) {
        private static KeptView of(FinishEvent.LeftOver e) {
            String id = e.stamp().id();
            return new KeptView(
                    id, e.as(), e.mass().kg(), e.stamp().at(), e.as().goods().map(goods -> id), e.as().goods());
        }
    }

    record MassView(@NotNull MassLedger.Cause cause, double kg) {}

    static Optional<LeftView> of(Plan plan, BatchState state) {
        return MassLedger.of(plan, state)
                .map(ledger -> new LeftView(
                        WhatIsLeft.offers(ledger, plan, state).stream()
                                .map(offer -> new LeftOfferView(
                                        offer.as(),
                                        offer.about().map(Mass::kg),
                                        offer.until(),
                                        offer.weighed().kg()))
                                .toList(),
                        state.left().weighed().stream().map(KeptView::of).toList(),
                        masses(ledger, true),
                        masses(ledger, false),
                        ledger.notWeighed().kg()));
    }

    private static List<MassView> masses(MassLedger ledger, boolean inward) {
        return ledger.entries().stream()
                .filter(entry -> entry.cause().inward() == inward
                        && Math.abs(entry.mass().kg()) >= LEAST_KG)
                .map(entry -> new MassView(entry.cause(), entry.mass().kg()))
                .toList();
    }
}
