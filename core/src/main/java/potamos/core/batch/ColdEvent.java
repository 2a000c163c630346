package potamos.core.batch;

import java.util.List;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.figure.Figure;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** How the stock cools. */
public sealed interface ColdEvent extends Fact {

    List<EventKind<? extends ColdEvent>> KINDS =
            List.of(CoolingBegan.KIND, CoolingRead.KIND, Reheated.KIND, Released.KIND);

    /** Cooling set up as planned. */
    record CoolingBegan(Stamp stamp) implements ColdEvent {
        public static final EventKind<CoolingBegan> KIND = EventKind.named("cooling-began", CoolingBegan.class)
                .made(CoolingBegan::new)
                .when((is, e) -> {
                    is.strainedFirst();
                    is.outKnown();
                    is.once(is.state().cooling().began(), "cooling is already logged");
                })
                .then(Replay::remembered);

        @Override
        public EventKind<CoolingBegan> kind() {
            return KIND;
        }
    }

    /** The stock's temperature while it cools; {@code byProbe} when a hand says that it has taken over what a probe shows. */
    record CoolingRead(Stamp stamp, Temperature temperature, boolean byProbe) implements ColdEvent {
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", -30, 105);
        static final Figure<Boolean> BY_PROBE = Figure.yes("byProbe");

        public static final EventKind<CoolingRead> KIND = EventKind.named("cooling-read", CoolingRead.class)
                .with(TEMPERATURE, CoolingRead::temperature)
                .with(BY_PROBE, CoolingRead::byProbe)
                .made((stamp, f) -> new CoolingRead(stamp, f.get(TEMPERATURE), f.or(BY_PROBE, false)))
                .when((is, e) ->
                        is.require(is.strained(), "strain it first; readings of the pot are logged as temperature"))
                .then(Replay::coolingRead);

        public CoolingRead {
            TEMPERATURE.check(temperature);
        }

        /** Read by hand. */
        public CoolingRead(Stamp stamp, Temperature temperature) {
            this(stamp, temperature, false);
        }

        @Override
        public EventKind<CoolingRead> kind() {
            return KIND;
        }
    }

    /** Somebody who may vouches for a cooling that is not simply passed, and says why. */
    record Released(Stamp stamp, String words) implements ColdEvent {
        static final Figure<String> WORDS = Figure.words();

        public static final EventKind<Released> KIND = EventKind.named("released", Released.class)
                .trusts(EventKind.Trust.VOUCHING)
                .withdrawnOnly()
                .with(WORDS, Released::words)
                .made((stamp, f) -> new Released(stamp, f.get(WORDS)))
                .when((is, e) -> {
                    is.strainedFirst();
                    is.require(
                            is.wantsRelease(),
                            "only a cooling that is not proven, or passed on late entries or after a correction, is vouched for");
                    is.once(is.state().cooling().released(), "somebody has vouched for it already");
                })
                .then(Replay::remembered);

        public Released {
            if (words.isBlank()) {
                throw Refusal.of(WORDS.name(), "say why it may be used");
            }
            WORDS.check(words);
        }

        @Override
        public EventKind<Released> kind() {
            return KIND;
        }
    }

    /** Reheated after a failed stage; cooling starts again. */
    record Reheated(Stamp stamp, Temperature temperature) implements ColdEvent {
        private static final double MOST_C = 105;
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", 50, MOST_C);

        public static final EventKind<Reheated> KIND = EventKind.named("reheated", Reheated.class)
                .trusts(EventKind.Trust.JUDGEMENT)
                .with(TEMPERATURE, Reheated::temperature)
                .made((stamp, f) -> new Reheated(stamp, f.get(TEMPERATURE)))
                .when((is, e) -> {
                    is.strainedFirst();
                    is.require(is.coolingFailed(), "only a failed stage is reheated");
                    is.require(
                            is.state().cooling().reheats() == 0,
                            "it was reheated once already; the limits allow no second time: discard it");
                    is.require(
                            is.state().cooling().allowed().contains(CoolingVerdict.Way.REHEAT),
                            "too long since it should have been cold; the limits allow no reheat any more: discard it");
                    Temperature hot = is.plan().limits().reheat();
                    if (!e.temperature.readsAtLeast(hot)) {
                        throw Refusal.outside(
                                TEMPERATURE.name(),
                                "not as hot as the limits want it; heat on and read it again, or discard it",
                                hot.celsius(),
                                MOST_C,
                                "°C");
                    }
                })
                .then(Replay::reheated);

        public Reheated {
            TEMPERATURE.check(temperature);
        }

        @Override
        public EventKind<Reheated> kind() {
            return KIND;
        }
    }
}
