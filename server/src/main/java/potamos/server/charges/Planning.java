package potamos.server.charges;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import potamos.core.batch.Plan;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.charge.VesselSplit;
import potamos.core.course.Course;
import potamos.core.course.Opening;
import potamos.core.course.Use;
import potamos.core.flow.Run;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.Schools;
import potamos.core.heat.Burner;
import potamos.core.larder.Larder;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Planner;
import potamos.core.vessel.Vessel;
import potamos.server.KitchenClock;
import potamos.server.exchange.FormulaForm;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.larder.LeftOvers;
import potamos.server.problems.NotFound;

/** Lays a plan: formula, vessel and goal to a charge, a way of cooling, and times. */
@Service
public class Planning {

    private final Formulas formulas;
    private final Sites sites;
    private final Sources sources;
    private final LeftOvers leftOvers;
    private final KitchenClock clock;

    Planning(Formulas formulas, Sites sites, Sources sources, LeftOvers leftOvers, KitchenClock clock) {
        this.leftOvers = leftOvers;
        this.formulas = formulas;
        this.sites = sites;
        this.sources = sources;
        this.clock = clock;
    }

    /** What a vessel would do with the same goal, and whether it stands free. */
    public record Fit(Thing<Vessel> vessel, boolean fits, boolean free) {}

    /** A burner of the kitchen, and whether no other vessel stands on it. */
    public record BurnerFit(Thing<Burner> burner, boolean free) {}

    /**
     * A proposal.
     *
     * @param base     the formula as written, before any choice
     * @param burner   that it stands on; nothing where it stands on none
     * @param fits     each vessel of the kitchen with the same goal
     * @param mostOutL litres out when this vessel is filled to its line
     */
    public record Proposed(
            Kitchens.Kitchen kitchen,
            Formula base,
            Thing<Vessel> vessel,
            Optional<Thing<Burner>> burner,
            List<BurnerFit> burners,
            Charge charge,
            Site.Cooling cooling,
            Larder larder,
            Optional<Opening.Proposal> times,
            List<Fit> fits,
            double mostOutL) {}

    /**
     * Solves a charge and lays its times, for what is going to be made.
     *
     * @throws Refusal  with the field when nothing meets the goal
     * @throws NotFound when formula, vessel or burner are not this kitchen's
     */
    public Proposed propose(String kitchenId, ChargeRequest request) {
        return propose(sites.of(kitchenId), base(kitchenId, request), request);
    }

    /** The same for a look at what could be made. */
    Proposed glance(String kitchenId, ChargeRequest request) {
        return propose(sites.glance(kitchenId), base(kitchenId, request), request);
    }

    private Proposed propose(Site site, Formula base, ChargeRequest request) {
        Formula formula = chosen(site, base, request);
        Goal goal = goal(request);
        Instant now = clock.instant();
        Choosing choosing = new Choosing(site, formula, goal, request, now);
        Choosing.Choice choice = choosing.best();
        Charge charge = choice.charge();
        Choosing.Span span = choice.taken(now);
        Optional<Thing<Burner>> burner = choice.burner();
        List<Fit> fits = site.vessels().stream()
                .map(v -> new Fit(
                        v, choosing.fits(v, burner), site.free(Use.Kind.VESSEL, v.name(), span.from(), span.to())))
                .toList();
        double mostOut = goal instanceof Goal.FullVessel
                ? charge.forecast().yield().mid()
                : ChargeSolver.litresOfFull(formula, choice.pot());
        boolean onABurner = charge.run().heat() == Run.Heat.BURNER;
        List<BurnerFit> burners = onABurner
                ? site.burners().stream()
                        .map(b -> new BurnerFit(b, site.free(Use.Kind.BURNER, b.name(), span.from(), span.to())))
                        .toList()
                : List.of();
        return new Proposed(
                site.kitchen(),
                base,
                choice.vessel(),
                burner.filter(b -> onABurner),
                burners,
                charge,
                choice.cooling(),
                site.larder().get(),
                choice.times(),
                fits,
                mostOut);
    }

    /**
     * The frozen plan of a proposal.
     *
     * @throws Refusal on {@code charge} when a pot must not be started on it
     */
    public Plan plan(Proposed proposed, Instant readyBy, Volume called) {
        if (!proposed.charge().fits()) {
            throw Refusal.of(
                    "charge", "this charge does not fit its vessel; take another vessel or ask for fewer litres");
        }
        Timeline timeline = proposed.times()
                .orElseThrow(() -> Refusal.of("readyBy", "when is it wanted"))
                .timeline();
        return new Plan(
                proposed.charge(),
                proposed.kitchen().limits(),
                proposed.cooling().slowest().plan(),
                Plan.Filled.of(proposed.cooling().split()),
                proposed.cooling().slowest().curve(),
                timeline,
                readyBy,
                called,
                clock.instant());
    }

    /** The kitchen with what is under way in it, for a course. */
    public Course begun(String kitchenId, Instant until) {
        return sites.glance(kitchenId).begun(clock.instant(), until);
    }

    /** The same with something supposed of what is under way. */
    public Course begun(String kitchenId, Instant until, Supposing supposing) {
        return sites.of(kitchenId, supposing).begun(clock.instant(), until);
    }

