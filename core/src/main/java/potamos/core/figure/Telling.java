package potamos.core.figure;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import potamos.core.quantity.Refusal;

/**
 * What the records of one kind tell: their figures, and where each stands in the record.
 *
 * @param <E> the record
 */
public final class Telling<E> {

    private record Told<E, T>(Figure<T> figure, Function<E, T> of) {
        Figures in(Figures figures, E from) {
            T value = of.apply(from);
            boolean silent = value == null || value instanceof String text && text.isEmpty();
            return silent ? figures : figures.with(figure, value);
        }
    }

    private final List<Told<E, ?>> told = new ArrayList<>();

    /** Tells one figure more. */
    public <T> void add(Figure<T> figure, Function<E, T> of) {
        told.add(new Told<>(figure, of));
    }

    public List<Figure<?>> figures() {
        return told.stream().<Figure<?>>map(Told::figure).toList();
    }

    /** What a record says; a text of nothing is not said. */
    public Figures of(E from) {
        Figures all = Figures.NONE;
        for (Told<E, ?> one : told) {
            all = one.in(all, from);
        }
        return all;
    }

    /**
     * Lets figures pass that this kind has.
     *
     * @throws Refusal with the name of one that it has not
     */
    public Figures known(Figures figures, String reason) {
        for (String name : figures.byName().keySet()) {
            if (told.stream().noneMatch(one -> one.figure.name().equals(name))) {
                throw Refusal.of(name, reason);
            }
        }
        return figures;
    }
}
