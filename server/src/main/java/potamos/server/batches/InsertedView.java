package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.Optional;
import potamos.core.batch.BatchState;
import potamos.core.batch.Expectation;
import potamos.core.batch.Plan;
import potamos.core.batch.Stage;
import potamos.core.cooling.CoolingVerdict;

/**
 * What an act has changed that went in among others which happened after it.
 *
 * @param at       when it happened
 * @param expectedBeforeL litres out expected without it
 */
record InsertedView(
        @NotNull Instant at,
        @NotNull Stage stageBefore,
        @NotNull Stage stageAfter,
        double expectedBeforeL,
        double expectedAfterL,
        Optional<CoolingVerdict.Outcome> verdictBefore,
        Optional<CoolingVerdict.Outcome> verdictAfter) {
    static InsertedView of(Plan plan, Instant at, BatchState before, BatchState after) {
        return new InsertedView(
                at,
                before.stage(),
                after.stage(),
                Expectation.litresOut(plan, before).mid(),
                Expectation.litresOut(plan, after).mid(),
                before.cooling().verdict().map(CoolingVerdict::overall),
                after.cooling().verdict().map(CoolingVerdict::overall));
    }
}
