package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import potamos.core.formula.Formula;

/** One batch to be made, and for which calls. */
record Wanted(Formula formula, List<Part> parts) {

    /** A batch is laid to be ready so long before it is wanted: a simmer that is judged an hour longer still meets its call. */
    private static final Duration ROBUST = Duration.ofMinutes(60);

    Wanted {
        parts = List.copyOf(parts);
    }

    /** Litres of a call. */
    record Part(Call call, double litres) {}

    double litres() {
        return parts.stream().mapToDouble(Part::litres).sum();
    }

    /** When the first of its calls is due. */
    Instant by() {
        return parts.stream()
                .map(part -> part.call().by())
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** When it is ready and a longer simmer is still no matter. */
    Instant sure() {
        return sure(by());
    }

    static Instant sure(Instant by) {
        return by.minus(ROBUST);
    }

    Instant last() {
        return parts.stream()
                .map(part -> part.call().by())
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** Whether it is still good when the last of its calls is due. */
    boolean keepsIn(Draft draft) {
        return !last().isAfter(draft.useBy());
    }

    boolean isForAny(Set<String> calls) {
        return parts.stream().anyMatch(part -> calls.contains(part.call().id()));
    }

    double weight() {
        return parts.stream().mapToDouble(part -> part.call().weight()).max().orElse(1);
    }
}
