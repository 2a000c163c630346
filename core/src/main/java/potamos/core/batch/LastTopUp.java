package potamos.core.batch;

import java.time.Instant;
import java.util.Optional;
import potamos.core.flow.TopUpPolicy;

/** Whether a pot has been brought back to its mark for the last time, and what that takes. */
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