    /** What each other school would change, in the vessel that the charge stands in. */
    List<Effects.EffectView> effects(String kitchenId, ChargeRequest request) {
        Site site = sites.glance(kitchenId);
        Goal goal = goal(request);
        Formula base = base(kitchenId, request);
        Choosing.Span around = Choosing.Span.around(request, clock.instant());
        Optional<Thing<Burner>> burner =
                site.burnersFor(request.burnerId(), around.from(), around.to()).get(0);
        Pot pot = site.vessels().stream()
                .filter(v -> v.id().equals(request.vesselId()))
                .findFirst()
                .map(v -> site.pot(v, burner))
                .orElseThrow(() -> new NotFound("vessel"));
        Formula standing = chosen(site, base, request);
        PotPhase.Fill fill = standing.fill();
        return Effects.of(
                base,
                Schools.standing(base, standing),
                request.schools(),
                timed(standing, pot, goal),
                schools -> timed(
                        Choices.of(base, request.withSchools(schools), site.beds())
                                .drawing(fill.draws())
                                .bringing(fill.brought()),
                        pot,
                        goal));
    }

    private static Effects.Timed timed(Formula formula, Pot pot, Goal goal) {
        Charge charge = ChargeSolver.solve(formula, pot, goal);
        double minutes = Planner.hotParts(charge).stream()
                .mapToDouble(part -> part.length().toSeconds() / 60.0)
                .sum();
        return new Effects.Timed(charge, minutes);
    }

    /** What a formula answers to a goal, or why it has no answer. */
    record Answer(Formula formula, Optional<Proposed> proposed, Optional<String> refusal) {}

    /** Every formula in use with one goal: what would it take, and would it be ready. */
    List<Answer> overview(String kitchenId, ChargeRequest asked) {
        Site site = sites.glance(kitchenId);
        return formulas.all(kitchenId).stream()
                .map(formula -> answer(site, formula, asked.of(formula.slug())))
                .toList();
    }

    private Answer answer(Site site, Formula formula, ChargeRequest request) {
        try {
            return new Answer(formula, Optional.of(propose(site, formula, request)), Optional.empty());
        } catch (Refusal refusal) {
            return new Answer(formula, Optional.empty(), Optional.of(refusal.getMessage()));
        }
    }

    /** What one of several vessels gives of a call. */
    record Share(Thing<Vessel> vessel, Charge charge) {}

    /**
     * Litres split over free vessels.
     *
     * @throws Refusal on {@code litres} when all of them together do not give as much
     */
    List<Share> split(String kitchenId, ChargeRequest request) {
        if (!(goal(request) instanceof Goal.Litres litres)) {
            throw Refusal.of("goal", "only litres are split over vessels");
        }
        Site site = sites.glance(kitchenId);
        Formula formula = chosen(site, base(kitchenId, request), request);
        Choosing.Span around = Choosing.Span.around(request, clock.instant());
        Optional<Thing<Burner>> burner =
                site.burnersFor(request.burnerId(), around.from(), around.to()).get(0);
        List<Thing<Vessel>> free = site.vessels().stream()
                .filter(v -> site.free(Use.Kind.VESSEL, v.name(), around.from(), around.to()))
                .toList();
        List<Pot> pots = free.stream().map(v -> site.pot(v, burner)).toList();
        return VesselSplit.of(formula, pots, litres.out()).charges().stream()
                .map(charge -> new Share(
                        free.stream()
                                .filter(v -> v.figures().equals(charge.run().vessel()))
                                .findFirst()
                                .orElseThrow(),
                        charge))
                .toList();
    }

    /** The formula with everything that was chosen, the stock that it is drawn with, and what comes to it out of other pots. */
    private Formula chosen(Site site, Formula base, ChargeRequest request) {
        Formula chosen = Choices.of(base, request, site.beds()).drawing(draws(site, request));
        return request.brought() == null
                ? chosen
                : chosen.bringing(request.brought().stream()
                        .map(one -> leftOvers.brought(site.kitchen().id(), chosen, one.part(), one.boxId()))
                        .toList());
    }

    private List<Draw> draws(Site site, ChargeRequest request) {
        return request.draws() == null || request.draws().isEmpty()
                ? List.of()
                : sources.of(site.kitchen().id(), request.draws());
    }

    private Formula base(String kitchenId, ChargeRequest request) {
        if (request.draft() != null) {
            return FormulaForm.read(request.draft());
        }
        if (request.formula() == null) {
            throw Refusal.of("formula", "which one, or a draft");
        }
        return formulas.of(kitchenId, request.formula());
    }

    private static Goal goal(ChargeRequest request) {
        if (request.value() == null && request.goal() != ChargeRequest.GoalKind.VESSEL) {
            throw Refusal.of("value", "how much");
        }
        double value = request.value() == null ? 0 : request.value();
        return switch (request.goal()) {
            case LITRES -> new Goal.Litres(Volume.ofLitres(value));
            case BED -> new Goal.BedInHand(Mass.ofKg(value));
            case LEVEL -> new Goal.Line(Length.ofCm(value));
            case WATER -> new Goal.WaterDrawn(Volume.ofLitres(value));
            case VESSEL -> new Goal.FullVessel();
        };
    }
}
