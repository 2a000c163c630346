package potamos.core.figure;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import potamos.core.quantity.Refusal;

/** Figures by their names, as they cross a wire: numbers, texts, yes or no. Of a correction, those that it changes. */
public record Figures(Map<String, Object> byName) {

    public static final Figures NONE = new Figures(Map.of());

    public Figures {
        byName = Collections.unmodifiableMap(new LinkedHashMap<>(byName));
    }

    /** @throws Refusal when it is not there, or makes no sense */
    public <T> T get(Figure<T> figure) {
        Object told = byName.get(figure.name());
        if (told == null || told instanceof String text && text.isBlank()) {
            throw Refusal.of(figure.name(), "is needed here");
        }
        return figure.value(told);
    }

    /** The same of a figure that may be left out. */
    public <T> T or(Figure<T> figure, T usual) {
        Object told = byName.get(figure.name());
        return told == null ? usual : figure.value(told);
    }

    public boolean has(Figure<?> figure) {
        return byName.get(figure.name()) != null;
    }

    public boolean isEmpty() {
        return byName.isEmpty();
    }

    /** With one figure more, or another one in its place. */
    public <T> Figures with(Figure<T> figure, T value) {
        Map<String, Object> all = new LinkedHashMap<>(byName);
        all.put(figure.name(), figure.wire(value));
        return new Figures(all);
    }

    /** With these in the place of those of the same names. */
    public Figures with(Figures changes) {
        Map<String, Object> all = new LinkedHashMap<>(byName);
        all.putAll(changes.byName);
        return new Figures(all);
    }
}
