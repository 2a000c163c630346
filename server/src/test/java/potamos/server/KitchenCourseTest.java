package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The course of a kitchen of its own: its calls, its pots, and what is under way in them. */
@ExtendWith(TestKitchen.class)
class KitchenCourseTest {

    private final Visitor chef = TestKitchen.chefOfAKitchenThatNeverCloses();
    private final String station = station();

    private String station() {
        TestKitchen.freshPot(chef);
        chef.post("/api/kitchen/stations", "{\"name\": \"Sauce\"}");
        return chef.get("/api/calls/menu").at("/stations/0/id").asString();
    }

    private String call(double litres, Duration ahead) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer asked = chef.post("/api/calls", """
                {"id": "%s", "stationId": "%s", "formula": "white-chicken", "litres": %s, "readyBy": "%s", "without": [],
                 "note": ""}
                """.formatted(id, station, litres, now().plus(ahead)));
        assertThat(asked.status()).as("%s", asked.body()).isIn(200, 201, 204);
        return id;
    }

    private static Instant now() {
        return TestBatch.now();
    }

    private Visitor.Answer accepted(JsonNode draft, String callId, Instant by) {
        return chef.post("/api/batches", """
                {"id": "%s", "callId": "%s", "charge": {"formula": "%s", "vesselId": "%s", "burnerId": "%s",
                 "goal": "LITRES", "value": %s, "readyBy": "%s", "startAt": "%s"}}
                """.formatted(
                        UUID.randomUUID(),
                        callId,
                        draft.path("formula").asString(),
                        draft.path("vesselId").asString(),
                        draft.path("burnerId").asString(),
                        draft.path("litres").asDouble(),
                        by,
                        draft.path("start").asString()));
    }

    /** Three days' calls in one pot: each is laid at its time, and what is accepted is no longer open. */
    @Test
    void aPotThatIsUsedTodayIsPlannedForTomorrowToo() {
        String today = call(6, Duration.ofHours(12));
        call(8, Duration.ofHours(40));
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.status()).as("%s", course.body()).isEqualTo(200);
        assertThat(course.at("/drafts").size()).isEqualTo(2);
        assertThat(course.at("/howMuchLateL").asDouble()).isZero();
        assertThat(course.at("/drafts/0/vesselId").asString())
                .isEqualTo(course.at("/drafts/1/vesselId").asString());
        JsonNode first = draftFor(course, today);
        assertThat(accepted(first, today, now().plus(Duration.ofHours(12))).status())
                .isEqualTo(201);
        Visitor.Answer after = chef.get("/api/course?days=3");
        assertThat(after.at("/calls").size()).isEqualTo(1);
        assertThat(after.at("/drafts").size()).isEqualTo(1);
        assertThat(after.at("/running/0/litres").asDouble()).isCloseTo(6, within(0.2));
        assertThat(after.at("/drafts/0/gives/0/litres").asDouble()).isEqualTo(8);
    }

    private static JsonNode draftFor(Visitor.Answer course, String call) {
        return course.at("/drafts")
                .valueStream()
                .filter(draft -> draft.at("/gives/0/callId").asString().equals(call))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatABatchGivesBeyondItsCallMeetsAnother() {
        String small = call(3, Duration.ofHours(14));
        Visitor.Answer course = chef.get("/api/course");
        JsonNode draft = course.at("/drafts/0");
        chef.post("/api/batches", """
                {"id": "%s", "callId": "%s", "charge": {"formula": "white-chicken", "vesselId": "%s", "goal": "LITRES",
                 "value": 9, "readyBy": "%s"}}
                """.formatted(
                        UUID.randomUUID(), small, draft.path("vesselId").asString(), now().plus(Duration.ofHours(14))));
        call(5, Duration.ofHours(30));
        Visitor.Answer met = chef.get("/api/course");
        assertThat(met.at("/drafts")).isEmpty();
        assertThat(met.at("/lots/0/litres").asDouble()).isCloseTo(6, within(0.3));
        assertThat(met.at("/lots/0/gives/0/litres").asDouble()).isEqualTo(5);
    }

    @Test
    void itLooksOneToFourteenDaysAheadAndNobodySeesAnotherKitchens() {
        assertThat(chef.get("/api/course?days=0").reason("days")).isNotEmpty();
        assertThat(chef.get("/api/course?days=15").reason("days")).isNotEmpty();
        call(6, Duration.ofHours(12));
        Visitor other = TestKitchen.chefOfAnotherKitchen();
        assertThat(other.get("/api/course").at("/calls")).isEmpty();
    }

    /** A name is kept without the blanks around it, and a thing is known by its name. */
    @Test
    void aPotWhoseNameWasTypedWithBlanksIsTakenLikeAnyOther() {
        Visitor house = TestKitchen.chefOfAKitchenThatNeverCloses();
        house.post("/api/kitchen/burners", "{\"name\": \" Ring \", \"ratedKw\": 9, \"efficiency\": 0.5}");
        house.post("/api/kitchen/vessels", """
                {"name": " Pot ", "shape": "cylinder", "diameterCm": 40, "heightCm": 45}
                """);
        String pot = house.get("/api/kitchen").at("/vessels/0/id").asString();
        Visitor.Answer first = house.post("/api/charges", TestBatch.charge(pot, 8, ""));
        String start = first.at("/plan/startAt").asString();
        assertThat(house.post(
                                "/api/batches",
                                TestBatch.acceptanceAt(UUID.randomUUID().toString(), pot, start))
                        .status())
                .isEqualTo(201);
        assertThat(house.post(
                                "/api/batches",
                                TestBatch.acceptanceAt(UUID.randomUUID().toString(), pot, start))
                        .status())
                .isEqualTo(409);
    }
}
