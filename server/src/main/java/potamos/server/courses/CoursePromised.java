package potamos.server.courses;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import potamos.core.formula.Family;

/**
 * Litres of a batch that a call is going to get.
 *
 * @param from    when they stand in the cold store
 * @param lateMin after it is wanted; 0 where they are in time
 */
record CoursePromised(
        @NotNull String callId,
        @NotNull String station,
        @NotNull String formulaName,
        @NotNull Family family,
        double litres,
        @NotNull Instant from,
        @NotNull Instant by,
        long lateMin) {
    static CoursePromised of(Promised one) {
        return new CoursePromised(
                one.callId(),
                one.station(),
                one.formulaName(),
                one.family(),
                one.litres(),
                one.from(),
                one.by(),
                one.late().toMinutes());
    }
}
