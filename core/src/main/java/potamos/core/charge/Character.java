package potamos.core.charge;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import potamos.core.flow.Forecast;
import potamos.core.flow.Ledger;
import potamos.core.flow.Luck;
import potamos.core.flow.Run;
import potamos.core.formula.Beds;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Part;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Browning;
import potamos.core.liquor.Clarity;
import potamos.core.liquor.CutAdviser;
import potamos.core.liquor.Diffusion;
import potamos.core.liquor.Salt;
import potamos.core.liquor.Taint;
import potamos.core.liquor.Wine;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/**
 * What a charge will taste and look like if it is run as planned.
 *
 * @param cuts            each cut part with what it will have given
 * @param clarity         foreseen
 * @param taints          what to change first; empty when nothing
 * @param salt            through the planned reduction
 * @param sulphitesMgPerL in the yield
 * @param spread          how far clarity and salt may be off
 */
public record Character(
        List<CutPart> cuts, Clarity clarity, List<Taint> taints, Salt salt, double sulphitesMgPerL, Spread spread) {

    /** Relative standard deviation of how quickly flavour leaves a piece. */
    private static final double DIFFUSION_SD = 0.2;

    public Character {
        cuts = List.copyOf(cuts);
        taints = List.copyOf(taints);
    }

    /**
     * Bands.
     *
     * @param clarity   by how much scum the bones give and how well it is caught
     * @param saltGPerL after the planned reduction, by the litres that it is spread over
     */
    public record Spread(Band clarity, Band saltGPerL) {}

    /**
     * A part that is cut.
     *
     * @param name    for people
     * @param cutMm   edge of its pieces
     * @param minutes in the simmer
     * @param spent   share of its flavour that it gives
     * @param advice  which cuts fit this time
     * @param spread  of the share, by how quickly one carrot gives and another does
     */
    public record CutPart(
            String id, String name, double cutMm, double minutes, double spent, CutAdviser advice, Band spread) {
        public CutAdviser.Fit fit() {
            return advice.fitOf(cutMm);
        }
    }

    public boolean declaresSulphites() {
        return sulphitesMgPerL > Wine.DECLARED_MG_PER_L;
    }

    /** The character that a run of a formula gives. */
    static Character of(Formula formula, Run run, List<Measure> measures, Forecast forecast) {
        double litres = Math.max(0.1, forecast.yield().mid());
        double strained = litres / formula.reducesTo();
        List<CutPart> cuts = cuts(formula, run);
        Clouding clouding = new Clouding(formula, run, cuts, measures, strained);
        Clarity clarity = clouding.clarity(1);
        double scum = Band.Z90 * Luck.SKIM_SD;
        Salt salt = Salt.of(saltG(formula, run, measures), seasoned(forecast), formula.reducesTo());
        double kept = salt.afterGPerL() * litres;
        return new Character(
                cuts,
                clarity,
                taints(formula, run),
                salt,
                sulphitesMg(measures) / litres,
                new Spread(
                        new Band(
                                clouding.clarity(1 + scum).index(),
                                clarity.index(),
                                clouding.clarity(1 - scum).index()),
                        new Band(
                                kept / Math.max(litres, forecast.yield().high()),
                                salt.afterGPerL(),
                                kept
                                        / Math.max(
                                                0.1,
                                                Math.min(
                                                        litres, forecast.yield().low())))));
    }

    private static List<CutPart> cuts(Formula formula, Run run) {
        List<CutPart> cuts = new ArrayList<>();
        double simmer = minutes(run.simmer().usual());
        for (Formula.BedShare share : formula.bed()) {
            if (share.cutMm() > 0) {
                cuts.add(cutPart("bed", share.kind().name(), share.cutMm(), simmer, run.simmerAt()));
            }
        }
        for (Part part : formula.parts()) {
            if (part.cutMm() > 0) {
                double into =
                        minutes(ChargeSolver.intoTheSimmer(part, run.simmer().usual()));
                cuts.add(cutPart(part.id(), part.name(), part.cutMm(), simmer - into, run.simmerAt()));
            }
        }
        return cuts;
    }

    private static CutPart cutPart(String id, String name, double cutMm, double minutes, Temperature at) {
        double in = Math.max(1, minutes);
        Diffusion.Cut cut = Diffusion.Cut.AS_CUT;
        // What has left a piece depends on the product of speed and time, so that a slower carrot is one that had less
        // time.
        double less = Math.max(0.1, 1 - Band.Z90 * DIFFUSION_SD);
        return new CutPart(
                id,
                name,
                cutMm,
                in,
                Diffusion.spent(cut, cutMm, at, in),
                CutAdviser.of(cut, at, in),
                new Band(
                        Diffusion.spent(cut, cutMm, at, in * less),
                        Diffusion.spent(cut, cutMm, at, in),
                        Diffusion.spent(cut, cutMm, at, in * (2 - less))));
    }

    private static List<Taint> taints(Formula formula, Run run) {
        List<Taint> taints = new ArrayList<>();
        double simmer = minutes(run.simmer().usual());
        if (formula.family() == Family.FISH && simmer > Taint.FISH_MIN) {
            taints.add(new Taint(Taint.Kind.FISH_LONG, simmer, Taint.FISH_MIN, "min"));
        }
        kelpC(formula, run).ifPresent(celsius -> {
            if (celsius > Taint.KELP_C) {
                taints.add(new Taint(Taint.Kind.KELP_HOT, celsius, Taint.KELP_C, "°C"));
            }
        });
        for (Part part : formula.parts()) {
            double in = simmer
                    - minutes(ChargeSolver.intoTheSimmer(part, run.simmer().usual()));
            if (part.item().has(Item.Trait.BRASSICA) && in > Taint.BITTER_MIN) {
                taints.add(new Taint(Taint.Kind.BRASSICA, in, Taint.BITTER_MIN, "min"));
            }
            if (part.item().has(Item.Trait.PEPPER) && in > Taint.BITTER_MIN) {
                taints.add(new Taint(Taint.Kind.PEPPER, in, Taint.BITTER_MIN, "min"));
            }
            if (part.item().has(Item.Trait.BEET)) {
                taints.add(new Taint(Taint.Kind.BEET, in, 0, "min"));
            }
        }
        formula.phase(PrepPhase.Roast.class).ifPresent(roast -> {
            if (roast.shade() >= Browning.SCORCHED) {
                taints.add(new Taint(Taint.Kind.SCORCHED, roast.shade(), Browning.SCORCHED, "on the shade card"));
            }
        });
        if (run.vessel().build() != Vessel.Build.HEAVY && simmer > Taint.POT_MIN) {
            taints.add(new Taint(Taint.Kind.POT, simmer, Taint.POT_MIN, "min"));
        }
        return taints;
    }

    /** The hottest that kelp gets: it is lifted out on the way up, at its steep where there is one; a bed of it without a steep, and what goes in later, is
     * simmered. */
    private static OptionalDouble kelpC(Formula formula, Run run) {
        boolean inTheBed = formula.bed().stream().anyMatch(s -> s.kind().id().equals(Beds.KELP.id()));
        List<Part> parts = formula.parts().stream()
                .filter(p -> p.item().has(Item.Trait.KELP))
                .toList();
        if (!inTheBed && parts.isEmpty()) {
            return OptionalDouble.empty();
        }
        boolean simmered = inTheBed && run.steeps().isEmpty()
                || parts.stream().anyMatch(part -> !(part.when() instanceof Part.When.WithTheBed));
        double lifted = run.steeps().stream()
                .mapToDouble(steep -> steep.at().celsius())
                .max()
                .orElse(Taint.KELP_LIFTED_C);
        double hottest = Math.min(lifted, run.simmerAt().celsius());
        return OptionalDouble.of(simmered ? run.simmerAt().celsius() : hottest);
    }

    /** The liquor that salt is spread over: what comes out, and what stays in the solids and on the strainers. */
    private static double seasoned(Forecast forecast) {
        Ledger ledger = forecast.ledger();
        return Math.max(
                0.1,
                ledger.yield()
                        .plus(ledger.of(Ledger.Cause.REDUCED))
                        .plus(ledger.of(Ledger.Cause.UPTAKE))
                        .plus(ledger.of(Ledger.Cause.STRAINERS))
                        .litres());
    }

    private static double saltG(Formula formula, Run run, List<Measure> measures) {
        double grams = run.liquid().saltGPerL() * run.water().litres();
        for (Formula.BedShare share : formula.bed()) {
            grams += Beds.saltGPerKg(share.kind()) * share.share() * run.raw().kg();
        }
        for (Measure measure : measures) {
            grams += measure.part().item().saltGPerKg() * measure.mass().kg();
        }
        return grams;
    }

    private static double sulphitesMg(List<Measure> measures) {
        double mg = 0;
        for (Measure measure : measures) {
            Item item = measure.part().item();
            mg += item.sulphitesMgPerL() * litres(measure.mass(), item).litres();
        }
        return mg;
    }

    private static Volume litres(Mass mass, Item item) {
        return Volume.ofLitres(mass.kg() / item.kgPerL());
    }

    private static double minutes(Duration duration) {
        return duration.toSeconds() / 60.0;
    }
}
