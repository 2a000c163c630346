package potamos.core.batch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import potamos.core.charge.Charge;
import potamos.core.flow.Ledger;
import potamos.core.flow.Losses;
import potamos.core.formula.Leftover;
import potamos.core.formula.Part;
import potamos.core.quantity.Mass;

/**
 * The account of kilograms of one batch, beside that of its litres: what went in equals what came out, what was weighed of the rest, and what nobody weighed.
 *
 * <p>Liquor counts as a kilogram a litre, and what is dissolved in the stock as the stock's.
 *
 * @param entries    what went in, and what came out other than as solids
 * @param weighed    solids and fat by what they were kept for, each once
 * @param notWeighed solids that nobody has weighed yet; below nothing where more was weighed than the account leaves
 * @param bedShare   of the solids that went in, what is the bed
 * @param fat        that should be there to be kept
 */
public record MassLedger(List<Entry> entries, List<Kept> weighed, Mass notWeighed, double bedShare, Mass fat) {

    public MassLedger {
        entries = List.copyOf(entries);
        weighed = List.copyOf(weighed);
    }

    /** Why kilograms came or went. */
    public enum Cause {
        BED(true),
        /** Everything that was put in beside the bed, but wine. */
        PARTS(true),
        /** Water, stock, wine and what was topped up. */
        LIQUOR(true),
        /** A level was read higher than anything explains. */
        READ_HIGHER(true),
        STOCK(false),
        STEAM(false),
        /** Water and fat that the oven drove out. */
        ROASTED_OFF(false),
        SKIMMED(false),
        STRAINERS(false),
        SPILT(false),
        /** Scorched, and left out of the pot. */
        PICKED_OUT(false),
        /** Fat that was lifted and not kept. */
        FAT_LIFTED(false),
        READ_LOWER(false),
        /** Less came out than the litres leave; below nothing where more did. */
        UNEXPLAINED(false);

        private final boolean inward;

        Cause(boolean inward) {
            this.inward = inward;
        }

        public boolean inward() {
            return inward;
        }
    }

    /** So much by one cause. */
    public record Entry(Cause cause, Mass mass) {}

    /** So much kept as something. */
    public record Kept(Leftover as, Mass mass) {}

    /** Of a batch that is strained; nothing before that. */
    public static Optional<MassLedger> of(Plan plan, BatchState state) {
        return state.strained().map(strained -> account(plan, state));
    }

    private static MassLedger account(Plan plan, BatchState state) {
        Charge charge = plan.charge();
        Ledger litres = state.ledger();
        // A stock that is boiled down stands in the place of a bed, and is among the litres.
        Mass raw = charge.formula().bed().isEmpty()
                ? Mass.ZERO
                : state.weighed().getOrDefault(BatchEvent.BED, charge.run().raw());
        double roastedOff = raw.kg() * (1 - charge.formula().keepsMass());
        double dissolved = dissolved(charge, state);
        double lifted = Losses.weightOfFat(litres.of(Ledger.Cause.FAT_LIFTED)).kg();
        double kept = state.left().of(Leftover.FAT).kg();
        List<Entry> entries = new ArrayList<>();
        entries.add(entry(Cause.BED, raw.kg()));
        entries.add(entry(Cause.PARTS, parts(charge, state)));
        entries.add(entry(
                Cause.LIQUOR,
                kg(litres, Ledger.Cause.WATER)
                        + kg(litres, Ledger.Cause.STOCK)
                        + kg(litres, Ledger.Cause.TOP_UP)
                        + kg(litres, Ledger.Cause.WINE)));
        entries.add(entry(Cause.READ_HIGHER, kg(litres, Ledger.Cause.READ_HIGHER)));
        entries.add(entry(Cause.STOCK, litres.yield().litres() + dissolved));
        entries.add(entry(Cause.STEAM, kg(litres, Ledger.Cause.EVAPORATED) + kg(litres, Ledger.Cause.REDUCED)));
        entries.add(entry(Cause.ROASTED_OFF, roastedOff));
        entries.add(entry(Cause.SKIMMED, kg(litres, Ledger.Cause.SKIMMED)));
        entries.add(entry(Cause.STRAINERS, kg(litres, Ledger.Cause.STRAINERS)));
        entries.add(entry(Cause.SPILT, kg(litres, Ledger.Cause.SPILT)));
        entries.add(entry(Cause.PICKED_OUT, state.left().pickedOut().kg()));
        entries.add(entry(Cause.FAT_LIFTED, Math.max(0, lifted - kept)));
        entries.add(entry(Cause.READ_LOWER, kg(litres, Ledger.Cause.READ_LOWER)));
        entries.add(entry(Cause.UNEXPLAINED, litres.unexplained().litres()));
        List<Kept> weighed = new ArrayList<>();
        for (Leftover as : Leftover.values()) {
            Mass mass = state.left().of(as);
            if (mass.kg() > 0) {
                weighed.add(new Kept(as, mass));
            }
        }
        double bed = raw.kg() - roastedOff - state.left().pickedOut().kg();
        return new MassLedger(
                entries,
                weighed,
                Mass.ofKg(balance(entries, weighed)),
                bed > 0 ? bed / (bed + parts(charge, state)) : 0,
                Losses.weightOfFat(state.finish()
                        .degreased()
                        .orElse(Losses.renderedFat(charge.run().bed()))));
    }

