package potamos.core.charge;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import potamos.core.flow.Forecast;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Run;
import potamos.core.flow.Solids;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Liquid;
import potamos.core.formula.Part;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.formula.WaterRule;
import potamos.core.heat.BoilDown;
import potamos.core.heat.Water;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;

/**
 * Solves a charge from whichever side is given. Everything is a function of the bed's raw mass, or of the stock drawn where there is no bed; a goal is
 * a root of one of those functions.
 *
 * <p>Solving forth and back returns the input to 1e-6.
 */
public final class ChargeSolver {

    /** Kinds that are not lifted out again by a strainer. */
    private static final Set<Part.Kind> LIQUID_OR_DISSOLVED =
            Set.of(Part.Kind.WINE, Part.Kind.FAT, Part.Kind.SEASONING);

    private static final Duration AS_IT_BEGINS = Duration.ofSeconds(1);
    private static final double REDUCING_HEAT = 0.5;
    private static final double MOST_L_PER_KG = 5;
    private static final double ACCURACY_L = 1e-9;

    private final Formula formula;
    private final Pot pot;
    private final BedKind kind;
    private final boolean noBed;

    private ChargeSolver(Formula formula, Pot pot) {
        this.formula = formula;
        this.pot = pot;
        this.kind = formula.blendedBed();
        this.noBed = formula.bed().isEmpty();
    }

    /**
     * The charge that meets a goal.
     *
     * @throws Refusal when nothing meets it: with the field of the goal and what would be possible
     */
    public static Charge solve(Formula formula, Pot pot, Goal goal) {
        ChargeSolver solver = new ChargeSolver(formula, pot);
        return solver.charge(solver.bedFor(goal));
    }

    /**
     * The charge that what was weighed gives, in the same pot and by the same ratio: what was planned, as it really is.
     *
     * @param planned what was to be weighed
     * @param formula of it, with the stock that is drawn for it; where it is made of stock alone, with all that there is
     * @param bed     as weighed, raw
     * @param parts   as weighed, by their ids; the others as the ratio has them
     * @throws Refusal when the pot cannot be run on it
     */
    public static Charge weighed(Charge planned, Formula formula, Mass bed, Map<String, Mass> parts) {
        Run run = planned.run();
        Temperature usual = formula.simmer().band().middle(run.air().boilingPoint());
        Optional<Temperature> simmerAt =
                Optional.of(run.simmerAt()).filter(at -> !at.equals(usual) && run.heat() != Run.Heat.OVEN);
        Pot pot = new Pot(run.vessel(), run.burner(), run.air(), simmerAt, List.of(), Pot.tapOf(run.waterC()));
        ChargeSolver solver = new ChargeSolver(formula, pot);
        double drawn = formula.fill().drawn().litres();
        double kg = !solver.noBed ? bed.kg() : drawn > 0 ? drawn : run.water().litres();
        return solver.charge(solver.run(kg), parts, planned.roasting());
    }

    /**
     * Whether a pot may be started on the charge that meets a goal; the same answer as {@link Charge#fits()} of {@link #solve}, at a fraction of its
     * cost.
     *
     * @throws Refusal when nothing meets the goal
     */
    public static boolean fits(Formula formula, Pot pot, Goal goal) {
        ChargeSolver solver = new ChargeSolver(formula, pot);
        double kg = solver.bedFor(goal);
        Run run = checked(solver.run(kg));
        double out = goal instanceof Goal.Litres litres ? litres.out().litres() : Forecaster.litresOut(run);
        solver.boilDownMin(run, out);
        return Warnings.startable(run, solver.levels(run), out);
    }

    /** Litres out when the vessel is filled to its line; 0 when that gives nothing. */
    public static double litresOfFull(Formula formula, Pot pot) {
        ChargeSolver solver = new ChargeSolver(formula, pot);
        return Math.max(0, Forecaster.litresOut(solver.run(solver.bedFor(new Goal.FullVessel()))));
    }

    private double bedFor(Goal goal) {
        if (goal instanceof Goal.Litres litres) {
            double wanted = litres.out().litres();
            return LeastBed.where(kg -> Forecaster.litresOut(run(kg)) - wanted, leastFor(wanted), "litres");
        }
        if (goal instanceof Goal.BedInHand inHand) {
            if (noBed) {
                throw Refusal.of("bedKg", "a reduction has no bed; give litres, the stock to draw, or a vessel");
            }
            return inHand.bed().kg();
        }
        if (goal instanceof Goal.WaterDrawn drawn) {
            double wanted = drawn.water().litres();
            return LeastBed.where(kg -> water(kg).litres() - wanted, LeastBed.LEAST_KG, "waterL");
        }
        if (goal instanceof Goal.Line line && !(formula.water() instanceof WaterRule.ToTheLine)) {
            double wanted = pot.vessel().shape().volumeAt(line.level()).litres();
            return LeastBed.where(kg -> run(kg).filling().litres() - wanted, leastToFill(wanted), "levelCm");
        }
        if (formula.water() instanceof WaterRule.ToTheLine) {
            throw Refusal.of("goal", "water to the line fills the vessel with any bed; give litres or bones instead");
        }
        double working = pot.vessel().workingVolume().litres();
        return LeastBed.where(kg -> run(kg).everythingIn().litres() - working, leastToFill(working), "vessel");
    }

