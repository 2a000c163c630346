package potamos.server.exchange;

import static potamos.server.exchange.PhaseForm.word;

import java.time.Duration;
import java.util.Optional;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.Schools;
import potamos.core.heat.Cover;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** Schools as a caller writes them, and as they stand in a formula. */
public final class SchoolsForm {

    private static final Temperature SLOW_OVEN = Temperature.ofCelsius(145);

    private SchoolsForm() {}

    /**
     * @throws Refusal on the field of a word that nobody knows
     */
    public static Schools read(SchoolsJson form) {
        if (form == null) {
            return Schools.asWritten();
        }
        return new Schools(
                Optional.ofNullable(form.water()).map(FormulaForm::readWater),
                Optional.ofNullable(form.blanch()),
                of(Schools.Tomato.class, "tomato", form.tomato()),
                of(Schools.Vegetables.class, "vegetables", form.vegetables()),
                of(Schools.Roast.class, "roast", form.roast()),
                Optional.ofNullable(form.simmerMin()).map(SchoolsForm::minutes),
                of(Cover.class, "cover", form.cover()),
                of(Phase.Transfer.class, "transfer", form.transfer()),
                Optional.ofNullable(form.press()),
                of(Schools.Density.class, "density", form.density()),
                of(Schools.Herbs.class, "herbs", form.herbs()),
                of(Schools.TopUp.class, "topUp", form.topUp()));
    }

    private static Duration minutes(double minutes) {
        Refusal.unlessWithin("simmerMin", minutes, 1, 48 * 60, "min");
        return Duration.ofMillis((long) (minutes * 60_000 + 0.5));
    }

    private static <E extends Enum<E>> Optional<E> of(Class<E> type, String field, String word) {
        return Optional.ofNullable(word).map(w -> PhaseForm.of(type, field, w));
    }

    /**
     * How the schools stand after the choices; what this formula leaves no choice in is left out.
     *
     * @param base   as written
     * @param chosen with the choices made
     * @param asked  the choices
     */
    public static SchoolsJson standing(Formula base, Formula chosen, SchoolsJson asked) {
        Family family = base.family();
        boolean roasts = base.phase(Phase.Roast.class).isPresent();
        boolean bones = (family == Family.WHITE || family == Family.SECOND_WETTING) && !roasts;
        Phase.Simmer simmer = chosen.simmer();
        boolean reduction = family == Family.REDUCTION;
        return new SchoolsJson(
                FormulaForm.write(chosen).water(),
                bones ? (Boolean) chosen.phase(Phase.Blanch.class).isPresent() : null,
                tomato(base, chosen, roasts),
                vegetables(chosen),
                roasts ? roast(chosen) : null,
                simmer.usual().toSeconds() / 60.0,
                word(simmer.cover()),
                word(chosen.strain().transfer()),
                family == Family.INFUSED || reduction
                        ? null
                        : (Boolean) chosen.strain().pressed(),
                family == Family.VEGETABLE ? (chosen.reducesTo() < 1 ? "light-reduced" : "dense") : null,
                base.parts().stream().anyMatch(p -> p.item().driedKgPerL() > 0) ? herbs(asked) : null,
                reduction || family == Family.INFUSED ? null : simmer.topUp().hold() ? "hold" : "let-reduce");
    }

    private static String herbs(SchoolsJson asked) {
        return asked == null || asked.herbs() == null ? word(Schools.Herbs.FRESH) : asked.herbs();
    }

    private static String tomato(Formula base, Formula chosen, boolean roasts) {
        if (base.parts().stream().noneMatch(p -> p.kind() == Part.Kind.TOMATO)) {
            return null;
        }
        if (chosen.parts().stream().noneMatch(p -> p.kind() == Part.Kind.TOMATO)) {
            return word(Schools.Tomato.NONE);
        }
        boolean apart = chosen.phase(Phase.CookTomato.class).isPresent() || !roasts;
        return word(apart ? Schools.Tomato.ON_THE_VEGETABLES : Schools.Tomato.ON_THE_BONES);
    }

    private static String vegetables(Formula chosen) {
        return chosen.parts().stream()
                .filter(p -> p.kind() == Part.Kind.VEGETABLE)
                .findFirst()
                .map(p -> word(
                        p.when() instanceof Part.When.WithTheBed
                                ? Schools.Vegetables.AT_THE_START
                                : Schools.Vegetables.LATE))
                .orElse(null);
    }

    private static String roast(Formula chosen) {
        Temperature oven = chosen.phase(Phase.Roast.class).orElseThrow().oven();
        return word(oven.compareTo(SLOW_OVEN) < 0 ? Schools.Roast.OVERNIGHT : Schools.Roast.HOT_AND_FAST);
    }
}