    private static double kg(Ledger litres, Ledger.Cause cause) {
        return litres.of(cause).litres();
    }

    private static Entry entry(Cause cause, double kg) {
        return new Entry(cause, Mass.ofKg(kg));
    }

    /** What was put in beside the bed: what goes in later only where somebody has put it in. */
    private static double parts(Charge charge, BatchState state) {
        Set<String> later = charge.run().others().stream()
                .filter(solids -> !solids.intoTheSimmer().isZero())
                .map(solids -> solids.part().id())
                .collect(Collectors.toSet());
        return charge.measures().stream()
                .filter(measure -> measure.part().kind() != Part.Kind.WINE)
                .filter(measure -> !later.contains(measure.part().id())
                        || state.added().containsKey(measure.part().id()))
                .mapToDouble(measure -> measure.mass().kg())
                .sum();
    }

    /** Gelatin that went over into the stock, and what was stirred into it. */
    private static double dissolved(Charge charge, BatchState state) {
        double gelatin =
                state.expected().gelatinGPerL() * state.ledger().yield().litres() / 1000;
        double brought = charge.run().liquid().gelatinGPerL() * charge.water().litres() / 1000;
        double seasoning = charge.measures().stream()
                .filter(measure -> measure.part().kind() == Part.Kind.SEASONING)
                .mapToDouble(measure -> measure.mass().kg())
                .sum();
        return Math.max(0, gelatin - brought) + seasoning;
    }

    /** All the solids, weighed or not. */
    public Mass solids() {
        double kept = weighed.stream()
                .filter(one -> one.as().solid())
                .mapToDouble(one -> one.mass().kg())
                .sum();
        return Mass.ofKg(Math.max(0, notWeighed.kg() + kept));
    }

    /** What the bed should weigh, wet as it is lifted out. */
    public Mass spentBed() {
        return solids().times(bedShare);
    }

    /** More than this nobody can weigh yet: all that went in, less the stock, and what was weighed before. */
    Mass most() {
        double most = 0;
        for (Entry entry : entries) {
            most += entry.cause().inward()
                    ? entry.mass().kg()
                    : entry.cause() == Cause.STOCK ? -entry.mass().kg() : 0;
        }
        return Mass.ofKg(most
                        - weighed.stream().mapToDouble(one -> one.mass().kg()).sum())
                .orNone();
    }

    private static double balance(List<Entry> entries, List<Kept> weighed) {
        double in = 0;
        for (Entry entry : entries) {
            in += entry.cause().inward() ? entry.mass().kg() : -entry.mass().kg();
        }
        return in - weighed.stream().mapToDouble(one -> one.mass().kg()).sum();
    }
}
