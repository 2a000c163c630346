package potamos.core.course;

import java.time.Instant;
import java.util.Optional;
import potamos.core.formula.Contents;
import potamos.core.quantity.Volume;

/**
 * Stock that there is, or is going to be whatever the course does.
 *
 * @param formula  its slug
 * @param from     when it can be had
 * @param useBy    until when
 * @param contents what is in it
 */
public record Lot(String id, String formula, Volume litres, Instant from, Instant useBy, Contents contents) {

    /** Why it is not for a call; empty when it may be. */
    Optional<String> refusedFor(Call call) {
        if (!formula.equals(call.formula().slug())) {
            return Optional.of("it is another stock");
        }
        if (call.by().isAfter(useBy)) {
            return Optional.of("it is past its use-by then");
        }
        return call.needs().refused(call.formula().name(), contents);
    }

    static Lot of(Draft draft) {
        return new Lot(
                draft.id(),
                draft.charge().formula().slug(),
                draft.litres(),
                draft.ready(),
                draft.useBy(),
                draft.charge().contents());
    }
}
