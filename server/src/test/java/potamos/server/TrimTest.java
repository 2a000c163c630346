package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

@ExtendWith(TestKitchen.class)
class TrimTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final Visitor trainee = Visitor.signedIn("wen");

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    private static String bag(String id, String item, String kg, String day) {
        return """
                {"id": "%s", "item": "%s", "kg": %s, "day": "%s"}
                """.formatted(id, item, kg, day);
    }

    private static LocalDate today() {
        return TestBatch.now().atZone(java.time.ZoneId.of("Europe/Zurich")).toLocalDate();
    }

    private double leftOf(String id) {
        for (JsonNode bag : cook.get("/api/trim").body()) {
            if (bag.path("id").asString().equals(id)) {
                return bag.path("kg").asDouble();
            }
        }
        return 0;
    }

    @Test
    void whatIsPutByLiesThereUntilItIsTaken() {
        String id = newId();
        assertThat(trainee.post(
                                "/api/trim",
                                bag(id, "fennel", "1.5", today().minusDays(2).toString()))
                        .status())
                .isEqualTo(200);
        assertThat(leftOf(id)).isEqualTo(1.5);
        String taking = newId();
        String half = "{\"id\": \"%s\", \"kg\": 0.5}".formatted(taking);
        cook.post("/api/trim/" + id + "/takings", half);
        assertThat(leftOf(id)).isEqualTo(1.0);
        cook.post("/api/trim/" + id + "/takings", half);
        assertThat(leftOf(id)).as("the same taking sent twice").isEqualTo(1.0);
        cook.post("/api/trim/" + id + "/takings", "{\"id\": \"%s\", \"kg\": 1.0}".formatted(newId()));
        assertThat(leftOf(id)).isZero();
    }

    @Test
    void puttingByTwiceWithTheSameIdPutsOnce() {
        String id = newId();
        cook.post("/api/trim", bag(id, "leek", "0.8", today().toString()));
        cook.post("/api/trim", bag(id, "leek", "0.8", today().toString()));
        assertThat(leftOf(id)).isEqualTo(0.8);
    }

    @ParameterizedTest
    @CsvSource({
        "moonrock, 1, 0, item",
        "onion, 0, 0, kg",
        "onion, -1, 0, kg",
        "onion, 1e6, 0, kg",
        "onion, 1, -1, day",
        "onion, 1, 400, day"
    })
    void whatCannotBeIsRefusedBesideItsField(String item, String kg, int daysAgo, String field) {
        Visitor.Answer answer = cook.post(
                "/api/trim", bag(newId(), item, kg, today().minusDays(daysAgo).toString()));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.at("/fields/" + field + "/reason").asString()).isNotBlank();
    }

    @Test
    void nobodyTakesMoreThanThereIs() {
        String id = newId();
        cook.post("/api/trim", bag(id, "carrot", "0.6", today().toString()));
        Visitor.Answer answer =
                cook.post("/api/trim/" + id + "/takings", "{\"id\": \"%s\", \"kg\": 0.7}".formatted(newId()));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.at("/fields/kg/high").asDouble()).isBetween(0.6, 0.601);
        assertThat(leftOf(id)).isEqualTo(0.6);
    }

    @Test
    void aStationHasNoBusinessInTheBoxAndAReviewerOnlyLooks() {
        assertThat(Visitor.signedIn("bram").get("/api/trim").status()).isEqualTo(403);
        Visitor reviewer = Visitor.signedIn("marta");
        assertThat(reviewer.get("/api/trim").status()).isEqualTo(200);
        assertThat(reviewer.post("/api/trim", bag(newId(), "onion", "1", today().toString()))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aChargeSaysWhatOfItLiesInTheBoxOldestFirst() {
        String id = newId();
        cook.post("/api/trim", bag(id, "parsnip", "0.3", today().minusDays(40).toString()));
        Visitor.Answer charge = cook.post("/api/charges", """
                {"formula": "white-chicken", "goal": "BED", "value": 10, "swaps": {"carrot": "parsnip"}}
                """);
        assertThat(charge.status()).isEqualTo(200);
        JsonNode cover = null;
        for (JsonNode c : charge.at("/trim")) {
            cover = c.path("part").asString().equals("parsnip") ? c : cover;
        }
        assertThat(cover).isNotNull();
        assertThat(cover.path("oldest").asString())
                .isEqualTo(today().minusDays(40).toString());
        double wanted = kgOf(charge, "parsnip");
        assertThat(cover.path("kg").asDouble() + cover.path("freshKg").asDouble())
                .isCloseTo(wanted, org.assertj.core.api.Assertions.within(1e-9));
    }

    @Test
    void whatHasLainTooLongIsShownAsOldAndOfferedToNoCharge() {
        String id = newId();
        cook.post("/api/trim", bag(id, "celeriac", "2", today().minusDays(120).toString()));
        JsonNode old = null;
        for (JsonNode bag : cook.get("/api/trim").body()) {
            old = bag.path("id").asString().equals(id) ? bag : old;
        }
        assertThat(old).isNotNull();
        assertThat(old.path("old").asBoolean()).isTrue();
        assertThat(old.path("ageDays").asLong()).isEqualTo(120);
        Visitor.Answer charge = cook.post("/api/charges", """
                {"formula": "white-chicken", "goal": "BED", "value": 10, "swaps": {"celery": "celeriac"}}
                """);
        for (JsonNode cover : charge.at("/trim")) {
            assertThat(cover.path("part").asString()).isNotEqualTo("celeriac");
        }
    }

    @Test
    void aSwapKeepsTheRatioAndRefusesAnotherKindOfThing() {
        String plain = "{\"formula\": \"white-chicken\", \"goal\": \"BED\", \"value\": 10}";
        double onion = kgOf(cook.post("/api/charges", plain), "onion");
        Visitor.Answer swapped = cook.post("/api/charges", """
                {"formula": "white-chicken", "goal": "BED", "value": 10, "swaps": {"onion": "shallot"}}
                """);
        assertThat(kgOf(swapped, "shallot")).isEqualTo(onion).isPositive();
        assertThat(kgOf(swapped, "onion")).isZero();
        Visitor.Answer wrong = cook.post("/api/charges", """
                {"formula": "white-chicken", "goal": "BED", "value": 10, "swaps": {"onion": "wine-white"}}
                """);
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.at("/fields/by/reason").asString()).contains("another kind");
    }

    private static double kgOf(Visitor.Answer charge, String part) {
        for (JsonNode p : charge.at("/parts")) {
            if (p.path("id").asString().equals(part)) {
                return p.path("kg").asDouble();
            }
        }
        return 0;
    }
}
