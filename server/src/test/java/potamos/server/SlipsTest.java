package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.server.batches.Batches;
import tools.jackson.databind.JsonNode;

/** From the pot or the shelf to a station, and what the station says of it. */
@ExtendWith(TestKitchen.class)
class SlipsTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final Visitor sauce = Visitor.signedIn("priya");
    private final String station = station("Sauce");

    private String station(String name) {
        return cook.get("/api/kitchen/stations")
                .body()
                .valueStream()
                .filter(one -> one.path("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
    }

    private Visitor.Answer deliver(TestBatch batch, String id, double litres, String more) {
        return batch.tryLog(
                id, "delivered", "\"litres\": %s, \"stationId\": \"%s\"%s".formatted(litres, station, more));
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private JsonNode slip(Visitor who, String id) {
        return who.get("/api/deliveries")
                .body()
                .valueStream()
                .filter(one -> one.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static Visitor.Answer takeOver(Visitor who, String slip, String act) {
        return who.post(
                "/api/deliveries/" + slip + "/taking-over", "{\"id\": \"%s\", \"celsius\": 3.5}".formatted(act));
    }

    private static Visitor.Answer comeBack(Visitor who, String slip, String fields) {
        return who.post("/api/deliveries/" + slip + "/returns", "{\"id\": \"%s\", %s}".formatted(id(), fields));
    }

    @Test
    void hotLitresGoStraightToAStationAndNeverLukewarm() {
        TestBatch batch = TestBatch.accepted(cook, 12).strained();
        String slip = id();
        Visitor.Answer lukewarm = deliver(batch, slip, 4, ", \"lotId\": \"rest\", \"celsius\": 40");
        assertThat(lukewarm.status()).isEqualTo(422);
        assertThat(lukewarm.reason("celsius")).contains("57 °C or more");
        assertThat(deliver(batch, slip, 4, ", \"lotId\": \"rest\"").reason("celsius"))
                .isNotEmpty();
        assertThat(deliver(batch, slip, 4, ", \"lotId\": \"rest\", \"celsius\": 84")
                        .status())
                .isEqualTo(200);
        assertThat(batch.page().at("/restL").asDouble()).isCloseTo(7, within(1e-9));
        JsonNode theirs = slip(sauce, slip);
        assertThat(theirs.path("celsius").asDouble()).isEqualTo(84);
        assertThat(theirs.path("lotId").isMissingNode() || theirs.path("lotId").isNull())
                .isTrue();
        // What is in it is told of what lies in no lot as well.
        assertThat(theirs.at("/allergens/0").asString()).isEqualTo("CELERY");
        assertThat(theirs.path("allergensUnknown").asBoolean()).isFalse();
    }

    /** Also without a call: what it never has it is never handed. */
    @Test
    void aStationThatNeverHasCeleryIsHandedNone() {
        String name = "No celery " + id().substring(0, 6);
        Visitor chef = Visitor.signedIn("tomaz");
        chef.post("/api/kitchen/stations", "{\"name\": \"%s\", \"without\": [\"CELERY\"]}".formatted(name));
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        Visitor.Answer refused =
                batch.tryLog(id(), "delivered", "\"litres\": 2, \"stationId\": \"%s\"".formatted(station(name)));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.reason("stationId")).contains("celery");
        assertThat(deliver(batch, id(), 2, "").status()).isEqualTo(200);
        chef.delete("/api/kitchen/stations/" + station(name));
    }

    @Test
    void aStationTakesOverWhatItWasHandedAndNobodyElseDoes() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        String slip = id();
        deliver(batch, slip, 4, "");
        String act = id();
        assertThat(takeOver(Visitor.signedIn("bram"), slip, id()).status()).isEqualTo(404);
        assertThat(takeOver(sauce, slip, act).status()).isEqualTo(204);
        assertThat(takeOver(sauce, slip, act).status()).isEqualTo(204);
        assertThat(takeOver(sauce, slip, id()).reason("act")).contains("already");
        JsonNode taken = slip(cook, slip);
        assertThat(taken.path("takenOverBy").asString())
                .isEqualTo(sauce.get("/api/session").at("/person/name").asString());
        assertThat(taken.path("takenOverAt").asString()).isNotEmpty();
        // A station sees slips and no batch, whatever it sends there.
        assertThat(sauce.post(
                                batch.path(),
                                TestBatch.act(id(), "returned", "\"litres\": 1, \"slipId\": \"%s\"".formatted(slip)))
                        .status())
                .isEqualTo(403);
        assertThat(takeOver(sauce, id(), id()).status()).isEqualTo(404);
    }

    @Test
    void whatComesBackColdLiesInItsLotAgainAndWarmItIsThrownAway() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        String slip = id();
        deliver(batch, slip, 5, "");
        assertThat(comeBack(sauce, slip, "\"litres\": 2, \"celsius\": 4, \"reason\": \"a table less\"")
                        .status())
                .isEqualTo(204);
        assertThat(batch.page().at("/lots/0/leftL").asDouble()).isCloseTo(8, within(1e-9));
        assertThat(comeBack(sauce, slip, "\"litres\": 1, \"celsius\": 20").status())
                .isEqualTo(204);
        assertThat(batch.page().at("/lots/0/leftL").asDouble()).isCloseTo(8, within(1e-9));
        assertThat(batch.page().at("/discardedL").asDouble()).isCloseTo(1, within(1e-9));
        assertThat(slip(cook, slip).path("backL").asDouble()).isEqualTo(3);
        Visitor.Answer tooMuch = comeBack(sauce, slip, "\"litres\": 2.5");
        assertThat(tooMuch.status()).isEqualTo(422);
        assertThat(tooMuch.at("/fields/litres/high").asDouble()).isCloseTo(2, within(1e-9));
        assertThat(comeBack(sauce, slip, "\"celsius\": 4").reason("litres")).isNotEmpty();
        assertThat(comeBack(Visitor.signedIn("bram"), slip, "\"litres\": 1").status())
                .isEqualTo(404);
    }

    @Test
    void theSlipsOfADayComeAsATableAndOnPaperAndAStationSeesItsOwn() throws IOException {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        String slip = id();
        deliver(batch, slip, 3.25, "");
        takeOver(sauce, slip, id());
        LocalDate day = TestBatch.today();
        String table = new String(
                cook.get("/api/deliveries/slips.csv?day=" + day).raw().body());
        List<String> ours = table.lines().filter(line -> line.contains("3.250")).toList();
        assertThat(table.lines().findFirst().orElseThrow()).startsWith("station,stock,lot,litres,back_litres");
        assertThat(ours).hasSize(1);
        assertThat(ours.get(0)).startsWith("Sauce,White chicken stock,");
        String theirs = new String(Visitor.signedIn("bram")
                .get("/api/deliveries/slips.csv?day=" + day)
                .raw()
                .body());
        assertThat(theirs).doesNotContain("3.250");
        byte[] paper = cook.get("/api/deliveries/slips.pdf?day=" + day).raw().body();
        try (PDDocument pdf = Loader.loadPDF(paper)) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("Handed out")
                    .contains("Sauce")
                    .contains("taken over by");
        }
        assertThat(cook.get("/api/deliveries/slips.csv?day=soon").status()).isIn(400, 422);
    }

    @Test
    void theTableOfSlipsIsRebuiltFromTheEvents() {
        TestBatch batch = TestBatch.accepted(cook, 12).strained();
        String hot = id();
        deliver(batch, hot, 4, ", \"lotId\": \"rest\", \"celsius\": 84");
        takeOver(sauce, hot, id());
        comeBack(sauce, hot, "\"litres\": 1");
        JdbcTemplate sql = TestKitchen.bean(JdbcTemplate.class);
        String all = "SELECT * FROM delivery WHERE batch_id = ?";
        List<Map<String, Object>> slips = sql.queryForList(all, batch.id());
        assertThat(Stream.of("celsius", "back_litres")
                        .map(column -> slips.get(0).get(column)))
                .containsExactly(84.0, 1.0);
        sql.update("DELETE FROM delivery WHERE batch_id = ?", batch.id());
        TestKitchen.bean(Batches.class).rebuild(TestKitchen.kitchenOf(cook), batch.id());
        assertThat(sql.queryForList(all, batch.id())).isEqualTo(slips);
    }
}
