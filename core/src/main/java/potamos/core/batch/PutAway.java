package potamos.core.batch;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.formula.Contents;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;
import potamos.core.safety.Keeping;
import potamos.core.safety.Kept;

/**
 * Litres of the finished stock by where they are.
 *
 * @param lots      put away, in the order in which they were
 * @param slips     by which litres went to stations
 * @param delivered handed to stations
 * @param discarded thrown away from lots, or when it came back
 * @param spoiled   thrown away before they were put away
 * @param unstored  handed out, or drawn for another pot, before they were put away
 * @param missing   that a count did not find; below nothing where it found more
 */
public record PutAway(
        List<Lot> lots,
        List<Slip> slips,
        Volume delivered,
        Volume discarded,
        Volume spoiled,
        Volume unstored,
        Volume missing) {

    public PutAway {
        lots = List.copyOf(lots);
        slips = List.copyOf(slips);
    }

    /** Of this batch; what was blended into its lots is another's, and what a blend took of them is counted where it first lay. */
    public Volume stored() {
        return lots.stream()
                .filter(lot -> lot.blend().isEmpty())
                .map(Lot::litres)
                .reduce(Volume.ZERO, Volume::plus);
    }

    /** Still there to be delivered. */
    public Volume left() {
        return lots.stream().map(Lot::left).reduce(Volume.ZERO, Volume::plus);
    }

    /** What is not put away yet of so much that came out, and neither lost nor gone elsewhere. */
    public Volume restOf(Volume out) {
        return out.minus(spoiled).minus(unstored).minus(stored());
    }

    public Optional<Slip> slip(String id) {
        return slips.stream().filter(slip -> slip.id().equals(id)).findFirst();
    }

    /** The lot that is named; the first where none is, as it is of a batch put away as one. */
    public Optional<Lot> lot(String named) {
        return lots.stream()
                .filter(lot -> named.isEmpty() || lot.id().equals(named))
                .findFirst();
    }

    /**
     * Litres handed to a station.
     *
     * @param id        of the entry that handed them out
     * @param lot       that they came out of; {@link ShelfEvent#REST} where they were not put away
     * @param takenOver by the station
     * @param back      of them, that came back, whatever became of that
     */
    public record Slip(String id, String station, String lot, Volume litres, Optional<Instant> takenOver, Volume back) {

        static Slip of(ShelfEvent.Delivered e, String lot) {
            return new Slip(e.stamp().id(), e.station(), lot, e.litres(), Optional.empty(), Volume.ZERO);
        }

        Slip takenOver(Instant at) {
            return new Slip(id, station, lot, litres, Optional.of(at), back);
        }

        Slip less(Volume more) {
            return new Slip(id, station, lot, litres, takenOver, back.plus(more));
        }
    }

    /**
     * Stock of another batch in a lot.
     *
     * @param stock what it is, with its litres when the lot was made
     * @param until the last day on which it could be used, cold as it was; nothing where that no longer counts
     */
    public record Poured(Draw stock, Optional<LocalDate> until) {

        private Poured times(double share) {
            return new Poured(stock.of(stock.litres().times(share)), until);
        }

        private Poured frozen() {
            return new Poured(stock, Optional.empty());
        }
    }

    /**
     * Litres put away together.
     *
     * @param id        of the entry that put them away
     * @param litres    that were, those of other batches counted in
     * @param left      of them; below nothing where an entry was taken back that others went by
     * @param kept      cold or frozen now
     * @param since     when it came to be so
     * @param thawed    whether it was frozen before
     * @param container what it stands in; empty where nobody said so
     * @param count     how many of them
     * @param cubes     that it was frozen in; 0 where it is in one piece, or melted
     * @param blend     what was poured to it of other batches; nothing in what is of this batch alone
     */
    @RecordBuilder
    public record Lot(
            String id,
            Instant at,
            Volume litres,
            Volume left,
            String place,
            Kept kept,
            Instant since,
            boolean thawed,
            String container,
            int count,
            int cubes,
            List<Poured> blend)
            implements PutAwayLotBuilder.With {

        public Lot {
            blend = List.copyOf(blend);
        }

        static Lot of(ShelfEvent.Stored e) {
            Instant at = e.stamp().at();
            return new Lot(
                    e.stamp().id(),
                    at,
                    e.litres(),
                    e.litres(),
                    e.place(),
                    e.kept(),
                    at,
                    false,
                    e.container(),
                    e.count(),
                    e.cubes(),
                    List.of());
        }

        static Lot gone(String id) {
            return new Lot(
                    id,
                    Instant.EPOCH,
                    Volume.ZERO,
                    Volume.ZERO,
                    "",
                    Kept.COLD,
                    Instant.EPOCH,
                    false,
                    "",
                    1,
                    0,
                    List.of());
        }

        /** A new lot of some of this one and some of another batch's. It keeps as long as this does, and as the other does, whichever is shorter. */
        Lot blended(LotEvent.Blended e) {
            List<Poured> all = new ArrayList<>();
            blend.forEach(poured -> all.add(poured.times(
                    e.litres().litres() / Math.max(litres.litres(), e.litres().litres()))));
            all.add(new Poured(e.other(), Optional.of(e.otherUntil())));
            Volume together = e.litres().plus(e.other().litres());
            return new Lot(
                    e.stamp().id(),
                    e.stamp().at(),
                    together,
                    together,
                    e.place(),
                    kept,
                    since,
                    thawed,
                    e.container(),
                    e.count(),
                    0,
                    all);
        }

        /** Whether it is thawed before any of it goes anywhere: what lies frozen, unless it is in cubes, which melt where they are wanted. */
        public boolean thawsFirst() {
            return kept == Kept.FROZEN && cubes == 0;
        }

        /** Of its cubes, those that are left. */
        public int cubesLeft() {
            double share = litres.litres() > 0 ? Math.max(0, left.litres()) / litres.litres() : 0;
            return (int) Math.floor(cubes * share + 0.5);
        }

        Lot less(double leaves) {
            return withLeft(Volume.ofLitres(left.litres() - leaves));
        }

        Lot moved(LotEvent.Moved e) {
            boolean thaws = thawed || kept == Kept.FROZEN && e.kept() == Kept.COLD;
            Instant from = e.kept() == kept ? since : e.stamp().at();
            // What was frozen keeps by the day on which it is thawed.
            List<Poured> then =
                    e.kept() == Kept.FROZEN ? blend.stream().map(Poured::frozen).toList() : blend;
            return withPlace(e.place())
                    .withKept(e.kept())
                    .withSince(from)
                    .withThawed(thaws)
                    .withCubes(e.kept() == Kept.FROZEN ? cubes : 0)
                    .withBlend(then);
        }

        /** Of its litres, those that are of its own batch. */
        private Volume own() {
            return litres.minus(Draw.all(blend.stream().map(Poured::stock).toList()));
        }

        /** What is in it. */
        public Contents contents(Plan plan) {
            Contents all = plan.charge().contents();
            Volume so = own();
            for (Poured poured : blend) {
                all = all.mixed(so, poured.stock().contents(), poured.stock().litres());
                so = so.plus(poured.stock().litres());
            }
            return all;
        }

        /** Salt in it, g/L, where that of its own batch is known. */
        double saltGPerL(double own) {
            double grams = own * own().litres();
            for (Poured poured : blend) {
                grams += poured.stock().saltGPerL() * poured.stock().litres().litres();
            }
            return litres.litres() > 0 ? grams / litres.litres() : own;
        }

        /**
         * The last day on which it may be used: its own, and that of everything that was poured to it and not cooked again.
         *
         * @param made day of making of its own batch, in the kitchen's calendar
         */
        public LocalDate useBy(LocalDate made, Plan plan, ZoneId zone) {
            Formula formula = plan.charge().formula();
            LocalDate own = Keeping.useBy(
                    kept,
                    since.atZone(zone).toLocalDate(),
                    thawed,
                    made,
                    formula.coldDays(),
                    formula.frozenMonths(),
                    plan.limits());
            return blend.stream()
                    .flatMap(poured -> poured.until().stream())
                    .reduce(own, (one, other) -> other.isBefore(one) ? other : one);
        }
    }
}
