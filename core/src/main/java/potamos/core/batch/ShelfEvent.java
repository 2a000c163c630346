package potamos.core.batch;

import java.util.List;
import potamos.core.figure.Figure;
import potamos.core.quantity.Volume;

/** What becomes of the litres: put away, handed out, thrown away, or given up before there were any. */
public sealed interface ShelfEvent extends Fact {

    List<EventKind<? extends ShelfEvent>> KINDS = List.of(Stored.KIND, Delivered.KIND, Discarded.KIND, Abandoned.KIND);

    /** Put away as a lot. */
    record Stored(Stamp stamp, Volume litres, String place) implements ShelfEvent {
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<String> PLACE = Figure.words();

        public static final EventKind<Stored> KIND = EventKind.named("stored", Stored.class)
                .trusts(EventKind.Trust.HANDING_OUT)
                .withdrawnOnly()
                .with(LITRES, Stored::litres)
                .with(PLACE, Stored::place)
                .made((stamp, f) -> new Stored(stamp, f.get(LITRES), f.or(PLACE, "")))
                .when((is, e) -> {
                    is.strainedFirst();
                    is.require(
                            is.state().shelf().stored().litres() == 0,
                            "it is put away already; withdraw that entry and log it anew if the litres are wrong");
                    is.require(!is.coolingFailed(), "cooling failed: reheat it once and start again, or discard it");
                    is.outKnown();
                    is.require(
                            is.state().stage().compareTo(Stage.STORE) >= 0,
                            "the last reading is not down to the cold limit yet");
                    is.atMost(LITRES.name(), e.litres, is.notYetStored(), "more than is left of this batch");
                })
                .then(Replay::stored);

        public Stored {
            LITRES.check(litres);
            PLACE.check(place);
        }

        @Override
        public EventKind<Stored> kind() {
            return KIND;
        }
    }

    /** Handed to a station. */
    record Delivered(Stamp stamp, String station, String call, Volume litres) implements ShelfEvent {
        static final Figure<String> STATION = Figure.station();
        static final Figure<String> CALL = Figure.call();
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);

        public static final EventKind<Delivered> KIND = EventKind.named("delivered", Delivered.class)
                .trusts(EventKind.Trust.HANDING_OUT)
                .withdrawnOnly()
                .with(STATION, Delivered::station)
                .with(CALL, Delivered::call)
                .with(LITRES, Delivered::litres)
                .made((stamp, f) -> new Delivered(stamp, f.get(STATION), f.or(CALL, ""), f.get(LITRES)))
                .when((is, e) -> {
                    is.require(is.state().shelf().stored().litres() > 0, "put it away as a lot first");
                    is.atMost(
                            LITRES.name(),
                            e.litres,
                            is.state().shelf().left().litres(),
                            "more than is left of this lot");
                })
                .then(Replay::delivered);

        public Delivered {
            LITRES.check(litres);
        }

        @Override
        public EventKind<Delivered> kind() {
            return KIND;
        }
    }

    /** Thrown away. */
    record Discarded(Stamp stamp, Volume litres, String reason) implements ShelfEvent {
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<String> REASON = Figure.words();

        public static final EventKind<Discarded> KIND = EventKind.named("discarded", Discarded.class)
                .trusts(EventKind.Trust.JUDGEMENT)
                .with(LITRES, Discarded::litres)
                .with(REASON, Discarded::reason)
                .made((stamp, f) -> new Discarded(stamp, f.get(LITRES), f.get(REASON)))
                .when((is, e) -> {
                    is.require(is.strained(), "give the batch up instead");
                    double left = is.state().shelf().stored().litres() > 0
                            ? is.state().shelf().left().litres()
                            : is.notYetStored();
                    is.atMost(LITRES.name(), e.litres, left, "more than is left of this batch");
                })
                .then(Replay::discarded);

        public Discarded {
            LITRES.check(litres);
            REASON.check(reason);
        }

        @Override
        public EventKind<Discarded> kind() {
            return KIND;
        }
    }

    /** Given up before anything was strained. */
    record Abandoned(Stamp stamp, String reason) implements ShelfEvent {
        static final Figure<String> REASON = Figure.words();

        public static final EventKind<Abandoned> KIND = EventKind.named("abandoned", Abandoned.class)
                .trusts(EventKind.Trust.JUDGEMENT)
                .with(REASON, Abandoned::reason)
                .made((stamp, f) -> new Abandoned(stamp, f.get(REASON)))
                .when((is, e) -> is.require(!is.strained(), "it is already strained; discard the litres instead"))
                .then(Replay::abandoned);

        public Abandoned {
            REASON.check(reason);
        }

        @Override
        public EventKind<Abandoned> kind() {
            return KIND;
        }
    }
}
