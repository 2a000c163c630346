package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.quantity.Temperature;

/** What a solver is told of the things of a kitchen: how many there are, and what is taken of them already. */
class PuzzleThingsTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final String BAIN = "10 L bain";
    private static final long HOUR = 3600;

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(2));

    private PuzzleThings things(Use... standing) {
        return new PuzzleThings(
                Weeks.taken(Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(2)), List.of(), List.of()), standing));
    }

    private static Use use(Use.Kind kind, String name, int from, int to, int amount, Optional<Temperature> heat) {
        return new Use(kind, name, NOW.plus(Duration.ofHours(from)), NOW.plus(Duration.ofHours(to)), amount, heat);
    }

    private static Use bains(int from, int to, int amount) {
        return use(Use.Kind.CONTAINER, BAIN, from, to, amount, Optional.empty());
    }

    private static Footprint.Thing thing(Use.Kind kind, List<String> names, int amount, Optional<Temperature> heat) {
        return new Footprint.Thing(kind, names, 0, HOUR, amount, heat);
    }

    private static Footprint.Thing bains(int amount) {
        return thing(Use.Kind.CONTAINER, List.of(BAIN), amount, Optional.empty());
    }

    @Test
    void whatIsCountedIsToldWithWhatStandsOfItAndOnceOnly() {
        PuzzleThings things = things(bains(1, 3, 5), use(Use.Kind.CONTAINER, "tub", 1, 3, 2, Optional.empty()));
        assertThat(things.of(bains(3))).isEqualTo(new Puzzle.Thing(0, 0, HOUR, 3, 0));
        assertThat(things.of(bains(4))).isEqualTo(new Puzzle.Thing(0, 0, HOUR, 4, 0));
        assertThat(things.resources())
                .containsExactly(new Puzzle.Resource(16, List.of(new Puzzle.Thing(0, HOUR, 3 * HOUR, 5, 0))));
    }

    /** Two cooks hold ten of sixteen each for an hour: that is all of them, and no more. */
    @Test
    void moreThanThereIsIsAllThatThereIs() {
        PuzzleThings things = things(bains(1, 3, 10), bains(2, 4, 10), bains(5, 6, 1));
        things.of(bains(1));
        assertThat(things.resources().get(0).taken())
                .containsExactly(
                        new Puzzle.Thing(0, HOUR, 2 * HOUR, 10, 0),
                        new Puzzle.Thing(0, 2 * HOUR, 3 * HOUR, 16, 0),
                        new Puzzle.Thing(0, 3 * HOUR, 4 * HOUR, 10, 0),
                        new Puzzle.Thing(0, 5 * HOUR, 6 * HOUR, 1, 0));
    }

    /** Of the east oven six trays: some at a heat, all where it is taken as a whole. */
    @Test
    void anOvensTraysAreTakenAtTheirHeat() {
        Temperature hot = Temperature.ofCelsius(190.04);
        PuzzleThings things = things(
                use(Use.Kind.OVEN, "east", 1, 2, 4, Optional.of(hot)),
                use(Use.Kind.OVEN, "east", 3, 4, 1, Optional.empty()));
        assertThat(things.of(thing(Use.Kind.OVEN, List.of("east"), 2, Optional.of(hot))))
                .isEqualTo(new Puzzle.Thing(0, 0, HOUR, 2, 1900));
        assertThat(things.of(thing(Use.Kind.OVEN, List.of("east"), 1, Optional.empty())))
                .isEqualTo(new Puzzle.Thing(0, 0, HOUR, 6, 0));
        assertThat(things.resources())
                .containsExactly(new Puzzle.Resource(
                        6,
                        List.of(
                                new Puzzle.Thing(0, HOUR, 2 * HOUR, 4, 1900),
                                new Puzzle.Thing(0, 3 * HOUR, 4 * HOUR, 6, 0))));
    }

    /** One vessel is in the starts of its batches; of burners that are as good as each other any one will do. */
    @Test
    void ofOneNothingIsCountedAndOfSeveralAsGoodAsEachOtherAllAre() {
        PuzzleThings things = things(
                use(Use.Kind.VESSEL, "pot 0", 1, 3, 1, Optional.empty()),
                use(Use.Kind.BURNER, "burner 0", 1, 3, 1, Optional.empty()),
                use(Use.Kind.BURNER, "burner 2", 1, 3, 1, Optional.empty()));
        things.of(thing(Use.Kind.VESSEL, List.of("pot 0"), 1, Optional.empty()));
        things.of(thing(Use.Kind.BURNER, List.of("burner 0", "burner 1"), 1, Optional.empty()));
        assertThat(things.resources())
                .containsExactly(
                        new Puzzle.Resource(1, List.of()),
                        new Puzzle.Resource(2, List.of(new Puzzle.Thing(1, HOUR, 3 * HOUR, 1, 0))));
    }
}
