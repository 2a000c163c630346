package potamos.core.charge;

import java.util.List;
import java.util.Optional;
import potamos.core.flow.Forecast;
import potamos.core.flow.Run;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.formula.Liquid;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Length;
import potamos.core.quantity.Volume;

/**
 * A formula made concrete in a vessel: what to weigh, how far to fill, what will come out.
 *
 * @param formula  as used, schools chosen
 * @param run      the pot with its bed, water and solids
 * @param measures every part to weigh
 * @param levels   heights in the vessel
 * @param forecast what it will do
 * @param character what it will taste and look like
 * @param boilDownMin minutes that its reduction takes; 0 where it has none
 * @param roasting of its bed, where it is roasted
 * @param warnings what is wrong with it; empty when nothing is
 */
public record Charge(
        Formula formula,
        Run run,
        List<Measure> measures,
        Levels levels,
        Forecast forecast,
        Character character,
        double boilDownMin,
        Optional<Roasting> roasting,
        List<Warning> warnings) {

    private static final double LEAST_TO_COOL_L = 0.5;

    public Charge {
        measures = List.copyOf(measures);
        warnings = List.copyOf(warnings);
    }

    /** Whether a pot may be started on it. */
    public boolean fits() {
        return warnings.stream().noneMatch(warning -> warning.kind().stops());
    }

    public Volume water() {
        return run.water();
    }

    /** Of what the pot is filled with, as much as no stock is drawn for: water, or whatever its formula is drawn with. */
    public Volume rest() {
        return run.water().minus(formula.fill().drawn()).orNone();
    }

    /** What is in its stock, run as planned. */
    public Contents contents() {
        // What was drawn stronger than planned may be foretold thicker than anything that still pours.
        double gelatin = Math.min(Liquid.MOST_GELATIN_G_PER_L, forecast.gelatinGPerL());
        Contents contents = Contents.of(formula, gelatin);
        return formula.fill().known(run.water()) ? contents : contents.butUnknown();
    }

    /** Water or wine to have at hand for deglazing. */
    public Volume deglazing() {
        return formula.phases(PrepPhase.Deglaze.class).stream()
                .map(deglaze -> deglaze.poured(run.raw()))
                .reduce(Volume.ZERO, Volume::plus);
    }

    /** Litres that its cooling is planned for; what gives next to nothing is still cooled in something. */
    public Volume toCool() {
        return Volume.ofLitres(Math.max(LEAST_TO_COOL_L, forecast.yield().mid()));
    }

    /**
     * Heights above the inside bottom.
     *
     * @param filled     the water line right after filling
     * @param highest    the line once every part is in
     * @param bedRaw     top of the bed as filled in
     * @param bedSettled top of the bed after cooking
     * @param fillLine   where the vessel counts as full
     */
    public record Levels(Length filled, Length highest, Length bedRaw, Length bedSettled, Length fillLine) {

        /** Water over the bed at filling; negative when the bed stands proud. */
        public Length cover() {
            return filled.minus(bedRaw);
        }
    }
}
