package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.server.batches.Batches;
import tools.jackson.databind.JsonNode;

/** What is left over of a batch: weighed, kept in the larder, and made into something with what was in that batch. */
@ExtendWith(TestKitchen.class)
class LeftOverTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private TestBatch veal() {
        return TestBatch.drawnWith(cook, "brown-veal", 18, Map.of()).strained(9, 18, 300, 13);
    }

    private JsonNode box(String id) {
        return cook.get("/api/larder/boxes/" + id).at("/box");
    }

    private static String took(String box, double kg) {
        return "\"part\": \"bed\", \"boxId\": \"%s\", \"kg\": %s".formatted(box, kg);
    }

    private static List<String> words(JsonNode list) {
        return list.valueStream().map(JsonNode::asString).toList();
    }

    @Test
    void whatCanBeMadeOfItIsOfferedWithItsWeightAndItsHour() {
        JsonNode left = veal().page().at("/left");
        assertThat(left.path("offers")
                        .valueStream()
                        .map(offer -> offer.path("as").asString()))
                .containsExactly("SECOND_WETTING", "PICKED_MEAT", "FAT", "COMPOST");
        assertThat(left.at("/offers/0/aboutKg").asDouble()).isBetween(4.0, 11.0);
        assertThat(left.at("/offers/0/until").asString())
                .isGreaterThan(TestBatch.now().toString());
        assertThat(left.path("notWeighedKg").asDouble())
                .isGreaterThan(left.at("/offers/0/aboutKg").asDouble());
        assertThat(TestBatch.accepted(cook, 12).page().at("/left").isMissingNode())
                .isTrue();
    }

    @Test
    void keptBonesLieInTheLarderAsWhatTheyAreAndOfWhichBatch() {
        TestBatch veal = veal();
        String bones = veal.leftOver("second-wetting", 6.5);
        assertThat(box(bones).path("goods").asString()).isEqualTo("spent-bones");
        assertThat(box(bones).path("leftKg").asDouble()).isEqualTo(6.5);
        assertThat(box(bones).at("/of/batchId").asString()).isEqualTo(veal.id());
        assertThat(box(bones).path("useBy").asString()).isNotEmpty();
        veal.leftOver("compost", 1.5);
        JsonNode left = veal.page().at("/left");
        assertThat(left.at("/weighed/0/boxId").asString()).isEqualTo(bones);
        assertThat(left.at("/weighed/1/boxId").isMissingNode()).isTrue();
        Visitor.Answer tooMuch =
                veal.tryLog(UUID.randomUUID().toString(), "left-over", "\"leftOver\": \"compost\", \"kg\": 78");
        assertThat(tooMuch.status()).isEqualTo(422);
        assertThat(tooMuch.reason("kg")).contains("more than can be left");
    }

    /** A second wetting of these very bones: what was in their stock is in it, and nothing about it is unknown. */
    @Test
    void aSecondWettingKnowsItsBones() {
        String bones = veal().leftOver("second-wetting", 6.5);
        String pot = TestKitchen.freshPot(cook);
        Visitor.Answer charge =
                cook.post("/api/charges", TestBatch.chargeOfLeftover(pot, "second-wetting", 6.5, bones));
        assertThat(charge.at("/allergensUnknown").asBoolean()).isFalse();
        assertThat(words(charge.at("/allergens"))).contains("CELERY");
        TestBatch second = TestBatch.ofLeftover(cook, "second-wetting", 6.5, bones);
        second.log("took", took(bones, 6.5));
        assertThat(box(bones).path("leftKg").asDouble()).isZero();
        second.strained(6.5, 7.8, 180, 5).cooledAndStored(5);
        JsonNode lot = cook.get("/api/lots/" + second.lot(0)).body();
        assertThat(lot.path("allergensUnknown").asBoolean()).isFalse();
        assertThat(words(lot.path("allergens"))).contains("CELERY");
    }

    @Test
    void bonesOfWhichNobodySaysWhoseTheyAreStayUnknownUntilABoxIsTakenFrom() {
        String bones = veal().leftOver("second-wetting", 6.5);
        String unsaid = TestBatch.chargeWith(TestKitchen.freshPot(cook), "second-wetting", 7.8, Map.of());
        assertThat(cook.post("/api/charges", unsaid).at("/allergensUnknown").asBoolean())
                .isTrue();
        TestBatch second = TestBatch.drawnWith(cook, "second-wetting", 7.8, Map.of());
        second.log("took", took(bones, 6.5));
        second.strained(6.5, 7.8, 180, 5).cooledAndStored(5);
        assertThat(cook.get("/api/lots/" + second.lot(0))
                        .at("/allergensUnknown")
                        .asBoolean())
                .isFalse();
    }

    @Test
    void whatAnotherPotTookIsNotTakenBackAndWhatNobodyTookIs() {
        TestBatch veal = veal();
        String bones = veal.leftOver("second-wetting", 6.5);
        TestBatch second = TestBatch.ofLeftover(cook, "second-wetting", 6.5, bones);
        String act = UUID.randomUUID().toString();
        assertThat(second.tryLog(act, "took", took(bones, 6.5)).status()).isEqualTo(200);
        String back = "\"corrects\": \"%s\"".formatted(bones);
        assertThat(veal.tryLog(UUID.randomUUID().toString(), "withdrawn", back).reason("corrects"))
                .contains("another pot");
        second.log("withdrawn", "\"corrects\": \"%s\"".formatted(act));
        veal.log("withdrawn", back);
        assertThat(box(bones).path("kg").asDouble()).isZero();
        assertThat(cook.get("/api/larder/boxes")
                        .body()
                        .valueStream()
                        .map(one -> one.path("id").asString()))
                .doesNotContain(bones);
        String gone = TestBatch.chargeOfLeftover(TestKitchen.freshPot(cook), "second-wetting", 6.5, bones);
        assertThat(cook.post("/api/charges", gone).reason("brought")).contains("nothing is left");
    }

    /** Fat of a stock browns the next one's bones: what was in that stock is in this. */
    @Test
    void renderedFatIsTakenForOilAndBringsWhatWasInIts() {
        String fat = veal().leftOver("fat", 0.4);
        TestBatch next = TestBatch.drawnWith(cook, "brown-poultry", 14, Map.of());
        JsonNode oil = cook.get("/api/batches/" + next.id() + "/larder")
                .body()
                .valueStream()
                .filter(one -> one.path("goods").asString().equals("oil"))
                .findFirst()
                .orElseThrow();
        assertThat(oil.path("offers")
                        .valueStream()
                        .map(offer -> offer.path("boxId").asString()))
                .contains(fat);
        next.log("took", "\"part\": \"oil\", \"boxId\": \"%s\", \"kg\": 0.05".formatted(fat));
        assertThat(box(fat).path("leftKg").asDouble()).isCloseTo(0.35, within(1e-6));
        assertThat(next.tryLog(
                                UUID.randomUUID().toString(),
                                "took",
                                "\"part\": \"onion\", \"boxId\": \"%s\", \"kg\": 0.05".formatted(fat))
                        .reason("boxId"))
                .contains("not what goes in here");
    }

    @Test
    void aTraceGoesThroughTheBonesAndARecallStopsThem() {
        TestBatch veal = veal();
        String bones = veal.leftOver("second-wetting", 6.5);
        String meat = veal.leftOver("picked-meat", 0.8);
        TestBatch second = TestBatch.ofLeftover(cook, "second-wetting", 6.5, bones);
        second.log("took", took(bones, 6));
        JsonNode forward = cook.get("/api/trace?what=" + veal.id()).body();
        assertThat(forward.at("/drawn/0/intoId").asString()).isEqualTo(second.id());
        assertThat(forward.at("/drawn/0/kg").asDouble()).isEqualTo(6);
        JsonNode back = cook.get("/api/trace?what=" + second.id()).body();
        assertThat(back.at("/before/0/id").asString()).isEqualTo(veal.id());
        assertThat(cook.get("/api/trace?what=" + meat).at("/batches/0/id").asString())
                .isEqualTo(veal.id());
        cook.post("/api/trace/recalls", "{\"what\": \"%s\", \"reason\": \"glass\"}".formatted(veal.id()));
        assertThat(box(meat).path("stopped").asString()).isEqualTo("glass");
        assertThat(second.tryLog(UUID.randomUUID().toString(), "took", took(bones, 0.5))
                        .reason("boxId"))
                .contains("stopped");
    }

    @Test
    void theBoxesAreRebuiltFromTheEvents() {
        TestBatch veal = veal();
        String bones = veal.leftOver("second-wetting", 6.5);
        JdbcTemplate sql = TestKitchen.bean(JdbcTemplate.class);
        String row = "SELECT * FROM left_over WHERE box_id = ?";
        List<Map<String, Object>> before = sql.queryForList(row, bones);
        sql.update("DELETE FROM left_over WHERE box_id = ?", bones);
        TestKitchen.bean(Batches.class).rebuild(TestKitchen.kitchenOf(cook), veal.id());
        assertThat(sql.queryForList(row, bones)).isEqualTo(before);
    }
}
