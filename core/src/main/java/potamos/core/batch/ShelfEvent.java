package potamos.core.batch;

import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.formula.Draw;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/** What becomes of the litres: put away, handed out, thrown away, or given up before there were any. */
public sealed interface ShelfEvent extends Fact {

    List<EventKind<? extends ShelfEvent>> KINDS =
            List.of(Stored.KIND, Delivered.KIND, DrawnOff.KIND, Discarded.KIND, Abandoned.KIND);

    /** In the place of a lot: what is strained and not put away yet. */
    String REST = "rest";

    int MOST_CONTAINERS = 200;

    int MOST_CUBES = 2000;

    /**
     * Put away as a lot; a batch may be put away as several.
     *
     * @param container what it stands in; empty where nobody said so
     * @param count     of them
     * @param cubes     that it is frozen in, to be taken out one by one; 0 where it is in one piece
     */
    record Stored(Stamp stamp, Volume litres, String place, Kept kept, String container, int count, int cubes)
            implements ShelfEvent {
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<String> PLACE = Figure.words();
        static final Figure<Kept> KEPT = Figure.choice("kept", Kept.class);
        static final Figure<String> CONTAINER = Figure.words("container");
        static final Figure<Integer> COUNT = Figure.count("containers", 1, MOST_CONTAINERS, "");
        static final Figure<Integer> CUBES = Figure.count("cubes", 0, MOST_CUBES, "");

        public static final EventKind<Stored> KIND = EventKind.named("stored", Stored.class)
                .trusts(EventKind.Trust.HANDING_OUT)
                .withdrawnOnly()
                .with(LITRES, Stored::litres)
                .with(PLACE, Stored::place)
                .with(KEPT, Stored::kept)
                .with(CONTAINER, Stored::container)
                .with(COUNT, Stored::count)
                .with(CUBES, Stored::cubes)
                .made((stamp, f) -> new Stored(
                        stamp,
                        f.get(LITRES),
                        f.or(PLACE, ""),
                        f.or(KEPT, Kept.COLD),
                        f.or(CONTAINER, ""),
                        f.or(COUNT, 1),
                        f.or(CUBES, 0)))
                .when((is, e) -> {
                    is.strainedFirst();
                    is.notFailed();
                    is.outKnown();
                    is.require(
                            is.state().stage().compareTo(Stage.STORE) >= 0,
                            "the last reading is not down to the cold limit yet");
                    is.proven();
                    is.freezes(e.kept);
                    is.cubes(e);
                    is.atMost(LITRES.name(), e.litres, is.notYetStored(), "more than is left of this batch");
                })
                .then(Replay::stored);

        public Stored {
            LITRES.check(litres);
            PLACE.check(place);
            CONTAINER.check(container);
            COUNT.check(count);
            CUBES.check(cubes);
        }

        /** In one piece. */
        public Stored(Stamp stamp, Volume litres, String place, Kept kept, String container, int count) {
            this(stamp, litres, place, kept, container, count, 0);
        }

        @Override
        public EventKind<Stored> kind() {
            return KIND;
        }
    }

