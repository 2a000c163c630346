package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import potamos.core.charge.Charge;
import potamos.core.figure.Figures;
import potamos.core.flow.Ledger;
import potamos.core.formula.Formula;
import potamos.core.formula.School;
import potamos.core.formula.Schools;
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
     * @param why     where the litres of the difference go, or come from
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
            Optional<String> refusal,
            @NotNull List<DeltaView> why) {}

    /** So many litres more, or less, by one cause. */
    record DeltaView(@NotNull Ledger.Cause term, double litres) {
        private static final double LEAST_L = 0.05;

        static List<DeltaView> between(Ledger now, Ledger then) {
            return Stream.of(Ledger.Cause.values())
                    .map(cause -> new DeltaView(
                            cause, then.of(cause).litres() - now.of(cause).litres()))
                    .filter(delta -> Math.abs(delta.litres) >= LEAST_L)
                    .toList();
        }
    }

    /** A charge and how long it takes until it can be cooled. */
    record Timed(Charge charge, double minutes) {}

    private Effects() {}

    private record Option(School<?> school, Object word) {
        EffectView view(boolean chosen, Optional<String> refusal) {
            return new EffectView(
                    school.name(), word.toString(), chosen, 0, 0, 0, Optional.empty(), 0, 0, refusal, List.of());
        }
    }

    /**
     * The effects of all options.
     *
     * @param base     the formula as written
     * @param standing schools as they stand
     * @param asked    the choices made so far
     * @param now      the charge as it stands
     * @param solve    the charge with other choices
     */
    static List<EffectView> of(
            Formula base, Figures standing, SchoolsJson asked, Timed now, Function<SchoolsJson, Timed> solve) {
        List<EffectView> effects = new ArrayList<>();
        for (School<?> school : Schools.ALL) {
            if (school.means(base)) {
                Object stands = standing.byName().get(school.name());
                for (Object word : school.options()) {
                    Option option = new Option(school, word);
                    effects.add(
                            word.equals(stands)
                                    ? option.view(true, Optional.empty())
                                    : other(option, now, () -> solve.apply(SchoolsJson.choosing(asked, school, word))));
                }
            }
        }
        return effects;
    }

    private static EffectView other(Option option, Timed now, Supplier<Timed> solve) {
        try {
            Timed then = solve.get();
            Charge a = now.charge();
            Charge b = then.charge();
            return new EffectView(
                    option.school().name(),
                    option.word().toString(),
                    false,
                    b.forecast().yield().mid() - a.forecast().yield().mid(),
                    b.run().raw().kg() - a.run().raw().kg(),
                    b.forecast().gelatinGPerL() - a.forecast().gelatinGPerL(),
                    Optional.of(b.forecast().body()),
                    b.character().clarity().index() - a.character().clarity().index(),
                    then.minutes() - now.minutes(),
                    Optional.empty(),
                    DeltaView.between(a.forecast().ledger(), b.forecast().ledger()));
        } catch (Refusal refusal) {
            return option.view(false, Optional.of(refusal.getMessage()));
        }
    }
}
