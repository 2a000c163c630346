package potamos.core.course;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Foreseen;
import potamos.core.flow.Run;
import potamos.core.formula.Formula;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Planner;
import potamos.core.vessel.Vessel;

/** In which vessels, on which burners and in which ovens litres of a stock could be made, and in what they would be cooled; each is solved once, whoever asks. */
final class Ways {

    /** As large a step as nobody would weigh out otherwise. */
    private static final double STEP_L = 0.1;

    /** More of them would be tried for longer than anybody looks. */
    private static final int MOST_VESSELS = 8;

    /** Those that are as strong as each other count as one. */
    private static final int MOST_STRENGTHS = 3;

    private static final double FULL_SHARE = 0.98;

    /** By so much litres that are added up and taken off again may be off. */
    static final double ROUNDING_L = 1e-6;

    private final Equipment equipment;
    final Patience patience;
    private final Map<String, Double> full = new HashMap<>();
    private final Map<String, List<Untried>> solved = new HashMap<>();

    Ways(Equipment equipment) {
        this(equipment, Patience.ENDLESS);
    }

    /** @param patience of whoever asks for a course that is made in these ways */
    Ways(Equipment equipment, Patience patience) {
        this.equipment = equipment;
        this.patience = patience;
    }

    /**
     * One way.
     *
     * @param burners any one of which it may stand on, for they are as strong as each other; none where it stands on none
     * @param parts   its stages and their lengths
     * @param takes   of the kitchen
     */
    record Way(
            Charge charge,
            List<String> burners,
            Optional<String> oven,
            ContainerSplit cooling,
            List<Timeline.Part> parts,
            Footprint takes) {

        String vessel() {
            return charge.run().vessel().name();
        }

        /** The first of its burners; nothing where it stands on none. */
        Optional<String> burner() {
            return burners.stream().findFirst();
        }

        /** Whether a batch is made this way. */
        boolean makes(Draft draft) {
            return vessel().equals(draft.vessel())
                    && draft.burner().map(burners::contains).orElse(burners.isEmpty())
                    && oven.equals(draft.oven())
                    && charge.roasting().equals(draft.charge().roasting())
                    && cooling.chiller().equals(draft.cooling().chiller());
        }

        Draft startingAt(Instant start, String id, Equipment equipment, Optional<String> burner) {
            return Draft.of(id, charge, burner, oven, cooling, parts, start, equipment);
        }
    }

    /** The most litres of a stock that any vessel gives and that can be cooled at once. */
    double mostL(Formula formula) {
        double full = equipment.vessels().stream()
                .mapToDouble(vessel -> fullL(formula, vessel))
                .max()
                .orElse(0);
        return Math.min(full, equipment.mostCooledL());
    }

    /** The most litres of a stock that each vessel gives, the largest first; those that can be cooled at once, of vessels that make it at all. */
    List<Double> mostOfEachL(Formula formula) {
        return equipment.vessels().stream()
                .map(vessel -> Math.min(fullL(formula, vessel), equipment.mostCooledL()))
                .filter(full -> full >= Constructive.LEAST_L)
                .sorted(Comparator.reverseOrder())
                .toList();
    }

    private double fullL(Formula formula, Vessel vessel) {
        return full.computeIfAbsent(formula.slug() + "@" + vessel.name(), key -> {
            try {
                Pot pot = pot(vessel, Optional.empty(), equipment.ovens());
                return STEP_L * Math.floor(FULL_SHARE * ChargeSolver.litresOfFull(formula, pot) / STEP_L);
            } catch (Refusal none) {
                return 0.0;
            }
        });
    }

    /**
     * The ways of making so many litres that may be started and cool in time, the smallest vessel that takes them first. Each is solved when it is asked for:
     * most often the first will do.
     */
    Stream<Way> of(Formula formula, double litres) {
        long steps = (long) Math.ceil(litres / STEP_L - 1e-9);
        List<Untried> all =
                solved.computeIfAbsent(formula.slug() + "@" + steps, key -> untried(formula, steps * STEP_L));
        return all.stream().map(Untried::way).flatMap(Optional::stream);
    }

    /** The ways of making them in one vessel, however large it is, on one burner; on whichever where none is named. */
    Stream<Way> in(Formula formula, double litres, String vessel, Optional<String> burner) {
        return equipment.vessels().stream()
                .filter(one -> one.name().equals(vessel) && fullL(formula, one) >= litres - ROUNDING_L)
                .flatMap(one -> untried(formula, litres, one))
                .filter(untried -> untried.mayStandOn(burner))
                .map(Untried::way)
                .flatMap(Optional::stream);
    }

    /** A charge in a vessel, solved once, when somebody asks. */
    private final class Solved {
        private final Formula formula;
        private final double litres;
        private final Vessel vessel;
        private final List<Burner> burners;
        private final List<Oven> ovens;
        private Optional<Charge> charge;

        private Solved(Formula formula, double litres, Vessel vessel, List<Burner> burners, List<Oven> ovens) {
            this.formula = formula;
            this.litres = litres;
            this.vessel = vessel;
            this.burners = burners;
            this.ovens = ovens;
        }

