package potamos.core.batch;

import java.time.Instant;
import potamos.core.charge.Charge;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;

/**
 * Everything that was known when a batch was accepted, frozen: later changes to formulas, vessels or limits do not reach it.
 *
 * @param charge   what goes into the pot and what is expected out
 * @param limits   the profile that judges its cooling
 * @param cooling  how it is to be cooled
 * @param curve    what that should look like
 * @param timeline when each stage runs
 * @param readyBy  when it is wanted
 * @param called   litres wanted
 * @param accepted when the plan was
 */
public record Plan(
        Charge charge,
        LimitProfile limits,
        CoolingPlan cooling,
        CoolingCurve curve,
        Timeline timeline,
        Instant readyBy,
        Volume called,
        Instant accepted) {}
