package potamos.core.batch;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.flow.Ledger;
import potamos.core.flow.Losses;
import potamos.core.flow.Run;
import potamos.core.flow.Solids;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;

/**
 * The litres of a batch as they stand: what happened by its events and the models, and the losses still ahead by the plan.
 *
 * @param run      as planned
 * @param pot      as replayed
 * @param put      what was put in after the water, with the mass it was put in with
 * @param lifted   fat; empty until then
 * @param strained how it was strained; empty until then
 * @param reduced  litres left by boiling down; empty until then
 */
record Account(
        Run run,
        PotModel pot,
        Map<String, Mass> put,
        Optional<Volume> lifted,
        Optional<FinishEvent.Strained> strained,
        Optional<Volume> reduced) {

    Ledger ledger() {
        Bed bed = pot.bed();
        boolean press =
                strained.map(FinishEvent.Strained::pressed).orElse(run.strain().pressed());
        int passes =
                strained.map(FinishEvent.Strained::passes).orElse(run.strain().passes());
        Volume uptake = Losses.uptake(bed, solidsIn(), press, 1);
        Volume strainers = Losses.strainers(passes, run.vessel().shape().width(), 1);
        List<Ledger.Entry> entries = Ledger.ofPot(run, pot.stepper(), uptake, strainers, lifted);
        return closed(entries);
    }

    /** With what is boiled away: as measured where it was, as planned where that is still ahead. */
    private Ledger closed(List<Ledger.Entry> entries) {
        double fraction = run.reduction().toFraction();
        if (strained.isEmpty()) {
            Ledger before = Ledger.predicted(entries);
            Volume boiled = reduced.isEmpty()
                    ? run.reduction().boiledAway(before.yield(), before.of(Ledger.Cause.STRAINERS))
                    : pot.reduced();
            entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, boiled));
            return Ledger.predicted(entries);
        }
        Volume out = strained.get().out();
        if (run.reduction().beforeStraining()) {
            entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, pot.reduced()));
            return Ledger.measured(entries, out);
        }
        Volume left = reduced.orElse(out.times(fraction));
        entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, out.minus(left).orNone()));
        return Ledger.measured(entries, left);
    }

    /** Before straining, what is still to come counts as planned. */
    private List<Solids> solidsIn() {
        List<Solids> solids = new ArrayList<>();
        for (Solids planned : run.others()) {
            Mass mass = put.get(planned.part().id());
            boolean counts = mass != null
                    || strained.isEmpty()
                    || planned.intoTheSimmer().isZero();
            if (counts) {
                solids.add(new Solids(planned.part(), mass == null ? planned.mass() : mass, planned.intoTheSimmer()));
            }
        }
        return solids;
    }
}
