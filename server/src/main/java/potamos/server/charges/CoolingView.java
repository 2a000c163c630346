package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import potamos.core.batch.Plan;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Crossing;
import potamos.core.cooling.Foreseen;
import potamos.core.quantity.Mass;
import potamos.core.safety.LimitProfile;

/**
 * How it is cooled.
 *
 * @param chiller that it stands in; nothing where it is cooled in an ice bath
 * @param iceKg   for its bath, with the bath's own water and a spare; 0 in a chiller
 * @param enough  whether the kitchen has the containers
 */
public record CoolingView(
        @NotNull List<FilledView> into,
        Optional<String> chiller,
        double iceKg,
        @NotNull List<CurvePointView> curve,
        @NotNull ColdView cold,
        @NotNull Foreseen.Verdict verdict,
        boolean enough,
        double iceShortKg) {

    static CoolingView of(Site.Cooling cooling, LimitProfile limits) {
        ContainerSplit.Group slowest = cooling.slowest();
        return of(
                Plan.Filled.of(cooling.split()),
                slowest.plan(),
                slowest.curve(),
                limits,
                cooling.split().foreseen(),
                cooling.split().ice().kg(),
                cooling.enough(),
                cooling.iceShort().kg());
    }

    /** Of a plan that was accepted. */
    public static CoolingView of(Plan plan) {
        return of(
                plan.into(),
                plan.cooling(),
                plan.curve(),
                plan.limits(),
                Foreseen.of(plan.curve(), plan.limits()),
                plan.ice().map(Mass::kg).orElse(0.0),
                true,
                0);
    }

    private static CoolingView of(
            List<Plan.Filled> into,
            CoolingPlan slowest,
            CoolingCurve curve,
            LimitProfile limits,
            Foreseen foreseen,
            double iceKg,
            boolean enough,
            double iceShortKg) {
        return new CoolingView(
                into.stream()
                        .map(f -> new FilledView(
                                f.container(), f.count(), f.each().litres()))
                        .toList(),
                slowest.chiller(),
                iceKg,
                curve.points().stream()
                        .map(p -> new CurvePointView(p.minute(), p.stockC(), p.mediumC()))
                        .toList(),
                ColdView.of(Cooler.crossings(slowest, curve, List.of(limits.coldest()))
                        .get(0)),
                foreseen.verdict(),
                enough,
                iceShortKg);
    }

    public record CurvePointView(double minute, double stockC, double bathC) {}

    /** So many containers of a kind, each with so much. */
    public record FilledView(@NotNull String container, int count, double eachL) {}

    /** Minutes from straining to the cold limit; {@code latest} is empty when it might never get there. */
    public record ColdView(
            double celsius, Optional<Double> minute, Optional<Double> earliest, Optional<Double> latest) {
        static ColdView of(Crossing crossing) {
            return new ColdView(
                    crossing.at().celsius(),
                    boxed(crossing.minute()),
                    boxed(crossing.earliest()),
                    boxed(crossing.latest()));
        }

        private static Optional<Double> boxed(OptionalDouble value) {
            return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
        }
    }
}
