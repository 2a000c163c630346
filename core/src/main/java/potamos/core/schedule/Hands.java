package potamos.core.schedule;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.DueAct;

/** One cook, two hands: which acts of the coming time want both at once, and which of them gives way. */
public final class Hands {

    /** An act may be done so much before its time where that clears the way; nothing is strained before its rest is over. */
    private static final Duration EARLY = Duration.ofMinutes(8);

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
     * Places every act that takes both hands; what is lost worst by waiting keeps its time, and of those what bears the shortest wait.
     *
     * @param wanted acts of all batches
     * @param now    nothing is placed before it
     * @param ahead  how far to look
     * @return in the order in which they are done
     */
    public static List<Placed> settle(List<Wanted> wanted, Instant now, Duration ahead) {
        Instant horizon = now.plus(ahead);
        List<Wanted> both = wanted.stream()
                .filter(w -> !takes(w.act().kind()).isZero())
                .filter(w -> w.act().due().isBefore(horizon))
                .sorted(Comparator.comparing((Wanted w) -> w.act().cost())
                        .thenComparing(
                                w -> Duration.between(w.act().due(), w.act().late()))
                        .thenComparing(w -> w.act().late())
                        .thenComparing(Wanted::batch))
                .toList();
        List<Placed> placed = new ArrayList<>();
        for (Wanted next : both) {
            placed.add(place(next, placed, now));
        }
        placed.sort(Comparator.comparing(Placed::from));
        return placed;
    }

    private static Placed place(Wanted next, List<Placed> placed, Instant now) {
        Duration takes = takes(next.act().kind());
        Instant at = next.act().due().isBefore(now) ? now : next.act().due();
        Optional<Placed> first = inTheWay(placed, next, at, takes);
        if (first.isEmpty()) {
            return new Placed(next, at, takes, Optional.empty());
        }
        Instant after = at;
        for (Optional<Placed> other = first; other.isPresent(); other = inTheWay(placed, next, after, takes)) {
            after = other.get().until();
        }
        Instant before = first.get().from().minus(takes);
        boolean early = mayBeEarly(next.act().kind())
                && !before.isBefore(now)
                && !before.isBefore(next.act().due().minus(EARLY))
                && inTheWay(placed, next, before, takes).isEmpty();
        Instant moved = next.act().lateAt(after) && early ? before : after;
        return new Placed(next, moved, takes, Optional.of(first.get().wanted()));
    }

    /** Acts of one pot follow each other anyway; only another pot's are in the way. */
    private static Optional<Placed> inTheWay(List<Placed> placed, Wanted next, Instant at, Duration takes) {
        return placed.stream()
                .filter(p -> !p.wanted().batch().equals(next.batch()))
                .filter(p -> at.isBefore(p.until()) && p.from().isBefore(at.plus(takes)))
                .min(Comparator.comparing(Placed::from));
    }

    private static boolean mayBeEarly(DueAct.Kind kind) {
        return switch (kind) {
            case TURN, TOP_UP, FILL, CHANGE_WATER -> true;
            default -> false;
        };
    }

    /** How long both hands are in an act; zero for what one hand does in passing. */
    static Duration takes(DueAct.Kind kind) {
        return Duration.ofMinutes(
                switch (kind) {
                    case WEIGH -> 8;
                    case TURN -> 5;
                    case BLANCH -> 12;
                    case FILL -> 5;
                    case SKIM, FIRST_FOAM -> 3;
                    case TOP_UP, CHANGE_WATER -> 2;
                    case PASS, STRAIN -> 12;
                    case REDUCE, DEGREASE -> 5;
                    case BEGIN_COOLING, RESCUE -> 6;
                    case STORE -> 10;
                    default -> 0;
                });
    }
}
