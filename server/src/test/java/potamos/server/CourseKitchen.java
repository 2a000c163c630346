package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** A kitchen of its own with a pot, a station, and what is done with its course. */
final class CourseKitchen {

    final Visitor chef = TestKitchen.chefOfAKitchenThatNeverCloses();
    final String station = station();

    private String station() {
        TestKitchen.freshPot(chef);
        chef.post("/api/kitchen/stations", "{\"name\": \"Sauce\"}");
        return chef.get("/api/calls/menu").at("/stations/0/id").asString();
    }

    String call(double litres, Duration ahead) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer asked = chef.post("/api/calls", """
                {"id": "%s", "stationId": "%s", "formula": "white-chicken", "litres": %s, "readyBy": "%s", "without": [],
                 "note": ""}
                """.formatted(id, station, litres, now().plus(ahead)));
        assertThat(asked.status()).as("%s", asked.body()).isIn(200, 201, 204);
        return id;
    }

    static Instant now() {
        return TestBatch.now();
    }

    static JsonNode draftFor(Visitor.Answer course, String call) {
        return course.at("/drafts")
                .valueStream()
                .filter(draft -> draft.at("/gives/0/callId").asString().equals(call))
                .findFirst()
                .orElseThrow();
    }

    Visitor.Answer held(Visitor who, JsonNode draft, String id, int version, double litres, Instant start) {
        return who.put("/api/course/drafts/" + id + "?days=3", """
                {"version": %d, "formula": "%s", "litres": %s, "vesselId": "%s", "burnerId": "%s", "start": "%s"}
                """.formatted(
                        version,
                        draft.path("formula").asString(),
                        litres,
                        draft.path("vesselId").asString(),
                        draft.path("burnerId").asString(),
                        start));
    }

    static String taken(JsonNode draft, String id) {
        return """
                {"id": "%s", "draftId": "%s", "formula": "%s", "litres": %s, "vesselId": "%s", "burnerId": "%s",
                 "start": "%s", "ready": "%s", "gives": %s}
                """.formatted(
                        id,
                        draft.path("id").asString(),
                        draft.path("formula").asString(),
                        draft.path("litres").asDouble(),
                        draft.path("vesselId").asString(),
                        draft.path("burnerId").asString(),
                        draft.path("start").asString(),
                        draft.path("ready").asString(),
                        draft.path("gives"));
    }
}
