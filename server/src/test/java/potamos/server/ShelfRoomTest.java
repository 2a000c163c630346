package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** How much the cold store of a kitchen takes, and what a course makes of it. */
@ExtendWith(TestKitchen.class)
class ShelfRoomTest {

    private static final String TOKEN = "potamos_demo_kestrel-lodge";

    private final CourseKitchen house = new CourseKitchen();
    private final Visitor chef = house.chef;

    private void storeOf(double litres) {
        Visitor.Answer made = chef.post("/api/kitchen/chillers", """
                {"name": "Walk-in", "kind": "COLD_STORE", "litres": %s, "airC": 3, "iceKg": 0, "iceKgPerH": 0}
                """.formatted(litres));
        assertThat(made.status()).as("%s", made.body()).isIn(200, 201, 204);
    }

    private double leastRoom() {
        return chef.get("/api/course?days=3")
                .at("/room")
                .valueStream()
                .mapToDouble(room -> room.path("litres").asDouble())
                .min()
                .orElseThrow();
    }

    /** Made at once they would stand there together: what is for the second comes when the first is fetched. Where nobody has told of a store, as soon as both. */
    @Test
    void whatTheStoreDoesNotTakeAtOnceComesWhenTheFirstIsFetched() {
        house.call(6, Duration.ofHours(30));
        String soup = house.call(7, Duration.ofHours(44));
        Visitor.Answer boundless = chef.get("/api/course?days=3");
        assertThat(boundless.at("/room")).isEmpty();
        Instant first = Instant.parse(boundless.at("/calls/0/by").asString());
        assertThat(readyFor(boundless, soup)).isBefore(first);
        storeOf(10);
        Visitor.Answer bounded = chef.get("/api/course?days=3");
        assertThat(bounded.at("/broken")).isEmpty();
        assertThat(bounded.at("/room/0/litres").asDouble()).isCloseTo(10, within(1e-9));
        assertThat(readyFor(bounded, soup)).isAfterOrEqualTo(first);
        for (JsonNode call : bounded.at("/calls")) {
            assertThat(call.path("missing").asDouble()).isZero();
            assertThat(call.path("lateMin").asLong()).isZero();
        }
    }

    private static Instant readyFor(Visitor.Answer course, String call) {
        return course.at("/drafts")
                .valueStream()
                .filter(draft ->
                        draft.path("gives").findValuesAsString("callId").contains(call))
                .map(draft -> Instant.parse(draft.path("ready").asString()))
                .findFirst()
                .orElseThrow();
    }

    /** An accepted batch keeps its litres' place from when it is ready until they are fetched. */
    @Test
    void whatIsPromisedOfABatchUnderWayTakesItsRoom() {
        storeOf(10);
        String sauce = house.call(6, Duration.ofHours(30));
        JsonNode draft = CourseKitchen.draftFor(chef.get("/api/course?days=3"), sauce);
        assertThat(leastRoom()).isCloseTo(10, within(1e-9));
        Visitor.Answer accepted = chef.post(
                "/api/course/accept?days=3",
                "{\"batches\": [%s]}"
                        .formatted(CourseKitchen.taken(draft, UUID.randomUUID().toString())));
        assertThat(accepted.status()).as("%s", accepted.body()).isEqualTo(200);
        assertThat(leastRoom()).isCloseTo(4, within(0.01));
        JsonNode taken = chef.get("/api/course?days=3").at("/room/1");
        assertThat(Duration.between(
                                Instant.parse(draft.path("ready").asString()),
                                Instant.parse(taken.path("at").asString()))
                        .abs())
                .isLessThan(Duration.ofMinutes(10));
    }

    /** Held so by a cook it is told, and what is held stays where it is. */
    @Test
    void whatIsHeldBeyondItIsTold() {
        String sauce = house.call(12, Duration.ofHours(30));
        JsonNode draft = CourseKitchen.draftFor(chef.get("/api/course?days=3"), sauce);
        storeOf(10);
        Visitor.Answer held = house.held(
                chef, draft, "mine", 0, 12, Instant.parse(draft.path("start").asString()));
        assertThat(held.at("/broken/0/rule").asString()).isEqualTo("SHELF_ROOM");
        assertThat(held.at("/broken/0/draftIds/0").asString()).isEqualTo("mine");
        assertThat(held.at("/broken/0/thing").asString()).isEqualTo("cold shelf");
    }

    /** Another program tells of its store as of its other chillers. */
    @Test
    void aProgramTellsHowMuchItsStoreTakes() {
        String asked = """
                {"now": "2026-03-02T06:00:00Z", "untilDays": 4, "seconds": 1,
                 "kitchen": {"vessels": [{"name": "pot", "shape": "cylinder", "diameterCm": 40, "heightCm": 40}],
                   "burners": [{"name": "big", "kw": 12}], "ovens": [], "chillers": [{"kind": "ice-bath", "iceKg": 80, "iceKgPerH": 20} %s],
                   "containers": [{"name": "bain", "count": 8, "shape": "cylinder", "diameterCm": 24, "heightCm": 25}],
                   "unattended": "allowed", "profile": "us-food-code"},
                 "calls": [{"id": "a", "station": "Sauce", "formula": "white-chicken", "litres": 6, "by": "2026-03-03T12:00:00Z", "weight": 1, "without": []},
                           {"id": "b", "station": "Soup", "formula": "white-chicken", "litres": 7, "by": "2026-03-03T21:00:00Z", "weight": 1, "without": []}]}
                """;
        Visitor.Answer any = Visitor.program(TOKEN, "/api/calc/course", asked.formatted(""));
        assertThat(any.at("/batches")).as("%s", any.body()).hasSize(1);
        Visitor.Answer small = Visitor.program(
                TOKEN, "/api/calc/course", asked.formatted(", {\"kind\": \"cold-store\", \"litres\": 10}"));
        assertThat(small.at("/batches")).as("%s", small.body()).hasSize(2);
        assertThat(small.at("/unmet")).isEmpty();
    }
}
