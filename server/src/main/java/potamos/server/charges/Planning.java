package potamos.server.charges;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import potamos.core.batch.Plan;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.cooling.Container;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Medium;
import potamos.core.formula.Formula;
import potamos.core.formula.WaterRule;
import potamos.core.heat.Burner;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Planner;
import potamos.core.vessel.Vessel;
import potamos.server.KitchenClock;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.problems.NotFound;

/** Lays a plan: formula, vessel and goal to a charge, a way of cooling, and times. */
@Service
public class Planning {

    private static final double STRAINED_C = 85;

    /** Below the last limit by so much, so that a reading shows it. */
    private static final double COLD_MARGIN_K = 0.5;

    /** More ice than the heat alone needs, for what melts into the kitchen. */
    private static final double ICE_SPARE = 1.3;

    private static final double SMALLEST_BAIN_L = 5;

    private final Formulas formulas;
    private final Kitchens kitchens;
    private final VesselsInUse inUse;
    private final KitchenClock clock;

    Planning(Formulas formulas, Kitchens kitchens, VesselsInUse inUse, KitchenClock clock) {
        this.formulas = formulas;
        this.kitchens = kitchens;
        this.inUse = inUse;
        this.clock = clock;
    }

    /** What a vessel would do with the same goal, and whether it stands free. */
    public record Fit(Thing<Vessel> vessel, boolean fits, boolean free) {}

    /**
     * A proposal.
     *
     * @param fits     each vessel of the kitchen with the same goal
     * @param mostOutL litres out when this vessel is filled to its line
     */
    public record Proposed(
            Kitchens.Kitchen kitchen,
            Thing<Vessel> vessel,
            Thing<Burner> burner,
            Charge charge,
            CoolingPlan cooling,
            CoolingCurve curve,
            Optional<Planner.Proposal> times,
            List<Fit> fits,
            double mostOutL) {}

