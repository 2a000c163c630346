package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Pots given from one person to another at the change of a shift. */
@ExtendWith(TestKitchen.class)
class HandOverTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final Visitor chef = Visitor.signedIn("tomaz");
    private TestBatch batch;

    @BeforeEach
    void aPotIsOnTheHeat() {
        batch = TestBatch.accepted(cook, 6).simmering();
    }

    private String hand(String initials) {
        for (JsonNode hand : cook.get("/api/hand-overs/hands").body()) {
            if (hand.path("initials").asString().equals(initials)) {
                return hand.path("id").asString();
            }
        }
        throw new AssertionError("nobody with the initials " + initials);
    }

    private static String giving(String id, String words, String... pots) {
        return "{\"id\": \"%s\", \"words\": \"%s\", \"pots\": [%s]}".formatted(id, words, String.join(",", pots));
    }

    private static String pot(String batch, String hand) {
        return "{\"batchId\": \"%s\", \"takenBy\": \"%s\"}".formatted(batch, hand);
    }

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    private JsonNode latest(String id) {
        for (JsonNode handOver : chef.get("/api/hand-overs").body()) {
            if (handOver.path("id").asString().equals(id)) {
                return handOver;
            }
        }
        throw new AssertionError("no such hand-over");
    }

    @Test
    void aPotIsGivenAsItStandsAndWhoeverTakesItSigns() {
        String id = newId();
        String toTomaz = pot(batch.id(), hand("TO"));
        assertThat(cook.post("/api/hand-overs", giving(id, "it runs hot", toTomaz))
                        .status())
                .isEqualTo(201);
        JsonNode given = latest(id);
        assertThat(given.path("givenByName").asString()).isEqualTo("Ilse Varga");
        assertThat(given.path("words").asString()).isEqualTo("it runs hot");
        JsonNode pot = given.at("/pots/0");
        assertThat(pot.path("stage").asString()).isEqualTo("SIMMER");
        assertThat(pot.path("takenByName").asString()).isEqualTo("Tomaz Okafor");
        assertThat(pot.path("litres").asDouble())
                .isEqualTo(
                        batch.page().at("/card/pot/liquorL").asDouble(), org.assertj.core.api.Assertions.within(0.2));
        assertThat(pot.path("pending")).isNotEmpty();
        assertThat(given.path("signed")).isEmpty();
        assertThat(chef.post("/api/hand-overs/" + id + "/signature", "{}").status())
                .isEqualTo(204);
        assertThat(latest(id).path("signed").path(hand("TO")).asString()).isNotEmpty();
        assertThat(chef.post("/api/hand-overs/" + id + "/signature", "{}").status())
                .isEqualTo(409);
    }

    @Test
    void whatWasToldStaysAsItWasWhileThePotGoesOn() {
        String id = newId();
        cook.post("/api/hand-overs", giving(id, "", pot(batch.id(), hand("TO"))));
        double told = latest(id).at("/pots/0/litres").asDouble();
        batch.log("topped-up", "\"litres\": 2, \"celsius\": 85");
        assertThat(latest(id).at("/pots/0/litres").asDouble()).isEqualTo(told);
    }

    @Test
    void whatIsStillToBePreparedIsToldByItsPhase() {
        TestBatch raw = TestBatch.accepted(cook, 6);
        raw.log("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        assertThat(raw.stage()).isEqualTo("PREPARE");
        String id = newId();
        assertThat(cook.post("/api/hand-overs", giving(id, "", pot(raw.id(), hand("TO"))))
                        .status())
                .isEqualTo(201);
        assertThat(latest(id).at("/pots/0/pending/0/phase").asString()).isEqualTo("rinse");
    }

    @Test
    void theSameGivingSentTwiceIsKeptOnce() {
        String id = newId();
        String giving = giving(id, "twice", pot(batch.id(), hand("TO")));
        assertThat(cook.post("/api/hand-overs", giving).status()).isEqualTo(201);
        assertThat(cook.post("/api/hand-overs", giving).status()).isEqualTo(201);
        int found = 0;
        for (JsonNode handOver : cook.get("/api/hand-overs").body()) {
            found += handOver.path("words").asString().equals("twice") ? 1 : 0;
        }
        assertThat(found).isEqualTo(1);
    }

    @Test
    void nothingIsGivenToWhomMayNotActNorTwiceNorWhenItIsOver() {
        String reader = "00000000-0000-4000-8000-000000000000";
        assertThat(cook.post("/api/hand-overs", giving(newId(), "", pot(batch.id(), reader)))
                        .reason("pots"))
                .contains("may act");
        String pot = pot(batch.id(), hand("TO"));
        assertThat(cook.post("/api/hand-overs", giving(newId(), "", pot, pot)).reason("pots"))
                .contains("one person");
        assertThat(cook.post("/api/hand-overs", giving(newId(), "")).status()).isEqualTo(400);
        assertThat(cook.post("/api/hand-overs", giving(newId(), "x".repeat(601), pot))
                        .reason("words"))
                .isNotEmpty();
        batch.log("abandoned", "\"words\": \"given up\"");
        assertThat(cook.post("/api/hand-overs", giving(newId(), "", pot)).reason("pots"))
                .contains("look at the range again");
    }

    @Test
    void onlyWhoTakesAPotSignsAndOnlyWhoMayActGivesOne() {
        String id = newId();
        String pot = pot(batch.id(), hand("TO"));
        cook.post("/api/hand-overs", giving(id, "", pot));
        assertThat(Visitor.signedIn("wen")
                        .post("/api/hand-overs/" + id + "/signature", "{}")
                        .status())
                .isEqualTo(403);
        assertThat(chef.post("/api/hand-overs/" + newId() + "/signature", "{}").status())
                .isEqualTo(404);
        Visitor reader = Visitor.signedIn("marta");
        assertThat(reader.get("/api/hand-overs").status()).isEqualTo(200);
        assertThat(reader.post("/api/hand-overs", giving(newId(), "", pot)).status())
                .isEqualTo(403);
        assertThat(Visitor.signedIn("bram").get("/api/hand-overs").status()).isEqualTo(403);
    }
}
