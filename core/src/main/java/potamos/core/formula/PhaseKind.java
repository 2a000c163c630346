package potamos.core.formula;

import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.figure.Telling;
import potamos.core.quantity.Refusal;

/**
 * A kind of phase, told once: its name, its figures with what they usually are, and what there is to do for it. Each stands beside its record; the open
 * format and its schema, storage, the contract and the procedure's form are made from it.
 *
 * @param <P> the record that phases of this kind are
 */
public final class PhaseKind<P extends Phase> {

    /** What a cook logs of a phase before the water. */
    public enum Chore {
        /** It has an act of its own, or none. */
        NONE,
        /** Only that it is done: somebody stands at it. */
        AT_A_GO,
        /** Its beginning and its end: it runs by itself. */
        FOR_A_WHILE,
        /** The same, and it burns when it is left too long. */
        FOR_A_WHILE_AND_BURNS
    }

    private final Draft<P> draft;
    private final Function<Figures, P> made;

    private PhaseKind(Draft<P> draft, Function<Figures, P> made) {
        this.draft = draft;
        this.made = made;
    }

    /** Begins to tell of a kind; the name is stored with every formula, and so for good. */
    static <P extends Phase> Draft<P> named(String name, Class<P> type) {
        return new Draft<>(name, type);
    }

    /** A kind of which nothing is told but how long it lasts. */
    static <P extends Phase> PhaseKind<P> lasting(
            String name, Class<P> type, Function<Duration, P> of, Duration usually, Chore chore, Part.Kind... handles) {
        return named(name, type)
                .with(Phase.MIN, Phase::takes, usually)
                .isChore(chore)
                .handles(handles)
                .made(f -> of.apply(f.get(Phase.MIN)));
    }

    /** All kinds, in the order of work. */
    public static List<PhaseKind<?>> all() {
        return All.KINDS;
    }

    /** The kind of a name. */
    public static Optional<PhaseKind<?>> of(String name) {
        return all().stream().filter(kind -> kind.name().equals(name)).findFirst();
    }

    /** Every figure that any kind has, once; those of one name tell the same quantity. */
    public static List<Figure<?>> everyFigure() {
        return Telling.once(all().stream().map(PhaseKind::figures));
    }

    /** Kept apart, because each record's class must be able to make its kind before all of them are known. */
    private static final class All {
        private static final List<PhaseKind<?>> KINDS = Stream.of(PrepPhase.KINDS, PotPhase.KINDS, FinishPhase.KINDS)
                .<PhaseKind<?>>flatMap(List::stream)
                .toList();
    }

    /** As the open format and storage name it. */
    public String name() {
        return draft.name;
    }

    public Class<P> type() {
        return draft.type;
    }

    public Chore chore() {
        return draft.chore;
    }

    /** Kinds of parts that it is done with. */
    public Set<Part.Kind> handles() {
        return draft.handles;
    }

    public List<Figure<?>> figures() {
        return draft.told.figures();
    }

    /** What a new phase of this kind starts with, as it crosses a wire. */
    public Figures usual() {
        return draft.usual;
    }

    /** Whether a phase of this kind must say it. */
    public boolean needs(Figure<?> figure) {
        return !draft.left.contains(figure.name());
    }

    /**
     * A phase of this kind.
     *
     * @throws Refusal with the figure that is missing, unknown here or outside its range
     */
    public P make(Figures figures) {
        return made.apply(figures.only(figures(), "a phase of this kind has no such figure"));
    }

    /** What a phase of this kind says. */
    public Figures figuresOf(Phase phase) {
        return draft.told.of(draft.type.cast(phase));
    }

    @Override
    public String toString() {
        return name();
    }

    /** A kind that is not told to its end yet. */
    static final class Draft<P extends Phase> {
        private final String name;
        private final Class<P> type;
        private final Telling<P> told = new Telling<>();
        private final Set<String> left = new LinkedHashSet<>();
        private Figures usual = Figures.NONE;
        private Chore chore = Chore.NONE;
        private Set<Part.Kind> handles = Set.of();

        private Draft(String name, Class<P> type) {
            this.name = name;
            this.type = type;
        }

        /** A figure that every phase of this kind says, and what it usually is. */
        <T> Draft<P> with(Figure<T> figure, Function<P, T> of, T usually) {
            told.add(figure, of);
            usual = usual.with(figure, usually);
            return this;
        }

        /** A figure that may be left out. */
        <T> Draft<P> maybe(Figure<T> figure, Function<P, T> of, T usually) {
            left.add(figure.name());
            return with(figure, of, usually);
        }

        /** A figure that is said only where it means something; a new phase does not have it. */
        <T> Draft<P> seldom(Figure<T> figure, Function<P, T> of) {
            left.add(figure.name());
            told.add(figure, of);
            return this;
        }

        Draft<P> isChore(Chore what) {
            chore = what;
            return this;
        }

        Draft<P> handles(Part.Kind... kinds) {
            handles = Set.of(kinds);
            return this;
        }

        /** How a phase is made of its figures. */
        PhaseKind<P> made(Function<Figures, P> of) {
            return new PhaseKind<>(this, of);
        }
    }
}
