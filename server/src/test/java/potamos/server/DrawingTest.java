package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.server.batches.Batches;
import tools.jackson.databind.JsonNode;

/** Stock of one batch in the pot of another. */
@ExtendWith(TestKitchen.class)
class DrawingTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final String pot = TestKitchen.freshPot(cook);

    private JsonNode source(String id) {
        return cook.get("/api/sources")
                .body()
                .valueStream()
                .filter(one -> one.at("/stock/sourceId").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private double left(TestBatch batch) {
        return batch.page().at("/lots/0/leftL").asDouble();
    }

    private static String drew(String source, double litres) {
        return "\"sourceId\": \"%s\", \"litres\": %s".formatted(source, litres);
    }

    private Visitor.Answer charge(String formula, double water, Map<String, Double> draws) {
        return cook.post("/api/charges", TestBatch.chargeWith(pot, formula, water, draws));
    }

    private static List<String> kinds(Visitor.Answer page) {
        return page.at("/events")
                .valueStream()
                .map(one -> one.path("kind").asString())
                .toList();
    }

    @Test
    void aLotIsOfferedWithWhatIsInItAndTheChargeStartsFromThat() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        String lot = stock.lot(0);
        JsonNode offered = source(lot).path("stock");
        assertThat(offered.path("litres").asDouble()).isEqualTo(11);
        assertThat(offered.at("/allergens/0").asString()).isEqualTo("CELERY");
        double gelatin = offered.path("gelatinGPerL").asDouble();
        assertThat(gelatin).isBetween(5.0, 40.0);
        Visitor.Answer half = charge("half-reduction", 8, Map.of(lot, 8.0));
        assertThat(half.at("/waterL").asDouble()).isCloseTo(8, within(1e-6));
        assertThat(half.at("/restL").asDouble()).isCloseTo(0, within(1e-6));
        assertThat(half.at("/allergens/0").asString()).isEqualTo("CELERY");
        assertThat(half.at("/allergensUnknown").asBoolean()).isFalse();
        assertThat(half.at("/forecast/gelatinGPerL").asDouble()).isBetween(1.5 * gelatin, 2.2 * gelatin);
        Visitor.Answer wetted = charge("white-chicken", 15, Map.of(lot, 5.0));
        assertThat(wetted.status()).as("%s", wetted.body()).isEqualTo(200);
        assertThat(wetted.at("/restL").asDouble()).isCloseTo(10, within(1e-6));
        assertThat(wetted.at("/restKind").asString()).isEqualTo("WATER");
    }

    /** On paper and in a table as on the page. */
    @Test
    void theTableOfAChargeNamesTheLotAndNoWater() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        String half = TestBatch.chargeWith(pot, "half-reduction", 8, Map.of(stock.lot(0), 8.0));
        String table =
                new String(cook.post("/api/charges/table.csv", half).raw().body());
        assertThat(table).containsPattern("weigh,White chicken stock [0-9]{6}-[0-9]+,8\\.0000,L");
        assertThat(table).doesNotContain("weigh,water");
        String wetted = TestBatch.chargeWith(pot, "white-chicken", 15, Map.of(stock.lot(0), 5.0));
        assertThat(new String(cook.post("/api/charges/table.csv", wetted).raw().body()))
                .contains("weigh,water,10.0000,L");
    }

    @Test
    void whatIsNotThereIsRefusedWithTheLitresThatAre() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        Visitor.Answer tooMuch = charge("half-reduction", 12, Map.of(stock.lot(0), 12.0));
        assertThat(tooMuch.status()).isEqualTo(422);
        assertThat(tooMuch.at("/fields/draws/high").asDouble()).isEqualTo(11);
        assertThat(tooMuch.reason("draws")).contains("more than is left");
        assertThat(charge("half-reduction", 8, Map.of("no-such-lot", 8.0)).reason("draws"))
                .contains("no such lot");
        assertThat(charge("half-reduction", 8, Map.of(stock.lot(0), 4.0)).reason("draws"))
                .contains("less stock than the pot is filled with");
        assertThat(charge("half-reduction", 8, Map.of(stock.lot(0), -4.0)).status())
                .isEqualTo(422);
    }

    @Test
    void whatIsDrawnLeavesTheLotAndComesBackWhenItIsTakenBack() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        TestBatch half = TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(stock.lot(0), 8.0));
        assertThat(source(stock.lot(0)).path("plannedL").asDouble()).isCloseTo(8, within(1e-6));
        assertThat(charge("half-reduction", 4, Map.of(stock.lot(0), 4.0)).reason("draws"))
                .contains("not planned for another pot");
        assertThat(half.page()
                        .at("/card/due")
                        .valueStream()
                        .map(due -> due.path("kind").asString()))
                .contains("DRAW");
        String act = UUID.randomUUID().toString();
        assertThat(half.tryLog(act, "drew", drew(stock.lot(0), 8)).status()).isEqualTo(200);
        assertThat(half.tryLog(act, "drew", drew(stock.lot(0), 8)).status()).isEqualTo(200);
        assertThat(left(stock)).isCloseTo(3, within(1e-6));
        assertThat(kinds(stock.page()))
                .filteredOn(kind -> kind.equals("drawn-off"))
                .hasSize(1);
        assertThat(half.page().at("/drawnL/" + stock.lot(0)).asDouble()).isEqualTo(8);
        half.log("withdrawn", "\"corrects\": \"%s\"".formatted(act));
        assertThat(left(stock)).isCloseTo(11, within(1e-6));
        assertThat(half.page().at("/drawnL").size()).isZero();
    }

    /** Half of it into a reduction while it is hot; the other half is cooled and put away. */
    @Test
    void stockIsDrawnStraightFromTheStrainedPot() {
        TestBatch stock = TestBatch.accepted(cook, 12).strained();
        assertThat(source(stock.id()).at("/stock/litres").asDouble()).isEqualTo(11);
        TestBatch.drawnWith(cook, "half-reduction", 5.5, Map.of(stock.id(), 5.5))
                .draw();
        assertThat(stock.page().at("/restL").asDouble()).isCloseTo(5.5, within(1e-6));
        assertThat(source(stock.id()).at("/stock/litres").asDouble()).isCloseTo(5.5, within(1e-6));
    }

    /** One of two entries is never logged, nor changed, without the other. */
    @Test
    void neitherBatchTellsOfItWithoutTheOther() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        String lot = stock.lot(0);
        String id = UUID.randomUUID().toString();
        TestBatch half =
                TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(lot, 8.0)).draw();
        assertThat(stock.tryLog(
                                id,
                                "drawn-off",
                                "\"litres\": 1, \"lotId\": \"%s\", \"batchId\": \"%s\"".formatted(lot, half.id()))
                        .reason("kind"))
                .contains("drawn for");
        String off = stock.page()
                .at("/events")
                .valueStream()
                .filter(one -> one.path("kind").asString().equals("drawn-off"))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
        assertThat(stock.tryLog(id, "withdrawn", "\"corrects\": \"%s\"".formatted(off))
                        .reason("corrects"))
                .contains("drawn for");
        assertThat(half.tryLog(id, "drew", drew(half.id(), 1)).status()).isEqualTo(422);
        assertThat(left(stock)).isCloseTo(3, within(1e-6));
    }

    @Test
    void ofTwoTabletsThatDrawTheLastLitresAtOnceOneGetsThemAndTheOtherIsTold() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        String lot = stock.lot(0);
        TestBatch one = TestBatch.drawnWith(cook, "half-reduction", 4, Map.of(lot, 4.0));
        TestBatch other = TestBatch.drawnWith(cook, "half-reduction", 4, Map.of(lot, 4.0));
        stock.log("discarded", "\"litres\": 7, \"words\": \"spilt\", \"lotId\": \"%s\"".formatted(lot));
        List<Integer> answers = Stream.of(one, other)
                .map(batch -> cook.postLater(
                        batch.path(), TestBatch.act(UUID.randomUUID().toString(), "drew", drew(lot, 4))))
                .toList()
                .stream()
                .map(CompletableFuture::join)
                .map(answer -> answer.statusCode())
                .toList();
        assertThat(answers).containsExactlyInAnyOrder(200, 422);
        assertThat(left(stock)).isCloseTo(0, within(1e-6));
        assertThat(kinds(one.page()).size() + kinds(other.page()).size()).isEqualTo(1);
    }

    @Test
    void aStoppedLotGoesIntoNoPot() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        TestBatch half = TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(stock.lot(0), 8.0));
        cook.post("/api/lots/" + stock.lot(0) + "/stop", "{\"reason\": \"smells\"}");
        Visitor.Answer refused = half.tryLog(UUID.randomUUID().toString(), "drew", drew(stock.lot(0), 8));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.at("/detail").asString()).contains("smells");
        assertThat(cook.get("/api/sources")
                        .body()
                        .valueStream()
                        .map(one -> one.at("/stock/sourceId").asString()))
                .doesNotContain(stock.lot(0));
        assertThat(left(stock)).isEqualTo(11);
    }

    /** What was in the stock is in what is made of it, for whoever asked for none. */
    @Test
    void theLotOfAReductionHasWhatItsStockHad() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        TestBatch half = TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(stock.lot(0), 8.0))
                .draw()
                .reduced(8, 4);
        JsonNode lot = cook.get("/api/lots/" + half.lot(0)).body();
        assertThat(lot.path("allergensUnknown").asBoolean()).isFalse();
        assertThat(lot.path("allergens").valueStream().map(JsonNode::asString)).contains("CELERY");
        TestBatch unsaid = TestBatch.drawnWith(cook, "half-reduction", 8, Map.of());
        unsaid.reduced(8, 4);
        assertThat(cook.get("/api/lots/" + unsaid.lot(0))
                        .at("/allergensUnknown")
                        .asBoolean())
                .isTrue();
    }

    /** What a screen says is in the stock counts for nothing: it is looked up. */
    @Test
    void nobodyTalksTheAllergensAway() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        TestBatch half = TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(stock.lot(0), 8.0));
        half.log("drew", drew(stock.lot(0), 8) + ", \"allergens\": \"\", \"unknown\": false, \"saltGPerL\": 50");
        assertThat(half.page().at("/draws/0/allergens/0").asString()).isEqualTo("CELERY");
        assertThat(half.page().at("/draws/0/saltGPerL").asDouble()).isLessThan(2);
    }

    @Test
    void theTableOfDrawingsIsRebuiltFromTheEvents() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(stock.lot(0), 8.0))
                .draw();
        JdbcTemplate sql = TestKitchen.bean(JdbcTemplate.class);
        String all = "SELECT * FROM drawing WHERE batch_id = ?";
        List<Map<String, Object>> drawn = sql.queryForList(all, stock.id());
        assertThat(drawn).hasSize(1);
        sql.update("DELETE FROM drawing WHERE batch_id = ?", stock.id());
        TestKitchen.bean(Batches.class).rebuild(TestKitchen.kitchenOf(cook), stock.id());
        assertThat(sql.queryForList(all, stock.id())).isEqualTo(drawn);
    }

    @Test
    void whatABatchThatIsGivenUpWasToBeDrawnWithIsFreeAgain() {
        TestBatch stock = TestBatch.accepted(cook, 12).stored(11);
        TestBatch half = TestBatch.drawnWith(cook, "half-reduction", 8, Map.of(stock.lot(0), 8.0));
        half.log("abandoned", "\"words\": \"another day\"");
        assertThat(source(stock.lot(0)).path("plannedL").asDouble()).isZero();
    }
}
