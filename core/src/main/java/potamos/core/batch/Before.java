package potamos.core.batch;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.figure.Figure;
import potamos.core.formula.Formula;
import potamos.core.formula.Leftover;
import potamos.core.formula.Phase;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/**
 * How a batch stands before an entry, as the entry's kind asks about it. What makes no sense is refused with a reason that tells what to do instead.
 *
 * @param plan  as accepted
 * @param state before the entry
 */
record Before(Plan plan, BatchState state) {

    /** A jug is read to a few per cent; more than this over what the pot held is a slip. */
    static final double JUG = 1.05;

    static final double BOILING_SLACK_K = 3;

    private static final String LIES_FROZEN = "it lies frozen; take it out of the freezer first, and log that";

    private static final double LEAST_CUBE_L = 0.005;
    private static final double MOST_CUBE_L = 0.25;

    /** @throws Refusal with the reason when it does not hold */
    void require(boolean holds, String reason) {
        if (!holds) {
            throw Refusal.of("act", reason);
        }
    }

    void once(Optional<Instant> already, String reason) {
        require(already.isEmpty(), reason);
    }

    void atMost(String field, Volume asked, double most, String reason) {
        if (asked.litres() > most + 1e-9) {
            throw Refusal.outside(field, reason, 0, Math.max(0, most), "L");
        }
    }

    /** Water is in the pot, or was. */
    boolean full() {
        return state.stage().compareTo(Stage.BRING_UP) >= 0 || !state.course().isEmpty();
    }

    /** There is liquor in the pot. */
    boolean working() {
        return full() && !strained();
    }

    void inThePot() {
        require(working(), "the pot is not filled, or already strained");
    }

    boolean lit() {
        return state.simmer().lit().isPresent();
    }

    boolean ended() {
        return state.simmer().ended().isPresent();
    }

    boolean strained() {
        return state.strained().isPresent();
    }

    void judgedEnough() {
        require(ended(), "judge the end of the simmer first");
    }

    void strainedFirst() {
        require(strained(), "strain it first");
    }

    void outKnown() {
        require(state.out().isPresent(), "reduce it to its mark first, or log what it was reduced to");
    }

    boolean coolingFailed() {
        return state.cooling().outcome() == CoolingVerdict.Outcome.FAILED;
    }

    boolean wantsRelease() {
        return state.cooling().outcome().wantsRelease();
    }

    /** What goes out cold, onto the shelf or to a station, is proven or vouched for. */
    void proven() {
        notFailed();
        require(
                !wantsRelease() || state.cooling().released().isPresent(),
                "the readings do not prove that it cooled in time: a chef vouches for it with a reason, or it is discarded");
        require(
                state.cooling().mayBePutAway(),
                "the readings do not prove yet that it is cold: read it again, five minutes after the last one, in another place");
    }

    double brimful() {
        return plan.charge().run().vessel().shape().brimful().litres();
    }

    /** So much water still goes in over what is there. */
    void room(Volume water, double already) {
        if (water.litres() + already > brimful()) {
            throw Refusal.outside("litres", "it would run over", 0, Math.max(0, brimful() - already), "L");
        }
    }

    /** Litres that the weighed bed takes up in the pot. */
    double solidsToFill() {
        double kg = state.weighed().getOrDefault(BatchEvent.BED, Mass.ofKg(0)).kg()
                * formula().keepsMass();
        return kg / plan.charge().run().bed().kind().trueKgPerL();
    }

    void notPutAway() {
        require(
                !strained() || notYetStored() > Stage.A_DROP_L,
                "it is put away already; throw litres of the lot away instead");
    }

    /** A lot of this batch; where the batch is put away as one, it need not be named. */
    PutAway.Lot lot(String named) {
        if (named.isEmpty() && state.shelf().lots().size() > 1) {
            throw Refusal.of("lotId", "which lot: this batch is put away in several");
        }
        return state.shelf().lot(named).orElseThrow(() -> Refusal.of("lotId", "this batch has no such lot"));
    }

    /** A lot has so much left. */
    void outOf(String named, Volume litres) {
        atMost("litres", litres, lot(named).left().litres(), "more than is left of this lot");
    }

    /** So much leaves, for somebody or for another pot: out of a lot, or out of what is not put away yet ({@link ShelfEvent#REST}). */
    void goesOut(String lot, Volume litres) {
        if (lot.equals(ShelfEvent.REST)) {
            strainedFirst();
            outKnown();
            notFailed();
            atMost("litres", litres, notYetStored(), "more than is left of this batch");
        } else {
            require(!lot(lot).thawsFirst(), LIES_FROZEN);
            outOf(lot, litres);
        }
    }

