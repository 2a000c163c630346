package potamos.core.formula;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;
import potamos.core.vessel.BedKind;

/**
 * What a kind of stock is.
 *
 * @param slug         stable name in data and addresses
 * @param name         name for people
 * @param family       of stock
 * @param version      from 1; a batch keeps the version it ran
 * @param bed          kinds of bed and their shares, adding up to 1
 * @param water        what decides how much is drawn
 * @param parts        everything else that goes in
 * @param procedure    phases in the order of work
 * @param coldDays     days it keeps cold
 * @param frozenMonths months it keeps frozen
 * @param cautions     dangers of this formula
 */
public record Formula(
        String slug,
        String name,
        Family family,
        int version,
        List<BedShare> bed,
        WaterRule water,
        List<Part> parts,
        List<Phase> procedure,
        int coldDays,
        int frozenMonths,
        List<Caution> cautions) {

    public Formula {
        bed = List.copyOf(bed);
        parts = List.copyOf(parts);
        procedure = List.copyOf(procedure);
        cautions = List.copyOf(cautions);
        double shares = bed.stream().mapToDouble(BedShare::share).sum();
        if (bed.isEmpty() || Math.abs(shares - 1) > 1e-6) {
            throw Refusal.of("bed", "the shares of the bed add up to the whole");
        }
    }

    /** A kind of bed and its share of the mass. */
    public record BedShare(BedKind kind, double share) {
        public BedShare {
            Refusal.unlessWithin("share", share, 0, 1, "of the bed");
        }
    }

    /**
     * The bed as one kind: masses add, volumes add, so densities mix by volume and everything per kilogram by mass.
     */
    public BedKind blendedBed() {
        return bed.size() == 1 ? bed.get(0).kind() : Blend.of(bed);
    }

    /** The first phase of a kind, if the procedure has one. */
    public <P extends Phase> Optional<P> phase(Class<P> kind) {
        return procedure.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }

    /**
     * The simmer.
     *
     * @throws Refusal when the procedure has none, as in an infusion
     */
    public Phase.Simmer simmer() {
        return phase(Phase.Simmer.class).orElseThrow(() -> Refusal.of("procedure", "this formula has no simmer"));
    }

    /** Everything that must be declared. */
    public Set<Allergen> allergens() {
        Set<Allergen> all = new LinkedHashSet<>();
        parts.forEach(part -> all.addAll(part.allergens()));
        return all;
    }

    public Formula withWater(WaterRule rule) {
        return new Formula(slug, name, family, version, bed, rule, parts, procedure, coldDays, frozenMonths, cautions);
    }

    public Formula withProcedure(List<Phase> phases) {
        return new Formula(slug, name, family, version, bed, water, parts, phases, coldDays, frozenMonths, cautions);
    }

    /** The same stock simmered for another time. */
    public Formula simmeredFor(Duration length) {
        return withProcedure(procedure.stream()
                .map(phase -> phase instanceof Phase.Simmer simmer ? simmer.lasting(length) : phase)
                .toList());
    }

    /**
     * The same stock with its bed blanched, or not. Blanching stands right before the fill.
     *
     * @param blanched whether
     */
    public Formula blanched(boolean blanched) {
        List<Phase> phases = new ArrayList<>();
        for (Phase phase : procedure) {
            if (phase instanceof Phase.Fill && blanched) {
                phases.add(phase(Phase.Blanch.class)
                        .orElse(new Phase.Blanch(Duration.ofMinutes(2), Duration.ofMinutes(15))));
            }
            if (!(phase instanceof Phase.Blanch)) {
                phases.add(phase);
            }
        }
        return withProcedure(phases);
    }

    /** How the bed meets its water. */
    public BedKind.Preparation preparation() {
        if (phase(Phase.Roast.class).isPresent()) {
            return BedKind.Preparation.ROASTED;
        }
        return phase(Phase.Blanch.class).isPresent() ? BedKind.Preparation.BLANCHED : BedKind.Preparation.RAW;
    }
}
