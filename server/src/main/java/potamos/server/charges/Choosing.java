package potamos.server.charges;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Foreseen;
import potamos.core.course.Course;
import potamos.core.course.Opening;
import potamos.core.course.Use;
import potamos.core.flow.Run;
import potamos.core.formula.Formula;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Refusal;
import potamos.core.schedule.Planner;
import potamos.core.vessel.Vessel;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.problems.NotFound;

/** Which vessel, on which burner and when, for one charge: what a cook asked for, and the best of what was left open. */
final class Choosing {

    /** What is wanted now is wanted for so long at least. */
    private static final Duration SOON = Duration.ofHours(1);

    /** Before it is wanted a vessel is needed for about so long. */
    private static final Duration A_BATCH = Duration.ofHours(8);

    /** Later than wanted, room is looked for so much further. */
    private static final Duration LOOK_ON = Duration.ofDays(5);

    /** Of the vessels that take a charge. */
    private static final int MOST_TRIED = 3;

    private static final Set<Use.Kind> COLD = Set.of(Use.Kind.CONTAINER, Use.Kind.CHILLER);

    /** A stretch for which a thing is wanted. */
    record Span(Instant from, Instant to) {
        /** About when what is asked for will be cooked. */
        static Span around(ChargeRequest request, Instant now) {
            return request.readyBy() == null
                    ? new Span(now, now.plus(SOON))
                    : new Span(request.readyBy().minus(A_BATCH), request.readyBy());
        }

        /** From the water to the washing. */
        private static Span ofVessel(Opening.Proposal proposal) {
            List<Timeline.Step> in = proposal.timeline().steps().stream()
                    .filter(step -> step.stage().mayBeInTheVessel())
                    .toList();
            return new Span(in.get(0).from(), in.get(in.size() - 1).to().plus(Use.WASH));
        }
    }

    /** One vessel on one burner, and what becomes of it. */
    record Choice(
            Thing<Vessel> vessel,
            Optional<Thing<Burner>> burner,
            Pot pot,
            Charge charge,
            Site.Cooling cooling,
            Optional<Opening.Proposal> times) {

        private boolean good() {
            return charge.fits() && times.map(Opening.Proposal::good).orElse(true);
        }

        /** Whether there is what it is to be cooled in, when it is. */
        private boolean cold() {
            return cooling.iceShort().kg() == 0
                    && times.flatMap(Opening.Proposal::taken)
                            .filter(COLD::contains)
                            .isEmpty();
        }

        /** When its vessel is taken; about now where no time was asked for. */
        Span taken(Instant now) {
            return times.map(Span::ofVessel).orElseGet(() -> new Span(now, now.plus(SOON)));
        }
    }

    /** Of two of which neither is good. */
    private static final Comparator<Choice> LESS_BAD = Comparator.comparing(
                    (Choice c) -> !c.charge().fits())
            .thenComparing(c -> c.cooling().split().foreseen().verdict() == Foreseen.Verdict.FAIL)
            .thenComparing(c -> !c.cooling().enough())
            .thenComparing(c -> !c.times().map(Opening.Proposal::free).orElse(true))
            .thenComparing(c -> !c.times().map(Opening.Proposal::attended).orElse(true))
            .thenComparing(c -> !c.cold())
            .thenComparing(c -> c.times().map(t -> t.timeline().ready()).orElse(Instant.EPOCH));

    private final Site site;
    private final Formula formula;
    private final Goal goal;
    private final ChargeRequest request;
    private final Instant now;
    private final Span around;
    private final List<Optional<Thing<Burner>>> burners;

    Choosing(Site site, Formula formula, Goal goal, ChargeRequest request, Instant now) {
        this.site = site;
        this.formula = formula;
        this.goal = goal;
        this.request = request;
        this.now = now;
        this.around = Span.around(request, now);
        this.burners = site.burnersFor(request.burnerId(), around.from(), around.to());
    }

    /** Whether a pot may be started with the charge in a vessel on a burner. */
    boolean fits(Thing<Vessel> vessel, Optional<Thing<Burner>> burner) {
        try {
            return ChargeSolver.fits(formula, site.pot(vessel, burner), goal);
        } catch (Refusal refused) {
            return false;
        }
    }

    /**
     * The vessel and the burner asked for. Where a cook leaves one of them open: the smallest vessel that takes it on the strongest burner, unless others have
     * the better time.
     */
    Choice best() {
        Choice best = null;
        for (Thing<Vessel> vessel : vessels()) {
            boolean own = vessel.figures().own().isPresent();
            for (Optional<Thing<Burner>> burner : own ? burners.subList(0, 1) : burners) {
                Choice choice = choice(vessel, burner);
                if (choice.good()) {
                    return choice;
                }
                best = best == null || LESS_BAD.compare(choice, best) < 0 ? choice : best;
            }
        }
        return best;
    }

