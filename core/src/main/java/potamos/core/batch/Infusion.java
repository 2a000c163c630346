package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import potamos.core.charge.Charge;
import potamos.core.charge.Measure;
import potamos.core.formula.Beds;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Part;
import potamos.core.quantity.Mass;

/** Kelp comes out before the boil and flakes go in after it: parts of a bed that do not stay together. */
final class Infusion {

    private Infusion() {}

    /** The kelp that is to be lifted out before the simmer: of the bed by its kind, among the parts by its id. */
    static Optional<String> kelp(Formula formula) {
        return kind(formula, Beds.KELP.id())
                .or(() -> part(formula, Item.Trait.KELP)
                        .filter(part -> part.when() instanceof Part.When.WithTheBed)
                        .map(Part::id));
    }

    /** The flakes that are to be strewn on after the heat, likewise. */
    static Optional<String> flakes(Formula formula) {
        return kind(formula, Beds.FLAKES.id())
                .or(() -> part(formula, Item.Trait.FLAKES).map(Part::id));
    }

    /** Whether that goes in after the heat. */
    static boolean flakes(Formula formula, String part) {
        return flakes(formula).filter(part::equals).isPresent();
    }

    /** Whether it is of the bed, which is counted in when the pot is filled. */
    static boolean ofTheBed(Formula formula, String part) {
        return kind(formula, part).isPresent();
    }

    /** What of the bed, or of the parts that are lifted out, there is of one. */
    static Optional<Mass> share(Charge charge, String kind) {
        return charge.formula().bed().stream()
                .filter(share -> share.kind().id().equals(kind))
                .map(share -> charge.run().raw().times(share.share()))
                .findFirst()
                .or(() -> charge.measures().stream()
                        .filter(measure -> measure.part().id().equals(kind))
                        .filter(measure -> measure.part().item().has(Item.Trait.KELP))
                        .map(Measure::mass)
                        .findFirst());
    }

    /** When the rest is over: it begins with the end of the simmer, or with the flakes where they go in after it. */
    static Instant restEnds(Charge charge, Instant ended, Map<String, Instant> added) {
        Instant from = flakes(charge.formula())
                .map(added::get)
                .filter(in -> in.isAfter(ended))
                .orElse(ended);
        return from.plus(Duration.ofSeconds((long) (charge.run().restMin() * 60)));
    }

    private static Optional<Part> part(Formula formula, Item.Trait trait) {
        return formula.parts().stream().filter(part -> part.item().has(trait)).findFirst();
    }

    private static Optional<String> kind(Formula formula, String id) {
        return formula.bed().stream()
                .map(share -> share.kind().id())
                .filter(id::equals)
                .findFirst();
    }
}
