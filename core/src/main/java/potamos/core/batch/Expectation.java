package potamos.core.batch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.cooling.Reading;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Why;
import potamos.core.formula.Contents;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.formula.Liquid;
import potamos.core.liquor.Salt;
import potamos.core.quantity.Band;
import potamos.core.quantity.Volume;

/** What will come out of a batch, going by what happened so far and by what the plan still has ahead. */
public final class Expectation {

    private Expectation() {}

    /**
     * Litres out with their band: measured once strained, planned before the heat, and in between where the pot comes to if it goes on as planned, by all
     * that was weighed and read so far.
     */
    public static Band litresOut(Plan plan, BatchState state) {
        if (state.strained().isPresent()) {
            return Band.exactly(state.strained().get().litres());
        }
        return state.stage().hot()
                ? state.expected().litres()
                : plan.charge().forecast().yield();
    }

    /**
     * Litres that a call was promised of a batch.
     *
     * @param delivered to it so far
     */
    public record Promise(Volume litres, Volume delivered) {}

    /**
     * Litres that the batch still has for each of the calls that it is made for, the first served first: expected until it is strained, then what is there of
     * it.
     */
    public static List<Volume> promised(Plan plan, BatchState state, List<Promise> calls) {
        double there = state.stage() == Stage.ABANDONED
                ? 0
                : state.out()
                        .map(out -> notPutAway(state).litres()
                                + state.shelf().left().litres())
                        .orElseGet(() -> ready(plan, state));
        List<Volume> promised = new ArrayList<>();
        for (Promise call : calls) {
            double wanted = call.litres().litres() - call.delivered().litres();
            double gets = Math.max(0, Math.min(wanted, there));
            promised.add(Volume.ofLitres(gets));
            there -= gets;
        }
        return promised;
    }

    /**
     * What is known of the stock of a batch, for another pot that is drawn with some of it.
     *
     * @param source the lot that it lies in, or the batch
     * @param name   of it, for people
     */
    public static Draw drawn(String source, String name, Volume litres, Plan plan, BatchState state) {
        double salt = salted(plan, state)
                .map(Salt::afterGPerL)
                .orElse(plan.charge().character().salt().afterGPerL());
        Optional<PutAway.Lot> lot = state.shelf().lots().stream()
                .filter(one -> one.id().equals(source))
                .findFirst();
        double saltIn = lot.map(one -> one.saltGPerL(salt)).orElse(salt);
        return new Draw(source, name, litres, contents(lot, plan), Math.min(saltIn, Liquid.MOST_SALT_G_PER_L));
    }

    private static Contents contents(Optional<PutAway.Lot> lot, Plan plan) {
        return lot.map(one -> one.contents(plan)).orElse(plan.charge().contents());
    }

    /** What is in a lot of a batch, or in what is not put away of it; a lot need not be named where it is the only one. */
    public static Contents contents(String lot, Plan plan, BatchState state) {
        return contents(
                lot.equals(ShelfEvent.REST) ? Optional.empty() : state.shelf().lot(lot), plan);
    }

    /** Whether what is not put away is as hot still, by what was read last, as stock that is handed out hot has to be. */
    public static boolean hot(Plan plan, BatchState state) {
        List<Reading> readings = state.cooling().readings();
        return notPutAway(state).litres() > 0
                && (readings.isEmpty()
                        || readings.get(readings.size() - 1)
                                        .temperature()
                                        .compareTo(plan.limits().hotHold())
                                >= 0);
    }

    /** Strained, and neither lost nor put away; what a jug is read to is nothing once all the rest is. */
    public static Volume notPutAway(BatchState state) {
        boolean putAway = state.stage().compareTo(Stage.ON_SHELF) >= 0;
        return state.out().filter(out -> !putAway).map(state.shelf()::restOf).orElse(Volume.ZERO);
    }

    /** Litres that will be ready: after a reduction that follows the straining, too. */
    private static double ready(Plan plan, BatchState state) {
        return litresOut(plan, state).mid() * reducesAfterStraining(plan);
    }

    private static double reducesAfterStraining(Plan plan) {
        boolean inThePot = plan.charge().run().reduction().beforeStraining();
        return inThePot ? 1 : plan.charge().formula().reducesTo();
    }

    /** The salt of the stock when some went in by mistake: what was planned with it, in the litres that are expected, or there. */
    public static Optional<Salt> salted(Plan plan, BatchState state) {
        if (state.salted().kg() <= 0) {
            return Optional.empty();
        }
        Formula formula = plan.charge().formula();
        double planned = plan.charge().forecast().yield().mid()
                * reducesAfterStraining(plan)
                * plan.charge().character().salt().afterGPerL();
        double litres = state.out().map(Volume::litres).orElseGet(() -> ready(plan, state));
        double grams = planned + state.salted().kg() * 1000;
        return Optional.of(Salt.of(grams, litres / formula.reducesTo(), formula.reducesTo()));
    }

    /** Why so many: planned before the heat, and by what has been weighed and read from then on. */
    public static List<Why> why(Plan plan, BatchState state) {
        return state.stage().hot() || state.strained().isPresent()
                ? state.expected().why()
                : Forecaster.why(plan.charge().run(), plan.charge().forecast());
    }
}
