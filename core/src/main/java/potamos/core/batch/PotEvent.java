package potamos.core.batch;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What happens to the pot, from its filling to the end of the simmer. */
public sealed interface PotEvent extends Fact {

    List<EventKind<? extends PotEvent>> KINDS = List.of(
            Filled.KIND,
            HeatOn.KIND,
            Held.KIND,
            TakenOut.KIND,
            FirstFoam.KIND,
            SimmerReached.KIND,
            TurnedDown.KIND,
            Skimmed.KIND,
            LevelRead.KIND,
            TemperatureRead.KIND,
            ToppedUp.KIND,
            Added.KIND,
            Judged.ENOUGH,
            Judged.NOT_YET);

    /** Water drawn. */
    record Filled(Stamp stamp, Volume water, Temperature temperature) implements PotEvent {
        static final Figure<Volume> WATER = Figure.litres(0.1, Figure.MOST_LITRES);
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", 0, 100);

        public static final EventKind<Filled> KIND = EventKind.named("filled", Filled.class)
                .with(WATER, Filled::water)
                .with(TEMPERATURE, Filled::temperature)
                .made((stamp, f) -> new Filled(stamp, f.get(WATER), f.get(TEMPERATURE)))
                .when((is, e) -> {
                    is.require(!is.full(), "the pot is already filled; log a top-up, or correct the filling");
                    is.require(
                            is.state().weighed().containsKey(BED)
                                    || is.formula().bed().isEmpty(),
                            "weigh the bed in first");
                    is.room(e.water, is.solidsToFill());
                })
                .then(Replay::filled);

        public Filled {
            WATER.check(water);
            TEMPERATURE.check(temperature);
        }

        @Override
        public EventKind<Filled> kind() {
            return KIND;
        }
    }

    /** Burner lit. */
    record HeatOn(Stamp stamp) implements PotEvent {
        public static final EventKind<HeatOn> KIND = EventKind.named("heat-on", HeatOn.class)
                .made(HeatOn::new)
                .when((is, e) -> {
                    is.require(is.full(), "fill the pot first");
                    is.once(is.state().simmer().lit(), "the burner is already lit");
                })
                .then(Replay::lit);

        @Override
        public EventKind<HeatOn> kind() {
            return KIND;
        }
    }

    /** Reached the temperature of a warm steep, and held there. */
    record Held(Stamp stamp) implements PotEvent {
        public static final EventKind<Held> KIND = EventKind.named("held", Held.class)
                .made(Held::new)
                .when((is, e) -> {
                    is.require(is.lit() && is.working(), "light the burner first");
                    is.require(Replay.warmSteep(is.plan()).isPresent(), "this procedure has no warm steep");
                    is.once(is.state().simmer().held(), "the steep is already logged");
                })
                .then(Replay::held);

        @Override
        public EventKind<Held> kind() {
            return KIND;
        }
    }

    /** Part of the bed lifted out before the rest is done, as kelp is; {@code part} is its kind. */
    record TakenOut(Stamp stamp, String part) implements PotEvent {
        static final Figure<String> PART = Figure.part();

        public static final EventKind<TakenOut> KIND = EventKind.named("taken-out", TakenOut.class)
                .with(PART, TakenOut::part)
                .made((stamp, f) -> new TakenOut(stamp, f.get(PART)))
                .when((is, e) -> {
                    is.inThePot();
                    is.require(
                            Infusion.share(is.plan().charge(), e.part).isPresent(),
                            "this bed has no such kind to be taken out");
                })
                .then(Replay::takenOut);

        public TakenOut {
            PART.check(part);
        }

        @Override
        public EventKind<TakenOut> kind() {
            return KIND;
        }
    }

    /** The foam that comes just before the first bubbles. */
    record FirstFoam(Stamp stamp) implements PotEvent {
        public static final EventKind<FirstFoam> KIND = EventKind.named("first-foam", FirstFoam.class)
                .made(FirstFoam::new)
                .when((is, e) -> {
                    is.require(is.lit(), "light the burner first");
                    is.once(is.state().simmer().foam(), "first foam is already logged");
                })
                .then(Replay::remembered);

