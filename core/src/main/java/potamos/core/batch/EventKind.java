package potamos.core.batch;

import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.figure.Telling;
import potamos.core.quantity.Refusal;

/**
 * A kind of event, told once: its name, its figures, who may log it, what it may follow and what it does. Each stands beside its record; storage, wire,
 * forms, tables and paper are made from it. A kind that leaves one of these out does not compile.
 *
 * @param <E> the record that events of this kind are
 */
public final class EventKind<E extends Fact> {

    /** What somebody must be trusted with to log it. */
    public enum Trust {
        WORK,
        /** Says how far the stock is, or what becomes of it. */
        JUDGEMENT,
        /** Answers for stock that the record does not. */
        VOUCHING,
        /** Moves stock on or off the shelf. */
        HANDING_OUT,
        /** Says what became of stock at the station that has it. */
        TAKING_OVER
    }

    private final Draft<E> draft;
    private final BiFunction<Stamp, Figures, E> made;
    private final BiConsumer<Before, E> when;
    private final BiConsumer<Replay, E> then;

    private EventKind(
            Draft<E> draft,
            BiFunction<Stamp, Figures, E> made,
            BiConsumer<Before, E> when,
            BiConsumer<Replay, E> then) {
        this.draft = draft;
        this.made = made;
        this.when = when;
        this.then = then;
    }

    /** Begins to tell of a kind; the name is stored with every event, and so for good. */
    static <E extends Fact> Draft<E> named(String name, Class<E> type) {
        return new Draft<>(name, type);
    }

    /** All kinds, in the order in which a batch meets them. */
    public static List<EventKind<?>> all() {
        return All.KINDS;
    }

    /** Every figure that any kind has, once; those of one name tell the same quantity. */
    public static List<Figure<?>> everyFigure() {
        return Telling.once(all().stream().map(EventKind::figures));
    }

    /** The kind of a name. */
    public static Optional<EventKind<?>> of(String name) {
        return all().stream().filter(kind -> kind.name().equals(name)).findFirst();
    }

    /** Kept apart, because each record's class must be able to make its kind before all of them are known. */
    private static final class All {
        private static final List<EventKind<?>> KINDS = Stream.of(
                        ChoreEvent.KINDS,
                        PotEvent.KINDS,
                        LookEvent.KINDS,
                        FinishEvent.KINDS,
                        ColdEvent.KINDS,
                        MishapEvent.KINDS,
                        ShelfEvent.KINDS,
                        LotEvent.KINDS,
                        SlipEvent.KINDS)
                .<EventKind<?>>flatMap(List::stream)
                .toList();
    }

    /** As acts, tables and storage name it. */
    public String name() {
        return draft.name;
    }

    /** The name under which its record is stored; kinds that share a record share it. */
    public String storedAs() {
        return draft.storedAs;
    }

    /** Whether its figures can be told right; what moves a lot is taken back and logged anew instead. */
    public boolean correctable() {
        return draft.correctable;
    }

    public Class<E> type() {
        return draft.type;
    }

    public Trust trust() {
        return draft.trust;
    }

    public List<Figure<?>> figures() {
        return draft.told.figures();
    }

    /**
     * An event of this kind.
     *
     * @throws Refusal with the figure that is missing, unknown here or outside its range
     */
    public E make(Stamp stamp, Figures figures) {
        return made.apply(stamp, figures.only(figures(), "an entry of this kind has no such figure"));
    }

    /** What an event of this kind says. */
    public Figures figuresOf(Fact event) {
        return draft.told.of(draft.type.cast(event));
    }

    /** The same event with some figures, or its moment, told right; what is not named stays, and so does its stamp but for when it was told. */
    Fact corrected(Fact event, Amendment.Change change, Stamp by) {
        Stamp stamp = event.stamp();
        Stamp moved = change.happened().map(stamp::happenedAt).orElse(stamp);
        return make(moved.enteredAt(by.entered()), figuresOf(event).with(change.figures()));
    }

    /** @throws Refusal when it makes no sense after what has happened */
    void check(Before before, Fact event) {
        when.accept(before, draft.type.cast(event));
    }

    void happen(Replay replay, Fact event) {
        then.accept(replay, draft.type.cast(event));
    }

    @Override
    public String toString() {
        return name();
    }

    /** A kind that is not told to its end yet. */
    static final class Draft<E extends Fact> {
        private final String name;
        private final Class<E> type;
        private final Telling<E> told = new Telling<>();
        private String storedAs;
        private Trust trust = Trust.WORK;
        private boolean correctable = true;

        private Draft(String name, Class<E> type) {
            this.name = name;
            this.storedAs = name;
            this.type = type;
        }

        Draft<E> storedAs(String record) {
            storedAs = record;
            return this;
        }

        Draft<E> trusts(Trust to) {
            trust = to;
            return this;
        }

        /** Figures that others have gone by are not changed under them. */
        Draft<E> withdrawnOnly() {
            correctable = false;
            return this;
        }

        <T> Draft<E> with(Figure<T> figure, Function<E, T> of) {
            told.add(figure, of);
            return this;
        }

        /** How an event is made of its figures. */
        Made<E> made(BiFunction<Stamp, Figures, E> of) {
            return new Made<>(this, of);
        }

        Made<E> made(Function<Stamp, E> of) {
            return new Made<>(this, (stamp, none) -> of.apply(stamp));
        }
    }

    /** What is left to tell: when it makes sense, and what it does. */
    record Made<E extends Fact>(Draft<E> draft, BiFunction<Stamp, Figures, E> made) {
        When<E> when(BiConsumer<Before, E> sense) {
            return new When<>(draft, made, sense);
        }
    }

    /** What is left to tell: what it does. */
    record When<E extends Fact>(Draft<E> draft, BiFunction<Stamp, Figures, E> made, BiConsumer<Before, E> when) {
        EventKind<E> then(BiConsumer<Replay, E> effect) {
            return new EventKind<>(draft, made, when, effect);
        }
    }
}
