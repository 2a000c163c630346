package potamos.core.figure;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;

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

    /** The figures of several kinds, each once; those of one name tell the same quantity. */
    public static List<Figure<?>> once(Stream<List<Figure<?>>> ofKinds) {
        Map<String, Figure<?>> byName = new LinkedHashMap<>();
        ofKinds.flatMap(List::stream).forEach(figure -> byName.putIfAbsent(figure.name(), figure));
        return List.copyOf(byName.values());
    }

    /** What a record says; a text of nothing is not said. */
    public Figures of(E from) {
        Figures all = Figures.NONE;
        for (Told<E, ?> one : told) {
            all = one.in(all, from);
        }
        return all;
    }
}
