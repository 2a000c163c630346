package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.batch.Amendment;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.EventKind;
import potamos.core.batch.Fact;
import potamos.core.batch.Plan;
import potamos.core.batch.ShelfEvent;
import potamos.core.batch.Stage;
import potamos.core.figure.Figure;
import potamos.core.safety.Kept;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What was stored once is read for ever, and stored again as it was: a golden file of every kind of entry, and of plans as each version wrote them. They
 * are only ever added to.
 */
class StoredTest {

    private static final Path GOLDEN = PrivateDatabase.root().resolve("server/src/test/golden");
    private static final JsonMapper TREE = JsonMapper.builder().build();
    private static final Instant ENTERED = Instant.parse("2026-03-03T09:00:00Z");

    private final Json json = new Json();

    static List<Path> plans() throws IOException {
        try (Stream<Path> files = Files.list(GOLDEN.resolve("plans"))) {
            return files.sorted().toList();
        }
    }

    static List<EventKind<?>> kinds() {
        return EventKind.all();
    }

    private static String entry(String kind) throws IOException {
        Path golden = GOLDEN.resolve("entries").resolve(kind + ".json");
        assertThat(golden).as("a kind of entry that is new needs a golden file").exists();
        return Files.readString(golden);
    }

    private BatchEvent storedAgain(String golden) {
        BatchEvent entry = json.event(golden, ENTERED);
        assertThat(TREE.readTree(json.write(BatchEvent.class, entry))).isEqualTo(TREE.readTree(golden));
        assertThat(entry.stamp().entered()).isEqualTo(ENTERED);
        return entry;
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aFactIsReadAndStoredAsItAlwaysWas(EventKind<?> kind) throws IOException {
        Fact fact = (Fact) storedAgain(entry(kind.name()));
        assertThat(fact.kind()).isEqualTo(kind);
        assertThat(fact.figures().byName())
                .containsOnlyKeys(kind.figures().stream().map(Figure::name).toList());
    }

    /** What an earlier version stored says today what it meant then. */
    @ParameterizedTest
    @ValueSource(strings = {"temperature-read", "cooling-read"})
    void aReadingFromBeforeProbesWasAHands(String kind) throws IOException {
        Path golden = GOLDEN.resolve("earlier").resolve(kind + "-before-probes.json");
        Fact fact = (Fact) json.event(Files.readString(golden), ENTERED);
        assertThat(fact.kind().name()).isEqualTo(kind);
        assertThat(fact.figures().byName()).containsEntry("byProbe", false).containsKey("celsius");
    }

    /** What was put away before there were several lots was one, cold; whatever left it left that. */
    @ParameterizedTest
    @ValueSource(strings = {"stored", "delivered", "discarded"})
    void whatWasPutAwayBeforeThereWereLotsIsOne(String kind) throws IOException {
        Path golden = GOLDEN.resolve("earlier").resolve(kind + "-before-lots.json");
        Fact fact = (Fact) json.event(Files.readString(golden), ENTERED);
        if (fact instanceof ShelfEvent.Stored stored) {
            assertThat(stored.kept()).isEqualTo(Kept.COLD);
            assertThat(stored.count()).isEqualTo(1);
        } else {
            assertThat(fact.figures().byName()).doesNotContainKey("lotId");
        }
    }

    @Test
    void whatWasPutAwayBeforeThereWereCubesIsInOnePiece() throws IOException {
        Path golden = GOLDEN.resolve("earlier").resolve("stored-before-cubes.json");
        ShelfEvent.Stored stored = (ShelfEvent.Stored) json.event(Files.readString(golden), ENTERED);
        assertThat(stored.cubes()).isZero();
        assertThat(stored.count()).isEqualTo(2);
    }

    @Test
    void whatWasTakenBeforeAnythingWasLeftOverWasDelivered() throws IOException {
        Path golden = GOLDEN.resolve("earlier").resolve("took-before-leftovers.json");
        ChoreEvent.Took took = (ChoreEvent.Took) json.event(Files.readString(golden), ENTERED);
        assertThat(took.contents()).isEmpty();
        assertThat(took.mass().kg()).isEqualTo(6.2);
    }

    @Test
    void whatWasHandedOutBeforeSlipsHadATemperatureHasNone() throws IOException {
        Path golden = GOLDEN.resolve("earlier").resolve("delivered-before-thermometers.json");
        ShelfEvent.Delivered delivered = (ShelfEvent.Delivered) json.event(Files.readString(golden), ENTERED);
        assertThat(delivered.temperature()).isEmpty();
        assertThat(delivered.lot()).isNotEmpty();
    }

    @Test
    void aCorrectionIsReadWithWhatItPutsInThePlaceOfTheFirst() throws IOException {
        Amendment.Corrected corrected = (Amendment.Corrected) storedAgain(entry("corrected"));
        assertThat(corrected.replacement().figures().byName()).containsEntry("litres", 0.75);
        assertThat(corrected.replacement().stamp().entered()).isEqualTo(ENTERED);
        assertThat(corrected.reason()).isEqualTo("misread");
    }

    @Test
    void aWithdrawalIsReadWithItsReason() throws IOException {
        assertThat(((Amendment.Withdrawn) storedAgain(entry("withdrawn"))).reason())
                .isEqualTo("was another pot");
    }

    @ParameterizedTest
    @MethodSource("plans")
    void aPlanOfAnyVersionIsReadAndRuns(Path golden) throws IOException {
        Plan plan = json.read(Files.readString(golden), Plan.class);
        assertThat(json.read(json.write(plan), Plan.class)).isEqualTo(plan);
        assertThat(plan.into()).isNotEmpty();
        assertThat(plan.charge().forecast().spread().bringUpMin().mid()).isPositive();
        assertThat(Batch.replay(plan, List.of(), plan.accepted()).stage()).isEqualTo(Stage.WEIGH_IN);
    }

    @Test
    void todaysPlanIsStoredAsItWas() throws IOException {
        List<Path> all = plans();
        String golden = Files.readString(all.get(all.size() - 1));
        JsonNode written = TREE.readTree(json.write(json.read(golden, Plan.class)));
        assertThat(written).isEqualTo(TREE.readTree(golden));
    }

    @Test
    void everyMemberOfAFamilyHasANameOfItsOwn() {
        for (Class<?> family : Json.FAMILIES) {
            List<Class<?>> members = Json.members(family).toList();
            assertThat(members.stream().map(StoredNames::of).distinct())
                    .as(family.getSimpleName())
                    .hasSameSizeAs(members);
        }
    }
}
