package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.server.TestBatch.today;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.server.batches.Batches;
import tools.jackson.databind.JsonNode;

/** What comes in, what is left of it, and which batch took what. */
@ExtendWith(TestKitchen.class)
class LarderTest {

    private static final String BOXES = "/api/larder/boxes";

    private final Visitor cook = Visitor.signedIn("ilse");

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    private static String carcass(String id, double kg, String more) {
        return """
                {"id": "%s", "goods": "chicken-carcass", "kg": %s, "useBy": "%s", "doorC": 2.5, "supplier": "Hill Farm",
                 "supplierLot": "HF-1"%s}
                """.formatted(id, kg, today().plusDays(3), more);
    }

    private String box(double kg) {
        String id = newId();
        Visitor.Answer in = cook.post(BOXES, carcass(id, kg, ""));
        assertThat(in.status()).as("%s", in.body()).isEqualTo(201);
        return id;
    }

    private double left(String id) {
        return cook.get(BOXES + "/" + id).at("/box/leftKg").asDouble();
    }

    private Visitor.Answer enter(String box, String id, String kind, String more) {
        return cook.post(
                BOXES + "/" + box + "/entries", "{\"id\": \"%s\", \"kind\": \"%s\"%s}".formatted(id, kind, more));
    }

    private static String took(double kg, String box) {
        return "\"part\": \"bed\", \"kg\": %s, \"boxId\": \"%s\"".formatted(kg, box);
    }

    @Test
    void whatCameInStandsThereOnceWithAllThatWasTold() {
        String id = newId();
        String body = carcass(id, 12.5, ", \"pricePerKg\": 2.4, \"note\": \"split\"");
        cook.post(BOXES, body);
        Visitor.Answer again = cook.post(BOXES, body);
        assertThat(again.status()).isEqualTo(201);
        JsonNode box = cook.get(BOXES + "/" + id).at("/box");
        assertThat(box.path("leftKg").asDouble()).isEqualTo(12.5);
        assertThat(box.path("supplierLot").asString()).isEqualTo("HF-1");
        assertThat(box.path("warm").asBoolean()).isFalse();
        assertThat(box.path("takenInBy").asString()).isEqualTo("Ilse Varga");
    }

    @ParameterizedTest
    @CsvSource({
        "moonrock, 1, , 2, , goods",
        "onion, 0, , , , kg",
        "onion, 1e6, , , , kg",
        "chicken-carcass, 5, 3, , , doorC",
        "chicken-carcass, 5, , 2, , useBy",
        "chicken-carcass, 5, -1, 2, , useBy",
        "chicken-carcass, 5, 40000, 2, , useBy",
        "chicken-carcass, 5, 3, 90, , doorC",
        "onion, 1, 3, , -3, pricePerKg",
        "onion, 1, 3, , 1e9, pricePerKg",
    })
    void whatCannotBeIsRefusedBesideItsField(
            String goods, String kg, Integer days, String door, String price, String field) {
        Visitor.Answer answer = cook.post(BOXES, """
                {"id": "%s", "goods": "%s", "kg": %s, "useBy": %s, "doorC": %s, "pricePerKg": %s}
                """.formatted(
                        newId(), goods, kg, days == null ? "null" : "\"" + today().plusDays(days) + "\"", door, price));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(422);
        assertThat(answer.reason(field)).isNotEmpty();
    }

    @Test
    void whatIsWarmAtTheDoorIsMarked() {
        String id = newId();
        cook.post(BOXES, carcass(id, 4, "").replace("2.5", "9.5"));
        assertThat(cook.get(BOXES + "/" + id).at("/box/warm").asBoolean()).isTrue();
    }

    @Test
    void aBatchTakesOutOfSeveralBoxesAndGivesBackWhatIsTakenBack() {
        String first = box(6.2);
        String second = box(5);
        TestBatch batch = TestBatch.accepted(cook, 12);
        batch.log("took", took(6.2, first));
        String act = newId();
        assertThat(batch.tryLog(act, "took", took(2.9, second)).status()).isEqualTo(200);
        assertThat(left(first)).isZero();
        assertThat(left(second)).isEqualTo(2.1);
        assertThat(batch.page().at("/weighedKg/bed").asDouble()).isEqualTo(9.1);
        JsonNode story = cook.get(BOXES + "/" + second).at("/story/0");
        assertThat(story.path("kind").asString()).isEqualTo("TAKEN");
        assertThat(story.path("batchId").asString()).isEqualTo(batch.id());
        batch.log("corrected", "\"corrects\": \"%s\", \"kg\": 3.1, \"reason\": \"misread\"".formatted(act));
        assertThat(left(second)).isEqualTo(1.9);
        batch.log("withdrawn", "\"corrects\": \"%s\"".formatted(act));
        assertThat(left(second)).isEqualTo(5);
    }

