package potamos.core.safety;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * The limits that a kitchen works to. Its own copy of a published profile; a verdict quotes the one it used.
 *
 * @param id            stable name in data
 * @param name          name for people
 * @param source        where it was published
 * @param stages        of cooling, in order
 * @param hotHold       stock kept hot stays at or above this
 * @param coldStore     stock kept cold stays at or below this
 * @param reheat        temperature of a reheat that restarts the clock
 * @param reheatWithin  how long the reheat may take
 * @param beginWithin   cooling begins so soon after the end of the heat; empty where nothing is said of that
 * @param coldDays      most days in the cold
 * @param dayOfMaking   0 when the day of making does not count, 1 when it does
 */
public record LimitProfile(
        String id,
        String name,
        String source,
        List<Stage> stages,
        Temperature hotHold,
        Temperature coldStore,
        Temperature reheat,
        Duration reheatWithin,
        Optional<Duration> beginWithin,
        int coldDays,
        int dayOfMaking) {

    private static final int MOST_DAYS = 7;

    /** In all, the day of making and the day of eating counted in. */
    private static final int COOK_CHILL_DAYS = 5;

    private static final int MADE_ON_DAY_ONE = 1;

    private static final Duration COOK_CHILL_BEGINS = Duration.ofMinutes(30);

    /** Begins the id of a profile that a kitchen has changed; its version follows. */
    private static final String OWN = "own-";

    public LimitProfile {
        stages = List.copyOf(stages);
        if (stages.isEmpty()) {
            throw Refusal.of("stages", "a limit profile has at least one stage of cooling");
        }
        Refusal.unlessWithin("coldDays", coldDays, 1, 14, "days");
    }

    /**
     * From one temperature down to another within a time. The clock starts when the stock passes {@code from} downwards.
     */
    public record Stage(Temperature from, Temperature to, Duration within) {
        public Stage {
            if (from.compareTo(to) <= 0) {
                throw Refusal.of("stages", "a stage of cooling runs downwards");
            }
        }
    }

    /**
     * The profile that a kitchen works to from now on. One that is as published keeps its name; one that the kitchen has changed never goes under a
     * published name, for a verdict must not quote what nobody has published: it has the name that the kitchen gave it, or one that says whose it is.
     *
     * @param kitchen its name
     * @param before  the profile so far
     */
    public LimitProfile asOf(String kitchen, LimitProfile before) {
        Optional<LimitProfile> namesake = shipped().stream()
                .filter(published -> published.name().equals(name))
                .findFirst();
        if (namesake.filter(this::saysTheSame).isPresent()) {
            return namesake.get();
        }
        boolean stillOwn = before.id().startsWith(OWN);
        if (stillOwn
                && before.saysTheSame(this)
                && before.name().equals(name)
                && before.source().equals(source)) {
            return before;
        }
        int version = stillOwn ? Integer.parseInt(before.id().substring(OWN.length())) + 1 : 1;
        String own = kitchen + ", own limits, version ";
        boolean named = namesake.isEmpty() && !name.startsWith(own);
        String changedFrom = shipped().stream()
                .filter(published -> published.source().equals(source))
                .findFirst()
                .map(published -> "changed from " + published.name() + " (" + published.source() + ")")
                .orElse(source);
        return new LimitProfile(
                OWN + version,
                named ? name : own + version,
                changedFrom,
                stages,
                hotHold,
                coldStore,
                reheat,
                reheatWithin,
                beginWithin,
                coldDays,
                dayOfMaking);
    }

    /**
     * A published profile as it ships today, for whoever has it as it shipped before: the day of making was not told apart (seven days after it,
     * everywhere), and nothing said when cooling begins.
     *
     * @return this where it is another, or was changed
     */
    public LimitProfile asShippedToday() {
        return shipped().stream()
                .filter(today -> today.id().equals(id)
                        && (today.withDays(MOST_DAYS, 0)
                                        .beginningWithin(Optional.empty())
                                        .saysTheSame(this)
                                || today.beginningWithin(Optional.empty()).saysTheSame(this)))
                .findFirst()
                .orElse(this);
    }

    private LimitProfile withDays(int days, int made) {
        return new LimitProfile(
                id, name, source, stages, hotHold, coldStore, reheat, reheatWithin, beginWithin, days, made);
    }

    private boolean saysTheSame(LimitProfile other) {
        return stages.equals(other.stages)
                && hotHold.equals(other.hotHold)
                && coldStore.equals(other.coldStore)
                && reheat.equals(other.reheat)
                && reheatWithin.equals(other.reheatWithin)
                && beginWithin.equals(other.beginWithin)
                && coldDays == other.coldDays
                && dayOfMaking == other.dayOfMaking;
    }

    /** Where cooling ends. */
    public Temperature coldest() {
        return stages.stream().map(Stage::to).min(Temperature::compareTo).orElseThrow();
    }

    /** The profiles that ship. Examples of published limits; a kitchen's own plan decides. */
    public static List<LimitProfile> shipped() {
        return List.of(
                profile(
                        "us-food-code",
                        "US model food code",
                        "Food Code 3-501.14",
                        57,
                        5,
                        74,
                        List.of(stage(57, 21, 120), stage(57, 5, 360)),
                        120,
                        MOST_DAYS,
                        MADE_ON_DAY_ONE),
                profile(
                        "au-nz-3-2-2",
                        "Australia and New Zealand",
                        "Standard 3.2.2",
                        60,
                        5,
                        60,
                        List.of(stage(60, 21, 120), stage(21, 5, 240)),
                        60,
                        MOST_DAYS,
                        0),
                profile(
                        "ca-retail",
                        "Canada",
                        "Retail and food services code",
                        60,
                        4,
                        74,
                        List.of(stage(60, 20, 120), stage(20, 4, 240)),
                        120,
                        MOST_DAYS,
                        0),
                profile(
                        "fr-2009",
                        "France",
                        "Order of 21 December 2009",
                        63,
                        3,
                        63,
                        List.of(stage(63, 10, 120)),
                        60,
                        MOST_DAYS,
                        0),
                profile(
                                "uk-cook-chill",
                                "UK cook-chill practice",
                                "Guidance on cook-chill",
                                63,
                                5,
                                75,
                                List.of(stage(70, 3, 90)),
                                60,
                                COOK_CHILL_DAYS,
                                MADE_ON_DAY_ONE)
                        .beginningWithin(Optional.of(COOK_CHILL_BEGINS)));
    }

    private static LimitProfile profile(
            String id,
            String name,
            String source,
            double hot,
            double cold,
            double reheat,
            List<Stage> stages,
            int minutes,
            int coldDays,
            int dayOfMaking) {
        return new LimitProfile(
                id,
                name,
                source,
                stages,
                Temperature.ofCelsius(hot),
                Temperature.ofCelsius(cold),
                Temperature.ofCelsius(reheat),
                Duration.ofMinutes(minutes),
                Optional.empty(),
                coldDays,
                dayOfMaking);
    }

    /** The same with another time in which cooling has to begin. */
    public LimitProfile beginningWithin(Optional<Duration> within) {
        return new LimitProfile(
                id, name, source, stages, hotHold, coldStore, reheat, reheatWithin, within, coldDays, dayOfMaking);
    }

    private static Stage stage(double from, double to, int minutes) {
        return new Stage(Temperature.ofCelsius(from), Temperature.ofCelsius(to), Duration.ofMinutes(minutes));
    }
}
