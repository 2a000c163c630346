package potamos.core.batch;

import java.time.Instant;
import java.util.Optional;
import potamos.core.flow.TopUpPolicy;

/** Whether a pot has been brought back to its mark for the last time. */
final class LastTopUp {

    private LastTopUp() {}

    /**
     * Whether it is done.
     *
     * @param policy     of the pot
     * @param plannedEnd of the simmer
     * @param toppedUp   when water was last added
     */
    static boolean done(TopUpPolicy policy, Optional<Instant> plannedEnd, Optional<Instant> toppedUp) {
        return plannedEnd
                .map(policy::last)
                .flatMap(due -> toppedUp.filter(at -> !at.isBefore(due)))
                .isPresent();
    }

    static boolean done(TopUpPolicy policy, BatchState state) {
        return done(policy, state.simmer().plannedEnd(), state.pot().toppedUp());
    }
}
