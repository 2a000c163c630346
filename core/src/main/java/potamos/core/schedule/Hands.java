package potamos.core.schedule;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import potamos.core.batch.DueAct;

/** One cook, two hands: which acts of the coming time want both at once, and which of them gives way. */
public final class Hands {

    /** An act may be done so much before its time where that clears the way; nothing is strained before its rest is over. */
    private static final Duration EARLY = Duration.ofMinutes(8);

    /** No act has both hands for longer. */
    private static final Duration LONGEST = Duration.ofMinutes(12);

    private Hands() {}

    /** An act of a batch. */
    public record Wanted(String batch, DueAct act) {}

    /**
     * An act in the cook's time.
     *
     * @param wanted  the act
     * @param from    when it is done
     * @param takes   how long both hands are in it
     * @param because the act that it gives way to; empty when it keeps its time
     */
    public record Placed(Wanted wanted, Instant from, Duration takes, Optional<Wanted> because) {
        public Instant until() {
            return from.plus(takes);
        }

        /** Whether it is only done once waiting has begun to cost. */
        public boolean late() {
            return wanted.act().lateAt(from);
        }
    }

    /**
     * Places every act that takes both hands; what is lost worst by waiting keeps its time, and of those what bears the shortest wait. More than can be
     * done in the time looked at follows it one after another.
     *
     * @param wanted acts of all batches
     * @param now    nothing is placed before it
     * @param ahead  how far to look
     * @return in the order in which they are done
     */
    public static List<Placed> settle(List<Wanted> wanted, Instant now, Duration ahead) {
        Instant horizon = now.plus(ahead);
        List<Wanted> both = wanted.stream()
                .filter(w -> !w.act().kind().hands().isZero())
                .filter(w -> w.act().due().isBefore(horizon))
                .sorted(Comparator.comparing((Wanted w) -> w.act().cost())
                        .thenComparing(
                                w -> Duration.between(w.act().due(), w.act().late()))
                        .thenComparing(w -> w.act().late())
                        .thenComparing(Wanted::batch))
                .toList();
        Hour hour = new Hour(horizon);
        for (Wanted next : both) {
            hour.add(place(next, hour, now));
        }
        return hour.inOrder();
    }

    private static Placed place(Wanted next, Hour placed, Instant now) {
        Duration takes = next.act().kind().hands();
        Instant at = next.act().due().isBefore(now) ? now : next.act().due();
        Optional<Placed> first = placed.inTheWay(next, at, takes);
        if (first.isEmpty()) {
            return new Placed(next, at, takes, Optional.empty());
        }
        Instant after = at;
        for (Optional<Placed> other = first; other.isPresent(); other = placed.inTheWay(next, after, takes)) {
            after = other.get().until();
            if (!after.isBefore(placed.end)) {
                after = placed.afterAll(after);
                break;
            }
        }
        Instant before = first.get().from().minus(takes);
        boolean early = next.act().kind().mayBeEarly()
                && !before.isBefore(now)
                && !before.isBefore(next.act().due().minus(EARLY))
                && placed.inTheWay(next, before, takes).isEmpty();
        Instant moved = next.act().lateAt(after) && early ? before : after;
        return new Placed(next, moved, takes, Optional.of(first.get().wanted()));
    }

    /**
     * The cook's time, as far as it is looked at. Acts lie in it by when they begin, so what could be in the way of another is found without looking at
     * all of them: a kitchen with hundreds of pots asks this for every screen.
     */
    private static final class Hour {
        private final Instant end;
        private final TreeMap<Instant, List<Placed>> byBeginning = new TreeMap<>();
        /** When the last of those is done that did not fit in. */
        private Instant overflow;

        private Hour(Instant end) {
            this.end = end;
            this.overflow = end;
        }

        private void add(Placed act) {
            byBeginning.computeIfAbsent(act.from(), at -> new ArrayList<>()).add(act);
            if (act.until().isAfter(overflow)) {
                overflow = act.until();
            }
        }

        /** Acts of one pot follow each other anyway; only another pot's are in the way. */
        private Optional<Placed> inTheWay(Wanted next, Instant at, Duration takes) {
            for (List<Placed> together : byBeginning
                    .subMap(at.minus(LONGEST), false, at.plus(takes), false)
                    .values()) {
                for (Placed other : together) {
                    if (!other.wanted().batch().equals(next.batch()) && at.isBefore(other.until())) {
                        return Optional.of(other);
                    }
                }
            }
            return Optional.empty();
        }

        private Instant afterAll(Instant at) {
            return overflow.isAfter(at) ? overflow : at;
        }

        private List<Placed> inOrder() {
            return byBeginning.values().stream().flatMap(List::stream).toList();
        }
    }
}
