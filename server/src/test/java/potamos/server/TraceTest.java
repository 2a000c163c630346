package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** From a supplier's lot to whoever was handed what, and back; and what is stopped on the way. */
@ExtendWith(TestKitchen.class)
class TraceTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private final String supplierLot = "T-" + UUID.randomUUID().toString().substring(0, 8);

    private String box(double kg) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer in = cook.post("/api/larder/boxes", """
                {"id": "%s", "goods": "chicken-carcass", "kg": %s, "useBy": "%s", "doorC": 2, "supplier": "Hill Farm",
                 "supplierLot": "%s"}
                """.formatted(id, kg, TestBatch.today(), supplierLot));
        assertThat(in.status()).as("%s", in.body()).isEqualTo(201);
        return id;
    }

    /** Taken out of a box, simmered, strained, cooled, and put away in two lots. */
    private TestBatch made(String box) {
        TestBatch batch = TestBatch.accepted(cook, 12);
        batch.log("took", "\"part\": \"bed\", \"kg\": 9, \"boxId\": \"%s\"".formatted(box));
        batch.cold();
        batch.log("stored", "\"litres\": 7, \"containers\": 2");
        batch.log("stored", "\"litres\": 4, \"kept\": \"frozen\", \"container\": \"bag\", \"containers\": 4");
        return batch;
    }

    private String station() {
        return cook.get("/api/kitchen/stations").at("/0/id").asString();
    }

    private static List<String> ids(JsonNode list) {
        return list.valueStream().map(one -> one.path("id").asString()).toList();
    }

    private Visitor.Answer deliver(TestBatch batch, String lot) {
        return batch.tryLog(
                UUID.randomUUID().toString(),
                "delivered",
                "\"litres\": 2, \"stationId\": \"%s\", \"lotId\": \"%s\"".formatted(station(), lot));
    }

    private Visitor.Answer trace(String what) {
        return cook.get("/api/trace?what=" + what);
    }

    @Test
    void aSuppliersLotLeadsToWhoeverWasHandedWhat() {
        TestBatch batch = made(box(20));
        assertThat(deliver(batch, batch.lot(0)).status()).isEqualTo(200);
        JsonNode trace = trace(supplierLot).body();
        assertThat(ids(trace.path("batches"))).containsExactly(batch.id());
        assertThat(trace.at("/taken/0/kg").asDouble()).isEqualTo(9);
        assertThat(ids(trace.path("lots"))).containsExactly(batch.lot(0), batch.lot(1));
        assertThat(trace.at("/lots/1/code").asString()).endsWith("b");
        assertThat(trace.at("/slips/0/litres").asDouble()).isEqualTo(2);
        assertThat(trace.at("/slips/0/by").asString()).isEqualTo("Ilse Varga");
        String csv =
                new String(cook.get("/api/trace.csv?what=" + supplierLot).raw().body());
        assertThat(csv.lines().map(line -> line.split(",")[0]))
                .containsExactly("what", "box", "taken", "batch", "lot", "lot", "slip");
    }

    @Test
    void aLotOfStockLeadsBackToEverythingInIt() {
        String first = box(6);
        String second = box(8);
        TestBatch batch = TestBatch.accepted(cook, 12);
        batch.log("took", "\"part\": \"bed\", \"kg\": 6, \"boxId\": \"%s\"".formatted(first));
        batch.log("took", "\"part\": \"bed\", \"kg\": 3, \"boxId\": \"%s\"".formatted(second));
        batch.stored(11);
        String code = cook.get("/api/lots/" + batch.lot(0)).at("/code").asString();
        JsonNode trace = trace(code).body();
        assertThat(ids(trace.path("boxes"))).containsExactlyInAnyOrder(first, second);
        assertThat(trace.at("/boxes/0/supplier").asString()).isEqualTo("Hill Farm");
        assertThat(trace.path("taken").size()).isEqualTo(2);
    }

    /** Bones, a stock, another that is wetted with it, its reduction, and that reduced again: five generations, found from either end. */
    @Test
    void stockThatIsMadeOfStockIsFollowedToTheEndInBothDirections() {
        TestBatch stock = TestBatch.accepted(cook, 12);
        stock.log("took", "\"part\": \"bed\", \"kg\": 9, \"boxId\": \"%s\"".formatted(box(20)));
        stock.stored(11);
        TestBatch second = TestBatch.drawnWith(cook, "white-chicken", 15.3, Map.of(stock.lot(0), 8.0))
                .draw();
        second.stored(11);
        TestBatch half = TestBatch.drawnWith(cook, "half-reduction", 10, Map.of(second.lot(0), 10.0))
                .draw()
                .reduced(10, 5);
        TestBatch again = TestBatch.drawnWith(cook, "half-reduction", 5, Map.of(half.lot(0), 5.0))
                .draw()
                .reduced(5, 2);
        assertThat(deliver(again, again.lot(0)).status()).isEqualTo(200);
        JsonNode onward = trace(supplierLot).body();
        assertThat(ids(onward.path("batches"))).containsExactly(stock.id(), second.id(), half.id(), again.id());
        assertThat(onward.path("drawn").size()).isEqualTo(3);
        assertThat(onward.at("/slips/0/litres").asDouble()).isEqualTo(2);
        JsonNode back = trace(again.lot(0)).body();
        assertThat(ids(back.path("batches"))).containsExactly(again.id());
        assertThat(ids(back.path("before"))).containsExactly(stock.id(), second.id(), half.id());
        assertThat(back.at("/boxes/0/supplierLot").asString()).isEqualTo(supplierLot);
        // Of a lot in the middle: what it was made of, and what was made of it.
        JsonNode middle = trace(second.lot(0)).body();
        assertThat(ids(middle.path("before"))).containsExactly(stock.id());
        assertThat(ids(middle.path("batches"))).containsExactly(second.id(), half.id(), again.id());
        cook.post("/api/trace/recalls", "{\"what\": \"%s\", \"reason\": \"the farm called\"}".formatted(supplierLot));
        assertThat(cook.get("/api/lots/" + again.lot(0)).at("/stopped").asString())
                .isEqualTo("the farm called");
    }

    @Test
    void whatIsRecalledIsStoppedEverywhereAndReleasedOneByOne() {
        String box = box(20);
        TestBatch batch = made(box);
        String lot = batch.lot(0);
        String body = "{\"what\": \"%s\", \"reason\": \"the butcher called\"}".formatted(supplierLot);
        assertThat(cook.post("/api/trace/recalls", "{\"what\": \"%s\"}".formatted(supplierLot))
                        .reason("reason"))
                .isNotEmpty();
        JsonNode recalled = cook.post("/api/trace/recalls", body).body();
        assertThat(recalled.at("/boxes/0/stopped").asBoolean()).isTrue();
        assertThat(recalled.path("lots")
                        .valueStream()
                        .map(one -> one.path("stopped").asString()))
                .containsOnly("the butcher called");
        Visitor.Answer refused = deliver(batch, lot);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.at("/detail").asString()).contains("the butcher called");
        TestBatch other = TestBatch.accepted(cook, 12);
        assertThat(other.tryLog(
                                UUID.randomUUID().toString(),
                                "took",
                                "\"part\": \"bed\", \"kg\": 2, \"boxId\": \"%s\"".formatted(box))
                        .reason("boxId"))
                .contains("stopped");
        // Sent twice it says nothing twice.
        cook.post("/api/trace/recalls", body);
        assertThat(cook.get("/api/larder/boxes/" + box)
                        .at("/story")
                        .valueStream()
                        .filter(one -> one.path("kind").asString().equals("STOPPED")))
                .hasSize(1);
        assertThat(cook.delete("/api/lots/" + lot + "/stop").at("/stopped").isMissingNode()
                        || cook.get("/api/lots/" + lot).at("/stopped").isNull())
                .isTrue();
        assertThat(deliver(batch, lot).status()).isEqualTo(200);
    }

    /** A lot's rows are made anew with every act of its batch; that it is stopped stays. */
    @Test
    void aStopOutlivesTheNextEntryOfTheBatch() {
        TestBatch batch = made(box(12));
        String lot = batch.lot(0);
        cook.post("/api/lots/" + lot + "/stop", "{\"reason\": \"cloudy, smells\"}");
        batch.log("noted", "\"words\": \"kept apart\"");
        assertThat(cook.get("/api/lots/" + lot).at("/stopped").asString()).isEqualTo("cloudy, smells");
        assertThat(deliver(batch, lot).status()).isEqualTo(409);
    }

    /** It gets no younger in a freezer, nor by coming out of one; it can only be poured away. */
    @Test
    void aLotPastItsLastDayIsNeitherHandedOutNorPutElsewhere() {
        TestBatch batch = made(box(12));
        String lot = batch.lot(0);
        TestKitchen.keeper()
                .update(
                        "UPDATE lot SET use_by = ? WHERE id = ?",
                        TestBatch.today().minusDays(2),
                        lot);
        Visitor.Answer handed = deliver(batch, lot);
        assertThat(handed.status()).isEqualTo(409);
        assertThat(handed.at("/detail").asString()).contains("last day");
        for (String kept : List.of("frozen", "cold")) {
            assertThat(batch.tryLog(
                                    UUID.randomUUID().toString(),
                                    "moved",
                                    "\"lotId\": \"%s\", \"kept\": \"%s\"".formatted(lot, kept))
                            .status())
                    .as(kept)
                    .isEqualTo(409);
        }
        assertThat(cook.get("/api/lots/" + lot).at("/leftL").asDouble()).isEqualTo(7);
        batch.log("discarded", "\"litres\": 7, \"words\": \"too old\", \"lotId\": \"%s\"".formatted(lot));
    }

    @Test
    void whatNobodyHereHasLeadsNowhere() {
        TestBatch batch = made(box(12));
        String code = cook.get("/api/lots/" + batch.lot(0)).at("/code").asString();
        Visitor other = TestKitchen.cookOfAnotherKitchen();
        for (String what : List.of(supplierLot, code, batch.id(), "nothing", "%25", "")) {
            JsonNode trace = other.get("/api/trace?what=" + what).body();
            assertThat(trace.path("boxes").size() + trace.path("batches").size())
                    .as(what)
                    .isZero();
        }
        assertThat(other.post("/api/trace/recalls", "{\"what\": \"%s\", \"reason\": \"mine\"}".formatted(supplierLot))
                        .reason("what"))
                .contains("nothing in this kitchen");
        assertThat(Visitor.signedIn("wen")
                        .post("/api/trace/recalls", "{\"what\": \"%s\", \"reason\": \"x\"}".formatted(supplierLot))
                        .status())
                .isEqualTo(403);
    }

    /** What another program follows: from the box by its id to the batch that it went into, to the lot, to the station. */
    @Test
    void aTraceIsLinkedDataInTermsOfOthers() {
        String box = box(20);
        TestBatch batch = made(box);
        deliver(batch, batch.lot(0));
        JsonNode linked = cook.get("/api/trace.jsonld?what=" + supplierLot).body();
        assertThat(linked.at("/@context/@vocab").asString()).isEqualTo("https://schema.org/");
        JsonNode bought = node(linked, "urn:potamos:box:" + box);
        assertThat(bought.path("@type").asString()).isEqualTo("Product");
        assertThat(bought.at("/size/unitCode").asString()).isEqualTo("KGM");
        assertThat(bought.at("/manufacturer/name").asString()).isEqualTo("Hill Farm");
        JsonNode made = node(linked, "urn:potamos:batch:" + batch.id());
        assertThat(made.path("@type").asString()).isEqualTo("CreateAction");
        assertThat(made.at("/object/0/typeOfGood/@id").asString()).isEqualTo("urn:potamos:box:" + box);
        assertThat(made.at("/object/0/amountOfThisGood").asDouble()).isEqualTo(9);
        assertThat(made.path("result").valueStream().map(one -> one.path("@id").asString()))
                .containsExactly("urn:potamos:lot:" + batch.lot(0), "urn:potamos:lot:" + batch.lot(1));
        JsonNode sent = linked.path("@graph")
                .valueStream()
                .filter(one -> one.path("@type").asString().equals("SendAction"))
                .findFirst()
                .orElseThrow();
        assertThat(sent.at("/object/0/typeOfGood/@id").asString()).isEqualTo("urn:potamos:lot:" + batch.lot(0));
        assertThat(sent.at("/object/0/unitCode").asString()).isEqualTo("LTR");
    }

    private static JsonNode node(JsonNode linked, String id) {
        return linked.path("@graph")
                .valueStream()
                .filter(one -> one.path("@id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Every field that is sent stands in the schema that is published for it. */
    @ParameterizedTest
    @CsvSource({
        "/api/larder, /api/larder/schema.json, BoxView",
        "/api/lots, /api/lots/schema.json, LotView",
        "/api/deliveries, /api/deliveries/schema.json, DeliveryView"
    })
    void whatGoesOutIsAsItsSchemaSays(String list, String schema, String record) {
        TestBatch batch = made(box(20));
        deliver(batch, batch.lot(0));
        JsonNode published = cook.get(schema).body();
        assertThat(published.at("/items/$ref").asString()).isEqualTo("#/$defs/" + record);
        JsonNode properties = published.at("/$defs/" + record + "/properties");
        JsonNode first = cook.get(list).at("/0");
        assertThat(first.propertyNames()).isNotEmpty().allMatch(properties::has);
        published
                .at("/$defs/" + record + "/required")
                .valueStream()
                .forEach(required -> assertThat(first.has(required.asString())).isTrue());
    }

    @Test
    void lotsAreATableWithWhatIsInThem() {
        TestBatch batch = made(box(20));
        String code = cook.get("/api/lots/" + batch.lot(0)).at("/code").asString();
        String table = new String(cook.get("/api/lots.csv").raw().body());
        assertThat(table).startsWith("lot,batch,stock,litres,left_litres,");
        assertThat(table.lines()
                        .filter(line -> line.startsWith(code + ","))
                        .findFirst()
                        .orElseThrow())
                .contains("White chicken stock", ",celery,", ",7.000,7.000,");
    }
}
