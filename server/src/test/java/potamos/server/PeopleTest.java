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
        Visitor trainee = Visitor.newcomer(name);
        assertThat(trainee.get("/api/session").at("/person/initials").asString())
                .isEqualTo("NO");
        assertThat(trainee.get("/api/range").status()).isEqualTo(200);
        assertThat(add(trainee, "COOK", "null").status()).isEqualTo(403);
    }

    @Test
    void somebodyOfAStationHasOneAndNobodyElseDoes() {
        String station = cook.get("/api/kitchen/stations").at("/0/id").asString();
        assertThat(add(cook, "STATION", "null").reason("stationId")).isNotEmpty();
        assertThat(add(cook, "COOK", "\"" + station + "\"").reason("stationId")).isNotEmpty();
        assertThat(add(cook, "STATION", "\"" + UUID.randomUUID() + "\"").status())
                .isEqualTo(404);
        assertThat(signIns()).doesNotContain(name);
        assertThat(add(cook, "STATION", "\"" + station + "\"").status()).isEqualTo(201);
        assertThat(Visitor.newcomer(name).get("/api/calls").status()).isEqualTo(200);
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
        Visitor trainee = Visitor.newcomer(name);
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
        Visitor before = Visitor.newcomer(name);
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
    void aPasswordThatAnotherHasSetIsForOneSignInAndSaysWhose() {
        add(cook, "COOK", "null");
        Visitor newcomer = Visitor.signedIn(name);
        assertThat(newcomer.get("/api/session").at("/person/signature").asString())
                .isEqualTo("ONCE");
        assertThat(newcomer.get("/api/session").at("/passwordSetBy").asString()).isEqualTo("Ilse Varga");
        assertThat(newcomer.get("/api/range").status()).isEqualTo(403);
        Visitor.Answer same = newcomer.put(
                "/api/session/password",
                "{\"soFar\": \"kestrel-%s\", \"password\": \"kestrel-%s\"}".formatted(name, name));
        assertThat(same.reason("password")).contains("another one");
        Visitor.Answer wrong = newcomer.put(
                "/api/session/password", "{\"soFar\": \"not this one\", \"password\": \"quiet heron under reeds\"}");
        assertThat(wrong.reason("soFar")).contains("not your password");
        Visitor.Answer chosen = newcomer.put(
                "/api/session/password",
                "{\"soFar\": \"kestrel-%s\", \"password\": \"quiet heron under reeds\"}".formatted(name));
        assertThat(chosen.at("/person/signature").asString()).isEqualTo("PASSWORD");
        assertThat(newcomer.get("/api/range").status()).isEqualTo(200);
    }

    @Test
    void initialsAreLettersAndDigitsAndNeverAFormula() {
        cook.post("/api/kitchen/people", """
                {"signIn": "%s", "name": "=A1 +Sum", "role": "COOK", "password": "kestrel-%s"}
                """.formatted(name, name));
        assertThat(Visitor.newcomer(name)
                        .get("/api/session")
                        .at("/person/initials")
                        .asString())
                .isEqualTo("AS");
    }

    @Test
    void aCookCannotSetTheChefsPasswordNorTakeTheChefOut() {
        String chef = idOf("tomaz");
        assertThat(cook.put("/api/kitchen/people/" + chef + "/password", "{\"password\": \"a cook knows this one\"}")
                        .status())
                .isEqualTo(403);
        assertThat(cook.delete("/api/kitchen/people/" + chef).status()).isEqualTo(403);
        assertThat(add(cook, "CHEF", "null").status()).isEqualTo(403);
        assertThat(Visitor.signedIn("tomaz").get("/api/range").status()).isEqualTo(200);
    }

    @Test
    void aPinEndsWithThePasswordThatItWasSetUnder() {
        add(cook, "TRAINEE", "null");
        Visitor trainee = Visitor.newcomer(name);
        trainee.put("/api/session/own-pin", "{\"pin\": \"7315\"}");
        String id = idOf(name);
        cook.put("/api/kitchen/people/" + id + "/password", "{\"password\": \"a-quite-new-one\"}");
        cook.post("/api/session/shared", "{}");
        assertThat(cook.post("/api/session/signature", "{\"personId\": \"%s\", \"pin\": \"7315\"}".formatted(id))
                        .status())
                .isEqualTo(422);
    }

    @ParameterizedTest
    @CsvSource({
        "password1234, easy to guess",
        "qwertyuiop12, easy to guess",
        "éééééééééééééééééééééééééééééééééééééééé, bytes",
    })
    void aPasswordThatIsNoneIsRefusedWithItsReason(String password, String unit) {
        Visitor.Answer answer = cook.post("/api/kitchen/people", """
                {"signIn": "%s", "name": "Nia", "role": "COOK", "password": "%s"}
                """.formatted(name, password));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reason("password")
                        + answer.at("/fields/password/unit").asString())
                .contains(unit);
        // The same at the door: an answer, and not a fault.
        assertThat(Visitor.stranger()
                        .post("/api/session", """
                {"signIn": "%s", "password": "%s"}
                """.formatted(name, password))
                        .status())
                .isEqualTo(422);
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