        @Override
        public EventKind<FirstFoam> kind() {
            return KIND;
        }
    }

    /** Turned down to the simmer. */
    record SimmerReached(Stamp stamp) implements PotEvent {
        public static final EventKind<SimmerReached> KIND = EventKind.named("simmer-reached", SimmerReached.class)
                .made(SimmerReached::new)
                .when((is, e) -> {
                    is.require(is.lit(), "light the burner first");
                    is.once(is.state().simmer().reached(), "the simmer is already logged");
                })
                .then(Replay::simmerReached);

        @Override
        public EventKind<SimmerReached> kind() {
            return KIND;
        }
    }

    /** A pot that boiled where it should simmer, brought back down. */
    record TurnedDown(Stamp stamp) implements PotEvent {
        public static final EventKind<TurnedDown> KIND = EventKind.named("turned-down", TurnedDown.class)
                .made(TurnedDown::new)
                .when((is, e) -> {
                    is.require(is.state().simmer().reached().isPresent(), "log first that it has come to its simmer");
                    is.once(is.state().simmer().ended(), "it is off the heat already");
                })
                .then(Replay::turnedDown);

        @Override
        public EventKind<TurnedDown> kind() {
            return KIND;
        }
    }

    /** Scum taken off, and the liquor that went with it. */
    record Skimmed(Stamp stamp, Volume liquor) implements PotEvent {
        static final Figure<Volume> LIQUOR = Figure.litres(0, 20);

        public static final EventKind<Skimmed> KIND = EventKind.named("skimmed", Skimmed.class)
                .with(LIQUOR, Skimmed::liquor)
                .made((stamp, f) -> new Skimmed(stamp, f.get(LIQUOR)))
                .when((is, e) ->
                        is.require(is.lit() && is.working(), "there is nothing to skim: the pot is not on the heat"))
                .then(Replay::skimmed);

        public Skimmed {
            LIQUOR.check(liquor);
        }

        @Override
        public EventKind<Skimmed> kind() {
            return KIND;
        }
    }

    /** The level as read on the ruler. */
    record LevelRead(Stamp stamp, Length belowRim) implements PotEvent {
        static final Figure<Length> BELOW_RIM = Figure.cm("belowRimCm", 200);

        public static final EventKind<LevelRead> KIND = EventKind.named("level-read", LevelRead.class)
                .with(BELOW_RIM, LevelRead::belowRim)
                .made((stamp, f) -> new LevelRead(stamp, f.get(BELOW_RIM)))
                .when((is, e) -> {
                    is.require(is.working(), "there is no level to read: the pot is not filled");
                    double height =
                            is.plan().charge().run().vessel().shape().height().cm();
                    Refusal.unlessWithin(BELOW_RIM.name(), e.belowRim.cm(), 0, height, BELOW_RIM.unit());
                })
                .then(Replay::levelRead);

        public LevelRead {
            BELOW_RIM.check(belowRim);
        }

        @Override
        public EventKind<LevelRead> kind() {
            return KIND;
        }
    }

    /** The liquor's temperature; {@code byProbe} when a hand has taken over what the probe in the pot says. */
    record TemperatureRead(Stamp stamp, Temperature temperature, boolean byProbe) implements PotEvent {
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", 0, 110);
        static final Figure<Boolean> BY_PROBE = Figure.yes("byProbe");