    void notFailed() {
        require(!coolingFailed(), "cooling failed: reheat it once and start again, or discard it");
    }

    /** What was handed to a station. */
    PutAway.Slip slip(String id) {
        return state.shelf().slip(id).orElseThrow(() -> Refusal.of("slipId", "nothing was handed out by that slip"));
    }

    /** Between the two it is handed to nobody. */
    void hotOrCold(Temperature read) {
        double hot = plan.limits().hotHold().celsius();
        double cold = plan.limits().coldStore().celsius();
        if (read.celsius() > cold && read.celsius() < hot) {
            throw Refusal.of(
                    "celsius",
                    "neither hot nor cold: it is handed over at %.0f °C or more, or at %.0f °C or less"
                            .formatted(hot, cold));
        }
    }

    boolean cold(Temperature read) {
        return read.compareTo(plan.limits().coldStore()) <= 0;
    }

    /** What is poured to something else is thawed, in cubes or not. */
    void thawedFirst(String named) {
        require(lot(named).kept() != Kept.FROZEN, LIES_FROZEN);
    }

    /** Cubes are frozen, and of a size that a hand takes out of a tray. */
    void cubes(ShelfEvent.Stored e) {
        if (e.cubes() == 0) {
            return;
        }
        String field = ShelfEvent.Stored.CUBES.name();
        if (e.kept() != Kept.FROZEN) {
            throw Refusal.of(field, "only what is frozen is in cubes");
        }
        double litres = e.litres().litres();
        Refusal.unlessWithin(field, e.cubes(), Math.ceil(litres / MOST_CUBE_L), Math.floor(litres / LEAST_CUBE_L), "");
    }

    void freezes(Kept kept) {
        require(kept != Kept.FROZEN || formula().frozenMonths() > 0, "this stock is not one that is frozen");
    }

    /** Litres of strained stock that are lost, and were there to be lost. */
    void lostBeforeTheShelf(String field, Volume litres) {
        strainedFirst();
        notPutAway();
        atMost(field, litres, notYetStored(), "more than is left of this batch");
    }

    /** Something is made of what it was strained off: what can be, in time, and no more than there can be. */
    void leftOver(FinishEvent.LeftOver e) {
        List<Leftover> can = Leftover.of(formula());
        if (!can.contains(e.as())) {
            throw Refusal.noneOf(FinishEvent.LeftOver.AS.name(), can.stream().map(Figure::word));
        }
        WhatIsLeft.until(e.as(), plan, state).filter(e.stamp().at()::isAfter).ifPresent(until -> {
            throw Refusal.of("act", "it has stood warm for too long to be kept; weigh it as compost");
        });
        double most = MassLedger.of(plan, state).orElseThrow().most().kg();
        if (e.mass().kg() > most) {
            throw Refusal.outside(
                    FinishEvent.LeftOver.MASS.name(), "more than can be left of what went in", 0, most, "kg");
        }
    }

    double notYetStored() {
        return state.shelf()
                .restOf(state.out().or(state::strained).orElseThrow())
                .litres();
    }

    /** The bed or a part may still be put on the scale. */
    void weighsIn(String part) {
        require(!strained(), "the pot is already strained");
        require(
                !part.equals(BatchEvent.BED) || !full(),
                "the bed was weighed in and the pot filled; correct that entry instead");
        known(part);
    }

    void known(String part) {
        if (Replay.planned(plan, part).isEmpty()) {
            throw Refusal.of("part", "this formula has no such part");
        }
    }

    Formula formula() {
        return plan.charge().formula();
    }

    /** A phase that has its place before the water. */
    BatchState.Chore chore(int step) {
        return state.prep().chores().stream()
                .filter(chore -> chore.step() == step)
                .findFirst()
                .orElseThrow(() -> Refusal.of("step", "this procedure has no such phase before its water"));
    }

    Phase phase(int step) {
        return formula().procedure().get(step);
    }

    boolean underWay(Class<? extends Phase> kind) {
        return state.prep().chores().stream()
                .anyMatch(chore -> chore.underWay() && kind.isInstance(phase(chore.step())));
    }

    boolean begun(Class<? extends Phase> kind) {
        return state.prep().chores().stream()
                .anyMatch(chore -> chore.began().isPresent() && kind.isInstance(phase(chore.step())));
    }
}
