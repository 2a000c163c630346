package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What a plan is cooled in is free or not at its hour: containers, ice, and a blast chiller. */
@ExtendWith(TestKitchen.class)
class ColdTimesTest {

    private static final double LITRES = 12;

    private Visitor chef;

    @BeforeEach
    void aKitchenThatNeverCloses() {
        chef = TestKitchen.chefOfAKitchenThatNeverCloses();
        TestKitchen.freshPot(chef);
        TestKitchen.freshPot(chef);
    }

    private void made(String kind, String fields) {
        Visitor.Answer answer = chef.post("/api/kitchen/" + kind, "{" + fields + "}");
        assertThat(answer.status()).as("%s", answer.body()).isBetween(200, 204);
    }

    private void chiller(String name, String kind, double litres, double iceKg) {
        made(
                "chillers",
                "\"name\": \"%s\", \"kind\": \"%s\", \"litres\": %s, \"airC\": %s, \"iceKg\": %s, \"iceKgPerH\": 0"
                        .formatted(name, kind, litres, kind.equals("BLAST") ? -10 : 1, iceKg));
    }

    /** A chiller is slow beside ice water: what is to be cold in ninety minutes stands shallow in it. */
    private void shallowPans() {
        made(
                "containers",
                "\"name\": \"Pan\", \"shape\": \"pan\", \"lengthCm\": 53, \"breadthCm\": 32.5, \"heightCm\": 6.5,"
                        + " \"material\": \"STEEL\", \"wallMm\": 1, \"holdsL\": 8, \"owned\": 12");
    }

    /** Of the eight bains that such a kitchen has, all but so many are put away. */
    private void onlyBains(int owned) {
        JsonNode bain = chef.get("/api/kitchen").at("/containers/0");
        Visitor.Answer answer =
                chef.put("/api/kitchen/containers/" + bain.path("id").asString(), """
                {"name": "Bain", "shape": "cylinder", "diameterCm": 24, "heightCm": 25, "material": "STEEL", "wallMm": 1,
                 "holdsL": 10, "owned": %d}
                """.formatted(owned));
        assertThat(answer.status()).as("%s", answer.body()).isBetween(200, 204);
    }

    private static String charge(Instant readyBy) {
        return "{\"formula\": \"white-chicken\", \"goal\": \"LITRES\", \"value\": %s, \"readyBy\": \"%s\"}"
                .formatted(LITRES, readyBy);
    }

    private JsonNode planned(Instant readyBy) {
        Visitor.Answer answer = chef.post("/api/charges", charge(readyBy));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode accepted(Instant readyBy) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer answer = chef.post(
                "/api/batches", "{\"id\": \"%s\", \"callId\": null, \"charge\": %s}".formatted(id, charge(readyBy)));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
        return chef.get("/api/batches/" + id).body();
    }

    private static JsonNode cools(JsonNode charge) {
        return charge.at("/plan/steps")
                .valueStream()
                .filter(step -> step.path("stage").asString().equals("COOL"))
                .findFirst()
                .orElseThrow();
    }

    private static Instant coolsFrom(JsonNode charge) {
        return Instant.parse(cools(charge).path("from").asString());
    }

    private static Instant coolsTo(JsonNode charge) {
        return Instant.parse(cools(charge).path("to").asString());
    }

    private static Instant ready(JsonNode charge) {
        return Instant.parse(charge.at("/plan/readyAt").asString());
    }

    @Test
    void containersThatAreFilledTomorrowAreFreeToday() {
        onlyBains(2);
        Instant tomorrow = TestBatch.now().plus(Duration.ofHours(40));
        JsonNode before = planned(tomorrow);
        accepted(tomorrow);
        JsonNode today = planned(TestBatch.now().plus(Duration.ofHours(16)));
        assertThat(today.at("/cooling/enough").asBoolean()).isTrue();
        assertThat(today.at("/plan/inTime").asBoolean()).isTrue();
        assertThat(today.at("/plan/taken").isMissingNode()).isTrue();
        // At the same hour they are full: it is cold before they are filled, or after they are empty.
        JsonNode beside = planned(tomorrow);
        assertThat(beside.at("/plan/taken").isMissingNode()).isTrue();
        assertThat(ready(beside).isAfter(coolsFrom(before)) && coolsFrom(beside).isBefore(ready(before)))
                .isFalse();
    }

