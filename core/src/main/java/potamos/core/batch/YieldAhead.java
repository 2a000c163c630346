package potamos.core.batch;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import potamos.core.flow.Ledger;
import potamos.core.flow.Luck;
import potamos.core.flow.Run;
import potamos.core.flow.Why;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/**
 * What comes out of a pot if it goes on from here as planned.
 *
 * @param plan     by what was weighed
 * @param pot      as replayed
 * @param filled   whether there is water in it; until then the plan is what is expected
 * @param put      what was put in after the water, with the mass it was put in with
 * @param lifted   fat; empty until then
 * @param strained how it was strained; empty until then
 * @param reduced  litres left by boiling down; empty until then
 */
record YieldAhead(
        Plan plan,
        PotModel pot,
        boolean filled,
        Map<String, Mass> put,
        Optional<Volume> lifted,
        Optional<FinishEvent.Strained> strained,
        Optional<Volume> reduced) {

    /** The litres as they stand, with the losses still ahead by the plan. */
    Ledger ledger() {
        return account(pot);
    }

    private Ledger account(PotModel of) {
        return filled
                ? new Account(run(), of, put, lifted, strained, reduced).ledger()
                : plan.charge().forecast().ledger();
    }

    /**
     * Of a pot that nothing happens to any more before its litres are counted.
     *
     * @param ledger as it stands
     */
    Expected now(Ledger ledger) {
        Function<Ledger.Cause, Why.Basis> basis = cause -> filled ? basis(cause, pot) : planned(cause);
        return new Expected(
                Band.exactly(ledger.yield().orNone().litres()), gelatinGPerL(pot), Why.of(ledger, Map.of(), basis));
    }

    /**
     * Of a pot on the fire, with what may still turn out otherwise: how much it steams from here, by its own readings, what is skimmed off, and what solids
     * and strainers keep. Never more than could come of what is in the pot.
     *
     * @param on         the same pot run on to the strainer
     * @param steamsMore the same, where it steams one standard deviation more
     */
    Expected of(PotModel on, PotModel steamsMore) {
        Ledger then = account(on);
        double mid = then.yield().orNone().litres();
        double kept = stillKept();
        double steam = account(steamsMore).yield().litres() - then.yield().litres();
        double skims = Luck.SKIM_SD * (on.stepper().taken() - pot.stepper().taken()) * kept;
        double held = Luck.UPTAKE_SD * then.of(Ledger.Cause.UPTAKE).litres() * kept;
        double strainers = Luck.STRAINER_SD * then.of(Ledger.Cause.STRAINERS).litres() * kept;
        double most = kept
                * (Math.max(0, pot.stepper().liquor())
                        + on.stepper().added()
                        - pot.stepper().added()
                        + then.of(Ledger.Cause.GIVEN_BY_SOLIDS).litres());
        Band litres = Band.ofVariance(mid, steam * steam + skims * skims + held * held + strainers * strainers)
                .within(0, Math.max(mid, most));
        List<Why> why = Why.of(
                then,
                Map.of(
                        Ledger.Cause.EVAPORATED, steam,
                        Ledger.Cause.SKIMMED, skims,
                        Ledger.Cause.UPTAKE, held,
                        Ledger.Cause.STRAINERS, strainers),
                cause -> basis(cause, on));
        return new Expected(litres, gelatinGPerL(on), why);
    }

    private Run run() {
        return plan.charge().run();
    }

    /** What a term of the expectation rests on, once there is water in the pot. */
    private Why.Basis basis(Ledger.Cause cause, PotModel on) {
        return switch (cause) {
            case WATER, STOCK, READ_HIGHER, READ_LOWER, SPILT -> Why.Basis.MEASURED;
            case EVAPORATED ->
                pot.showsItsSteam()
                        ? Why.Basis.MEASURED
                        : Why.Basis.of(run().vessel().kappa());
            case TOP_UP -> logged(on.stepper().added() - pot.stepper().added());
            case SKIMMED -> logged(on.stepper().taken() - pot.stepper().taken());
            case REDUCED -> reduced.isEmpty() ? Why.Basis.PLANNED : Why.Basis.MEASURED;
            case FAT_LIFTED -> lifted.isEmpty() ? Why.Basis.BOOK : Why.Basis.MEASURED;
            case UPTAKE, STRAINERS, GIVEN_BY_SOLIDS -> Why.Basis.BOOK;
            case WINE -> Why.Basis.PLANNED;
        };
    }

    private static Why.Basis logged(double stillAhead) {
        return stillAhead > 0 ? Why.Basis.PLANNED : Why.Basis.MEASURED;
    }

    private Why.Basis planned(Ledger.Cause cause) {
        return cause == Ledger.Cause.EVAPORATED ? Why.Basis.of(run().vessel().kappa()) : Why.Basis.PLANNED;
    }

    private double gelatinGPerL(PotModel on) {
        return filled
                ? on.stepper().gelatinGPerL() / stillKept()
                : plan.charge().forecast().gelatinGPerL();
    }

    /** The part of the litres that is left by what is still to be boiled away. */
    private double stillKept() {
        return reduced.isEmpty() ? run().reduction().toFraction() : 1;
    }
}