    /**
     * Handed to a station; out of a lot, which need not be named where it is the only one, or, hot or cold, out of what is not put away yet ({@link #REST}).
     *
     * @param temperature as it was handed over: hot or cold, and nothing in between; nothing where nobody read it, which only a lot out of the cold may be
     */
    record Delivered(
            Stamp stamp, String station, String call, Volume litres, String lot, Optional<Temperature> temperature)
            implements ShelfEvent {
        static final Figure<String> STATION = Figure.station();
        static final Figure<String> CALL = Figure.call();
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<String> LOT = Figure.lot();
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", -5, 105);

        public static final EventKind<Delivered> KIND = EventKind.named("delivered", Delivered.class)
                .trusts(EventKind.Trust.HANDING_OUT)
                .withdrawnOnly()
                .with(STATION, Delivered::station)
                .with(CALL, Delivered::call)
                .with(LITRES, Delivered::litres)
                .with(LOT, Delivered::lot)
                .with(TEMPERATURE, e -> e.temperature.orElse(null))
                .made((stamp, f) -> new Delivered(
                        stamp,
                        f.get(STATION),
                        f.or(CALL, ""),
                        f.get(LITRES),
                        f.or(LOT, ""),
                        Optional.ofNullable(f.or(TEMPERATURE, null))))
                .when((is, e) -> {
                    is.require(
                            e.lot.equals(REST) || is.state().shelf().stored().litres() > 0,
                            "put it away as a lot first");
                    is.goesOut(e.lot, e.litres);
                    if (e.lot.equals(REST)) {
                        Refusal.unlessGiven(TEMPERATURE.name(), e.temperature.orElse(null));
                    }
                    e.temperature.ifPresent(is::hotOrCold);
                    if (e.lot.equals(REST) && e.temperature.filter(is::cold).isPresent()) {
                        is.proven();
                    }
                })
                .then(Replay::delivered);

        public Delivered {
            LITRES.check(litres);
            LOT.check(lot);
            temperature.ifPresent(TEMPERATURE::check);
        }

        /** Out of a lot, without a thermometer. */
        public Delivered(Stamp stamp, String station, String call, Volume litres, String lot) {
            this(stamp, station, call, litres, lot, Optional.empty());
        }

        @Override
        public EventKind<Delivered> kind() {
            return KIND;
        }
    }

    /** Drawn for another pot, out of a lot or, hot or cold, out of what is not put away yet ({@link #REST}); that pot has the entry that tells of the same litres. */
    record DrawnOff(Stamp stamp, Volume litres, String lot, String batch, String into) implements ShelfEvent {
        static final Figure<Volume> LITRES = Figure.litres(Draw.LEAST_LITRES, Draw.MOST_LITRES);
        static final Figure<String> LOT = Figure.lot();
        static final Figure<String> BATCH = Figure.batch();
        static final Figure<String> INTO = Figure.words("into");

        public static final EventKind<DrawnOff> KIND = EventKind.named("drawn-off", DrawnOff.class)
                .withdrawnOnly()
                .with(LITRES, DrawnOff::litres)
                .with(LOT, DrawnOff::lot)
                .with(BATCH, DrawnOff::batch)
                .with(INTO, DrawnOff::into)
                .made((stamp, f) -> new DrawnOff(stamp, f.get(LITRES), f.get(LOT), f.get(BATCH), f.or(INTO, "")))
                .when((is, e) -> {
                    is.strainedFirst();
                    is.goesOut(e.lot, e.litres);
                })
                .then(Replay::drawnOff);

        public DrawnOff {
            LITRES.check(litres);
            LOT.check(lot);
            BATCH.check(batch);
            INTO.check(into);
        }

        @Override
        public EventKind<DrawnOff> kind() {
            return KIND;
        }
    }

    /** Thrown away: out of a lot, out of what is not put away yet ({@link #REST}), or, where nothing is named, out of what there is. */
    record Discarded(Stamp stamp, Volume litres, String reason, String lot) implements ShelfEvent {
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<String> REASON = Figure.words();
        static final Figure<String> LOT = Figure.lot();

        public static final EventKind<Discarded> KIND = EventKind.named("discarded", Discarded.class)
                .trusts(EventKind.Trust.JUDGEMENT)
                .with(LITRES, Discarded::litres)
                .with(REASON, Discarded::reason)
                .with(LOT, Discarded::lot)
                .made((stamp, f) -> new Discarded(stamp, f.get(LITRES), f.get(REASON), f.or(LOT, "")))
                .when((is, e) -> {
                    is.require(is.strained(), "give the batch up instead");
                    boolean stored = is.state().shelf().stored().litres() > 0;
                    if (!stored || e.lot.equals(REST)) {
                        is.atMost(LITRES.name(), e.litres, is.notYetStored(), "more than is left of this batch");
                    } else {
                        is.outOf(e.lot, e.litres);
                    }
                })
                .then(Replay::discarded);

        public Discarded {
            LITRES.check(litres);
            REASON.check(reason);
            LOT.check(lot);
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
