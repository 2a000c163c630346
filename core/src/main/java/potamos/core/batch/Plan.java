package potamos.core.batch;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.charge.Charge;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;

/**
 * Everything that was known when a batch was accepted, frozen: later changes to formulas, vessels or limits do not reach it.
 *
 * @param charge   what goes into the pot and what is expected out
 * @param limits   the profile that judges its cooling
 * @param cooling  how the containers that are cold last are to be cooled
 * @param into     every container to fill
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
        List<Filled> into,
        CoolingCurve curve,
        Timeline timeline,
        Instant readyBy,
        Volume called,
        Instant accepted) {

    public Plan {
        into = List.copyOf(into);
    }

    /** The same with what really goes into the pot. */
    Plan with(Charge other) {
        return new Plan(other, limits, cooling, into, curve, timeline, readyBy, called, accepted);
    }

    /** Litres in all containers together. */
    public Volume cooled() {
        return Filled.litres(into);
    }

    /** Ice for all of them; nothing where they are cooled without. The containers that are cold last have their share of it, by litres. */
    public Optional<Mass> ice() {
        return cooling.bath()
                .map(bath ->
                        bath.ice().times(cooled().litres() / cooling.litres().litres()));
    }

    /** So many containers of a kind, each with so much. */
    public record Filled(String container, int count, Volume each) {
        public static List<Filled> of(ContainerSplit split) {
            return split.groups().stream()
                    .map(g -> new Filled(g.container().name(), g.count(), g.each()))
                    .toList();
        }

        /** Of all of them. */
        public static Volume litres(List<Filled> into) {
            return Volume.ofLitres(into.stream()
                    .mapToDouble(filled -> filled.count() * filled.each().litres())
                    .sum());
        }
    }
}
