package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.server.batches.Batches;

@ExtendWith(TestKitchen.class)
class BatchesTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    @Test
    void aWholeLifeLeavesALotDeliveriesAndAClosedLedger() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        Visitor.Answer page = batch.page();
        assertThat(page.at("/card/stage").asString()).isEqualTo("ON_SHELF");
        assertThat(page.at("/card/cooling/overall").asString()).isEqualTo("PASSED");
        assertThat(ledgerError(page)).isCloseTo(0, within(1e-9));
        assertThat(page.at("/ledger/unexplainedL").asDouble()).isNotZero();
        String lot = page.at("/lotId").asString();
        Visitor.Answer shelf = cook.get("/api/lots/" + lot);
        assertThat(shelf.at("/leftL").asDouble()).isEqualTo(11);
        assertThat(shelf.at("/allergens/0").asString()).isEqualTo("CELERY");
        assertThat(shelf.at("/useBy").asString()).isNotEmpty();
    }

    @Test
    void twoSlipsLeaveTheRestAndNoMoreGoesOutThanIsThere() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        batch.log("delivered", "\"litres\": 6, \"stationId\": \"%s\"".formatted(station(0)));
        batch.log("delivered", "\"litres\": 3, \"stationId\": \"%s\"".formatted(station(1)));
        assertThat(batch.page().at("/card/shelfL").asDouble()).isCloseTo(2, within(1e-9));
        Visitor.Answer more =
                batch.tryLog(newId(), "delivered", "\"litres\": 5, \"stationId\": \"%s\"".formatted(station(0)));
        assertThat(more.status()).isEqualTo(422);
        assertThat(more.at("/fields/litres/high").asDouble()).isCloseTo(2, within(1e-9));
    }

    @Test
    void theSameActSentTwiceIsLoggedOnce() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String act = TestBatch.act(newId(), "skimmed", "\"litres\": 0.1");
        assertThat(cook.post(batch.path(), act).status()).isEqualTo(200);
        assertThat(cook.post(batch.path(), act).status()).isEqualTo(200);
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(1);
    }

    @Test
    void twoTabletsLoggingAtOnceLoseNothingAndDoubleNothing() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Visitor other = Visitor.signedIn("tomaz");
        List<CompletableFuture<HttpResponse<byte[]>>> sent = IntStream.range(0, 24)
                .mapToObj(i -> (i % 2 == 0 ? cook : other)
                        .postLater(batch.path(), TestBatch.act(newId(), "skimmed", "\"litres\": 0.01")))
                .toList();
        assertThat(sent)
                .allSatisfy(answer -> assertThat(answer.join().statusCode()).isEqualTo(200));
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(24);
    }

    @Test
    void twoTabletsJudgingTheSameEndAgreeOnTheFirst() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(170);
        Visitor other = Visitor.signedIn("tomaz");
        List<Integer> answers = List.of(
                        cook.postLater(batch.path(), TestBatch.act(newId(), "judged-enough", "")),
                        other.postLater(batch.path(), TestBatch.act(newId(), "judged-enough", "")))
                .stream()
                .map(answer -> answer.join().statusCode())
                .sorted()
                .toList();
        assertThat(answers).containsExactly(200, 422);
    }

    /** A vessel is taken for its time: the same hour is refused, another hour is not. */
    @Test
    void aVesselInUseTakesNoSecondPlanAtThatTime() {
        String pot = TestKitchen.freshPot(cook);
        assertThat(cook.post("/api/batches", TestBatch.acceptance(newId(), pot, 12, null))
                        .status())
                .isEqualTo(201);
        String start = cook.post("/api/charges", TestBatch.charge(pot, 12, ""))
                .at("/plan/startAt")
                .asString();
        Visitor.Answer beside = cook.post("/api/batches", TestBatch.acceptance(newId(), pot, 12, null));
        assertThat(beside.status()).isEqualTo(201);
        Visitor.Answer same = cook.post("/api/batches", TestBatch.acceptanceAt(newId(), pot, start));
        assertThat(same.status()).isEqualTo(409);
        assertThat(same.reason("vesselId")).contains("in use");
    }

    @Test
    void nothingIsFilledIntoAVesselThatAnotherBatchIsStillIn() {
        String pot = TestKitchen.freshPot(cook);
        TestBatch first = TestBatch.acceptedIn(cook, pot, 8);
        TestBatch second = TestBatch.acceptedIn(cook, pot, 8);
        first.simmering();
        second.log("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        Visitor.Answer refused = second.tryLog(newId(), "filled", "\"litres\": 15.3, \"celsius\": 12");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reason("vessel")).contains("still has batch");
        first.log("abandoned", "\"words\": \"power cut\"");
        second.log("filled", "\"litres\": 15.3, \"celsius\": 12");
    }

    @Test
    void twoPlansForOneVesselAtOnceGiveOneBatch() {
        String pot = TestKitchen.freshPot(cook);
        String start = TestBatch.now().plus(Duration.ofHours(3)).toString();
        List<Integer> answers = IntStream.range(0, 4)
                .mapToObj(i -> cook.postLater("/api/batches", TestBatch.acceptanceAt(newId(), pot, start)))
                .toList()
                .stream()
                .map(answer -> answer.join().statusCode())
                .sorted()
                .toList();
        assertThat(answers).containsExactly(201, 409, 409, 409);
    }

    @Test
    void aChargeThatDoesNotFitIsNotAccepted() {
        String pot = TestKitchen.freshPot(cook);
        Visitor.Answer answer = cook.post("/api/batches", TestBatch.acceptance(newId(), pot, 60, null));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reason("charge")).contains("does not fit");
    }

    @Test
    void figuresThatCannotBeAreRefusedAndNothingIsWritten() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        int before = batch.page().at("/events").size();
        assertThat(batch.tryLog(newId(), "temperature-read", "\"celsius\": 400")
                        .at("/fields/celsius/high")
                        .asDouble())
                .isBetween(95.0, 110.0);
        assertThat(batch.tryLog(newId(), "topped-up", "\"litres\": 80, \"celsius\": 85")
                        .at("/fields/litres/high")
                        .asDouble())
                .isBetween(1.0, 30.0);
        assertThat(batch.tryLog(newId(), "level-read", "").reason("belowRimCm")).contains("needed");
        assertThat(batch.tryLog(newId(), "skimmed", "\"litres\": \"a bit\"").reason("litres"))
                .contains("something else");
        assertThat(batch.tryLog(newId(), "skimmed", "\"litres\": 0.1, \"kg\": 2")
                        .reason("kg"))
                .contains("no such figure");
        assertThat(batch.tryLog(newId(), "skimmed", "\"litres\": 1e999").reason("litres"))
                .contains("outside");
        assertThat(batch.tryLog(newId(), "juggled", "").reason("kind")).contains("nobody knows");
        assertThat(batch.tryLog(newId(), "strained", "\"litres\": 11").reason("act"))
                .contains("judge");
        assertThat(batch.page().at("/events").size()).isEqualTo(before);
    }

    @Test
    void aTimeThatHasNotComeYetIsRefused() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String ahead = """
                {"id": "%s", "kind": "first-foam", "at": "%s"}
                """.formatted(newId(), TestBatch.now().plusSeconds(3600));
        assertThat(cook.post(batch.path(), ahead).reason("at")).contains("not come yet");
    }

    @Test
    void aCorrectionKeepsBothFiguresAndWhy() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String act = newId();
        batch.tryLog(act, "topped-up", "\"litres\": 3, \"celsius\": 85");
        batch.log(
                "corrected",
                "\"corrects\": \"%s\", \"litres\": 2, \"celsius\": 85, \"reason\": \"small jug\"".formatted(act));
        for (var event : batch.page().at("/events")) {
            if (event.path("id").asString().equals(act)) {
                assertThat(event.at("/figures/litres").asDouble()).isEqualTo(3);
                assertThat(event.at("/correctedTo/litres").asDouble()).isEqualTo(2);
                assertThat(event.at("/reason").asString()).isEqualTo("small jug");
                return;
            }
        }
        throw new AssertionError("the entry is gone");
    }

    @Test
    void aTraineeLogsButDoesNotJudgeAndTakesBackOnlyTheirOwn() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Visitor trainee = Visitor.signedIn("wen");
        String own = newId();
        assertThat(trainee.post(batch.path(), TestBatch.act(own, "skimmed", "\"litres\": 0.1"))
                        .status())
                .isEqualTo(200);
        assertThat(trainee.post(batch.path(), TestBatch.act(newId(), "judged-enough", ""))
                        .status())
                .isEqualTo(403);
        assertThat(trainee.post(
                                batch.path(),
                                TestBatch.act(newId(), "withdrawn", "\"corrects\": \"%s\"".formatted(own)))
                        .status())
                .isEqualTo(200);
        String others = newId();
        cook.post(batch.path(), TestBatch.act(others, "skimmed", "\"litres\": 0.1"));
        assertThat(trainee.post(
                                batch.path(),
                                TestBatch.act(newId(), "withdrawn", "\"corrects\": \"%s\"".formatted(others)))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void theTablesOfLotsAndDeliveriesAreRebuiltFromTheEvents() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        batch.log("delivered", "\"litres\": 4, \"stationId\": \"%s\"".formatted(station(0)));
        JdbcTemplate sql = TestKitchen.bean(JdbcTemplate.class);
        List<Map<String, Object>> lots = sql.queryForList("SELECT * FROM lot WHERE batch_id = ?", batch.id());
        List<Map<String, Object>> slips = sql.queryForList("SELECT * FROM delivery WHERE batch_id = ?", batch.id());
        sql.update("DELETE FROM delivery WHERE batch_id = ?", batch.id());
        sql.update("DELETE FROM lot WHERE batch_id = ?", batch.id());
        sql.update("UPDATE batch SET stage = 'WEIGH_IN' WHERE id = ?", batch.id());
        TestKitchen.bean(Batches.class).rebuild(TestKitchen.kitchenOf(cook), batch.id());
        assertThat(sql.queryForList("SELECT * FROM lot WHERE batch_id = ?", batch.id()))
                .isEqualTo(lots);
        assertThat(sql.queryForList("SELECT * FROM delivery WHERE batch_id = ?", batch.id()))
                .isEqualTo(slips);
        assertThat(sql.queryForObject("SELECT stage FROM batch WHERE id = ?", String.class, batch.id()))
                .isEqualTo("ON_SHELF");
    }

    @Test
    void theRecordComesAsATableAndAsJson() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        batch.log("noted", "\"words\": \"=1+1, said the spreadsheet\"");
        String csv = new String(
                cook.get("/api/batches/" + batch.id() + "/record.csv").raw().body(), StandardCharsets.UTF_8);
        assertThat(csv.lines().findFirst().orElseThrow()).startsWith("seq,at,recorded_at,initials,name,act");
        int litres = List.of(csv.lines().findFirst().orElseThrow().split(",")).indexOf("litres");
        assertThat(csv.lines().filter(line -> line.contains(",IV,Ilse Varga,filled,")))
                .singleElement()
                .satisfies(line -> assertThat(line.split(",")[litres]).isEqualTo("15.3"));
        assertThat(csv).contains("'=1+1");
        Visitor.Answer json = cook.get("/api/batches/" + batch.id() + "/record.json");
        assertThat(json.at("/events").size()).isEqualTo((int) csv.lines().count() - 1);
    }

    @Test
    void anAbandonedBatchFreesItsVesselAndItsCall() {
        TestBatch batch = TestBatch.accepted(cook, 12);
        String vessel = batch.page().at("/card/vessel/id").asString();
        batch.log("abandoned", "\"words\": \"no bones came\"");
        assertThat(cook.post("/api/batches", TestBatch.acceptance(newId(), vessel, 12, null))
                        .status())
                .isEqualTo(201);
        assertThat(batch.stage()).isEqualTo("ABANDONED");
    }

    private String station(int index) {
        return cook.get("/api/kitchen/stations").at("/" + index + "/id").asString();
    }

    private static double ledgerError(Visitor.Answer page) {
        double sum = 0;
        for (var entry : page.at("/ledger/entries")) {
            double litres = entry.path("litres").asDouble();
            sum += entry.path("inward").asBoolean() ? litres : -litres;
        }
        return sum
                - page.at("/ledger/yieldL").asDouble()
                - page.at("/ledger/unexplainedL").asDouble();
    }

    @Test
    void aPotGoesToATakenBurnerOnlyBySwapping() {
        Visitor chef = TestKitchen.chefOfAKitchenThatNeverCloses();
        TestBatch one = TestBatch.accepted(chef, 8).simmering();
        TestBatch two = TestBatch.accepted(chef, 8).simmering();
        String mine = burner(one);
        String free = chef.get("/api/kitchen")
                .at("/burners")
                .valueStream()
                .map(b -> b.path("id").asString())
                .filter(id -> !id.equals(mine))
                .findFirst()
                .orElseThrow();
        if (!burner(two).equals(free)) {
            assertThat(onto(chef, two, free, false).status()).isEqualTo(200);
        }
        Visitor.Answer refused = onto(chef, one, free, false);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reason("burnerId")).contains("Swap the two");
        assertThat(burner(one)).isEqualTo(mine);
        assertThat(onto(chef, one, free, true).status()).isEqualTo(200);
        assertThat(burner(one)).isEqualTo(free);
        assertThat(burner(two)).isEqualTo(mine);
    }

    private static Visitor.Answer onto(Visitor who, TestBatch batch, String burner, boolean swap) {
        return who.put(
                "/api/batches/" + batch.id() + "/burner",
                "{\"burnerId\": \"%s\", \"swap\": %s}".formatted(burner, swap));
    }

    private static String burner(TestBatch batch) {
        return batch.page().at("/card/burnerId").asString();
    }
}