        /** Nothing where it may not be started. */
        private Optional<Charge> charge() {
            if (charge == null) {
                charge = solved();
            }
            return charge;
        }

        private Optional<Charge> solved() {
            try {
                Pot pot = pot(vessel, burners.stream().findFirst(), ovens);
                Goal goal = new Goal.Litres(Volume.ofLitres(litres));
                return Optional.of(ChargeSolver.solve(formula, pot, goal)).filter(Charge::fits);
            } catch (Refusal none) {
                return Optional.empty();
            }
        }
    }

    /** A way that is solved once, when somebody asks. */
    private final class Untried {
        private final Solved solved;
        private final Optional<Chiller> in;
        private Optional<Way> way;

        private Untried(Solved solved, Optional<Chiller> in) {
            this.solved = solved;
            this.in = in;
        }

        private boolean mayStandOn(Optional<String> burner) {
            return burner.map(name ->
                            solved.burners.stream().anyMatch(one -> one.name().equals(name)))
                    .orElse(true);
        }

        private Optional<Way> way() {
            if (way == null) {
                way = solved.charge().flatMap(charge -> Ways.this.way(charge, solved.burners, solved.ovens, in));
            }
            return way;
        }
    }

    private List<Untried> untried(Formula formula, double litres) {
        return equipment.vessels().stream()
                .filter(vessel -> fullL(formula, vessel) >= litres - ROUNDING_L)
                .sorted(Comparator.comparingDouble(vessel -> fullL(formula, vessel)))
                .limit(MOST_VESSELS)
                .flatMap(vessel -> untried(formula, litres, vessel))
                .toList();
    }

    private Stream<Untried> untried(Formula formula, double litres, Vessel vessel) {
        return ovens(formula).stream()
                .flatMap(ovens -> burners(formula, vessel).stream()
                        .map(burners -> new Solved(formula, litres, vessel, burners, ovens)))
                .flatMap(solved ->
                        equipment.coolings(Volume.ofLitres(litres)).stream().map(in -> new Untried(solved, in)));
    }

    private Optional<Way> way(Charge charge, List<Burner> burners, List<Oven> ovens, Optional<Chiller> in) {
        try {
            ContainerSplit cooling = equipment.cooled(charge, in);
            if (in.isPresent() && cooling.foreseen().verdict() == Foreseen.Verdict.FAIL) {
                return Optional.empty();
            }
            List<Timeline.Part> parts =
                    Planner.parts(charge, cooling.slowestGroup().curve(), equipment.limits());
            Optional<String> oven = charge.run().heat() == Run.Heat.OVEN
                    ? ovens.stream().map(Oven::name).findFirst()
                    : Optional.empty();
            List<String> on = charge.run().heat() == Run.Heat.BURNER
                    ? burners.stream().map(Burner::name).toList()
                    : List.of();
            Footprint takes = Footprint.of(charge, parts, on, oven, Optional.of(cooling), equipment.unattended());
            return Optional.of(new Way(charge, on, oven, cooling, parts, takes));
        } catch (Refusal none) {
            return Optional.empty();
        }
    }

    private Pot pot(Vessel vessel, Optional<Burner> burner, List<Oven> ovens) {
        Burner under = burner.or(() -> strongest().findFirst())
                .or(() -> Burner.own(vessel))
                .orElseThrow(() -> Refusal.of("burners", "nothing to put " + vessel.name() + " on"));
        return new Pot(vessel, under, equipment.air(), Optional.empty(), ovens, equipment.tap());
    }

    private Stream<Burner> strongest() {
        return equipment.burners().stream()
                .sorted(Comparator.comparingDouble(
                        (Burner burner) -> -burner.delivered().watts()));
    }

    /** Those that are as strong as each other together, the strongest first. */
    private List<List<Burner>> burners(Formula formula, Vessel vessel) {
        boolean none = vessel.own().isPresent() || formula.simmer().oven().isPresent();
        return none
                ? List.of(List.of())
                : strongest()
                        .collect(Collectors.groupingBy(Strength::of, LinkedHashMap::new, Collectors.toList()))
                        .values()
                        .stream()
                        .limit(MOST_STRENGTHS)
                        .toList();
    }

    /** What makes one burner as good as another: what it gives the pot, and what it takes for that. */
    private record Strength(double watts, double efficiency) {
        static Strength of(Burner burner) {
            return new Strength(burner.rated().watts(), burner.efficiency());
        }
    }

    /** One after another where an oven is needed, so that each can be tried when the others are taken. */
    private List<List<Oven>> ovens(Formula formula) {
        boolean needed = formula.phase(PrepPhase.Roast.class).isPresent()
                || formula.simmer().oven().isPresent();
        return !needed || equipment.ovens().isEmpty()
                ? List.of(List.of())
                : equipment.ovens().stream()
                        .sorted(Comparator.comparingDouble(oven -> oven.factor().value()))
                        .map(List::of)
                        .toList();
    }
}
