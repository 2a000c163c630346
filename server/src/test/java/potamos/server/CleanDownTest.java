package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Shellfish, then white chicken in the same pot: cleaned down between, and that is recorded. */
@ExtendWith(TestKitchen.class)
class CleanDownTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final String pot = TestKitchen.freshPot(cook);

    private String accepted(String formula, int hours) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer answer = cook.post(
                "/api/batches", """
                {"id": "%s", "callId": null, "charge": {"formula": "%s", "goal": "LITRES", "value": 6, "vesselId": "%s", "readyBy": "%s"}}
                """.formatted(id, formula, pot, TestBatch.now().plus(Duration.ofHours(hours))));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
        return id;
    }

    private Visitor.Answer log(String batch, String kind, String fields) {
        return cook.post(
                "/api/batches/" + batch + "/acts",
                TestBatch.act(UUID.randomUUID().toString(), kind, fields));
    }

    private Visitor.Answer fill(String batch, double kg) {
        assertThat(log(batch, "weighed-in", "\"part\": \"bed\", \"kg\": " + kg).status())
                .isEqualTo(200);
        return log(batch, "filled", "\"litres\": 5, \"celsius\": 12");
    }

    private String afterShellfish(String formula) {
        String shellfish = accepted("shellfish", 20);
        assertThat(fill(shellfish, 3).status()).isEqualTo(200);
        assertThat(log(shellfish, "abandoned", "\"words\": \"power cut\"").status())
                .isEqualTo(200);
        return accepted(formula, 30);
    }

    @Test
    void whatSwamInThePotIsCleanedOffBeforeItIsFilledWithSomethingElse() {
        String chicken = afterShellfish("white-chicken");
        Visitor.Answer page = cook.get("/api/batches/" + chicken);
        assertThat(page.at("/cleanDown/of/0").asString()).isEqualTo("CRUSTACEANS");
        assertThat(page.at("/cleanDown/formulaName").asString()).contains("Shellfish");
        Visitor.Answer refused = fill(chicken, 5);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.at("/detail").asString()).contains("crustaceans").contains("Clean down");
        Visitor.Answer cleaned = log(chicken, "cleaned-down", "");
        assertThat(cleaned.status()).isEqualTo(200);
        assertThat(cleaned.at("/cleanDown").isMissingNode()
                        || cleaned.at("/cleanDown").isNull())
                .isTrue();
        assertThat(log(chicken, "filled", "\"litres\": 5, \"celsius\": 12").status())
                .isEqualTo(200);
    }

    @Test
    void shellfishAfterShellfishNeedsNone() {
        String again = afterShellfish("shellfish");
        assertThat(fill(again, 3).status()).isEqualTo(200);
    }

    /** Strainer set and ladle go from pot to pot: a stock that simmers beside a fumet is not strained through what that was strained through. */
    @Test
    void aStrainerThatWasInFishIsCleanedBeforeAnotherPotIsStrainedThroughIt() {
        TestBatch chicken = TestBatch.accepted(cook, 12).simmering();
        TestBatch beside = TestBatch.accepted(cook, 12).simmering();
        TestBatch.drawnWith(cook, "fish-fumet", 6, Map.of()).strained(4, 6, 30, 4);
        TestBatch.wait(180);
        chicken.log("judged-enough", "");
        beside.log("judged-enough", "");
        TestBatch.wait(21);
        assertThat(chicken.page().at("/cleanDown/vessel").asBoolean(true)).isFalse();
        String strained = "\"litres\": 11, \"passes\": 2";
        String act = UUID.randomUUID().toString();
        Visitor.Answer refused = chicken.tryLog(act, "strained", strained);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.at("/detail").asString()).contains("strainer set").contains("fish");
        assertThat(chicken.tryLog(act, "passed", "").status()).isEqualTo(409);
        chicken.log("cleaned-down", "");
        chicken.log("strained", strained);
        // Cleaned for one pot they are clean for the next.
        beside.log("strained", strained);
    }
}