    @Test
    void nobodyTakesMoreThanThereIsAlsoNotByACorrection() {
        String box = box(4);
        TestBatch batch = TestBatch.accepted(cook, 12);
        Visitor.Answer tooMuch = batch.tryLog(newId(), "took", took(4.2, box));
        assertThat(tooMuch.status()).isEqualTo(422);
        assertThat(tooMuch.at("/fields/kg/high").asDouble()).isEqualTo(4);
        assertThat(batch.page().at("/weighedKg/bed").isMissingNode()).isTrue();
        String act = newId();
        batch.tryLog(act, "took", took(3, box));
        Visitor.Answer corrected = batch.tryLog(
                newId(), "corrected", "\"corrects\": \"%s\", \"kg\": 4.5, \"reason\": \"misread\"".formatted(act));
        assertThat(corrected.reason("kg")).contains("more than is left");
        assertThat(left(box)).isEqualTo(1);
        assertThat(batch.page().at("/weighedKg/bed").asDouble()).isEqualTo(3);
    }

    /** Two tablets draw the last four kilograms for two batches: one gets them, the other is told. */
    @Test
    void theLastKilogramsGoToOneOfTwo() throws Exception {
        String box = box(4);
        List<TestBatch> batches = List.of(TestBatch.accepted(cook, 12), TestBatch.accepted(cook, 12));
        CountDownLatch go = new CountDownLatch(1);
        var both = Executors.newFixedThreadPool(2);
        try {
            List<Future<Integer>> answers = batches.stream()
                    .map(batch -> both.submit(() -> {
                        go.await();
                        return batch.tryLog(newId(), "took", took(4, box)).status();
                    }))
                    .toList();
            go.countDown();
            assertThat(Stream.of(answers.get(0).get(), answers.get(1).get())).containsExactlyInAnyOrder(200, 422);
        } finally {
            both.shutdown();
        }
        assertThat(left(box)).isZero();
    }

    @Test
    void whatIsSomethingElseOrPastItsDayOrStoppedOrFrozenDoesNotGoIn() {
        TestBatch batch = TestBatch.accepted(cook, 12);
        String onion = newId();
        cook.post(BOXES, "{\"id\": \"%s\", \"goods\": \"onion\", \"kg\": 5}".formatted(onion));
        assertThat(batch.tryLog(newId(), "took", took(2, onion)).reason("boxId"))
                .contains("not what goes in here");
        String stopped = box(9);
        assertThat(enter(stopped, newId(), "STOPPED", "").reason("reason")).isNotEmpty();
        enter(stopped, newId(), "STOPPED", ", \"reason\": \"the butcher called\"");
        assertThat(batch.tryLog(newId(), "took", took(2, stopped)).reason("boxId"))
                .contains("stopped");
        enter(stopped, newId(), "RELEASED", "");
        assertThat(batch.tryLog(newId(), "took", took(2, stopped)).status()).isEqualTo(200);
        String frozen = newId();
        cook.post(
                BOXES, carcass(frozen, 9, ", \"frozen\": true, \"thickCm\": 8").replace("2.5", "-19"));
        assertThat(batch.tryLog(newId(), "took", took(2, frozen)).reason("boxId"))
                .contains("thawed");
        assertThat(batch.tryLog(newId(), "took", took(2, newId())).status()).isEqualTo(404);
        String old = box(9);
        TestKitchen.keeper().update("UPDATE larder_box SET use_by = ? WHERE id = ?", today().minusDays(1), old);
        assertThat(batch.tryLog(newId(), "took", took(2, old)).reason("boxId")).contains("past its use-by");
    }

