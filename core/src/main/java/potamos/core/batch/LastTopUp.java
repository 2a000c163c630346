package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import potamos.core.flow.Forecaster;

/** A pot that is held is brought back to its mark once more before the end. */
final class LastTopUp {

    /** How long a top-up may wait. */
    static final Duration MAY_WAIT = Duration.ofMinutes(20);

    private LastTopUp() {}

    /** When it is due in a simmer that ends then. */
    static Instant before(Instant end) {
        return end.minus(Forecaster.LAST_TOP_UP);
    }

    static boolean done(BatchState state) {
        Optional<Instant> due = state.simmer().plannedEnd().map(LastTopUp::before);
        return due.flatMap(when -> state.pot().toppedUp().filter(at -> !at.isBefore(when)))
                .isPresent();
    }

    /** Litres that bring the pot back to its mark; below nothing when it stands above. */
    static double litres(Plan plan, BatchState state) {
        double mark = plan.charge()
                .run()
                .vessel()
                .shape()
                .volumeAt(state.pot().mark())
                .litres();
        return mark - state.pot().contents().litres();
    }
}