        public static final EventKind<TemperatureRead> KIND = EventKind.named("temperature-read", TemperatureRead.class)
                .with(TEMPERATURE, TemperatureRead::temperature)
                .with(BY_PROBE, TemperatureRead::byProbe)
                .made((stamp, f) -> new TemperatureRead(stamp, f.get(TEMPERATURE), f.or(BY_PROBE, false)))
                .when((is, e) -> {
                    is.require(is.working(), "the pot is not filled");
                    double boils = is.plan().charge().run().air().boilingPoint().celsius();
                    double most = boils + Before.BOILING_SLACK_K;
                    if (e.temperature.celsius() > most) {
                        throw Refusal.outside("celsius", "above the boiling point here", 0, most, "°C");
                    }
                })
                .then(Replay::temperatureRead);

        public TemperatureRead {
            TEMPERATURE.check(temperature);
        }

        /** Read by hand. */
        public TemperatureRead(Stamp stamp, Temperature temperature) {
            this(stamp, temperature, false);
        }

        @Override
        public EventKind<TemperatureRead> kind() {
            return KIND;
        }
    }

    /** Water added to a working pot. */
    record ToppedUp(Stamp stamp, Volume water, Temperature temperature) implements PotEvent {
        static final Figure<Volume> WATER = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", 0, 100);

        public static final EventKind<ToppedUp> KIND = EventKind.named("topped-up", ToppedUp.class)
                .with(WATER, ToppedUp::water)
                .with(TEMPERATURE, ToppedUp::temperature)
                .made((stamp, f) -> new ToppedUp(stamp, f.get(WATER), f.get(TEMPERATURE)))
                .when((is, e) -> {
                    is.require(is.working(), "there is no pot to top up");
                    is.room(e.water, is.state().pot().contents().litres());
                })
                .then(Replay::toppedUp);

        public ToppedUp {
            WATER.check(water);
            TEMPERATURE.check(temperature);
        }

        @Override
        public EventKind<ToppedUp> kind() {
            return KIND;
        }
    }

    /** A part put into the pot. */
    record Added(Stamp stamp, String part, Mass mass) implements PotEvent {
        static final Figure<String> PART = Figure.part();
        static final Figure<Mass> MASS = Figure.kg(0.0001, Figure.MOST_KG);

        public static final EventKind<Added> KIND = EventKind.named("added", Added.class)
                .with(PART, Added::part)
                .with(MASS, Added::mass)
                .made((stamp, f) -> new Added(stamp, f.get(PART), f.get(MASS)))
                .when((is, e) -> {
                    is.inThePot();
                    is.known(e.part);
                    is.once(Optional.ofNullable(is.state().added().get(e.part)), "that is already in the pot");
                })
                .then(Replay::added);

        public Added {
            MASS.check(mass);
        }

        @Override
        public EventKind<Added> kind() {
            return KIND;
        }
    }

    /** A look at the simmer: enough, or not yet and how much longer. */
    record Judged(Stamp stamp, boolean enough, Duration longer) implements PotEvent {
        static final Figure<Duration> LONGER = Figure.minutes("longerMin", 24 * 60);
        private static final String STORED_AS = "judged";

        public static final EventKind<Judged> ENOUGH = EventKind.named("judged-enough", Judged.class)
                .storedAs(STORED_AS)
                .trusts(EventKind.Trust.JUDGEMENT)
                .made(stamp -> new Judged(stamp, true, Duration.ZERO))
                .when(Judged::makesSense)
                .then(Replay::judged);

        public static final EventKind<Judged> NOT_YET = EventKind.named("judged-not-yet", Judged.class)
                .storedAs(STORED_AS)
                .trusts(EventKind.Trust.JUDGEMENT)
                .with(LONGER, Judged::longer)
                .made((stamp, f) -> new Judged(stamp, false, f.get(LONGER)))
                .when(Judged::makesSense)
                .then(Replay::judged);

        public Judged {
            LONGER.check(longer);
        }

        private static void makesSense(Before is, Judged judged) {
            is.require(is.state().simmer().reached().isPresent(), "the simmer has not been reached");
            is.once(is.state().simmer().ended(), "the end is already judged");
        }

        @Override
        public EventKind<Judged> kind() {
            return enough ? ENOUGH : NOT_YET;
        }
    }
}
