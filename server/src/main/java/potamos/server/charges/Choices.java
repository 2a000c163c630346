package potamos.server.charges;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;
import potamos.core.formula.Substitution;
import potamos.core.quantity.Refusal;
import potamos.core.vessel.BedKind;
import potamos.server.exchange.SchoolsJson;

/** The choices of a request made in a formula: schools, the mix of the bed, the cuts. */
final class Choices {

    private Choices() {}

    /** The formula with the mix, the cuts and the schools that were asked for. */
    static Formula of(Formula base, ChargeRequest request, Map<String, BedKind> own) {
        Formula chosen = SchoolsJson.read(request.schools()).applyTo(withOwnFigures(base, own));
        if (request.bed() != null) {
            double cut = base.bed().isEmpty() ? 0 : base.bed().get(0).cutMm();
            chosen = chosen.withBed(request.bed().stream()
                    .map(b -> new Formula.BedShare(kind(own, b.kind()), b.share(), cut))
                    .toList());
        }
        if (request.swaps() != null) {
            for (Map.Entry<String, String> swap : new TreeMap<>(request.swaps()).entrySet()) {
                Item by = Pantry.find(swap.getValue())
                        .orElseThrow(() -> Refusal.of("by", "the book does not know " + swap.getValue()));
                chosen = Substitution.replace(chosen, swap.getKey(), by);
            }
        }
        if (request.cutMm() != null) {
            chosen = cut(chosen, request.cutMm());
        }
        return chosen;
    }

    private static BedKind kind(Map<String, BedKind> own, String id) {
        return Optional.ofNullable(own.get(id))
                .orElseThrow(() -> Refusal.of("bed", "this kitchen has no such kind of bed"));
    }

    /** The kitchen's own figures of a kind of bed count, where it knows the kind. */
    private static Formula withOwnFigures(Formula formula, Map<String, BedKind> own) {
        return formula.bed().isEmpty()
                ? formula
                : formula.withBed(formula.bed().stream()
                        .map(b -> new Formula.BedShare(own.getOrDefault(b.kind().id(), b.kind()), b.share(), b.cutMm()))
                        .toList());
    }

    private static Formula cut(Formula formula, Map<String, Double> edges) {
        List<Part> parts = formula.parts().stream()
                .map(p -> edges.containsKey(p.id()) && edges.get(p.id()) != null ? p.cutTo(edges.get(p.id())) : p)
                .toList();
        Double bed = edges.get("bed");
        Formula cut = formula.withParts(parts);
        return bed == null
                ? cut
                : cut.withBed(cut.bed().stream()
                        .map(b -> new Formula.BedShare(b.kind(), b.share(), bed))
                        .toList());
    }
}
