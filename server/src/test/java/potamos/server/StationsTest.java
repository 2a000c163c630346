package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.server.batches.Batches;
import tools.jackson.databind.JsonNode;

/** Stations, and what they need of every stock, in a kitchen of its own. */
@ExtendWith(TestKitchen.class)
class StationsTest {

    private static final String STATIONS = "/api/kitchen/stations";

    private final Visitor cook = Visitor.signedIn("ilse");
    private final Visitor chef = TestKitchen.chefOfAKitchenThatNeverCloses();

    private String add(String name, String more) {
        Visitor.Answer all = chef.post(STATIONS, "{\"name\": \"%s\"%s}".formatted(name, more));
        assertThat(all.status()).as("%s", all.body()).isEqualTo(201);
        return id(all, name);
    }

    private static String id(Visitor.Answer all, String name) {
        return all.body()
                .valueStream()
                .filter(one -> one.path("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
    }

    private static List<String> names(Visitor.Answer all) {
        return all.body().valueStream().map(one -> one.path("name").asString()).toList();
    }

    private Visitor.Answer ask(String station, String formula, String more) {
        return ask(station, formula, 16, more);
    }

    private Visitor.Answer ask(String station, String formula, int hours, String more) {
        return chef.post("/api/calls", """
                {"id": "%s", "stationId": "%s", "formula": "%s", "litres": 4, "readyBy": "%s"%s}
                """.formatted(
                        UUID.randomUUID(), station, formula, TestBatch.now().plus(Duration.ofHours(hours)), more));
    }

    @Test
    void theyStandInTheOrderInWhichTheyWerePut() {
        String sauce = add("Sauce", "");
        String soup = add("Soup", "");
        String grill = add("Grill", "");
        Visitor.Answer put = chef.put(STATIONS, "{\"ids\": [\"%s\", \"%s\", \"%s\"]}".formatted(grill, sauce, soup));
        assertThat(names(put)).containsExactly("Grill", "Sauce", "Soup");
        assertThat(names(chef.get(STATIONS))).containsExactly("Grill", "Sauce", "Soup");
        Visitor.Answer oneForgotten = chef.put(STATIONS, "{\"ids\": [\"%s\", \"%s\"]}".formatted(grill, sauce));
        assertThat(oneForgotten.reason("ids")).contains("each once");
        assertThat(names(chef.get(STATIONS))).containsExactly("Grill", "Sauce", "Soup");
    }

    @Test
    void oneIsRenamedAndKeepsItsCalls() {
        String sauce = add("Sauce", "");
        String call = ask(sauce, "white-chicken", "").at("/id").asString();
        chef.put(STATIONS + "/" + sauce, "{\"name\": \"Saucier\", \"importance\": \"MOST\"}");
        assertThat(chef.get(STATIONS).at("/0/importance").asString()).isEqualTo("MOST");
        assertThat(chef.get("/api/calls/" + call).at("/stationName").asString()).isEqualTo("Saucier");
    }

    @ParameterizedTest
    @CsvSource({"sauce", "Sauce", "'   '", "''", "12345678901234567890123456789012345678901"})
    void aNameIsThereOnceAndIsOne(String name) {
        add("Sauce", "");
        assertThat(chef.post(STATIONS, "{\"name\": \"%s\"}".formatted(name)).reason("name"))
                .isNotEmpty();
        assertThat(names(chef.get(STATIONS))).containsExactly("Sauce");
    }

    /** What a station can never use is in nothing that it asks for, whether anybody thinks of it or not. */
    @Test
    void whatAStationNeedsOfEveryStockGoesIntoItsCalls() {
        String bar = add("Bar", ", \"without\": [\"CELERY\"], \"needs\": [\"MEAT_FREE\"]");
        assertThat(ask(bar, "white-chicken", "").reason("without"))
                .contains("contains celery")
                .doesNotContain("fennel");
        Visitor.Answer kelp = ask(bar, "kelp-flake", ", \"needs\": [\"PALE\"]");
        assertThat(kelp.status()).as("%s", kelp.body()).isEqualTo(200);
        assertThat(kelp.at("/without/0").asString()).isEqualTo("CELERY");
        assertThat(kelp.at("/needs").valueStream().map(JsonNode::asString)).containsExactly("PALE", "MEAT_FREE");
        assertThat(ask(bar, "kelp-flake", ", \"needs\": [\"SETS\"]").reason("needs"))
                .contains("does not set");
    }

    @Test
    void whatWouldDoInThePlaceOfWhatIsInTheWayIsTold() {
        String soup = add("Soup", "");
        assertThat(ask(soup, "white-chicken", ", \"without\": [\"CELERY\"]").reason("without"))
                .endsWith("with fennel in the place of celery it would do");
    }

    @Test
    void whatMayBeAskedForSaysWhatItCanNeverBe() {
        JsonNode chicken = chef.get("/api/calls/menu")
                .at("/formulas")
                .valueStream()
                .filter(one -> one.path("slug").asString().equals("white-chicken"))
                .findFirst()
                .orElseThrow();
        assertThat(chicken.path("fails").valueStream().map(JsonNode::asString)).contains("MEAT_FREE");
    }

    @Test
    void oneThatWaitsForStockIsNotRetiredAndOneThatDoesNotIs() {
        String soup = add("Soup", "");
        String call = ask(soup, "white-chicken", "").at("/id").asString();
        assertThat(chef.delete(STATIONS + "/" + soup).status()).isEqualTo(409);
        chef.post("/api/calls/" + call + "/withdrawal", "{}");
        assertThat(names(chef.delete(STATIONS + "/" + soup))).isEmpty();
        assertThat(ask(soup, "white-chicken", "").status()).isEqualTo(409);
        assertThat(chef.put(STATIONS + "/" + soup, "{\"name\": \"Soup again\"}").status())
                .isEqualTo(409);
        assertThat(chef.post(STATIONS, "{\"name\": \"Soup\"}").reason("name")).contains("was");
        assertThat(chef.get("/api/calls/" + call).at("/stationName").asString()).isEqualTo("Soup");
    }

    @Test
    void nothingIsDeliveredToOneThatIsRetired() {
        TestBatch batch = TestBatch.accepted(cook, 6).stored(5);
        String name = "Soup " + UUID.randomUUID().toString().substring(0, 8);
        String soup = id(cook.post(STATIONS, "{\"name\": \"%s\"}".formatted(name)), name);
        cook.delete(STATIONS + "/" + soup);
        Visitor.Answer answer = batch.tryLog(
                UUID.randomUUID().toString(), "delivered", "\"litres\": 1, \"stationId\": \"%s\"".formatted(soup));
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.at("/detail").asString()).contains(name + " is out of use");
    }

    /** Where one pot is not enough for both in time, the station that counts most has its stock first, whichever that is. */
    @ParameterizedTest
    @CsvSource({"white-chicken, white-veal", "white-veal, white-chicken"})
    void whoCountsMostIsServedFirst(String first, String second) {
        TestKitchen.freshPot(chef);
        String most = ask(add("Sauce", ", \"importance\": \"MOST\""), first, 10, "")
                .at("/id")
                .asString();
        String less = ask(add("Staff", ", \"importance\": \"LESS\""), second, 10, "")
                .at("/id")
                .asString();
        JsonNode calls = chef.get("/api/course?days=3").at("/calls");
        Map<String, JsonNode> byId = calls.valueStream()
                .collect(Collectors.toMap(call -> call.path("id").asString(), call -> call));
        assertThat(byId.get(most).path("lateMin").asLong()).as("%s", calls).isZero();
        assertThat(byId.get(most).path("missing").asDouble()).isZero();
        assertThat(byId.get(less).path("lateMin").asLong() > 0
                        || byId.get(less).path("missing").asDouble() > 0)
                .as("%s", calls)
                .isTrue();
    }

    /** What a version before this knew less of is made anew from what happened. */
    @Test
    void aLotWhoseContentsNobodyHasWrittenDownIsUnknownUntilItIsMadeAnew() {
        TestBatch batch = TestBatch.accepted(cook, 6).stored(5);
        String lot = batch.page().at("/lotId").asString();
        TestKitchen.keeper().update("UPDATE lot SET contents = NULL WHERE id = ?", lot);
        assertThat(cook.get("/api/lots/" + lot).at("/allergensUnknown").asBoolean())
                .isTrue();
        TestKitchen.bean(Batches.class).rebuild(TestKitchen.kitchenOf(cook), batch.id());
        JsonNode known = cook.get("/api/lots/" + lot).body();
        assertThat(known.path("allergensUnknown").asBoolean()).isFalse();
        assertThat(known.path("allergens").valueStream().map(JsonNode::asString))
                .contains("CELERY");
    }
}
