package potamos.core.formula;

import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import potamos.core.vessel.BedKind;

/** Several kinds of bed seen as one. */
final class Blend {

    private Blend() {}

    static BedKind of(List<Formula.BedShare> shares) {
        return new BedKind(
                shares.stream().map(s -> s.kind().id()).collect(Collectors.joining("+")),
                shares.stream().map(s -> s.kind().name()).collect(Collectors.joining(", ")),
                1 / byMass(shares, k -> 1 / k.bulkKgPerL()),
                1 / byMass(shares, k -> 1 / k.trueKgPerL()),
                byMass(shares, BedKind::collagenGPerKg),
                halfTime(shares),
                byMass(shares, BedKind::fatGPerKg),
                new BedKind.Scum(
                        byMass(shares, k -> k.scum().rawG()),
                        byMass(shares, k -> k.scum().blanchedG()),
                        byMass(shares, k -> k.scum().roastedG())),
                byMass(shares, BedKind::uptakeDrained),
                byMass(shares, BedKind::uptakePressed),
                byMass(shares, BedKind::settlesTo),
                byMass(shares, BedKind::heatKjPerKgK));
    }

    private static double byMass(List<Formula.BedShare> shares, ToDoubleFunction<BedKind> figure) {
        return shares.stream()
                .mapToDouble(s -> s.share() * figure.applyAsDouble(s.kind()))
                .sum();
    }

    /** Half-times count by the collagen behind them: a kind that gives nothing has no say. */
    private static double halfTime(List<Formula.BedShare> shares) {
        double collagen = byMass(shares, BedKind::collagenGPerKg);
        return collagen <= 0 ? 0 : byMass(shares, k -> k.collagenGPerKg() * k.halfTimeH()) / collagen;
    }
}