    @Test
    void whatThereIsNoIceForIsCooledInTheChillerAsFarAsItHasRoom() {
        shallowPans();
        chiller("Sink", "ICE_BATH", 120, 3);
        chiller("Cabinet", "BLAST", 20, 0);
        Instant by = TestBatch.now().plus(Duration.ofHours(40));
        JsonNode first = planned(by);
        assertThat(first.at("/cooling/chiller").asString()).isEqualTo("Cabinet");
        assertThat(first.at("/cooling/iceKg").asDouble()).isZero();
        assertThat(first.at("/cooling/iceShortKg").asDouble()).isZero();
        assertThat(first.at("/cooling/verdict").asString()).isNotEqualTo("FAIL");
        JsonNode batch = accepted(by);
        assertThat(batch.at("/coolingPlan/chiller").asString()).isEqualTo("Cabinet");
        JsonNode second = planned(by);
        assertThat(second.at("/cooling/chiller").asString()).isEqualTo("Cabinet");
        assertThat(coolsTo(second).isAfter(coolsFrom(first))
                        && coolsFrom(second).isBefore(coolsTo(first)))
                .as("twelve and twelve do not go into twenty")
                .isFalse();
    }

    @Test
    void aChillerThatIsOutOfOrderIsNotPlannedWith() {
        shallowPans();
        chiller("Cabinet", "BLAST", 20, 0);
        Instant by = TestBatch.now().plus(Duration.ofHours(40));
        assertThat(planned(by).at("/cooling/chiller").asString()).isEqualTo("Cabinet");
        String cabinet = chef.get("/api/kitchen").at("/chillers/0/id").asString();
        Instant until = TestBatch.now().plus(Duration.ofHours(60));
        Visitor.Answer told = chef.post("/api/kitchen/outages", """
                {"id": "%s", "kind": "CHILLER", "thingId": "%s", "until": "%s", "reason": "its fan"}
                """.formatted(UUID.randomUUID(), cabinet, until));
        assertThat(told.status()).as("%s", told.body()).isBetween(200, 204);
        JsonNode later = planned(by);
        assertThat(coolsFrom(later)).isAfterOrEqualTo(until);
        assertThat(later.at("/plan/inTime").asBoolean()).isFalse();
    }

    @Test
    void aCourseOfAnotherProgramNamesTheChillerThatItUses() {
        String asked = """
                {"now": "2026-03-02T06:00:00Z", "untilDays": 3, "seconds": 0,
                 "kitchen": {"altitudeM": 0, "tapC": 12, "zone": "UTC",
                   "vessels": [{"name": "Pot 24", "shape": "cylinder", "diameterCm": 32, "heightCm": 30}],
                   "burners": [{"name": "One", "kw": 9, "efficiency": 0.5}],
                   "ovens": [], "chillers": [%s],
                   "containers": [{"name": "bain", "count": 8, "shape": "cylinder", "diameterCm": 24, "heightCm": 25}],
                   "hours": [{"days": ["mon", "tue", "wed", "thu", "fri", "sat", "sun"], "from": "06:00", "to": "22:00",
                              "cooks": 1}], "unattended": "allowed", "profile": "us-food-code"},
                 "calls": [{"id": "a", "station": "Sauce", "formula": "white-chicken", "litres": 8,
                            "by": "2026-03-03T17:00:00Z", "weight": 1, "without": []}]}
                """;
        String token = "potamos_demo_kestrel-lodge";
        Visitor.Answer named = Visitor.program(
                token,
                "/api/calc/course",
                asked.formatted("{\"kind\": \"blast\", \"name\": \"Cabinet\", \"litres\": 20, \"airC\": -10}"));
        assertThat(named.status()).as("%s", named.body()).isEqualTo(200);
        assertThat(named.at("/unmet")).isEmpty();
        assertThat(named.at("/batches/0/stages").toString()).contains("Cabinet");
        for (List<String> wrong : List.of(
                List.of("litres", "{\"kind\": \"blast\", \"litres\": 0}"),
                List.of("airC", "{\"kind\": \"blast\", \"litres\": 20, \"airC\": 40}"),
                List.of("iceKg", "{\"kind\": \"ice-bath\", \"iceKg\": -1}"))) {
            Visitor.Answer refused = Visitor.program(token, "/api/calc/course", asked.formatted(wrong.get(1)));
            assertThat(refused.reason("kitchen.chillers[0]." + wrong.get(0)))
                    .as("%s", refused.body())
                    .isNotEmpty();
        }
        Visitor.Answer twice = Visitor.program(
                token, "/api/calc/course", asked.formatted("{\"kind\": \"blast\"}, {\"kind\": \"blast\"}"));
        assertThat(twice.reason("kitchen.chillers")).contains("twice");
    }
}
