package potamos.server.courses;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Set;
import potamos.core.charge.Needs;
import potamos.core.safety.Allergen;
import potamos.server.Ids;
import potamos.server.kitchen.Outages;
import potamos.server.stations.Calls;

/**
 * What goes otherwise than the course was laid; which figures are told hangs on its kind.
 *
 * @param id      made by the client: of what is written down when a way out is taken
 * @param batchId that simmers longer
 * @param minutes by how much, 1 to 720
 * @param outage  what is missing
 * @param call    that is asked for otherwise, or anew
 */
record Trouble(
        @NotNull Kind kind,

        @Pattern(regexp = Ids.PATTERN) String id,

        @Size(max = 36) String batchId,
        Integer minutes,
        @Valid Outages.Missing outage,
        @Valid Asked call) {

    enum Kind {
        /** Nothing but what has happened already. */
        NOW,
        /** A simmer that is judged not yet. */
        LONGER,
        /** A thing is out of order, or cooks are away. */
        OUTAGE,
        /** A call is asked for otherwise, or anew. */
        CALL
    }

    /**
     * A call as it would be.
     *
     * @param callId  of one that there is; nothing of a new one, which tells its station and formula
     */
    record Asked(
            @Size(max = 36) String callId,
            @Size(max = 36) String stationId,
            @Size(max = 60) String formula,
            double litres,
            @NotNull Instant readyBy,
            Set<@NotNull Allergen> without,
            Set<Needs.@NotNull Need> needs,
            @Size(max = 300) String note) {
        /** As it is asked for anew. */
        Calls.Wish wish() {
            return new Calls.Wish(
                    stationId,
                    formula,
                    litres,
                    readyBy,
                    new Needs(without == null ? Set.of() : without, needs == null ? Set.of() : needs),
                    note);
        }
    }
}
