package potamos.core.batch;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.formula.Contents;
import potamos.core.formula.Draw;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/** What is done before the water: on the scale, in the oven, in the soak, in the pan. */
public sealed interface ChoreEvent extends Fact {

    /** Phases that a procedure can have. */
    int MOST_STEPS = 60;

    int MOST_TRAYS = 60;

    List<EventKind<? extends ChoreEvent>> KINDS = List.of(
            WeighedIn.KIND,
            Took.KIND,
            Drew.KIND,
            Began.KIND,
            Finished.KIND,
            Turned.KIND,
            WaterChanged.KIND,
            BurnerOff.KIND,
            CleanedDown.KIND,
            Blanched.KIND);

    /** The bed or a part on the scale; {@code part} is {@link BatchEvent#BED} or the part's id. */
    record WeighedIn(Stamp stamp, String part, Mass mass, String lot) implements ChoreEvent {
        static final Figure<String> PART = Figure.part();
        static final Figure<Mass> MASS = Figure.kg(0.001, Figure.MOST_KG);
        static final Figure<String> LOT = Figure.words();

        public static final EventKind<WeighedIn> KIND = EventKind.named("weighed-in", WeighedIn.class)
                .with(PART, WeighedIn::part)
                .with(MASS, WeighedIn::mass)
                .with(LOT, WeighedIn::lot)
                .made((stamp, f) -> new WeighedIn(stamp, f.get(PART), f.get(MASS), f.or(LOT, "")))
                .when((is, e) -> is.weighsIn(e.part))
                .then(Replay::weighedIn);

        public WeighedIn {
            MASS.check(mass);
            LOT.check(lot);
        }

        @Override
        public EventKind<WeighedIn> kind() {
            return KIND;
        }
    }

    /**
     * So much of a box of the larder for the bed or a part. What is taken from several boxes adds up; what is weighed as a whole stands in the place of all of it.
     *
     * @param box      its id in the larder
     * @param contents what is in it, of what came out of another pot; nothing of what was delivered
     */
    record Took(Stamp stamp, String part, Mass mass, String box, Optional<Contents> contents) implements ChoreEvent {
        static final Figure<String> PART = Figure.part();
        static final Figure<Mass> MASS = Figure.kg(0.001, Figure.MOST_KG);
        static final Figure<String> BOX = Figure.box();

        public static final EventKind<Took> KIND = KnownStock.contents(
                        EventKind.named("took", Took.class)
                                .with(PART, Took::part)
                                .with(MASS, Took::mass)
                                .with(BOX, Took::box),
                        Took::contents)
                .made((stamp, f) -> new Took(stamp, f.get(PART), f.get(MASS), f.get(BOX), KnownStock.contents(f)))
                .when((is, e) -> is.weighsIn(e.part))
                .then(Replay::took);

        public Took {
            MASS.check(mass);
            BOX.check(box);
        }

        /** Of what was delivered. */
        public Took(Stamp stamp, String part, Mass mass, String box) {
            this(stamp, part, mass, box, Optional.empty());
        }

        /** The same with what is known of it. */
        public Took knowing(Optional<Contents> known) {
            return new Took(stamp, part, mass, box, known);
        }

        @Override
        public EventKind<Took> kind() {
            return KIND;
        }
    }

    /** Stock drawn for the pot, in the place of water or for the formula that is made of it, with what was known of it then. */
    record Drew(Stamp stamp, Draw draw) implements ChoreEvent, OfAnother {
        static final Figure<Volume> LITRES = Figure.litres(Draw.LEAST_LITRES, Draw.MOST_LITRES);

        public static final EventKind<Drew> KIND = KnownStock.told(
                        EventKind.named("drew", Drew.class).withdrawnOnly(), LITRES, Drew::draw)
                .made((stamp, f) -> new Drew(stamp, KnownStock.of(f, LITRES)))
                .when((is, e) -> is.require(!is.full(), "the pot is already filled for the stock"))
                .then(Replay::drew);

        public Drew {
            KnownStock.check(draw);
        }

        @Override
        public Draw stock() {
            return draw;
        }

        @Override
        public Drew knowing(Draw known, Optional<LocalDate> until) {
            return new Drew(stamp, known.of(draw.litres()));
        }

        @Override
        public EventKind<Drew> kind() {
            return KIND;
        }
    }

    /** A phase before the pot is under way: in the oven, in its soak, in the pan. {@code step} is its place in the procedure, from 0. */
    record Began(Stamp stamp, int step) implements ChoreEvent {
        static final Figure<Integer> STEP = Figure.step(MOST_STEPS);

