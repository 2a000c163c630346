package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.PotEvent;
import potamos.core.quantity.Volume;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Person;
import potamos.server.batches.Batches;
import tools.jackson.databind.JsonNode;

/** What goes wrong in a kitchen, at the edge where its screens meet the server. */
@ExtendWith(TestKitchen.class)
class FaultsTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    /** As a screen does it: an act is sent until it is taken, and the same one again when the answer was that there is none just now. */
    private static void sendUntilTaken(Visitor cook, String path, Map<String, String> acts) {
        for (String act : acts.values()) {
            HttpResponse<byte[]> answer;
            do {
                answer = cook.postLater(path, act).join();
                assertThat(answer.statusCode()).isIn(200, 503);
                if (answer.statusCode() == 503) {
                    assertThat(answer.headers().firstValue("Retry-After")).isPresent();
                }
            } while (answer.statusCode() != 200);
        }
    }

    @Test
    void aDatabaseThatIsAwayForHalfAMinuteLosesNothingAndDoublesNothing() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Map<String, String> acts = new LinkedHashMap<>();
        for (int i = 1; i <= 4; i++) {
            String id = newId();
            acts.put(id, TestBatch.act(id, "skimmed", "\"litres\": 0.0" + i));
        }
        CompletableFuture<Void> sent;
        TestKitchen.database().down();
        try {
            sent = CompletableFuture.runAsync(() -> sendUntilTaken(cook, batch.path(), acts));
            CompletableFuture.runAsync(() -> {}, CompletableFuture.delayedExecutor(30, TimeUnit.SECONDS))
                    .join();
            assertThat(sent).isNotDone();
        } finally {
            TestKitchen.database().up();
        }
        sent.join();
        JsonNode page = batch.page().body();
        assertThat(page.at("/card/simmer/skims").asInt()).isEqualTo(4);
        List<String> logged = StreamSupport.stream(page.at("/events").spliterator(), false)
                .filter(e -> e.path("kind").asString().equals("skimmed"))
                .map(e -> e.path("id").asString())
                .toList();
        assertThat(logged).containsExactlyElementsOf(acts.keySet());
    }

    @Test
    void aStoreThatIsLostOnceTheActIsWrittenClaimsNeitherAndTheActIsThereOnce() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String act = TestBatch.act(newId(), "skimmed", "\"litres\": 0.1");
        Visitor.Answer answer;
        // Somebody who was not here for two minutes is noted with what they ask next, and that note is what fails.
        TestKitchen.keeper().update("UPDATE SPRING_SESSION SET LAST_ACCESS_TIME = LAST_ACCESS_TIME - 120000");
        TestKitchen.keeper().execute("REVOKE UPDATE ON SPRING_SESSION FROM potamos@'127.0.0.1'");
        try {
            answer = cook.post(batch.path(), act);
        } finally {
            TestKitchen.keeper().execute("GRANT UPDATE ON SPRING_SESSION TO potamos@'127.0.0.1'");
        }
        assertThat(answer.status()).isEqualTo(503);
        assertThat(answer.body().path("type").asString()).isEqualTo("urn:potamos:problem:unavailable");
        assertThat(answer.body().path("detail").asString()).contains("not sure");
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(1);
        assertThat(cook.post(batch.path(), act).status()).isEqualTo(200);
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(1);
    }

    @Test
    void twoTabletsJudgingTheSameEndDifferentlyAreOneAfterTheOther() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(170);
        Visitor other = Visitor.signedIn("tomaz");
        var enough = cook.postLater(batch.path(), TestBatch.act(newId(), "judged-enough", ""));
        var notYet = other.postLater(batch.path(), TestBatch.act(newId(), "judged-not-yet", "\"longerMin\": 30"));
        assertThat(enough.join().statusCode()).isEqualTo(200);
        assertThat(notYet.join().statusCode()).isIn(200, 422);
        // Whoever came second is in the record or was told why not; either way the pot is off the heat.
        JsonNode page = batch.page().body();
        long judged = StreamSupport.stream(page.at("/events").spliterator(), false)
                .filter(e -> e.path("kind").asString().startsWith("judged"))
                .count();
        assertThat(judged).isEqualTo(notYet.join().statusCode() == 200 ? 2 : 1);
        assertThat(page.at("/card/simmer/ended").asString()).isNotEmpty();
        if (notYet.join().statusCode() == 422) {
            assertThat(new String(notYet.join().body(), java.nio.charset.StandardCharsets.UTF_8))
                    .contains("the end is already judged");
        }
    }

    @Test
    void aTabletWhoseClockIsTenMinutesAheadIsToldAndNothingIsWritten() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Visitor.Answer ahead =
                cook.post(batch.path(), """
                {"id": "%s", "kind": "skimmed", "litres": 0.1, "at": "%s"}
                """.formatted(newId(), TestBatch.now().plusSeconds(600)));
        assertThat(ahead.status()).isEqualTo(422);
        assertThat(ahead.reason("at")).contains("not come yet");
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isZero();
    }

    @Test
    void aTabletWhoseClockIsTenMinutesBehindFindsItsPlaceInTheRecord() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(30);
        batch.log("level-read", "\"belowRimCm\": 16.5");
        Instant behind = TestBatch.now().minusSeconds(600);
        cook.post(batch.path(), """
                {"id": "%s", "kind": "level-read", "belowRimCm": 15.5, "at": "%s"}
                """.formatted(newId(), behind));
        // The reading that is later on the clock decides, though it came first.
        assertThat(batch.page().at("/card/pot/belowRimCm").asDouble())
                .isCloseTo(16.5, org.assertj.core.api.Assertions.within(0.1));
    }

    /** A screen goes by the server's clock, so a session tells it whatever it is told. */
    @Test
    void theServersClockIsToldWithEverySession() {
        Instant told = Instant.parse(cook.get("/api/session").at("/now").asString());
        assertThat(java.time.Duration.between(told, TestBatch.now()).abs()).isLessThan(java.time.Duration.ofSeconds(5));
    }

    @ParameterizedTest
    @ValueSource(strings = {"400", "-60", "1e9"})
    void aThermometerThatReadsWhatNoPotCanIsRefusedWithItsRange(String celsius) {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Visitor.Answer answer = batch.tryLog(newId(), "temperature-read", "\"celsius\": " + celsius);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.at("/fields/celsius/high").asDouble()).isGreaterThan(90);
        assertThat(batch.page().at("/card/pot/celsius").asDouble()).isLessThan(105);
    }

    @Test
    void aBackupPutBackUnderARunningServerTakesItsLaterEntriesAway() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        int before = batch.page().at("/events").size();
        String gone = newId();
        batch.tryLog(gone, "noted", "\"words\": \"after the backup\"");
        assertThat(batch.page().at("/events").size()).isEqualTo(before + 1);
        JdbcTemplate rows = TestKitchen.keeper();
        rows.update("DELETE FROM batch_event WHERE id = ?", gone);
        assertThat(batch.page().at("/events").size()).isEqualTo(before);
        batch.log("noted", "\"words\": \"told since\"");
        rows.update("DELETE FROM batch_event WHERE batch_id = ? AND seq = ?", batch.id(), before + 1);
        batch.log("noted", "\"words\": \"told again\"");
        JsonNode events = batch.page().at("/events");
        assertThat(events.size()).isEqualTo(before + 1);
        assertThat(events.get(before).at("/figures/words").asString()).isEqualTo("told again");
    }

    @Test
    void aThousandEntriesInOneBatchAreStillOneBatch() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        int before = batch.page().at("/events").size();
        Batches batches = TestKitchen.bean(Batches.class);
        Person person = TestKitchen.bean(Accounts.class).signIn("ilse", "kestrel-ilse", "test", TestBatch.now());
        Instant start = TestBatch.now();
        int entries = 990 - before;
        for (int i = 0; i < entries; i++) {
            BatchEvent.Stamp stamp = new BatchEvent.Stamp(newId(), start.plusMillis(100L * i), person.initials());
            batches.log(person, batch.id(), new PotEvent.Skimmed(stamp, Volume.ofLitres(0.0005)));
        }
        List<CompletableFuture<HttpResponse<byte[]>>> last = IntStream.range(0, 10)
                .mapToObj(i -> cook.postLater(
                        batch.path(), TestBatch.act(newId(), "noted", "\"words\": \"note %d\"".formatted(i))))
                .toList();
        assertThat(last)
                .allSatisfy(answer -> assertThat(answer.join().statusCode()).isEqualTo(200));
        JsonNode page = batch.page().body();
        assertThat(page.at("/events").size()).isEqualTo(1000);
        assertThat(page.at("/card/simmer/skims").asInt()).isEqualTo(entries);
        List<Integer> order = new ArrayList<>();
        page.at("/events").forEach(e -> order.add(e.path("seq").asInt()));
        assertThat(order)
                .containsExactlyElementsOf(
                        IntStream.rangeClosed(1, 1000).boxed().toList());
        assertThat(cook.get("/api/range").status()).isEqualTo(200);
        assertThat(cook.get("/api/batches/" + batch.id() + "/course")
                        .at("/points")
                        .size())
                .isLessThan(600);
        assertThat(cook.get("/api/batches/" + batch.id() + "/record.pdf").status())
                .isEqualTo(200);
    }
}
