package potamos.core.figure;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import potamos.core.quantity.Refusal;

/** Figures by their names, as they cross a wire: numbers, texts, yes or no. Of a correction, those that it changes. */
public record Figures(Map<String, Object> byName) {

    public static final Figures NONE = new Figures(Map.of());

    public Figures {
        byName = Collections.unmodifiableMap(new LinkedHashMap<>(byName));
    }

    /** What a wire says; what is sent as nothing is not said, nor is anything where nothing is sent. */
    public static Map<String, Object> said(Map<String, Object> sent) {
        Map<String, Object> said = sent == null ? new LinkedHashMap<>() : new LinkedHashMap<>(sent);
        said.values().removeIf(Objects::isNull);
        return said;
    }

    /** @throws Refusal when it is not there, or makes no sense */
    public <T> T get(Figure<T> figure) {
        Object told = byName.get(figure.name());
        boolean blank = told instanceof String text && text.isBlank();
        return figure.value(Refusal.unlessGiven(figure.name(), blank ? null : told));
    }

    /**
     * Lets figures pass whose names are known.
     *
     * @throws Refusal with the first name that is not
     */
    public Figures only(List<Figure<?>> known, String reason) {
        for (String name : byName.keySet()) {
            if (known.stream().noneMatch(figure -> figure.name().equals(name))) {
                throw Refusal.of(name, reason);
            }
        }
        return this;
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
