package potamos.core.formula;

import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.quantity.Refusal;

/**
 * A choice on which practitioners differ, told once: its options, where it means something, what it does to a formula, and how it stands in one.
 *
 * @param <T> what is chosen
 */
public final class School<T> {

    private final Figure<T> figure;
    private final Predicate<Formula> where;
    private final BiFunction<Formula, T, Optional<String>> against;
    private final BiFunction<Formula, T, Formula> effect;
    private final BiFunction<Formula, Formula, Optional<T>> stands;

    private School(
            Draft<T> draft, BiFunction<Formula, T, Formula> effect, BiFunction<Formula, Formula, Optional<T>> stands) {
        this.figure = draft.figure;
        this.where = draft.where;
        this.against = draft.against;
        this.effect = effect;
        this.stands = stands;
    }

    static <T> Draft<T> of(Figure<T> figure) {
        return new Draft<>(figure);
    }

    /** As requests name it. */
    public String name() {
        return figure.name();
    }

    /** What is chosen, as it crosses a wire. */
    public Figure<T> figure() {
        return figure;
    }

    /** What there is to choose from, as it crosses a wire; nothing where any figure within its range will do. */
    public List<Object> options() {
        return figure.quantity() == Figure.Quantity.YES ? List.of(false, true) : List.copyOf(figure.choices());
    }

    /** Whether a formula as written leaves a choice in it. */
    public boolean means(Formula base) {
        return where.test(base);
    }

    Formula applyTo(Formula formula, Figures chosen) {
        if (!chosen.has(figure)) {
            return formula;
        }
        T choice = chosen.get(figure);
        Optional<String> reason = against.apply(formula, choice);
        if (reason.isPresent()) {
            throw Refusal.of(figure.name(), reason.get());
        }
        return effect.apply(formula, choice);
    }

    /** With how it stands added, if one of the options describes it. */
    Figures standingIn(Formula base, Formula chosen, Figures others) {
        Optional<T> standing = means(base) ? stands.apply(base, chosen) : Optional.empty();
        return standing.map(choice -> others.with(figure, choice)).orElse(others);
    }

    /** A school that is not told to its end yet. */
    static final class Draft<T> {
        private final Figure<T> figure;
        private Predicate<Formula> where = formula -> true;
        private BiFunction<Formula, T, Optional<String>> against = (formula, choice) -> Optional.empty();

        private Draft(Figure<T> figure) {
            this.figure = figure;
        }

        /** The formulas that leave a choice in it; without this, all. */
        Draft<T> where(Predicate<Formula> means) {
            where = means;
            return this;
        }

        /** Why a choice means nothing for a formula, or contradicts it. */
        Draft<T> unless(BiFunction<Formula, T, Optional<String>> reason) {
            against = reason;
            return this;
        }

        Does<T> does(BiFunction<Formula, T, Formula> effect) {
            return new Does<>(this, effect);
        }
    }

    /** What is left to tell: how it stands in a formula as written and as chosen. */
    record Does<T>(Draft<T> draft, BiFunction<Formula, T, Formula> effect) {
        School<T> stands(BiFunction<Formula, Formula, Optional<T>> stands) {
            return new School<>(draft, effect, stands);
        }
    }
}
