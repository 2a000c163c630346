package potamos.core.charge;

import java.util.List;
import potamos.core.flow.Run;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Part;
import potamos.core.heat.SimmerBand;
import potamos.core.liquor.Clarity;
import potamos.core.liquor.CutAdviser;
import potamos.core.quantity.Temperature;

/** What clouds a stock: what is in the pot, which no hand changes any more, and how it is handled, as planned or as done. */
public final class Clouding {

    /** Share of the scum that stays however often it is skimmed, and how quickly skimming works. */
    private static final double SCUM_NEVER_CAUGHT = 0.1;

    private static final double SKIMS_FOR_MOST = 2.5;

    /** A lively simmer breaks into a boil for this share of its time. */
    private static final double LIVELY_BOILS = 0.25;

    private final Run run;
    private final boolean noBed;
    private final List<Character.CutPart> cuts;
    private final List<Measure> measures;
    private final double litres;

    /** @param litres strained, over which whatever clouds is spread */
    Clouding(Formula formula, Run run, List<Character.CutPart> cuts, List<Measure> measures, double litres) {
        this.run = run;
        this.noBed = formula.bed().isEmpty();
        this.cuts = cuts;
        this.measures = measures;
        this.litres = litres;
    }

    /** Of a charge that is in the pot, for so many litres strained. */
    public static Clouding of(Charge charge, double litres) {
        return new Clouding(
                charge.formula(), charge.run(), charge.character().cuts(), charge.measures(), Math.max(0.1, litres));
    }

    /**
     * How a pot is handled.
     *
     * @param skims     so often
     * @param boiledMin minutes of boil where there should be a simmer
     * @param transfer  out of the pot
     * @param passes    through the strainers
     */
    public record Handled(double skims, double boiledMin, FinishPhase.Transfer transfer, int passes, boolean pressed) {}

    /** Handled as the procedure has it. */
    public Handled planned() {
        double simmerMin = run.simmer().usual().toSeconds() / 60.0;
        FinishPhase.Strain strain = run.strain();
        return new Handled(
                run.simmer().skim().countWithin(run.simmer().usual()),
                boils(run.simmerAt(), run.air().boilingPoint()) * simmerMin,
                strain.transfer(),
                strain.passes(),
                strain.pressed());
    }

    /** Share of its time for which a pot boils that stands at a temperature: none in a lazy simmer, a quarter in a lively one, all of it above that. */
    public static double boils(Temperature at, Temperature boiling) {
        double breaks = SimmerBand.LIVELY.low(boiling).celsius();
        double lively = SimmerBand.LIVELY.middle(boiling).celsius();
        double all = SimmerBand.LIVELY.high(boiling).celsius();
        if (at.celsius() <= lively) {
            return LIVELY_BOILS * Math.max(0, at.celsius() - breaks) / (lively - breaks);
        }
        return Math.min(1, LIVELY_BOILS + (1 - LIVELY_BOILS) * (at.celsius() - lively) / (all - lively));
    }

    /** As planned, with more or less scum than the book's. */
    Clarity clarity(double scum) {
        return clarity(planned(), scum);
    }

    public Clarity clarity(Handled handled) {
        return clarity(handled, 1);
    }

    private Clarity clarity(Handled handled, double scum) {
        double scumG = scum
                * run.bed().kind().scum().after(run.preparation())
                * run.bed().mass().kg();
        double left = SCUM_NEVER_CAUGHT + (1 - SCUM_NEVER_CAUGHT) * Math.exp(-handled.skims() / SKIMS_FOR_MOST);
        return Clarity.of(new Clarity.Handling(
                scumG * left / litres,
                noBed ? 0 : handled.boiledMin(),
                0,
                mushG() / litres,
                handled.transfer() == FinishPhase.Transfer.POUR,
                handled.passes(),
                handled.pressed(),
                thickenerG() / litres));
    }

    private double mushG() {
        double grams = 0;
        for (Measure measure : measures) {
            for (Character.CutPart cut : cuts) {
                if (cut.id().equals(measure.part().id()) && cut.fit() == CutAdviser.Fit.TOO_SMALL) {
                    grams += measure.mass().grams()
                            * (1 - cut.cutMm() / cut.advice().smallestMm());
                }
            }
        }
        return grams;
    }

    private double thickenerG() {
        return measures.stream()
                .filter(m ->
                        m.part().kind() == Part.Kind.TOMATO || m.part().item().has(Item.Trait.STARCH))
                .mapToDouble(m -> m.mass().grams())
                .sum();
    }
}
