package potamos.core.batch;

import java.util.List;
import potamos.core.figure.Figure;
import potamos.core.quantity.Temperature;

/** How the stock cools. */
public sealed interface ColdEvent extends Fact {

    List<EventKind<? extends ColdEvent>> KINDS = List.of(CoolingBegan.KIND, CoolingRead.KIND, Reheated.KIND);

    /** Cooling set up as planned. */
    record CoolingBegan(Stamp stamp) implements ColdEvent {
        public static final EventKind<CoolingBegan> KIND = EventKind.named("cooling-began", CoolingBegan.class)
                .made(CoolingBegan::new)
                .when((is, e) -> {
                    is.strainedFirst();
                    is.outKnown();
                    is.once(is.state().cooling().began(), "cooling is already logged");
                })
                .then(Replay::coolingBegan);

        @Override
        public EventKind<CoolingBegan> kind() {
            return KIND;
        }
    }

    /** The stock's temperature while it cools. */
    record CoolingRead(Stamp stamp, Temperature temperature) implements ColdEvent {
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", -30, 105);

        public static final EventKind<CoolingRead> KIND = EventKind.named("cooling-read", CoolingRead.class)
                .with(TEMPERATURE, CoolingRead::temperature)
                .made((stamp, f) -> new CoolingRead(stamp, f.get(TEMPERATURE)))
                .when((is, e) ->
                        is.require(is.strained(), "strain it first; readings of the pot are logged as temperature"))
                .then(Replay::coolingRead);

        public CoolingRead {
            TEMPERATURE.check(temperature);
        }

        @Override
        public EventKind<CoolingRead> kind() {
            return KIND;
        }
    }

    /** Reheated after a failed stage; cooling starts again. */
    record Reheated(Stamp stamp, Temperature temperature) implements ColdEvent {
        static final Figure<Temperature> TEMPERATURE = Figure.celsius("celsius", 50, 105);

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