        public static final EventKind<Began> KIND = EventKind.named("began", Began.class)
                .with(STEP, Began::step)
                .made((stamp, f) -> new Began(stamp, f.get(STEP)))
                .when((is, e) -> {
                    BatchState.Chore chore = is.chore(e.step);
                    is.require(!is.strained(), "the pot is already strained");
                    is.require(Chores.timed(is.phase(e.step)), "only its end is logged");
                    is.once(chore.began(), "it is already under way");
                    is.once(chore.finished(), "it is already done");
                })
                .then(Replay::began);

        public Began {
            STEP.check(step);
        }

        @Override
        public EventKind<Began> kind() {
            return KIND;
        }
    }

    /** A phase before the pot is done. */
    record Finished(Stamp stamp, int step) implements ChoreEvent {
        static final Figure<Integer> STEP = Figure.step(MOST_STEPS);

        public static final EventKind<Finished> KIND = EventKind.named("finished", Finished.class)
                .with(STEP, Finished::step)
                .made((stamp, f) -> new Finished(stamp, f.get(STEP)))
                .when((is, e) -> {
                    BatchState.Chore chore = is.chore(e.step);
                    is.require(!is.strained(), "the pot is already strained");
                    is.once(chore.finished(), "it is already done");
                    is.require(
                            !(is.phase(e.step) instanceof PrepPhase.Flame)
                                    || is.state().last(BurnerOff.KIND).isPresent(),
                            "put the burner out and log that first: nothing is flamed over a lit burner");
                })
                .then(Replay::finished);

        public Finished {
            STEP.check(step);
        }

        @Override
        public EventKind<Finished> kind() {
            return KIND;
        }
    }

    /** Bones turned in the oven; tray 0 is all of them. */
    record Turned(Stamp stamp, int tray) implements ChoreEvent {
        static final Figure<Integer> TRAY = Figure.count("tray", 0, MOST_TRAYS, "");

        public static final EventKind<Turned> KIND = EventKind.named("turned", Turned.class)
                .with(TRAY, Turned::tray)
                .made((stamp, f) -> new Turned(stamp, f.or(TRAY, 0)))
                .when((is, e) -> is.require(is.underWay(PrepPhase.Roast.class), "there is nothing in the oven"))
                .then(Replay::remembered);

        public Turned {
            TRAY.check(tray);
        }

        @Override
        public EventKind<Turned> kind() {
            return KIND;
        }
    }

    /** Fresh cold water on a soak. */
    record WaterChanged(Stamp stamp) implements ChoreEvent {
        public static final EventKind<WaterChanged> KIND = EventKind.named("water-changed", WaterChanged.class)
                .made(WaterChanged::new)
                .when((is, e) -> is.require(is.underWay(PrepPhase.Soak.class), "nothing is soaking"))
                .then(Replay::remembered);

        @Override
        public EventKind<WaterChanged> kind() {
            return KIND;
        }
    }

    /** The burner is off and the hood clear, before a spirit is flamed. */
    record BurnerOff(Stamp stamp) implements ChoreEvent {
        public static final EventKind<BurnerOff> KIND = EventKind.named("burner-off", BurnerOff.class)
                .made(BurnerOff::new)
                .when((is, e) -> {
                    is.require(is.formula().phase(PrepPhase.Flame.class).isPresent(), "this procedure flames nothing");
                    is.once(is.state().last(BurnerOff.KIND), "the burner is already off");
                })
                .then(Replay::remembered);

        @Override
        public EventKind<BurnerOff> kind() {
            return KIND;
        }
    }

    /** Vessel, strainer set and ladle are cleaned down of what they held before; of a pot that is full, strainer set and ladle. */
    record CleanedDown(Stamp stamp) implements ChoreEvent {
        public static final EventKind<CleanedDown> KIND = EventKind.named("cleaned-down", CleanedDown.class)
                .made(CleanedDown::new)
                .when((is, e) -> is.require(!is.strained(), "it is already strained"))
                .then(Replay::remembered);

        @Override
        public EventKind<CleanedDown> kind() {
            return KIND;
        }
    }

    /** The bed was blanched and the pot washed. */
    record Blanched(Stamp stamp) implements ChoreEvent {
        public static final EventKind<Blanched> KIND = EventKind.named("blanched", Blanched.class)
                .made(Blanched::new)
                .when((is, e) -> is.require(!is.full(), "the pot is already filled for the stock"))
                .then(Replay::remembered);

        @Override
        public EventKind<Blanched> kind() {
            return KIND;
        }
    }
}
