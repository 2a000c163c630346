package potamos.core.larder;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import potamos.core.quantity.Mass;

/**
 * What is left of something that came into the larder in one go.
 *
 * @param goods  what
 * @param left   of it
 * @param useBy  last day on which it may be used; nothing of what keeps
 * @param frozen whether it lies in the freezer
 * @param thawed when what thaws is soft; nothing of what does not
 * @param thaws  how long it takes to thaw in a cold store, as it came in; nothing of what is used as it is
 * @param trim   whether it is clean trim of the kitchen's own
 * @param stopped why nobody may use it; nothing where nobody has said so
 */
public record Box(
        String id,
        Goods goods,
        Mass left,
        Optional<LocalDate> useBy,
        boolean frozen,
        Optional<Instant> thawed,
        Optional<Duration> thaws,
        boolean trim,
        Optional<String> stopped) {

    /** Why it may not go into a pot at a moment; nothing where it may. */
    public Optional<Refused> refused(LocalDate today, Instant at) {
        if (stopped.isPresent()) {
            return Optional.of(Refused.STOPPED);
        }
        if (useBy.filter(today::isAfter).isPresent()) {
            return Optional.of(Refused.PAST_USE_BY);
        }
        if (goods.raw() && (frozen || thawed.filter(at::isBefore).isPresent())) {
            return Optional.of(Refused.FROZEN);
        }
        return Optional.empty();
    }

    /** Why a box stays where it is. */
    public enum Refused {
        PAST_USE_BY("it is past its use-by"),
        FROZEN("it is not thawed yet"),
        STOPPED("it is stopped: nobody may use it");

        private final String reason;

        Refused(String reason) {
            this.reason = reason;
        }

        public String reason() {
            return reason;
        }
    }

    Box less(Mass taken) {
        return new Box(id, goods, left.minus(taken), useBy, frozen, thawed, thaws, trim, stopped);
    }
}
