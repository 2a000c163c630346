package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.quantity.Mass;

/**
 * The kitchen's ice: what its bin holds, and how quickly the machine fills it again. A bin that nobody takes from is full.
 *
 * @param holds  when it is full
 * @param kgPerH that the machine makes; 0 where the ice is bought
 */
public record IceBin(Mass holds, double kgPerH) {

    private static final double SECONDS_PER_H = 3600;
    private static final double A_CUBE_KG = 0.02;
    private static final double A_GRAM_KG = 0.001;

    /** Of all baths together; nothing where the kitchen has told of no ice. */
    public static Optional<IceBin> of(List<Chiller> chillers) {
        List<Chiller> baths = chillers.stream()
                .filter(chiller -> chiller.kind() == Chiller.Kind.ICE_BATH && chiller.iceKg() > 0)
                .toList();
        double holds = baths.stream().mapToDouble(Chiller::iceKg).sum();
        double makes = baths.stream().mapToDouble(Chiller::iceKgPerH).sum();
        return baths.isEmpty() ? Optional.empty() : Optional.of(new IceBin(Mass.ofKg(holds), makes));
    }

    /** Ice that a bath is going to take. */
    public record Use(Instant at, Mass ice) {}

    /**
     * Ice in the bin at a moment, when it is full now and others take theirs until then. Where one takes more than there is, it takes all.
     *
     * @param uses in any order; those after the moment do not count
     */
    public Mass at(Instant now, List<Use> uses, Instant when) {
        double kg = holds.kg();
        Instant clock = now;
        List<Use> before = uses.stream()
                .filter(use -> !use.at().isAfter(when))
                .sorted(Comparator.comparing(Use::at))
                .toList();
        for (Use use : before) {
            kg = Math.max(0, filled(kg, clock, use.at()) - use.ice().kg());
            clock = use.at().isAfter(clock) ? use.at() : clock;
        }
        return Mass.ofKg(filled(kg, clock, when));
    }

    /** What lies in the bin from a moment on. */
    public record Level(Instant at, Mass ice) {}

    /**
     * How the ice in the bin sinks with every bath and rises with the machine: straight from one level to the next, two at the moment of a bath.
     *
     * @param until the last moment told
     */
    public List<Level> levels(Instant now, List<Use> uses, Instant until) {
        List<Use> inOrder = uses.stream()
                .filter(use -> use.at().isBefore(until))
                // One that is overdue is taken now.
                .map(use -> use.at().isBefore(now) ? new Use(now, use.ice()) : use)
                .sorted(Comparator.comparing(Use::at))
                .toList();
        List<Level> levels = new ArrayList<>(List.of(new Level(now, holds)));
        for (Use use : inOrder) {
            rise(levels, use.at());
            double left = levels.get(levels.size() - 1).ice().kg() - use.ice().kg();
            levels.add(new Level(use.at(), Mass.ofKg(Math.max(0, left))));
        }
        rise(levels, until);
        return levels;
    }

    /** On to a moment, by way of the one at which the bin is full again. */
    private void rise(List<Level> levels, Instant to) {
        Level last = levels.get(levels.size() - 1);
        double lacks = holds.kg() - last.ice().kg();
        if (lacks > 0 && kgPerH > 0) {
            Instant full = last.at().plusSeconds((long) Math.ceil(lacks / kgPerH * SECONDS_PER_H));
            if (full.isBefore(to)) {
                levels.add(new Level(full, holds));
            }
        }
        levels.add(new Level(to, Mass.ofKg(filled(last.ice().kg(), last.at(), to))));
    }

    /**
     * Whether there is ice for one bath more without any of the others missing theirs, those after it counted in.
     *
     * @param uses of the others, in any order
     */
    public boolean has(Instant now, List<Use> uses, Use more) {
        List<Use> inOrder = Stream.concat(uses.stream(), Stream.of(more))
                .sorted(Comparator.comparing(Use::at))
                .toList();
        double kg = holds.kg();
        Instant clock = now;
        int next = 0;
        while (next < inOrder.size()) {
            int first = next;
            Instant at = inOrder.get(first).at();
            double together = 0;
            while (next < inOrder.size() && inOrder.get(next).at().equals(at)) {
                together += inOrder.get(next++).ice().kg();
            }
            kg = filled(kg, clock, at);
            if (!at.isBefore(more.at()) && !each(inOrder.subList(first, next), kg, together, more)) {
                return false;
            }
            kg = Math.max(0, kg - together);
            clock = at.isAfter(clock) ? at : clock;
        }
        return true;
    }

    /**
     * Ice that one more bath may take at a moment without any of the others missing theirs, those after it counted in; to a gram.
     *
     * @param uses of the others, in any order
     */
    public Mass spare(Instant now, List<Use> uses, Instant when) {
        double enough = 0;
        double tooMuch = at(now, uses, when).kg();
        if (has(now, uses, new Use(when, Mass.ofKg(tooMuch)))) {
            return Mass.ofKg(tooMuch);
        }
        while (tooMuch - enough > A_GRAM_KG) {
            double middle = (enough + tooMuch) / 2;
            boolean fine = has(now, uses, new Use(when, Mass.ofKg(middle)));
            enough = fine ? middle : enough;
            tooMuch = fine ? tooMuch : middle;
        }
        return Mass.ofKg(enough);
    }

    /** Whether each of those that take theirs at one moment has it beside the others. */
    private static boolean each(List<Use> atOnce, double kg, double together, Use more) {
        return atOnce.stream().allMatch(use -> {
            double own = use.ice().kg();
            double left = Math.max(0, kg - (together - own));
            return left >= own - (use == more ? A_GRAM_KG : A_CUBE_KG);
        });
    }

    private double filled(double kg, Instant from, Instant to) {
        double hours = Math.max(0, Duration.between(from, to).toSeconds() / SECONDS_PER_H);
        return Math.min(holds.kg(), kg + kgPerH * hours);
    }
}
