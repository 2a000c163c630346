package potamos.server.charges;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import potamos.core.batch.Plan;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.charge.TrimBank;
import potamos.core.charge.VesselSplit;
import potamos.core.cooling.CoolingCurve;
import potamos.core.flow.Run;
import potamos.core.formula.Formula;
import potamos.core.formula.Schools;
import potamos.core.heat.Burner;
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
import potamos.server.problems.NotFound;

/** Lays a plan: formula, vessel and goal to a charge, a way of cooling, and times. */
@Service
public class Planning {

    private final Formulas formulas;
    private final Sites sites;
    private final KitchenClock clock;

    Planning(Formulas formulas, Sites sites, KitchenClock clock) {
        this.formulas = formulas;
        this.sites = sites;
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
            List<TrimBank.Deposit> trim,
            Optional<Planner.Proposal> times,
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
        Formula formula = Choices.of(base, request, site.beds());
        Goal goal = goal(request);
        Optional<Thing<Burner>> burner = site.burner(request.burnerId());
        List<Fit> fits = site.vessels().stream()
                .map(v -> new Fit(
                        v,
                        fits(formula, site.pot(v, burner), goal),
                        !site.taken().contains(v.id())))
                .toList();
        Thing<Vessel> vessel = vessel(fits, request.vesselId());
        Pot pot = site.pot(vessel, burner);
        Charge charge = ChargeSolver.solve(formula, pot, goal);
        Site.Cooling cooling = site.cooling(charge);
        Optional<Planner.Proposal> times = Optional.ofNullable(request.readyBy())
                .map(by -> times(site.kitchen(), charge, cooling.slowest().curve(), by, request.startAt()));
        Site.Cooling withIce = times.flatMap(proposal -> proposal.timeline().step(Stage.COOL))
                .map(step -> site.withIce(cooling, clock.instant(), step.from()))
                .orElse(cooling);
        double mostOut = goal instanceof Goal.FullVessel
                ? charge.forecast().yield().mid()
                : ChargeSolver.litresOfFull(formula, pot);
        boolean onABurner = charge.run().heat() == Run.Heat.BURNER;
        List<BurnerFit> burners = onABurner
                ? site.burners().stream()
                        .map(b -> new BurnerFit(b, site.free(b)))
                        .toList()
                : List.of();
        return new Proposed(
                site.kitchen(),
                base,
                vessel,
                burner.filter(b -> onABurner),
                burners,
                charge,
                withIce,
                site.trim(),
                times,
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

    /** What each other school would change, in the vessel that the charge stands in. */
    List<Effects.EffectView> effects(String kitchenId, ChargeRequest request) {
        Site site = sites.glance(kitchenId);
        Goal goal = goal(request);
        Formula base = base(kitchenId, request);
        Optional<Thing<Burner>> burner = site.burner(request.burnerId());
        Pot pot = site.vessels().stream()
                .filter(v -> v.id().equals(request.vesselId()))
                .findFirst()
                .map(v -> site.pot(v, burner))
                .orElseThrow(() -> new NotFound("vessel"));
        Formula standing = Choices.of(base, request, site.beds());
        return Effects.of(
                base,
                Schools.standing(base, standing),
                request.schools(),
                timed(standing, pot, goal),
                schools -> timed(Choices.of(base, request.withSchools(schools), site.beds()), pot, goal));
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
        Formula formula = Choices.of(base(kitchenId, request), request, site.beds());
        Optional<Thing<Burner>> burner = site.burner(request.burnerId());
        List<Thing<Vessel>> free = site.vessels().stream()
                .filter(v -> !site.taken().contains(v.id()))
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

    private static boolean fits(Formula formula, Pot pot, Goal goal) {
        try {
            return ChargeSolver.fits(formula, pot, goal);
        } catch (Refusal refused) {
            return false;
        }
    }

    /** The vessel asked for; else the smallest that fits, a free one before one in use; else the largest, so that its warning can say what it takes. */
    private static Thing<Vessel> vessel(List<Fit> fits, String id) {
        Comparator<Fit> bySize = Comparator.comparingDouble(
                f -> f.vessel().figures().shape().brimful().litres());
        if (fits.isEmpty()) {
            throw Refusal.of("vesselId", "this kitchen has no vessel yet");
        }
        if (id == null) {
            return fits.stream()
                    .filter(Fit::fits)
                    .min(Comparator.comparing((Fit f) -> !f.free()).thenComparing(bySize))
                    .orElseGet(() -> fits.stream().max(bySize).orElseThrow())
                    .vessel();
        }
        return fits.stream()
                .map(Fit::vessel)
                .filter(v -> v.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("vessel"));
    }

    private Planner.Proposal times(
            Kitchens.Kitchen kitchen, Charge charge, CoolingCurve curve, Instant readyBy, Instant startAt) {
        Instant now = clock.instant();
        Planner.unlessFarAhead("readyBy", readyBy, now);
        if (startAt != null) {
            Planner.unlessFarAhead("startAt", startAt, now);
        }
        List<Timeline.Part> parts = Planner.parts(charge, curve, kitchen.limits());
        List<Planner.Shift> shifts = new ArrayList<>();
        LocalDate last = readyBy.atZone(kitchen.zone()).toLocalDate();
        for (LocalDate day = now.atZone(kitchen.zone()).toLocalDate(); !day.isAfter(last); day = day.plusDays(1)) {
            shifts.add(new Planner.Shift(
                    day.atTime(kitchen.opens()).atZone(kitchen.zone()).toInstant(),
                    day.atTime(kitchen.closes()).atZone(kitchen.zone()).toInstant()));
        }
        if (startAt != null) {
            Timeline timeline = Timeline.startingAt(startAt.isBefore(now) ? now : startAt, parts);
            return Planner.Proposal.of(timeline, readyBy, shifts);
        }
        return Planner.backwards(parts, readyBy, now, shifts);
    }
}
