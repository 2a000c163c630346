package potamos.core.batch;

import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;

/**
 * An event that an act would become, with the figures that it usually has. What a person has to read or decide first is told by the act; a figure stands
 * here as what is expected.
 *
 * @param kind    of the event
 * @param figures as far as they can be told beforehand
 */
public record Proposal(EventKind<?> kind, Figures figures) {

    private static final String PART = Figure.part().name();

    static Proposal of(EventKind<?> kind) {
        return new Proposal(kind, Figures.NONE);
    }

    /** How much it is: the first of its measures. */
    double amount() {
        return figures.byName().values().stream()
                .filter(Double.class::isInstance)
                .mapToDouble(value -> (double) value)
                .findFirst()
                .orElse(0);
    }

    Optional<String> part() {
        return Optional.ofNullable((String) figures.byName().get(PART));
    }

    <T> Proposal with(Figure<T> figure, T value) {
        return new Proposal(kind, figures.with(figure, value));
    }
}
