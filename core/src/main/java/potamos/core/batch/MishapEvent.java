package potamos.core.batch;

import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.heat.Cover;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** What happens in kitchens and in no plan: told as it was, with what it does to the numbers. */
public sealed interface MishapEvent extends Fact {

    List<EventKind<? extends MishapEvent>> KINDS =
            List.of(BoiledOver.KIND, LidOn.KIND, LidOff.KIND, PickedOut.KIND, Salted.KIND, Dropped.KIND, WrongPan.KIND);

    /** Liquor that ran over the rim; the pot stood at the boil, and goes on boiling until it is turned down. */
    record BoiledOver(Stamp stamp, Volume liquor) implements MishapEvent {
        static final Figure<Volume> LIQUOR = Figure.litres(0.05, 100);

        public static final EventKind<BoiledOver> KIND = EventKind.named("boiled-over", BoiledOver.class)
                .with(LIQUOR, BoiledOver::liquor)
                .made((stamp, f) -> new BoiledOver(stamp, f.get(LIQUOR)))
                .when((is, e) -> {
                    is.require(is.lit() && is.working() && !is.ended(), "the pot is not on the heat");
                    is.atMost(
                            LIQUOR.name(),
                            e.liquor,
                            is.state().pot().liquor().litres(),
                            "more than there is liquor in the pot");
                })
                .then(Replay::boiledOver);

        public BoiledOver {
            LIQUOR.check(liquor);
        }

        @Override
        public EventKind<BoiledOver> kind() {
            return KIND;
        }
    }

    /** A lid that the plan does not have. */
    record LidOn(Stamp stamp) implements MishapEvent {
        public static final EventKind<LidOn> KIND = EventKind.named("lid-on", LidOn.class)
                .made(LidOn::new)
                .when((is, e) -> {
                    is.inThePot();
                    is.require(is.state().pot().cover() != Cover.LID_ON, "there is a lid on it already");
                })
                .then(Replay::lidOn);

        @Override
        public EventKind<LidOn> kind() {
            return KIND;
        }
    }

    /** Covered again as the plan has it. */
    record LidOff(Stamp stamp) implements MishapEvent {
        public static final EventKind<LidOff> KIND = EventKind.named("lid-off", LidOff.class)
                .made(LidOff::new)
                .when((is, e) -> {
                    is.inThePot();
                    Cover planned = is.plan().charge().run().simmer().cover();
                    is.require(is.state().pot().cover() != planned, "it is covered as planned");
                })
                .then(Replay::lidOff);

        @Override
        public EventKind<LidOff> kind() {
            return KIND;
        }
    }

    /** Scorched pieces left out of the pot. */
    record PickedOut(Stamp stamp, Mass mass) implements MishapEvent {
        static final Figure<Mass> MASS = Figure.kg(0.01, Figure.MOST_KG);

        public static final EventKind<PickedOut> KIND = EventKind.named("picked-out", PickedOut.class)
                .with(MASS, PickedOut::mass)
                .made((stamp, f) -> new PickedOut(stamp, f.get(MASS)))
                .when((is, e) -> {
                    Mass bed = Optional.ofNullable(is.state().weighed().get(BatchEvent.BED))
                            .orElseThrow(() -> Refusal.of("act", "weigh the bed in first"));
                    is.require(!is.full(), "it is in the pot already");
                    double most = bed.kg() * is.formula().keepsMass();
                    Refusal.unlessWithin(MASS.name(), e.mass.kg(), MASS.least(), most, MASS.unit());
                })
                .then(Replay::pickedOut);

        public PickedOut {
            MASS.check(mass);
        }

        @Override
        public EventKind<PickedOut> kind() {
            return KIND;
        }
    }

    /** Salt that the formula does not have: it stays while the water goes, and what is reduced from it is salted the more. */
    record Salted(Stamp stamp, Mass salt) implements MishapEvent {
        static final Figure<Mass> SALT = Figure.kg(0.001, 20);

        public static final EventKind<Salted> KIND = EventKind.named("salted", Salted.class)
                .with(SALT, Salted::salt)
                .made((stamp, f) -> new Salted(stamp, f.get(SALT)))
                .when((is, e) -> {
                    is.require(is.full(), "there is nothing in the pot to be salted");
                    is.notPutAway();
                })
                .then(Replay::salted);

        public Salted {
            SALT.check(salt);
        }

        @Override
        public EventKind<Salted> kind() {
            return KIND;
        }
    }

    /** Strained stock that was dropped or ran away before it was put away. */
    record Dropped(Stamp stamp, Volume litres) implements MishapEvent {
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);

        public static final EventKind<Dropped> KIND = EventKind.named("dropped", Dropped.class)
                .with(LITRES, Dropped::litres)
                .made((stamp, f) -> new Dropped(stamp, f.get(LITRES)))
                .when((is, e) -> is.lostBeforeTheShelf(LITRES.name(), e.litres))
                .then((replay, e) -> replay.lostBeforeTheShelf(e.litres));

        public Dropped {
            LITRES.check(litres);
        }

        @Override
        public EventKind<Dropped> kind() {
            return KIND;
        }
    }

    /** Strained stock that was poured to another one: it is no longer this stock, and that pan now has in it what this one has. */
    record WrongPan(Stamp stamp, Volume litres, String where) implements MishapEvent {
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<String> WHERE = Figure.words();

        public static final EventKind<WrongPan> KIND = EventKind.named("wrong-pan", WrongPan.class)
                .with(LITRES, WrongPan::litres)
                .with(WHERE, WrongPan::where)
                .made((stamp, f) -> new WrongPan(stamp, f.get(LITRES), f.or(WHERE, "")))
                .when((is, e) -> is.lostBeforeTheShelf(LITRES.name(), e.litres))
                .then((replay, e) -> replay.lostBeforeTheShelf(e.litres));

        public WrongPan {
            LITRES.check(litres);
            WHERE.check(where);
        }

        @Override
        public EventKind<WrongPan> kind() {
            return KIND;
        }
    }
}
