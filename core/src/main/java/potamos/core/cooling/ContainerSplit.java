package potamos.core.cooling;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;

/**
 * Litres split into the containers that a kitchen owns, so that all of them cool in time: as few containers as will do.
 *
 * @param groups   containers of a kind that are filled alike
 * @param foreseen the slowest group against the limits
 */
public record ContainerSplit(List<Group> groups, Foreseen foreseen) {

    /** Shares of what a container holds, tried from full downwards: shallower cools faster and takes more of them. */
    private static final double[] FILLS = {1, 0.85, 0.7, 0.55, 0.4, 0.25};

    private static final double LEAST_L = 0.5;

    public ContainerSplit {
        groups = List.copyOf(groups);
    }

    /** A kind of container and how many of it are free. */
    public record Owned(Container container, int count) {
        public Owned {
            Refusal.unlessWithin("count", count, 0, 500, "containers");
        }
    }

    /**
     * So many of a kind, filled alike.
     *
     * @param plan  how these are cooled, with their share of the bath
     * @param curve what that looks like
     */
    public record Group(CoolingPlan plan, CoolingCurve curve) {
        public Container container() {
            return plan.container();
        }

        public int count() {
            return plan.count();
        }

        public Volume each() {
            return plan.each();
        }
    }

    /** The group that is cold last; a thermometer belongs in one of its containers. */
    public Group slowestGroup() {
        return groups.stream()
                .max(Comparator.comparingDouble(g ->
                        g.curve().points().get(g.curve().points().size() - 1).minute()))
                .orElseThrow();
    }

    /** What takes the heat; where that is a bath, each group has its share of it. */
    public Medium medium() {
        return groups.get(0).plan().medium();
    }

    /** The chiller that it stands in; nothing in a bath. */
    public Optional<String> chiller() {
        return groups.get(0).plan().chiller();
    }

    /** Ice of all its baths; none where it is cooled without. */
    public Mass ice() {
        return Mass.ofKg(groups.stream()
                .flatMap(group -> group.plan().bath().stream())
                .mapToDouble(bath -> bath.ice().kg())
                .sum());
    }

    public int containers() {
        return groups.stream().mapToInt(Group::count).sum();
    }

    /**
     * The best split.
     *
     * @param litres to cool
     * @param from   temperature at straining
     * @param owned  containers to choose from
     * @param medium what takes the heat; an ice bath is shared out by litres
     * @param sets   whether the stock sets when cold
     * @param limits to keep
     * @return the split with the fewest containers that passes; when none passes, the one that cools fastest
     * @throws Refusal on {@code litres} when the containers do not hold them
     */
    public static ContainerSplit best(
            Volume litres, Temperature from, List<Owned> owned, Medium medium, boolean sets, LimitProfile limits) {
        double room = owned.stream()
                .mapToDouble(o -> o.count() * o.container().holds().litres())
                .sum();
        if (litres.litres() > room + 1e-9) {
            throw Refusal.outside("litres", "more than the containers hold", 0.05, room, "L");
        }
        List<Owned> quickest = owned.stream()
                .filter(o -> o.count() > 0)
                .sorted(Comparator.comparingDouble(ContainerSplit::litresPerDm2))
                .toList();
        List<ContainerSplit> found = new ArrayList<>();
        for (double fill : FILLS) {
            split(litres, from, quickest, medium, sets, limits, fill).ifPresent(found::add);
        }
        for (Owned kind : quickest) {
            for (double fill : FILLS) {
                split(litres, from, List.of(kind), medium, sets, limits, fill).ifPresent(found::add);
            }
        }
        return found.stream()
                .min(Comparator.comparing((ContainerSplit s) -> s.foreseen().verdict())
                        .thenComparing(s ->
                                s.foreseen().verdict() == Foreseen.Verdict.FAIL ? slowest(s, limits) : s.containers()))
                .orElseThrow();
    }

    /** Fills containers of each kind in turn until everything is placed; empty when it does not fit at this fill. */
    private static Optional<ContainerSplit> split(
            Volume litres,
            Temperature from,
            List<Owned> kinds,
            Medium medium,
            boolean sets,
            LimitProfile limits,
            double fill) {
        List<Group> groups = new ArrayList<>();
        double left = litres.litres();
        Foreseen worst = null;
        for (Owned kind : kinds) {
            if (left <= 1e-9) {
                break;
            }
            double most = kind.container().holds().litres() * fill;
            int count = (int) Math.min(kind.count(), Math.ceil(left / most - 1e-9));
            double placed = Math.min(left, count * most);
            double over = left - placed;
            if (over > 1e-9 && over < LEAST_L) {
                // Nobody takes out another container for a ladleful.
                placed -= Math.min(LEAST_L - over, placed / 2);
            }
            CoolingPlan plan = new CoolingPlan(
                    Volume.ofLitres(placed),
                    from,
                    kind.container(),
                    count,
                    List.of(new CoolingPlan.Leg(share(medium, placed / litres.litres()), limits.coldest())),
                    sets);
            CoolingCurve curve = Cooler.curve(plan);
            groups.add(new Group(plan, curve));
            Foreseen foreseen = Foreseen.of(curve, limits);
            worst = worst == null || foreseen.verdict().compareTo(worst.verdict()) > 0 ? foreseen : worst;
            left -= placed;
        }
        return left > 1e-9 ? Optional.empty() : Optional.of(new ContainerSplit(groups, worst));
    }

    private static Medium share(Medium medium, double share) {
        return medium instanceof Medium.IceBath bath
                ? new Medium.IceBath(
                        bath.ice().times(share),
                        Mass.ofKg(Math.max(1, bath.water().kg() * share)),
                        bath.drawnAt(),
                        bath.stirred())
                : medium;
    }

    /** Litres behind each dm² of wall: the fewer, the quicker. */
    private static double litresPerDm2(Owned owned) {
        Container container = owned.container();
        return container.holds().litres()
                / container.shape().wettedDm2(container.shape().levelAt(container.holds()));
    }

    private static int slowest(ContainerSplit split, LimitProfile limits) {
        return split.groups().stream()
                .mapToInt(
                        group -> (int) group.curve().minutesTo(limits.coldest()).orElse(1e6))
                .max()
                .orElse(0);
    }
}