    @Test
    void whatThawsIsSoftAfterItsTimeAndThenKeepsADay() {
        String box = newId();
        cook.post(BOXES, carcass(box, 6, ", \"frozen\": true, \"thickCm\": 6").replace("2.5", "-19"));
        assertThat(enter(box(3), newId(), "THAWING", "").status()).isEqualTo(409);
        JsonNode thawing = enter(box, newId(), "THAWING", "").at("/box");
        assertThat(thawing.path("refused").asString()).isEqualTo("FROZEN");
        java.time.Instant soft = java.time.Instant.parse(thawing.path("softAt").asString());
        assertThat(java.time.Duration.between(TestBatch.now(), soft).toHours()).isBetween(8L, 40L);
        assertThat(LocalDate.parse(thawing.path("useBy").asString()))
                .isEqualTo(soft.atZone(ZoneId.of("Europe/Zurich")).toLocalDate().plusDays(1));
    }

    @Test
    void aCountStandsAndWhatItChangesIsInTheStory() {
        String box = box(10);
        String count = newId();
        enter(box, count, "COUNTED", ", \"kg\": 8.4");
        enter(box, count, "COUNTED", ", \"kg\": 8.4");
        assertThat(left(box)).isEqualTo(8.4);
        enter(box, newId(), "TAKEN_OUT", ", \"kg\": 0.4, \"reason\": \"staff meal\"");
        Visitor.Answer more = enter(box, newId(), "TAKEN_OUT", ", \"kg\": 9");
        assertThat(more.at("/fields/kg/high").asDouble()).isBetween(8.0, 8.001);
        JsonNode page = cook.get(BOXES + "/" + box).body();
        assertThat(page.at("/box/leftKg").asDouble()).isEqualTo(8.0);
        assertThat(page.path("story").valueStream().map(one -> one.path("kg").asDouble()))
                .containsExactly(-1.6, -0.4);
    }

    /** Trim is weighed, dated, and runs out ninety days after. */
    @Test
    void trimIsAPartOfIt() {
        String id = newId();
        Visitor.Answer put = Visitor.signedIn("wen").post(BOXES, """
                {"id": "%s", "goods": "fennel", "kg": 1.5, "cameOn": "%s", "trim": true}
                """.formatted(id, today().minusDays(2)));
        assertThat(put.at("/useBy").asString()).isEqualTo(today().plusDays(88).toString());
        assertThat(put.at("/frozen").asBoolean()).isTrue();
        Visitor.Answer bones = cook.post(BOXES, """
                {"id": "%s", "goods": "chicken-carcass", "kg": 1.5, "trim": true}
                """.formatted(newId()));
        assertThat(bones.reason("goods")).contains("bones");
    }

    @Test
    void aChargeSaysWhatTheLarderHasOfIt() {
        String id = newId();
        cook.post(BOXES, """
                {"id": "%s", "goods": "parsnip", "kg": 0.3, "cameOn": "%s", "trim": true}
                """.formatted(id, today().minusDays(40)));
        JsonNode cover = cook.post("/api/charges", """
                        {"formula": "white-chicken", "goal": "BED", "value": 10, "swaps": {"carrot": "parsnip"}}
                        """)
                .at("/larder")
                .valueStream()
                .filter(one -> one.path("goods").asString().equals("parsnip"))
                .findFirst()
                .orElseThrow();
        assertThat(cover.path("thereKg").asDouble()).isEqualTo(0.3);
        assertThat(cover.path("trimKg").asDouble()).isEqualTo(0.3);
        assertThat(cover.path("lacksKg").asDouble())
                .isEqualTo(cover.path("wantedKg").asDouble() - 0.3);
    }

    @Test
    void aBatchIsToldWhichBoxesItCanBeWeighedOutOf() {
        String sooner = newId();
        cook.post(BOXES, carcass(sooner, 2, "").replace(today().plusDays(3).toString(), today().toString()));
        box(20);
        TestBatch batch = TestBatch.accepted(cook, 12);
        JsonNode bed = cook.get("/api/batches/" + batch.id() + "/larder")
                .body()
                .valueStream()
                .filter(one -> one.path("part").asString().equals("bed"))
                .findFirst()
                .orElseThrow();
        double offered = bed.path("offers")
                .valueStream()
                .mapToDouble(offer -> offer.path("takeKg").asDouble())
                .sum();
        assertThat(offered).isCloseTo(bed.path("wantedKg").asDouble(), within(1e-6));
        List<String> taken = bed.path("offers")
                .valueStream()
                .filter(offer -> offer.path("takeKg").asDouble() > 0)
                .map(offer -> offer.path("boxId").asString())
                .toList();
        assertThat(taken).as("what has to go first").contains(sooner);
    }