    /** A bed that certainly gives less than the litres wanted, where its ratio is fixed: no more comes out than half as much again as is drawn. */
    private double leastFor(double litres) {
        return least(litres, 1.5 * ratio());
    }

    /** A bed that certainly fills less of a vessel: beside its water a kilogram takes no more than that. */
    private double leastToFill(double litres) {
        return least(litres, ratio() + MOST_L_PER_KG);
    }

    private double least(double litres, double mostLPerKg) {
        return ratio() <= 0 ? LeastBed.LEAST_KG : Math.max(LeastBed.LEAST_KG, litres / mostLPerKg);
    }

    /** Litres drawn for a kilogram of bed; 0 where that depends on the vessel. */
    private double ratio() {
        return noBed ? 1 : formula.water() instanceof WaterRule.PerKgBed rule ? rule.litresPerKg() : 0;
    }

    private Charge charge(double kg) {
        Run run = checked(run(kg));
        formula.fill().unlessFits(run.water());
        Optional<Roasting> roasting =
                formula.phase(PrepPhase.Roast.class).map(r -> Roasting.best(r, run.raw(), pot.ovens()));
        Charge charge = charge(run, Map.of(), roasting);
        double gelatin = charge.forecast().gelatinGPerL();
        if (formula.fill().drawn().litres() > 0 && gelatin > Liquid.MOST_GELATIN_G_PER_L) {
            throw Refusal.of(
                    "draws",
                    "reduced so far it would have %.0f g/L of gelatin, which is a paste: draw it with a weaker stock, or reduce it less"
                            .formatted(gelatin));
        }
        return charge;
    }

    /** @param weighed parts that are there in another mass than the ratio has it */
    private Charge charge(Run byRatio, Map<String, Mass> weighed, Optional<Roasting> roasting) {
        List<Measure> measures = formula.parts().stream()
                .map(part -> new Measure(
                        part, weighed.getOrDefault(part.id(), part.amount().of(byRatio.raw(), byRatio.water()))))
                .toList();
        Run run = weighed.isEmpty() ? byRatio : byRatio.withParts(poured(byRatio.raw(), measures), solids(measures));
        Forecast forecast = Forecaster.of(run);
        Charge.Levels levels = levels(run);
        return new Charge(
                formula,
                run,
                measures,
                levels,
                forecast,
                Character.of(formula, run, measures, forecast),
                boilDownMin(run, forecast.yield().mid()),
                roasting,
                Warnings.of(formula, run, levels, forecast, roasting));
    }

    private Charge.Levels levels(Run run) {
        Vessel vessel = pot.vessel();
        return new Charge.Levels(
                vessel.shape().levelAt(run.filling()),
                vessel.shape().levelAt(run.everythingIn()),
                run.bed().rawHeight(vessel),
                run.bed().height(vessel, 1),
                vessel.fillLine());
    }

    /** In the same vessel at half heat: a reduction is gentle. */
    private double boilDownMin(Run run, double litresOut) {
        double fraction = run.reduction().toFraction();
        double before = litresOut / fraction;
        if (fraction >= 1 || before <= 0.1) {
            return 0;
        }
        return BoilDown.to(fraction, Volume.ofLitres(before), pot.vessel(), pot.burner(), pot.air(), REDUCING_HEAT)
                .minutes();
    }

    private Run run(double kg) {
        return runWith(kg, water(kg));
    }

    private Run runWith(double kg, Volume water) {
        Mass raw = Mass.ofKg(noBed ? 0 : kg);
        PotPhase.Fill fill = formula.fill();
        List<Measure> measures = formula.parts().stream()
                .map(part -> new Measure(part, part.amount().of(raw, water)))
                .toList();
        Temperature simmerAt = formula.simmer().band().middle(pot.air().boilingPoint());
        Run run = new Run(
                pot.vessel(),
                bed(kg),
                raw,
                formula.preparation(),
                fill.of(water),
                water,
                pot.filledAt(fill.water()),
                poured(raw, measures),
                solids(measures),
                formula.warmSteeps(),
                formula.simmer(),
                pot.simmerAt().orElse(simmerAt),
                formula.phase(PotPhase.Rest.class)
                        .map(rest -> rest.takes().toSeconds() / 60.0)
                        .orElse(0.0),
                formula.strain(),
                reduction(),
                formula.phase(FinishPhase.Degrease.class).isPresent(),
                pot.air(),
                pot.burner());
        return run.heat() == Run.Heat.OVEN ? OvenSimmer.of(run) : run;
    }

