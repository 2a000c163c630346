package potamos.server.charges;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;

/**
 * What to solve.
 *
 * @param formula      slug
 * @param vesselId     where; null takes the smallest that fits
 * @param burnerId     under it; null takes the strongest
 * @param goal         what is given
 * @param value        litres or kg of the goal; nothing for a full vessel
 * @param blanch       null leaves the formula as it is
 * @param simmerMin    null leaves the formula as it is
 * @param waterLPerKg  null leaves the formula as it is
 * @param readyBy      when it is wanted; null means no plan is laid
 * @param startAt      a start that the cook chose; null lets the plan find the latest
 */
public record ChargeRequest(
        @NotBlank String formula,
        String vesselId,
        String burnerId,
        @NotNull GoalKind goal,
        Double value,
        Boolean blanch,
        Integer simmerMin,
        Double waterLPerKg,
        Instant readyBy,
        Instant startAt) {

    /** Which side of the charge is given. */
    public enum GoalKind {
        LITRES,
        BED,
        VESSEL,
        WATER
    }
}
