package potamos.core.formula;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
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
 * @param bed          kinds of bed and their shares, adding up to 1; none where a finished stock is reduced
 * @param water        what decides how much is drawn
 * @param parts        everything else that goes in, each item once
 * @param procedure    phases in the order of work
 * @param coldDays     days it keeps cold
 * @param frozenMonths months it keeps frozen
 * @param cautions     dangers of this formula
 */
@RecordBuilder
@RecordBuilder.Options(builderMode = RecordBuilder.BuilderMode.STAGED)
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
        List<Caution> cautions)
        implements FormulaBuilder.With {

    private static final Pattern SLUG = Pattern.compile("[a-z0-9-]{2,60}");

    public Formula {
        bed = List.copyOf(bed);
        parts = List.copyOf(parts);
        procedure = List.copyOf(procedure);
        cautions = List.copyOf(cautions);
        if (slug == null || !SLUG.matcher(slug).matches()) {
            throw Refusal.of("slug", "2 to 60 small letters, digits and hyphens");
        }
        if (name == null || name.isBlank() || name.length() > LONGEST_NAME) {
            throw Refusal.outside("name", "too short or too long", 1, LONGEST_NAME, "characters");
        }
        if (family == null || water == null) {
            throw Refusal.of(family == null ? "family" : "water", "is needed here");
        }
        Refusal.unlessWithin("coldDays", coldDays, 1, 14, "days");
        Refusal.unlessWithin("frozenMonths", frozenMonths, 0, 24, "months");
        double shares = bed.stream().mapToDouble(BedShare::share).sum();
        if (!bed.isEmpty() && Math.abs(shares - 1) > 1e-6) {
            throw Refusal.of("bed", "the shares of the bed add up to the whole");
        }
        if (parts.stream().map(Part::id).distinct().count() < parts.size()) {
            throw Refusal.of("parts", "each item stands once");
        }
        order(procedure, bed.isEmpty());
    }

    /** A procedure has one filling, one simmer after it and one straining after that; without a bed it is filled with stock. */
    private static void order(List<Phase> procedure, boolean noBed) {
        int fill = theOnly(procedure, PotPhase.Fill.class);
        int simmer = theOnly(procedure, PotPhase.Simmer.class);
        int strain = theOnly(procedure, FinishPhase.Strain.class);
        if (!(fill < simmer && simmer < strain)) {
            throw Refusal.of("procedure", "fill, simmer and strain come in this order");
        }
        Liquid liquid = ((PotPhase.Fill) procedure.get(fill)).liquid();
        if (noBed && liquid.kind() != Liquid.Kind.STOCK) {
            throw Refusal.of("bed", "an empty bed; only a finished stock does without one");
        }
    }

    private static int theOnly(List<Phase> procedure, Class<? extends Phase> kind) {
        int at = -1;
        for (int i = 0; i < procedure.size(); i++) {
            if (kind.isInstance(procedure.get(i))) {
                if (at >= 0) {
                    throw Refusal.of("procedure", "fill, simmer and strain stand once each");
                }
                at = i;
            }
        }
        if (at < 0) {
            throw Refusal.of("procedure", "it needs a filling, a simmer and a straining");
        }
        return at;
    }

    private static final int LONGEST_NAME = 80;

    /**
     * A kind of bed and its share of the mass.
     *
     * @param cutMm edge of its pieces where it is cut, as vegetables are; 0 where it is not
     */
    public record BedShare(BedKind kind, double share, double cutMm) {
        public BedShare {
            if (kind == null) {
                throw Refusal.of("kind", "a kind of bed");
            }
            Refusal.unlessWithin("share", share, 0, 1, "of the bed");
            Refusal.unlessWithin("cutMm", cutMm, 0, 300, "mm");
        }

        /** A share that is not cut. */
        public BedShare(BedKind kind, double share) {
            this(kind, share, 0);
        }
    }

    /** Whether a kind of bed is in the bed. */
    public boolean inBed(String kind) {
        return bed.stream().anyMatch(share -> share.kind().id().equals(kind));
    }

    /** Of the mass of the bed, what is of a kind; nothing of what is not in it. */
    public double shareOf(String kind) {
        return bed.stream()
                .filter(share -> share.kind().id().equals(kind))
                .mapToDouble(BedShare::share)
                .sum();
    }

    /**
     * The bed as one kind: masses add, volumes add, so densities mix by volume and everything per kilogram by mass.
     */
    public BedKind blendedBed() {
        return bed.isEmpty() ? Beds.NONE : bed.size() == 1 ? bed.get(0).kind() : Blend.of(bed);
    }

    /** The first phase of a kind, if the procedure has one. */
    public <P extends Phase> Optional<P> phase(Class<P> kind) {
        return procedure.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }

    /** The simmer; an infusion is brought to the boil once, which counts as one. */
    public PotPhase.Simmer simmer() {
        return phase(PotPhase.Simmer.class).orElseThrow();
    }

    public FinishPhase.Strain strain() {
        return phase(FinishPhase.Strain.class).orElseThrow();
    }

    public PotPhase.Fill fill() {
        return phase(PotPhase.Fill.class).orElseThrow();
    }

    /** All phases of a kind, in order. */
    public <P extends Phase> List<P> phases(Class<P> kind) {
        return procedure.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    /** Steeps in the water as it was drawn, before the burner is lit, all together. */
    public Duration coldSteep() {
        return phases(PotPhase.Steep.class).stream()
                .filter(steep -> !warm(steep))
                .map(PotPhase.Steep::takes)
                .reduce(Duration.ZERO, Duration::plus);
    }

    /** Steeps that the pot is heated to and held at, on the way to the simmer. */
    public List<PotPhase.Steep> warmSteeps() {
        return phases(PotPhase.Steep.class).stream().filter(this::warm).toList();
    }

    private boolean warm(PotPhase.Steep steep) {
        return steep.at().compareTo(fill().water()) > 0;
    }

    /** Share of the bed's raw mass that reaches the pot. */
    public double keepsMass() {
        return phase(PrepPhase.Roast.class).map(PrepPhase.Roast::keepsMass).orElse(1.0);
    }

    /** The part of the volume that a planned reduction leaves; 1 for none. */
    public double reducesTo() {
        return phase(FinishPhase.Reduce.class)
                .map(FinishPhase.Reduce::toFraction)
                .orElse(1.0);
    }

    /** Everything that must be declared. */
    public Set<Allergen> allergens() {
        Set<Allergen> all = new LinkedHashSet<>();
        bed.forEach(share -> all.addAll(Beds.allergens(share.kind().id())));
        parts.forEach(part -> all.addAll(part.allergens()));
        fromOtherPots().forEach(contents -> all.addAll(contents.allergens()));
        return all;
    }

    /** Whether what it is drawn with brings allergens of its own, which nobody has written down: a stock, or what spent bones once lay in. */
    public boolean allergensUnknown() {
        List<Draw> draws = fill().draws();
        boolean drawnUnknown = draws.isEmpty()
                ? fill().liquid().kind() != Liquid.Kind.WATER
                : draws.stream().anyMatch(draw -> draw.contents().unknown());
        List<Brought> brought = fill().brought();
        boolean bedUnknown = inBed(Beds.SPENT_BONES.id())
                && brought.stream().noneMatch(one -> one.part().equals(Brought.BED));
        return drawnUnknown
                || bedUnknown
                || brought.stream().anyMatch(one -> one.contents().unknown());
    }

    /** What is in everything that comes out of other pots. */
    Stream<Contents> fromOtherPots() {
        return Stream.concat(
                fill().draws().stream().map(Draw::contents),
                fill().brought().stream().map(Brought::contents));
    }

    /** The same drawn with stock of which it is known where it comes from; with none, as it is written. */
    public Formula drawing(List<Draw> draws) {
        return filled(fill -> new PotPhase.Fill(fill.water(), fill.liquid(), draws, fill.brought()));
    }

    /** The same with bed and parts of which it is known which pots they came out of; with none, as it is written. */
    public Formula bringing(List<Brought> brought) {
        return filled(fill -> new PotPhase.Fill(fill.water(), fill.liquid(), fill.draws(), brought));
    }

    private Formula filled(UnaryOperator<PotPhase.Fill> with) {
        return withProcedure(procedure.stream()
                .map(phase -> phase instanceof PotPhase.Fill fill ? with.apply(fill) : phase)
                .toList());
    }

    /** The same under another name, slug and version. */
    public Formula named(String otherSlug, String otherName, int otherVersion) {
        return withSlug(otherSlug).withName(otherName).withVersion(otherVersion);
    }

    /** The same stock simmered for another time. */
    public Formula simmeredFor(Duration length) {
        return withProcedure(procedure.stream()
                .map(phase -> phase instanceof PotPhase.Simmer simmer ? simmer.lasting(length) : phase)
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
            if (phase instanceof PotPhase.Fill && blanched) {
                phases.add(phase(PrepPhase.Blanch.class)
                        .orElse(new PrepPhase.Blanch(Duration.ofMinutes(2), Duration.ofMinutes(15))));
            }
            if (!(phase instanceof PrepPhase.Blanch)) {
                phases.add(phase);
            }
        }
        return withProcedure(phases);
    }

    /** How the bed meets its water. */
    public BedKind.Preparation preparation() {
        if (phase(PrepPhase.Roast.class).isPresent()) {
            return BedKind.Preparation.ROASTED;
        }
        return phase(PrepPhase.Blanch.class).isPresent() ? BedKind.Preparation.BLANCHED : BedKind.Preparation.RAW;
    }
}
