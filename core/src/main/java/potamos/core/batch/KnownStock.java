package potamos.core.batch;

import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.formula.Contents;
import potamos.core.formula.Draw;
import potamos.core.formula.Liquid;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/** Stock of another batch in an entry of this one, with what was known of it then. */
final class KnownStock {

    static final Figure<String> SOURCE = Figure.source();
    static final Figure<String> NAME = Figure.words("source");
    private static final Figure<Double> GELATIN = Figure.mark("gelatinGPerL", 0, Liquid.MOST_GELATIN_G_PER_L, "g/L");
    private static final Figure<Double> SALT = Figure.mark("saltGPerL", 0, Liquid.MOST_SALT_G_PER_L, "g/L");
    private static final Figure<Set<Allergen>> ALLERGENS = Figure.choices("allergens", Allergen.class);
    private static final Figure<Set<Contents.Trace>> TRACES = Figure.choices("traces", Contents.Trace.class);
    private static final Figure<Boolean> UNKNOWN = Figure.yes("unknown");

    private KnownStock() {}

    /** Tells of the stock that an entry is about. */
    static <E extends Fact> EventKind.Draft<E> told(
            EventKind.Draft<E> kind, Figure<Volume> litres, Function<E, Draw> of) {
        return contents(
                kind.with(SOURCE, e -> of.apply(e).source())
                        .with(litres, e -> of.apply(e).litres())
                        .with(NAME, e -> of.apply(e).name())
                        .with(GELATIN, e -> of.apply(e).contents().gelatinGPerL())
                        .with(SALT, e -> of.apply(e).saltGPerL()),
                e -> Optional.of(of.apply(e).contents()));
    }

    /** Tells what is in it, where that is known of an entry. */
    static <E extends Fact> EventKind.Draft<E> contents(EventKind.Draft<E> kind, Function<E, Optional<Contents>> of) {
        return kind.with(ALLERGENS, e -> of.apply(e).map(Contents::allergens).orElse(null))
                .with(TRACES, e -> of.apply(e).map(Contents::traces).orElse(null))
                .with(UNKNOWN, e -> of.apply(e).map(Contents::unknown).orElse(null));
    }

    /** What is in it, if an entry says anything of that. */
    static Optional<Contents> contents(Figures told) {
        boolean says = told.has(ALLERGENS) || told.has(TRACES) || told.has(UNKNOWN);
        return says ? Optional.of(contents(told, 0)) : Optional.empty();
    }

    private static Contents contents(Figures told, double gelatinGPerL) {
        return new Contents(
                told.or(ALLERGENS, Set.of()), told.or(TRACES, Set.of()), gelatinGPerL, told.or(UNKNOWN, true));
    }

    /** As it was told; what nobody said of it is unknown. */
    static Draw of(Figures told, Figure<Volume> litres) {
        return new Draw(
                told.get(SOURCE),
                told.or(NAME, ""),
                told.get(litres),
                contents(told, told.or(GELATIN, 0.0)),
                told.or(SALT, 0.0));
    }

    static void check(Draw stock) {
        SOURCE.check(stock.source());
        NAME.check(stock.name());
    }
}
