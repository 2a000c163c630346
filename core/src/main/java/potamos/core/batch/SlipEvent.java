package potamos.core.batch;

import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What becomes of litres at the station that they were handed to. */
public sealed interface SlipEvent extends Fact {

    List<EventKind<? extends SlipEvent>> KINDS = List.of(TakenOver.KIND, Returned.KIND);

    /** The id of the entry that handed them out. */
    String slip();

    /**
     * The station has it, and answers for it from here.
     *
     * @param temperature read at handing over; nothing where nobody read it
     */
    record TakenOver(Stamp stamp, String slip, Optional<Temperature> temperature) implements SlipEvent {
        static final Figure<String> SLIP = Figure.slip();
        static final Figure<Temperature> TEMPERATURE = ShelfEvent.Delivered.TEMPERATURE;

        public static final EventKind<TakenOver> KIND = EventKind.named("taken-over", TakenOver.class)
                .trusts(EventKind.Trust.TAKING_OVER)
                .withdrawnOnly()
                .with(SLIP, TakenOver::slip)
                .with(TEMPERATURE, e -> e.temperature.orElse(null))
                .made((stamp, f) -> new TakenOver(stamp, f.get(SLIP), Optional.ofNullable(f.or(TEMPERATURE, null))))
                .when((is, e) -> is.once(is.slip(e.slip).takenOver(), "it is already taken over"))
                .then(Replay::takenOver);

        public TakenOver {
            SLIP.check(slip);
            temperature.ifPresent(TEMPERATURE::check);
        }

        @Override
        public EventKind<TakenOver> kind() {
            return KIND;
        }
    }

    /**
     * Litres of it come back. What was read cold on its way back, and came out of a lot, lies in that lot again; everything else is thrown away, whatever it looks
     * like.
     *
     * @param temperature read as it came back; nothing where nobody read it
     * @param reason      why, as the station says it
     */
    record Returned(Stamp stamp, String slip, Volume litres, Optional<Temperature> temperature, String reason)
            implements SlipEvent {
        static final Figure<String> SLIP = Figure.slip();
        static final Figure<Volume> LITRES = Figure.litres(0.05, Figure.MOST_LITRES);
        static final Figure<Temperature> TEMPERATURE = ShelfEvent.Delivered.TEMPERATURE;
        static final Figure<String> REASON = Figure.words();

        public static final EventKind<Returned> KIND = EventKind.named("returned", Returned.class)
                .trusts(EventKind.Trust.TAKING_OVER)
                .withdrawnOnly()
                .with(SLIP, Returned::slip)
                .with(LITRES, Returned::litres)
                .with(TEMPERATURE, e -> e.temperature.orElse(null))
                .with(REASON, Returned::reason)
                .made((stamp, f) -> new Returned(
                        stamp,
                        f.get(SLIP),
                        f.get(LITRES),
                        Optional.ofNullable(f.or(TEMPERATURE, null)),
                        f.or(REASON, "")))
                .when((is, e) -> {
                    PutAway.Slip slip = is.slip(e.slip);
                    is.atMost(
                            LITRES.name(),
                            e.litres,
                            slip.litres().minus(slip.back()).litres(),
                            "more than is left of what was handed out");
                })
                .then(Replay::returned);

        public Returned {
            SLIP.check(slip);
            LITRES.check(litres);
            temperature.ifPresent(TEMPERATURE::check);
            REASON.check(reason);
        }

        /** Whether it may be handed out again, as far as its temperature says. */
        boolean keptCold(Plan plan) {
            return temperature
                    .filter(read -> read.compareTo(plan.limits().coldStore()) <= 0)
                    .isPresent();
        }

        @Override
        public EventKind<Returned> kind() {
            return KIND;
        }
    }
}
