package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import potamos.core.charge.Charge;
import potamos.core.formula.Beds;
import potamos.core.formula.Formula;
import potamos.core.quantity.Mass;

/** Kelp comes out before the boil and flakes go in after it: parts of a bed that do not stay together. */
final class Infusion {

    private Infusion() {}

    /** The kelp that is to be lifted out, by its kind. */
    static Optional<String> kelp(Formula formula) {
        return kind(formula, Beds.KELP.id());
    }

    /** The flakes that are to be strewn on, by their kind. */
    static Optional<String> flakes(Formula formula) {
        return kind(formula, Beds.FLAKES.id());
    }

    static boolean flakes(Formula formula, String part) {
        return flakes(formula).filter(part::equals).isPresent();
    }

    /** What of the bed is of a kind. */
    static Optional<Mass> share(Charge charge, String kind) {
        return charge.formula().bed().stream()
                .filter(share -> share.kind().id().equals(kind))
                .map(share -> charge.run().raw().times(share.share()))
                .findFirst();
    }

    /** When the rest is over: it begins with the end of the simmer, or with the flakes where they go in after it. */
    static Instant restEnds(Charge charge, Instant ended, Map<String, Instant> added) {
        Instant from = flakes(charge.formula())
                .map(added::get)
                .filter(in -> in.isAfter(ended))
                .orElse(ended);
        return from.plus(Duration.ofSeconds((long) (charge.run().restMin() * 60)));
    }

    private static Optional<String> kind(Formula formula, String id) {
        return formula.bed().stream()
                .map(share -> share.kind().id())
                .filter(id::equals)
                .findFirst();
    }
}
