package potamos.server.courses;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.server.Ids;
import potamos.server.accounts.Person;
import potamos.server.charges.ChargeRequest;

/** Where a drafted batch becomes one. */
public interface Accepting {

    /** Litres that a call gets of it at most; what is open of the call, where that is less. */
    record Gives(@NotNull @Size(max = 36) String callId, double atMostL) {

        /** All that is open of a call. */
        public static Gives all(String callId) {
            return new Gives(callId, Double.POSITIVE_INFINITY);
        }
    }

    /**
     * Accepts one: freezes its plan and takes its vessel.
     *
     * @param id    made by the client; accepting twice with the same one accepts once
     * @param gives to whom, the first served first; none where nobody has called for it
     * @throws potamos.core.quantity.Refusal   when the charge does not fit its vessel, or a call is named twice
     * @throws potamos.server.problems.Conflict when the vessel is in use, or a call is being made already
     */
    void accept(Person person, String id, List<Gives> gives, ChargeRequest request);

    /**
     * Where a batch is made instead of where it was planned.
     *
     * @param id       of the batch in its place
     * @param burnerId nothing takes the best
     */
    record MadeInstead(
            @NotNull @Pattern(regexp = Ids.PATTERN) String id,

            double litres,
            @NotNull @Size(max = 36) String vesselId,
            @Size(max = 36) String burnerId,
            @NotNull Instant start,
            @NotNull Instant readyBy,
            @Valid @NotNull @Size(max = 20) List<Gives> gives) {}

    /** A batch that nobody has begun, made otherwise; not at all where nothing is made instead. */
    record Move(@NotNull @Size(max = 36) String batchId, Optional<@Valid MadeInstead> instead) {}

    /**
     * Gives up batches that nobody has begun, and accepts others in their places, of the same formulas with the same choices. Every place is free before the
     * first is taken.
     *
     * @throws potamos.server.problems.Conflict when somebody has begun one meanwhile
     */
    void replan(Person person, List<Move> moves);
}
