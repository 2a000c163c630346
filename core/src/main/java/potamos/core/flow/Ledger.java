package potamos.core.flow;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Volume;

/**
 * The account of litres of one batch. What came in equals what went out, the yield and what is unexplained included.
 *
 * @param entries    every cause that moved liquor
 * @param yield      litres out
 * @param unexplained litres that no cause accounts for: positive when less came out than the causes leave, negative when more did
 */
public record Ledger(List<Entry> entries, Volume yield, Volume unexplained) {

    public Ledger {
        entries = List.copyOf(entries);
    }

    /** Why liquor came or went. */
    public enum Cause {
        WATER(true),
        /** Drawn in the place of water. */
        STOCK(true),
        TOP_UP(true),
        WINE(true),
        GIVEN_BY_SOLIDS(true),
        /** A level was read higher than any steam explains. */
        READ_HIGHER(true),
        EVAPORATED(false),
        UPTAKE(false),
        SKIMMED(false),
        STRAINERS(false),
        FAT_LIFTED(false),
        SPILT(false),
        REDUCED(false),
        /** A level was read lower than any steam explains. */
        READ_LOWER(false);

        private final boolean inward;

        Cause(boolean inward) {
            this.inward = inward;
        }

        public boolean inward() {
            return inward;
        }
    }

    /** So much by one cause; the amount is never negative, the cause tells its direction. */
    public record Entry(Cause cause, Volume amount) {}

    /**
     * The entries that solids make: what they hold, or what they give where that is more, beside the fat that melts out of them.
     *
     * @param uptake litres held; below nothing where they give
     * @param fat    litres of melted fat
     */
    public static List<Entry> solids(Volume uptake, Volume fat) {
        Volume given = uptake.times(-1).orNone().plus(fat);
        return List.of(new Entry(Cause.GIVEN_BY_SOLIDS, given), new Entry(Cause.UPTAKE, uptake.orNone()));
    }

    /** A prediction: the yield is whatever the causes leave. */
    public static Ledger predicted(List<Entry> entries) {
        return new Ledger(entries, balance(entries), Volume.ZERO);
    }

    /** A measurement: the difference to what the causes leave is unexplained, and is shown as that. */
    public static Ledger measured(List<Entry> entries, Volume out) {
        return new Ledger(entries, out, balance(entries).minus(out));
    }

    /**
     * Everything that moves the litres of a pot up to its last strainer, foretold or replayed; what is boiled away is still to be added.
     *
     * @param uptake    held by the solids
     * @param strainers left on strainers and walls
     * @param lifted    fat, as it was read; empty as long as nobody has lifted any
     */
    public static List<Entry> ofPot(Run run, PotStepper pot, Volume uptake, Volume strainers, Optional<Volume> lifted) {
        Volume rendered = Losses.renderedFat(pot.bed());
        Volume gone = lifted.orElse(run.degreased() ? rendered : Volume.ZERO);
        // Where it is lifted for good, what was lifted is what there was of it.
        Volume fat = run.degreased() ? gone : Volume.ofLitres(Math.max(rendered.litres(), gone.litres()));
        List<Entry> entries = new ArrayList<>(List.of(
                new Entry(Cause.WATER, pot.drawn().times(1 - run.liquid().stock())),
                new Entry(Cause.STOCK, pot.drawn().times(run.liquid().stock())),
                new Entry(Cause.TOP_UP, Volume.ofLitres(pot.added())),
                new Entry(Cause.WINE, run.poured()),
                new Entry(Cause.EVAPORATED, Volume.ofLitres(pot.evaporated())),
                new Entry(Cause.SKIMMED, Volume.ofLitres(pot.taken())),
                new Entry(Cause.STRAINERS, strainers),
                new Entry(Cause.SPILT, Volume.ofLitres(pot.spilt())),
                new Entry(Cause.READ_HIGHER, Volume.ofLitres(Math.max(0, pot.readL()))),
                new Entry(Cause.READ_LOWER, Volume.ofLitres(Math.max(0, -pot.readL()))),
                new Entry(Cause.FAT_LIFTED, gone)));
        entries.addAll(solids(uptake, fat));
        return entries;
    }

    /** Everything that came in. */
    public Volume inward() {
        return entries.stream()
                .filter(entry -> entry.cause().inward())
                .map(Entry::amount)
                .reduce(Volume.ZERO, Volume::plus);
    }

    /** Litres of one cause. */
    public Volume of(Cause cause) {
        return entries.stream()
                .filter(entry -> entry.cause() == cause)
                .map(Entry::amount)
                .reduce(Volume.ZERO, Volume::plus);
    }

    /** What is in less what is out; zero but for the rounding of doubles. */
    public Volume error() {
        return balance(entries).minus(yield).minus(unexplained);
    }

    private static Volume balance(List<Entry> entries) {
        double sum = 0;
        for (Entry entry : entries) {
            sum += entry.cause().inward()
                    ? entry.amount().litres()
                    : -entry.amount().litres();
        }
        return Volume.ofLitres(sum);
    }
}
