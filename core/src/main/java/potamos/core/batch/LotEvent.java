package potamos.core.batch;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.formula.Draw;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/** What happens to a lot while it lies there. */
public sealed interface LotEvent extends Fact {

    List<EventKind<? extends LotEvent>> KINDS = List.of(Moved.KIND, Blended.KIND, Counted.KIND);

    /** A lot is put somewhere else: into the freezer, out of it, onto another shelf. */
    record Moved(Stamp stamp, String lot, Kept kept, String place) implements LotEvent {
        static final Figure<String> LOT = Figure.lot();
        static final Figure<Kept> KEPT = Figure.choice("kept", Kept.class);
        static final Figure<String> PLACE = Figure.words();

        public static final EventKind<Moved> KIND = EventKind.named("moved", Moved.class)
                .with(LOT, Moved::lot)
                .with(KEPT, Moved::kept)
                .with(PLACE, Moved::place)
                .made((stamp, f) -> new Moved(stamp, f.get(LOT), f.get(KEPT), f.or(PLACE, "")))
                .when((is, e) -> {
                    PutAway.Lot lot = is.lot(e.lot);
                    is.require(lot.left().litres() > 0, "nothing is left of this lot");
                    is.require(e.kept != Kept.FROZEN || !lot.thawed(), "it was thawed already; it is not frozen again");
                    is.freezes(e.kept);
                })
                .then(Replay::moved);

        public Moved {
            LOT.check(lot);
            PLACE.check(place);
        }

        @Override
        public EventKind<Moved> kind() {
            return KIND;
        }
    }

    /**
     * Some of a lot and some of another batch's poured together: a new lot of this batch with both parents.
     *
     * @param lot        of this batch
     * @param litres     out of it
     * @param other      the stock of the other batch, with what was known of it then
     * @param otherUntil the last day on which that could be used
     */
    record Blended(
            Stamp stamp,
            String lot,
            Volume litres,
            Draw other,
            LocalDate otherUntil,
            String place,
            String container,
            int count)
            implements LotEvent, OfAnother {
        static final Figure<String> LOT = Figure.lot();
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<Volume> OTHER_LITRES = Figure.litres("otherLitres", Draw.LEAST_LITRES, Draw.MOST_LITRES);
        static final Figure<LocalDate> OTHER_UNTIL = Figure.day("otherUseBy");

        public static final EventKind<Blended> KIND = KnownStock.told(
                        EventKind.named("blended", Blended.class)
                                .trusts(EventKind.Trust.HANDING_OUT)
                                .withdrawnOnly()
                                .with(LOT, Blended::lot)
                                .with(LITRES, Blended::litres),
                        OTHER_LITRES,
                        Blended::other)
                .with(OTHER_UNTIL, Blended::otherUntil)
                .with(ShelfEvent.Stored.PLACE, Blended::place)
                .with(ShelfEvent.Stored.CONTAINER, Blended::container)
                .with(ShelfEvent.Stored.COUNT, Blended::count)
                .made((stamp, f) -> new Blended(
                        stamp,
                        f.get(LOT),
                        f.get(LITRES),
                        KnownStock.of(f, OTHER_LITRES),
                        f.or(OTHER_UNTIL, LocalDate.EPOCH),
                        f.or(ShelfEvent.Stored.PLACE, ""),
                        f.or(ShelfEvent.Stored.CONTAINER, ""),
                        f.or(ShelfEvent.Stored.COUNT, 1)))
                .when((is, e) -> {
                    is.thawedFirst(e.lot);
                    is.outOf(e.lot, e.litres);
                })
                .then(Replay::blended);

        public Blended {
            LOT.check(lot);
            LITRES.check(litres);
            KnownStock.check(other);
            ShelfEvent.Stored.PLACE.check(place);
            ShelfEvent.Stored.CONTAINER.check(container);
            ShelfEvent.Stored.COUNT.check(count);
        }

        @Override
        public Draw stock() {
            return other;
        }

        @Override
        public Blended knowing(Draw known, Optional<LocalDate> until) {
            LocalDate day = until.orElseThrow(() -> Refusal.of(
                    KnownStock.SOURCE.name(), "only lots are blended: put that away first, or draw it into a pot"));
            return new Blended(stamp, lot, litres, known.of(other.litres()), day, place, container, count);
        }

        @Override
        public EventKind<Blended> kind() {
            return KIND;
        }
    }

    /** So much of a lot is really there, whatever the entries say. */
    record Counted(Stamp stamp, String lot, Volume litres) implements LotEvent {
        static final Figure<String> LOT = Figure.lot();
        static final Figure<Volume> LITRES = Figure.litres(0, Figure.MOST_LITRES);

        public static final EventKind<Counted> KIND = EventKind.named("counted", Counted.class)
                .trusts(EventKind.Trust.HANDING_OUT)
                .withdrawnOnly()
                .with(LOT, Counted::lot)
                .with(LITRES, Counted::litres)
                .made((stamp, f) -> new Counted(stamp, f.get(LOT), f.get(LITRES)))
                .when((is, e) -> is.atMost(
                        LITRES.name(), e.litres, is.lot(e.lot).litres().litres(), "more than was put away as this lot"))
                .then(Replay::counted);

        public Counted {
            LOT.check(lot);
            LITRES.check(litres);
        }

        @Override
        public EventKind<Counted> kind() {
            return KIND;
        }
    }
}
