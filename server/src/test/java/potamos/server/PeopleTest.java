package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(TestKitchen.class)
class PeopleTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final String name = "new." + UUID.randomUUID().toString().substring(0, 8);

    private Visitor.Answer add(Visitor by, String role, String station) {
        return by.post("/api/kitchen/people", """
                {"signIn": "%s", "name": "Nia Okonkwo", "role": "%s", "stationId": %s, "password": "kestrel-%s"}
                """.formatted(name, role, station, name));
    }

    private List<String> signIns() {
        return StreamSupport.stream(cook.get("/api/kitchen/people").body().spliterator(), false)
                .map(p -> p.path("signIn").asString())
                .toList();
    }

    private String idOf(String signIn) {
        return StreamSupport.stream(cook.get("/api/kitchen/people").body().spliterator(), false)
                .filter(p -> p.path("signIn").asString().equals(signIn))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
    }

    @Test
    void somebodyNewSignsInWithTheRightsOfTheirRole() {
        assertThat(add(cook, "TRAINEE", "null").status()).isEqualTo(201);
        Visitor trainee = Visitor.signedIn(name);
        assertThat(trainee.get("/api/session").at("/person/initials").asString())
                .isEqualTo("NO");
        assertThat(trainee.get("/api/range").status()).isEqualTo(200);
        assertThat(add(trainee, "COOK", "null").status()).isEqualTo(403);
    }

    @Test
    void somebodyOfAStationHasOneAndNobodyElseDoes() {
        String station = cook.get("/api/kitchen").at("/stations/0/id").asString();
        assertThat(add(cook, "STATION", "null").reason("stationId")).isNotEmpty();
        assertThat(add(cook, "COOK", "\"" + station + "\"").reason("stationId")).isNotEmpty();
        assertThat(add(cook, "STATION", "\"" + UUID.randomUUID() + "\"").status())
                .isEqualTo(404);
        assertThat(signIns()).doesNotContain(name);
        assertThat(add(cook, "STATION", "\"" + station + "\"").status()).isEqualTo(201);
        assertThat(Visitor.signedIn(name).get("/api/calls").status()).isEqualTo(200);
    }

    @Test
    void aNameIsTakenOnceAndAPasswordIsNotShort() {
        assertThat(add(cook, "COOK", "null").status()).isEqualTo(201);
        assertThat(add(cook, "COOK", "null").status()).isEqualTo(409);
        Visitor.Answer shortOne = cook.post("/api/kitchen/people", """
                {"signIn": "other.%s", "name": "Nia", "role": "COOK", "password": "short"}
                """.formatted(name));
        assertThat(shortOne.status()).isEqualTo(422);
        assertThat(shortOne.at("/fields/password/low").asInt()).isEqualTo(10);
    }

    @Test
    void whoeverLeavesIsOutAtOnceEverywhereAndTheirActsKeepTheirName() {
        add(cook, "TRAINEE", "null");
        Visitor trainee = Visitor.signedIn(name);
        TestBatch batch = TestBatch.accepted(cook, 12);
        assertThat(trainee.post(
                                batch.path(),
                                TestBatch.act(
                                        UUID.randomUUID().toString(), "weighed-in", "\"part\": \"bed\", \"kg\": 9"))
                        .status())
                .isEqualTo(200);
        trainee.put("/api/session/own-pin", "{\"pin\": \"7315\"}");
        String id = idOf(name);
        assertThat(cook.delete("/api/kitchen/people/" + id).status()).isEqualTo(204);
        assertThat(trainee.get("/api/range").status()).isEqualTo(401);
        assertThat(signIns()).doesNotContain(name);
        Visitor.Answer again = Visitor.stranger().post("/api/session", """
                {"signIn": "%s", "password": "kestrel-%s"}
                """.formatted(name, name));
        assertThat(again.reason("password")).isNotEmpty();
        cook.post("/api/session/shared", "{}");
        assertThat(cook.post("/api/session/signature", "{\"personId\": \"%s\", \"pin\": \"7315\"}".formatted(id))
                        .status())
                .isEqualTo(422);
        assertThat(batch.page().at("/events/0/byName").asString()).isEqualTo("Nia Okonkwo");
    }

    @Test
    void aNewPasswordSignsOutWhoeverHadTheOldOne() {
        add(cook, "COOK", "null");
        Visitor before = Visitor.signedIn(name);
        Visitor.Answer renewed =
                cook.put("/api/kitchen/people/" + idOf(name) + "/password", "{\"password\": \"a-quite-new-one\"}");
        assertThat(renewed.status()).isEqualTo(204);
        assertThat(before.get("/api/range").status()).isEqualTo(401);
        assertThat(Visitor.stranger().post("/api/session", """
                                {"signIn": "%s", "password": "a-quite-new-one"}
                                """.formatted(name)).status())
                .isEqualTo(200);
    }

    @Test
    void nobodyTakesThemselvesOut() {
        String own = cook.get("/api/session").at("/person/id").asString();
        assertThat(cook.delete("/api/kitchen/people/" + own).status()).isEqualTo(409);
        assertThat(cook.get("/api/range").status()).isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource({"wen", "marta", "bram"})
    void onlyCookAndChefKeepThePeople(String who) {
        Visitor visitor = Visitor.signedIn(who);
        assertThat(add(visitor, "COOK", "null").status()).isEqualTo(403);
        assertThat(visitor.delete("/api/kitchen/people/" + idOf("tomaz")).status())
                .isEqualTo(403);
        assertThat(signIns()).contains("tomaz");
    }
}