    /**
     * Solves a charge and lays its times.
     *
     * @throws Refusal  with the field when nothing meets the goal
     * @throws NotFound when formula, vessel or burner are not this kitchen's
     */
    public Proposed propose(String kitchenId, ChargeRequest request) {
        Kitchens.Kitchen kitchen = kitchens.of(kitchenId);
        Formula formula = schooled(formulas.of(kitchenId, request.formula()), request);
        Goal goal = goal(request);
        Thing<Burner> burner = burner(kitchenId, request.burnerId());
        List<String> taken = inUse.of(kitchenId);
        List<Fit> fits = kitchens.vessels(kitchenId).stream()
                .map(v -> new Fit(v, fits(formula, kitchen, burner, v, goal), !taken.contains(v.id())))
                .toList();
        Thing<Vessel> vessel = vessel(fits, request.vesselId());
        Pot pot = new Pot(vessel.figures(), burner.figures(), kitchen.air());
        Charge charge = ChargeSolver.solve(formula, pot, goal);
        CoolingPlan cooling = cooling(kitchenId, kitchen, charge);
        CoolingCurve curve = Cooler.curve(cooling);
        Optional<Planner.Proposal> times =
                Optional.ofNullable(request.readyBy()).map(by -> times(kitchen, charge, curve, by, request.startAt()));
        double mostOut = ChargeSolver.solve(formula, pot, new Goal.FullVessel())
                .forecast()
                .yield()
                .mid();
        return new Proposed(kitchen, vessel, burner, charge, cooling, curve, times, fits, mostOut);
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
                proposed.cooling(),
                proposed.curve(),
                timeline,
                readyBy,
                called,
                clock.instant());
    }

    private static Formula schooled(Formula formula, ChargeRequest request) {
        Formula chosen = formula;
        if (request.blanch() != null) {
            chosen = chosen.blanched(request.blanch());
        }
        if (request.simmerMin() != null) {
            Refusal.unlessWithin("simmerMin", request.simmerMin(), 5, 48 * 60, "min");
            chosen = chosen.simmeredFor(Duration.ofMinutes(request.simmerMin()));
        }
        if (request.waterLPerKg() != null) {
            Refusal.unlessWithin("waterLPerKg", request.waterLPerKg(), 0.3, 20, "L/kg");
            chosen = chosen.withWater(new WaterRule.PerKgBed(request.waterLPerKg()));
        }
        return chosen;
    }

    private static Goal goal(ChargeRequest request) {
        if (request.goal() == ChargeRequest.GoalKind.VESSEL) {
            return new Goal.FullVessel();
        }
        if (request.value() == null) {
            throw Refusal.of("value", "how much");
        }
        double value = request.value();
        return switch (request.goal()) {
            case LITRES -> new Goal.Litres(Volume.ofLitres(value));
            case BED -> new Goal.BedInHand(Mass.ofKg(value));
            default -> new Goal.WaterDrawn(Volume.ofLitres(value));
        };
    }

    private Thing<Burner> burner(String kitchenId, String id) {
        List<Thing<Burner>> burners = kitchens.burners(kitchenId);
        if (id == null) {
            return burners.stream()
                    .max(Comparator.comparingDouble(b -> b.figures().delivered().watts()))
                    .orElseThrow(() -> Refusal.of("burnerId", "this kitchen has no burner yet"));
        }
        return burners.stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow(() -> new NotFound("burner"));
    }

    private static boolean fits(
            Formula formula, Kitchens.Kitchen kitchen, Thing<Burner> burner, Thing<Vessel> vessel, Goal goal) {
        try {
            Pot pot = new Pot(vessel.figures(), burner.figures(), kitchen.air());
            return ChargeSolver.solve(formula, pot, goal).fits();
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

    private CoolingPlan cooling(String kitchenId, Kitchens.Kitchen kitchen, Charge charge) {
        Container container = kitchens.containers(kitchenId).stream()
                .map(Thing::figures)
                .filter(c -> c.holds().litres() >= SMALLEST_BAIN_L)
                .findFirst()
                .orElseThrow(() -> Refusal.of("container", "this kitchen has no container of 5 L or more yet"));
        Volume litres = Volume.ofLitres(Math.max(0.5, charge.forecast().yield().mid()));
        Temperature from = Temperature.ofCelsius(STRAINED_C);
        Temperature until = kitchen.limits().coldest().plus(-COLD_MARGIN_K);
        Mass ice = Cooler.iceNeeded(litres, from, until).times(ICE_SPARE);
        Medium bath = new Medium.IceBath(ice, Mass.ofKg(Math.max(1, 2 * litres.litres())), true);
        return new CoolingPlan(
                litres,
                from,
                container,
                container.neededFor(litres),
                List.of(new CoolingPlan.Leg(bath, until)),
                charge.forecast().body().sets());
    }

    private Planner.Proposal times(
            Kitchens.Kitchen kitchen, Charge charge, CoolingCurve curve, Instant readyBy, Instant startAt) {
        Instant now = clock.instant();
        List<Timeline.Part> parts = Planner.parts(charge, curve, kitchen.limits());
        if (startAt != null) {
            Timeline timeline = Timeline.startingAt(startAt.isBefore(now) ? now : startAt, parts);
            return new Planner.Proposal(timeline, !timeline.ready().isAfter(readyBy));
        }
        List<Planner.Shift> shifts = new ArrayList<>();
        LocalDate last = readyBy.atZone(kitchen.zone()).toLocalDate();
        for (LocalDate day = now.atZone(kitchen.zone()).toLocalDate(); !day.isAfter(last); day = day.plusDays(1)) {
            shifts.add(new Planner.Shift(
                    day.atTime(kitchen.opens()).atZone(kitchen.zone()).toInstant(),
                    day.atTime(kitchen.closes()).atZone(kitchen.zone()).toInstant()));
        }
        return Planner.backwards(parts, readyBy, now, shifts);
    }
}
