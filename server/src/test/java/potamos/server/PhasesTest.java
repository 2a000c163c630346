package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Phases before the water and after the pot, as acts over HTTP. */
@ExtendWith(TestKitchen.class)
class PhasesTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private String id;

    private void accept(String formula, double litres) {
        id = UUID.randomUUID().toString();
        Visitor.Answer answer = cook.post("/api/batches", """
                {"id": "%s", "charge": {"formula": "%s", "goal": "LITRES", "value": %s, "vesselId": "%s",
                 "readyBy": "%s", "startAt": "%s"}}
                """.formatted(
                        id,
                        formula,
                        litres,
                        TestKitchen.freshPot(cook),
                        TestBatch.now().plus(Duration.ofHours(30)),
                        TestBatch.now()));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
    }

    private Visitor.Answer act(String kind, String fields) {
        return cook.post(
                "/api/batches/" + id + "/acts", TestBatch.act(UUID.randomUUID().toString(), kind, fields));
    }

    private JsonNode taken(String kind, String fields) {
        Visitor.Answer answer = act(kind, fields);
        assertThat(answer.status()).as("%s: %s", kind, answer.body()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode page() {
        return cook.get("/api/batches/" + id).body();
    }

    private List<String> due() {
        List<String> kinds = new ArrayList<>();
        for (JsonNode due : page().at("/card/due")) {
            kinds.add(due.path("kind").asString()
                    + (due.has("phase") ? ":" + due.path("phase").asString() : ""));
        }
        return kinds;
    }

    private int step(String phase) {
        for (JsonNode chore : page().path("chores")) {
            if (chore.path("phase").asString().equals(phase)) {
                return chore.path("step").asInt();
            }
        }
        throw new AssertionError("no " + phase);
    }

    @Test
    void aRoastGoesThroughTheOvenAndItsShadeIntoTheRecord() {
        accept("brown-veal", 10);
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        assertThat(page().at("/card/stage").asString()).isEqualTo("PREPARE");
        assertThat(page().at("/card/oven").isMissingNode()).isTrue();
        taken("began", "\"step\": " + step("roast"));
        assertThat(page().at("/card/oven/oven").asString()).isEqualTo("East");
        assertThat(due()).contains("TURN:roast", "JUDGE_SHADE:roast", "END:roast");
        taken("turned", "\"tray\": 2");
        taken("card-read", "\"card\": \"shade\", \"value\": 4");
        assertThat(page().at("/card/oven/lastShade").asDouble()).isEqualTo(4);
        taken("card-read", "\"card\": \"shade\", \"value\": 6");
        taken("finished", "\"step\": " + step("roast"));
        assertThat(page().at("/card/oven").isMissingNode()).isTrue();
        assertThat(page().path("cards").size()).isEqualTo(2);
        String csv =
                new String(cook.get("/api/batches/" + id + "/record.csv").raw().body(), StandardCharsets.UTF_8);
        assertThat(csv).contains(",began,", ",turned,", ",card-read,", ",finished,");
        assertThat(csv.lines().filter(line -> line.contains(",finished,")))
                .singleElement()
                .asString()
                .contains(",Done,Roast,");
    }

    /** The vessel is meant for the bed that is being roasted, from its water on. */
    @Test
    void theVesselIsTakenForTheBedThatIsPrepared() {
        accept("brown-veal", 10);
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        String vessel = page().at("/card/vessel/id").asString();
        String soon = TestBatch.now().plus(Duration.ofHours(2)).toString();
        Visitor.Answer second = cook.post(
                "/api/batches", TestBatch.acceptanceAt(UUID.randomUUID().toString(), vessel, soon));
        assertThat(second.status()).isEqualTo(409);
    }

    @Test
    void nothingIsFlamedOverALitBurner() {
        accept("shellfish", 8);
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 4");
        int flame = step("flame");
        Visitor.Answer refused = act("finished", "\"step\": " + flame);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.at("/fields/act/reason").asString()).contains("burner");
        taken("burner-off", "");
        taken("finished", "\"step\": " + flame);
        assertThat(due()).doesNotContain("BURNER_OFF:flame", "END:flame");
    }

    @Test
    void whatMakesNoSenseIsRefusedBesideItsField() {
        accept("brown-veal", 10);
        String[][] odd = {
            {"began", "", "step"},
            {"began", "\"step\": 59", "step"},
            {"began", "\"step\": -1", "step"},
            {"card-read", "\"card\": \"moon\", \"value\": 3", "card"},
            {"card-read", "\"card\": \"shade\"", "value"},
            {"card-read", "\"card\": \"set\", \"value\": 9", "value"},
            {"turned", "\"tray\": 900", "tray"},
            {"reduced", "\"litres\": 2", "act"},
            {"water-changed", "", "act"},
            {"tasted", "\"words\": \"\"", "words"}
        };
        for (String[] one : odd) {
            Visitor.Answer answer = act(one[0], one[1]);
            assertThat(answer.status()).as("%s: %s", one[0], answer.body()).isEqualTo(422);
            assertThat(answer.at("/fields/" + one[2] + "/reason").asString())
                    .as("%s %s", one[0], one[1])
                    .isNotBlank();
        }
        assertThat(page().path("events").size()).isZero();
    }

    @Test
    void aReductionIsMeasuredAndOnlyThenPutAway() {
        accept("half-reduction", 5);
        taken("finished", "\"step\": " + step("wine-down"));
        taken("filled", "\"litres\": 10, \"celsius\": 4");
        taken("heat-on", "");
        TestBatch.wait(40);
        taken("simmer-reached", "");
        TestBatch.wait(15);
        taken("judged-enough", "");
        assertThat(page().at("/card/stage").asString()).isEqualTo("REDUCE");
        Visitor.Answer tooMuch = act("reduced", "\"litres\": 60");
        assertThat(tooMuch.status()).isEqualTo(422);
        assertThat(tooMuch.at("/fields/litres/high").asDouble()).isLessThan(11);
        TestBatch.wait(60);
        taken("reduced", "\"litres\": 5.1");
        assertThat(page().at("/card/stage").asString()).isEqualTo("STRAIN");
        taken("strained", "\"litres\": 4.9, \"passes\": 1");
        assertThat(page().at("/card/strainedL").asDouble()).isEqualTo(4.9);
        double sum = -page().at("/ledger/yieldL").asDouble()
                - page().at("/ledger/unexplainedL").asDouble();
        for (JsonNode entry : page().at("/ledger/entries")) {
            sum += (entry.path("inward").asBoolean() ? 1 : -1)
                    * entry.path("litres").asDouble();
        }
        assertThat(sum).isBetween(-1e-9, 1e-9);
    }

    @Test
    void kelpComesOutAndFlakesGoInByTheirKinds() {
        accept("kelp-flake", 8);
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 0.3");
        taken("finished", "\"step\": " + step("wipe"));
        taken("filled", "\"litres\": 9, \"celsius\": 12");
        TestBatch.wait(41);
        taken("heat-on", "");
        TestBatch.wait(12);
        taken("held", "");
        assertThat(due()).contains("KELP_OUT");
        TestBatch.wait(15);
        taken("taken-out", "\"part\": \"kelp\"");
        assertThat(due()).doesNotContain("KELP_OUT");
        Visitor.Answer stranger = act("taken-out", "\"part\": \"onion\"");
        assertThat(stranger.status()).isEqualTo(422);
        TestBatch.wait(12);
        taken("simmer-reached", "");
        TestBatch.wait(1);
        taken("judged-enough", "");
        assertThat(due()).contains("FLAKES_IN");
        String flakes = page().at("/card/due/0/parts/0/id").asString();
        taken("added", "\"part\": \"%s\", \"kg\": 0.2".formatted(flakes));
        assertThat(due()).doesNotContain("FLAKES_IN");
        assertThat(due()).contains("STRAIN");
    }

    @Test
    void aTraineeTastesAndReadsCardsButDoesNotJudgeTheEnd() {
        accept("white-chicken", 10);
        Visitor trainee = Visitor.signedIn("wen");
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 8");
        taken("filled", "\"litres\": 14, \"celsius\": 12");
        taken("heat-on", "");
        TestBatch.wait(45);
        taken("simmer-reached", "");
        String path = "/api/batches/" + id + "/acts";
        assertThat(trainee.post(path, TestBatch.act(UUID.randomUUID().toString(), "tasted", "\"words\": \"flat\""))
                        .status())
                .isEqualTo(200);
        assertThat(trainee.post(
                                path,
                                TestBatch.act(
                                        UUID.randomUUID().toString(), "card-read", "\"card\": \"ladle\", \"value\": 4"))
                        .status())
                .isEqualTo(200);
        assertThat(trainee.post(path, TestBatch.act(UUID.randomUUID().toString(), "judged-enough", ""))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void twoPotsThatWantBothHandsAreSeenAhead() {
        accept("white-chicken", 10);
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 8");
        accept("white-chicken", 10);
        taken("weighed-in", "\"part\": \"bed\", \"kg\": 8");
        JsonNode moved = cook.get("/api/range").at("/moved");
        assertThat(moved.size()).isPositive();
        for (JsonNode one : moved) {
            assertThat(one.path("batchId").asString())
                    .isNotEqualTo(one.path("becauseBatchId").asString());
        }
    }
}