    /** The one asked for; else the smallest that fit, those that are free then first; the largest where none fits, so that its warning can say what it takes. */
    private List<Thing<Vessel>> vessels() {
        if (request.vesselId() != null) {
            return List.of(site.vessels().stream()
                    .filter(v -> v.id().equals(request.vesselId()))
                    .findFirst()
                    .orElseThrow(() -> new NotFound("vessel")));
        }
        if (site.vessels().isEmpty()) {
            throw Refusal.of("vesselId", "this kitchen has no vessel yet");
        }
        Comparator<Thing<Vessel>> bySize =
                Comparator.comparingDouble(v -> v.figures().shape().brimful().litres());
        List<Thing<Vessel>> fitting = site.vessels().stream()
                .filter(v -> fits(v, burners.get(0)))
                .sorted(Comparator.comparing(
                                (Thing<Vessel> v) -> !site.free(Use.Kind.VESSEL, v.name(), around.from(), around.to()))
                        .thenComparing(bySize))
                .limit(MOST_TRIED)
                .toList();
        return fitting.isEmpty() ? List.of(site.vessels().stream().max(bySize).orElseThrow()) : fitting;
    }

    /** In the oven that is done first; where others have that one then, in another that has room. */
    private Choice choice(Thing<Vessel> vessel, Optional<Thing<Burner>> burner) {
        Choice first = choice(vessel, burner, site.ovens());
        if (!first.times().flatMap(Opening.Proposal::taken).equals(Optional.of(Use.Kind.OVEN))) {
            return first;
        }
        return Stream.concat(Stream.of(first), site.ovens().stream().map(oven -> choice(vessel, burner, List.of(oven))))
                .min(LESS_BAD)
                .orElseThrow();
    }

    private Choice choice(Thing<Vessel> vessel, Optional<Thing<Burner>> burner, List<Oven> ovens) {
        Pot pot = site.pot(vessel, burner, ovens);
        Charge charge = ChargeSolver.solve(formula, pot, goal);
        Solved solved = new Solved(vessel, burner, pot, charge);
        List<Optional<Chiller>> coolings = site.coolings(charge);
        Choice first = cooled(solved, site.containers(), coolings.get(0));
        if (first.cold()) {
            return first;
        }
        List<Choice> tried = new ArrayList<>(List.of(first));
        coolings.stream().skip(1).forEach(in -> tried.add(cooled(solved, site.containers(), in)));
        first.times().map(Opening.Proposal::timeline).ifPresent(timeline -> {
            List<ContainerSplit.Owned> left = site.free(timeline.start(), timeline.ready());
            coolings.forEach(in -> tried.add(cooled(solved, left, in)));
        });
        return tried.stream().min(LESS_BAD).orElseThrow();
    }

    /** A charge in a vessel on a burner, before it is said how it is cooled. */
    private record Solved(Thing<Vessel> vessel, Optional<Thing<Burner>> burner, Pot pot, Charge charge) {}

    /** The same cooled in some of the containers, in a chiller or a bath. */
    private Choice cooled(Solved solved, List<ContainerSplit.Owned> into, Optional<Chiller> in) {
        Charge charge = solved.charge();
        Site.Cooling cooling = site.cooling(charge, into, in);
        Optional<String> on =
                charge.run().heat() == Run.Heat.BURNER ? solved.burner().map(Thing::name) : Optional.empty();
        Optional<Opening.Proposal> times =
                Optional.ofNullable(request.readyBy()).map(by -> times(charge, on, cooling, by));
        Site.Cooling withIce = times.flatMap(proposal -> proposal.timeline().step(Stage.COOL))
                .map(step -> site.withIce(cooling, now, step.from()))
                .orElse(cooling);
        return new Choice(solved.vessel(), solved.burner(), solved.pot(), charge, withIce, times);
    }

    private Opening.Proposal times(Charge charge, Optional<String> burner, Site.Cooling cooling, Instant readyBy) {
        Instant startAt = request.startAt();
        Planner.unlessFarAhead("readyBy", readyBy, now);
        if (startAt != null) {
            Planner.unlessFarAhead("startAt", startAt, now);
        }
        List<Timeline.Part> parts =
                Planner.parts(charge, cooling.slowest().curve(), site.kitchen().limits());
        Course begun = site.begun(now, (readyBy.isBefore(now) ? now : readyBy).plus(LOOK_ON));
        Optional<ContainerSplit> split = Optional.of(cooling.split()).filter(all -> cooling.enough());
        Opening opening = new Opening(charge, parts, burner, split, begun);
        return startAt == null ? opening.latest(readyBy) : opening.at(startAt.isBefore(now) ? now : startAt, readyBy);
    }
}
