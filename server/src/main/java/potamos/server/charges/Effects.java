package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import potamos.core.charge.Charge;
import potamos.core.liquor.Body;
import potamos.core.quantity.Refusal;
import potamos.server.exchange.SchoolsJson;

/** What each other school would change in a charge, so that a switch can say it before it is turned. */
final class Effects {

    /**
     * One option of one school.
     *
     * @param school  field of the school
     * @param option  its word; {@code true} and {@code false} for switches
     * @param chosen  whether it stands now
     * @param refusal why it cannot be chosen; the differences are 0 then
     */
    record EffectView(
            @NotNull String school,
            @NotNull String option,
            boolean chosen,
            double litres,
            double bedKg,
            double gelatinGPerL,
            Optional<Body> body,
            double clarity,
            double minutes,
            Optional<String> refusal) {}

    /** A charge and how long it takes until it can be cooled. */
    record Timed(Charge charge, double minutes) {}

    private Effects() {}

    private record Option(String school, String word, SchoolsJson schools, String standing) {}

    /**
     * The effects of all options.
     *
     * @param standing schools as they stand
     * @param asked    the choices made so far
     * @param now      the charge as it stands
     * @param solve    the charge with other choices
     */
    static List<EffectView> of(SchoolsJson standing, SchoolsJson asked, Timed now, Function<SchoolsJson, Timed> solve) {
        List<EffectView> effects = new ArrayList<>();
        for (Option option : options(standing, asked)) {
            boolean chosen = option.word().equals(option.standing());
            effects.add(chosen ? same(option) : other(option, now, solve));
        }
        return effects;
    }

    private static EffectView same(Option option) {
        return new EffectView(option.school(), option.word(), true, 0, 0, 0, Optional.empty(), 0, 0, Optional.empty());
    }

    private static EffectView other(Option option, Timed now, Function<SchoolsJson, Timed> solve) {
        try {
            Timed then = solve.apply(option.schools());
            Charge a = now.charge();
            Charge b = then.charge();
            return new EffectView(
                    option.school(),
                    option.word(),
                    false,
                    b.forecast().yield().mid() - a.forecast().yield().mid(),
                    b.run().raw().kg() - a.run().raw().kg(),
                    b.forecast().gelatinGPerL() - a.forecast().gelatinGPerL(),
                    Optional.of(b.forecast().body()),
                    b.character().clarity().index() - a.character().clarity().index(),
                    then.minutes() - now.minutes(),
                    Optional.empty());
        } catch (Refusal refusal) {
            return new EffectView(
                    option.school(),
                    option.word(),
                    false,
                    0,
                    0,
                    0,
                    Optional.empty(),
                    0,
                    0,
                    Optional.of(refusal.getMessage()));
        }
    }

    private static List<Option> options(SchoolsJson s, SchoolsJson asked) {
        SchoolsJson a = asked == null
                ? new SchoolsJson(null, null, null, null, null, null, null, null, null, null, null, null)
                : asked;
        List<Option> options = new ArrayList<>();
        add(options, "blanch", s.blanch(), List.of("false", "true"), w -> with(a, w, null, null, null, null));
        add(
                options,
                "tomato",
                s.tomato(),
                List.of("on-the-bones", "on-the-vegetables", "none"),
                w -> with(a, null, w, null, null, null));
        add(
                options,
                "vegetables",
                s.vegetables(),
                List.of("at-the-start", "late"),
                w -> with(a, null, null, w, null, null));
        add(options, "roast", s.roast(), List.of("hot-and-fast", "overnight"), w -> with(a, null, null, null, w, null));
        add(
                options,
                "density",
                s.density(),
                List.of("dense", "light-reduced"),
                w -> with(a, null, null, null, null, w));
        add(
                options,
                "cover",
                s.cover(),
                List.of("open", "paper-lid", "lid-ajar"),
                w -> kept(a, w, null, null, null, null));
        add(options, "topUp", s.topUp(), List.of("hold", "let-reduce"), w -> kept(a, null, w, null, null, null));
        add(
                options,
                "transfer",
                s.transfer(),
                List.of("ladle", "pour", "tap"),
                w -> kept(a, null, null, w, null, null));
        add(options, "press", s.press(), List.of("false", "true"), w -> kept(a, null, null, null, w, null));
        add(
                options,
                "herbs",
                s.herbs(),
                List.of("fresh", "dried-half-weight", "dried-third-volume"),
                w -> kept(a, null, null, null, null, w));
        return options;
    }

    private static void add(
            List<Option> options,
            String school,
            Object standing,
            List<String> words,
            Function<String, SchoolsJson> choose) {
        if (standing != null) {
            words.forEach(word -> options.add(new Option(school, word, choose.apply(word), standing.toString())));
        }
    }

    private static SchoolsJson with(
            SchoolsJson a, String blanch, String tomato, String vegetables, String roast, String density) {
        return new SchoolsJson(
                density == null ? a.water() : null,
                blanch == null ? a.blanch() : Boolean.valueOf(blanch),
                or(tomato, a.tomato()),
                or(vegetables, a.vegetables()),
                or(roast, a.roast()),
                a.simmerMin(),
                a.cover(),
                a.transfer(),
                a.press(),
                or(density, a.density()),
                a.herbs(),
                a.topUp());
    }

    private static SchoolsJson kept(
            SchoolsJson a, String cover, String topUp, String transfer, String press, String herbs) {
        return new SchoolsJson(
                a.water(),
                a.blanch(),
                a.tomato(),
                a.vegetables(),
                a.roast(),
                a.simmerMin(),
                or(cover, a.cover()),
                or(transfer, a.transfer()),
                press == null ? a.press() : Boolean.valueOf(press),
                a.density(),
                or(herbs, a.herbs()),
                or(topUp, a.topUp()));
    }

    private static String or(String chosen, String asked) {
        return chosen == null ? asked : chosen;
    }
}