    @Test
    void aTableComesInWholeOrNotAtAll() {
        String good =
                "goods;kg;use by;door c;supplier;supplier lot\nveal knuckle and breast;12,5;%s;1.5;Hill Farm;T-77\nonion;20;;;;\n"
                        .formatted(today().plusDays(4));
        Visitor.Answer in = cook.post("/api/larder/table", "text/csv", good);
        assertThat(in.status()).as("%s", in.body()).isEqualTo(200);
        assertThat(in.body().size()).isEqualTo(2);
        String id = in.at("/0/id").asString();
        assertThat(cook.post("/api/larder/table", "text/csv", good).at("/0/id").asString())
                .isEqualTo(id);
        Visitor.Answer bad = cook.post("/api/larder/table", "text/csv", good + "moonrock;1;;;;\nonion;-2;;;;\n");
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.reason("line 4: goods")).isNotEmpty();
        assertThat(bad.at("/fields").propertyNames()).containsExactly("line 4: goods", "line 5: kg");
        // A heading is known however a spreadsheet spells it.
        String spelled = good.replace("use by", "Use_By").replace("Hill Farm", "Dale Farm");
        assertThat(cook.post("/api/larder/table", "text/csv", spelled)
                        .at("/0/useBy")
                        .asString())
                .isEqualTo(in.at("/0/useBy").asString());
        String csv = new String(cook.get("/api/larder/boxes.csv").raw().body());
        assertThat(csv).contains(id).contains("12.500").contains("T-77");
    }

    @Test
    void theCourseKnowsWhatTheLarderHasAndLacks() {
        CourseKitchen kitchen = new CourseKitchen();
        kitchen.call(6, java.time.Duration.ofHours(20));
        String id = newId();
        kitchen.chef.post(BOXES, carcass(id, 1.5, ""));
        JsonNode bones = kitchen.chef
                .get("/api/course/provisions?days=3")
                .body()
                .valueStream()
                .filter(one -> one.path("goods").asString().equals("chicken-carcass"))
                .findFirst()
                .orElseThrow();
        assertThat(bones.path("thereKg").asDouble()).isEqualTo(1.5);
        assertThat(bones.path("lacksKg").asDouble())
                .isEqualTo(bones.path("wantedKg").asDouble() - 1.5);
        assertThat(new String(
                        kitchen.chef.get("/api/course/needs.csv?days=3").raw().body()))
                .contains("lacks kg")
                .contains("1.500");
    }

    @Test
    void anotherKitchensBoxLeadsNowhere() {
        String box = box(9);
        Visitor other = TestKitchen.cookOfAnotherKitchen();
        assertThat(other.get(BOXES + "/" + box).status()).isEqualTo(404);
        assertThat(other.post(BOXES, carcass(box, 3, "")).status()).isEqualTo(409);
        assertThat(left(box)).isEqualTo(9);
    }

    @Test
    void aStationHasNoBusinessInItAndAReviewerOnlyLooks() {
        assertThat(Visitor.signedIn("bram").get("/api/larder").status()).isEqualTo(403);
        Visitor reviewer = Visitor.signedIn("marta");
        assertThat(reviewer.get("/api/larder").status()).isEqualTo(200);
        assertThat(reviewer.post(BOXES, carcass(newId(), 1, "")).status()).isEqualTo(403);
    }

    @Test
    void whatBatchesTookIsRebuiltFromTheirEvents() {
        String box = box(12);
        TestBatch batch = TestBatch.accepted(cook, 12);
        batch.log("took", took(9.05, box));
        JdbcTemplate sql = TestKitchen.bean(JdbcTemplate.class);
        var before = sql.queryForList("SELECT * FROM larder_taking WHERE batch_id = ?", batch.id());
        sql.update("DELETE FROM larder_taking WHERE batch_id = ?", batch.id());
        TestKitchen.bean(Batches.class).rebuild(TestKitchen.kitchenOf(cook), batch.id());
        assertThat(sql.queryForList("SELECT * FROM larder_taking WHERE batch_id = ?", batch.id()))
                .isEqualTo(before)
                .hasSize(1);
        assertThat(left(box)).isEqualTo(2.95);
    }
}