    private static Run checked(Run run) {
        if (run.heat() == Run.Heat.OVEN) {
            OvenSimmer.check(run);
        }
        return run;
    }

    private Bed bed(double kg) {
        return new Bed(kind, Mass.ofKg(noBed ? 0 : kg * formula.keepsMass()));
    }

    /** Wine cooked down, and what deglazing leaves of its water. */
    private Volume poured(Mass raw, List<Measure> measures) {
        double fraction = formula.phase(PrepPhase.WineDown.class)
                .map(PrepPhase.WineDown::toFraction)
                .orElse(1.0);
        double litres = 0;
        for (Measure measure : measures) {
            if (measure.part().kind() == Part.Kind.WINE) {
                litres += measure.mass().kg() / measure.part().item().kgPerL() * fraction;
            }
        }
        for (PrepPhase.Deglaze deglaze : formula.phases(PrepPhase.Deglaze.class)) {
            litres += deglaze.poured(raw).litres() * deglaze.toFraction();
        }
        return Volume.ofLitres(litres);
    }

    private Run.Reduction reduction() {
        int reduce = -1;
        int strain = -1;
        for (int i = 0; i < formula.procedure().size(); i++) {
            reduce = formula.procedure().get(i) instanceof FinishPhase.Reduce ? i : reduce;
            strain = formula.procedure().get(i) instanceof FinishPhase.Strain ? i : strain;
        }
        return reduce < 0 ? Run.Reduction.NONE : new Run.Reduction(formula.reducesTo(), reduce < strain);
    }

    private List<Solids> solids(List<Measure> measures) {
        Duration simmer = formula.simmer().usual();
        return measures.stream()
                .filter(measure -> !LIQUID_OR_DISSOLVED.contains(measure.part().kind()))
                .map(measure -> new Solids(measure.part(), measure.mass(), intoTheSimmer(measure.part(), simmer)))
                .toList();
    }

    /** When a part goes in, counted from reaching the simmer; zero means with the bed. What is never simmered goes in at its end, whatever a formula says. */
    public static Duration intoTheSimmer(Part part, Duration simmer) {
        return part.item().has(Item.Trait.FLAKES) ? simmer : intoTheSimmer(part.when(), simmer);
    }

    static Duration intoTheSimmer(Part.When when, Duration simmer) {
        if (when instanceof Part.When.BeforeTheEnd late) {
            return within(simmer.minus(late.before()), simmer);
        }
        if (when instanceof Part.When.IntoTheSimmer after) {
            return within(after.after(), simmer);
        }
        return Duration.ZERO;
    }

    /** What has its time in a simmer goes in as it begins where that time would lie before it: cold goes in only what belongs to the bed. */
    private static Duration within(Duration into, Duration simmer) {
        Duration latest = into.compareTo(simmer) > 0 ? simmer : into;
        return latest.compareTo(AS_IT_BEGINS) < 0 ? AS_IT_BEGINS : latest;
    }

    private Volume water(double kg) {
        WaterRule rule = formula.water();
        if (noBed) {
            return Volume.ofLitres(kg);
        }
        if (rule instanceof WaterRule.PerKgBed ratio) {
            return Volume.ofLitres(ratio.litresPerKg() * kg);
        }
        Bed bed = bed(kg);
        if (rule instanceof WaterRule.OverTheBed cover) {
            Length line = bed.rawHeight(pot.vessel()).plus(cover.depth());
            Volume room = pot.vessel()
                    .shape()
                    .volumeAt(line)
                    .minus(runWith(kg, Volume.ZERO).filling());
            return room.orNone()
                    .times(1 / Water.room(pot.filledAt(formula.fill().water())));
        }
        if (rule instanceof WaterRule.ToTheLine) {
            Run dry = runWith(kg, Volume.ZERO);
            Volume room = pot.vessel().workingVolume().minus(dry.everythingIn());
            return room.orNone().times(1 / Water.room(dry.simmerAt()));
        }
        double wanted = ((WaterRule.ForTheYield) rule).litresOutPerKg() * kg;
        double water = new BracketingNthOrderBrentSolver(1e-12, ACCURACY_L, 1e-10, 5)
                .solve(
                        200,
                        litres -> Forecaster.litresOut(runWith(kg, Volume.ofLitres(litres))) - wanted,
                        0,
                        10 * wanted + 50);
        return Volume.ofLitres(water);
    }
}
