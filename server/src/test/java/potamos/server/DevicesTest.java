package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;
import potamos.server.devices.Thinner;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Probes and scales: what they send is taken once, late or not, and what cannot be is said and left out. */
@ExtendWith(TestKitchen.class)
class DevicesTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final Visitor cook = Visitor.signedIn("ilse");
    private String id;
    private String token;

    @BeforeEach
    void aProbe() {
        Visitor.Answer made = cook.post(
                "/api/devices", """
                {"name": "Probe %s", "kind": "PROBE"}
                """.formatted(UUID.randomUUID().toString().substring(0, 6)));
        assertThat(made.status()).isEqualTo(201);
        id = made.at("/id").asString();
        token = made.at("/token").asString();
    }

    private record Sent(int status, JsonNode body) {}

    private Sent send(String device, String bearer, String json) {
        try {
            HttpRequest request = HttpRequest.newBuilder(
                            URI.create(TestKitchen.url() + "/api/devices/" + device + "/readings"))
                    .header("Content-Type", "application/json")
                    .header("Authorization", "Bearer " + bearer)
                    .POST(HttpRequest.BodyPublishers.ofString(json))
                    .build();
            HttpResponse<String> answer = HTTP.send(request, HttpResponse.BodyHandlers.ofString());
            return new Sent(answer.statusCode(), JSON.readTree(answer.body()));
        } catch (java.io.IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private Sent send(String json) {
        return send(id, token, json);
    }

    private static String readings(Object... momentsAndValues) {
        List<String> all = new ArrayList<>();
        for (int i = 0; i < momentsAndValues.length; i += 2) {
            all.add("{\"at\": \"%s\", \"value\": %s}".formatted(momentsAndValues[i], momentsAndValues[i + 1]));
        }
        return "{\"readings\": [" + String.join(",", all) + "]}";
    }

    private JsonNode device() {
        for (JsonNode device : cook.get("/api/devices").body()) {
            if (device.path("id").asString().equals(id)) {
                return device;
            }
        }
        throw new AssertionError("not there");
    }

    private int stored() {
        Instant now = TestBatch.now();
        return cook.get("/api/devices/" + id + "/readings?from=" + now.minus(Duration.ofDays(2)) + "&to="
                        + now.plus(Duration.ofMinutes(5)))
                .body()
                .size();
    }

    @Test
    void readingsAreTakenOnceHoweverOftenTheyAreSent() {
        Instant now = TestBatch.now();
        String batch = readings(now.minusSeconds(2), 91.2, now.minusSeconds(1), 91.4);
        Sent first = send(batch);
        assertThat(first.status()).isEqualTo(200);
        assertThat(first.body().path("taken").asInt()).isEqualTo(2);
        Sent again = send(batch);
        assertThat(again.body().path("taken").asInt()).isZero();
        assertThat(again.body().path("known").asInt()).isEqualTo(2);
        assertThat(stored()).isEqualTo(2);
        assertThat(device().path("lastValue").asDouble()).isEqualTo(91.4);
    }

    @Test
    void manyDevicesAtOnceHaveEachTheirOwnReadingsCountedOnce() {
        List<String[]> devices = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Visitor.Answer made = cook.post(
                    "/api/devices", """
                    {"name": "Many %s", "kind": "PROBE"}
                    """.formatted(UUID.randomUUID().toString().substring(0, 6)));
            devices.add(
                    new String[] {made.at("/id").asString(), made.at("/token").asString()});
        }
        Instant now = TestBatch.now();
        List<CompletableFuture<Sent>> sent = new ArrayList<>();
        for (int round = 0; round < 5; round++) {
            // Each round sends again the last reading of the one before.
            String batch = readings(now.minusSeconds(60 - round), 80 + round, now.minusSeconds(59 - round), 81 + round);
            for (String[] device : devices) {
                sent.add(CompletableFuture.supplyAsync(() -> send(device[0], device[1], batch)));
            }
        }
        int taken = 0;
        int known = 0;
        for (CompletableFuture<Sent> answer : sent) {
            assertThat(answer.join().status()).isEqualTo(200);
            taken += answer.join().body().path("taken").asInt();
            known += answer.join().body().path("known").asInt();
        }
        assertThat(taken).isEqualTo(12 * 6);
        assertThat(known).isEqualTo(12 * 4);
        for (String[] device : devices) {
            id = device[0];
            assertThat(stored()).isEqualTo(6);
            assertThat(device().path("lastValue").asDouble()).isEqualTo(85);
        }
    }

    @Test
    void lateReadingsFindTheirPlaceAndDoNotStandForThePresent() {
        Instant now = TestBatch.now();
        send(readings(now, 90));
        Sent late = send(readings(now.minusSeconds(600), 60, now.minusSeconds(900), 50));
        assertThat(late.body().path("taken").asInt()).isEqualTo(2);
        assertThat(device().path("lastValue").asDouble()).isEqualTo(90);
        assertThat(stored()).isEqualTo(3);
    }

    @ParameterizedTest
    @ValueSource(strings = {"400", "-80", "1e308"})
    void whatNoKitchenReadsIsLeftOutAndTheRestIsTaken(String odd) {
        Instant now = TestBatch.now();
        Sent sent = send(readings(now.minusSeconds(1), 90, now, odd));
        assertThat(sent.status()).isEqualTo(200);
        assertThat(sent.body().path("taken").asInt()).isEqualTo(1);
        JsonNode left = sent.body().path("notTaken").get(0);
        assertThat(left.path("index").asInt()).isEqualTo(1);
        assertThat(left.path("high").asDouble()).isEqualTo(130);
        assertThat(device().path("lastValue").asDouble()).isEqualTo(90);
    }

    @Test
    void aClockThatIsAheadIsToldSo() {
        Sent sent = send(readings(TestBatch.now().plusSeconds(600), 90));
        assertThat(sent.body().path("taken").asInt()).isZero();
        assertThat(sent.body().path("notTaken").get(0).path("reason").asString())
                .contains("clock");
    }

    @Test
    void onlyItsOwnTokenOpensADevice() {
        String one = readings(TestBatch.now(), 90);
        assertThat(send(id, "potamos_nobody", one).status()).isEqualTo(401);
        Visitor.Answer other = cook.post(
                "/api/devices", """
                {"name": "Other %s", "kind": "SCALE"}
                """.formatted(UUID.randomUUID().toString().substring(0, 6)));
        assertThat(send(id, other.at("/token").asString(), one).status()).isEqualTo(404);
        assertThat(send(id, "potamos_demo_kestrel-lodge", one).status())
                .as("a token for calculations")
                .isEqualTo(401);
        assertThat(stored()).isZero();
    }

    @Test
    void aDeviceThatWasTakenOutIsNotHeardAnyMore() {
        send(readings(TestBatch.now(), 90));
        cook.post("/api/devices/" + id + "/retirement", "{}");
        assertThat(send(readings(TestBatch.now(), 91)).status()).isEqualTo(401);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{\"readings\": []}",
                "{\"readings\": [{\"at\": \"yesterday\", \"value\": 3}]}",
                "{\"readings\": [{\"at\": \"2026-03-03T10:00:00Z\"}]}",
                "{\"readings\": 7}",
                "not json"
            })
    void whatIsNoBatchOfReadingsIsRefusedAsAWhole(String json) {
        assertThat(send(json).status()).isIn(400, 422);
        assertThat(stored()).isZero();
    }

    @Test
    void aSilentDeviceIsShownAsSilent() {
        assertThat(device().path("silent").asBoolean()).as("never heard").isTrue();
        send(readings(TestBatch.now(), 90));
        assertThat(device().path("silent").asBoolean()).isFalse();
        TestBatch.wait(3);
        assertThat(device().path("silent").asBoolean()).isTrue();
    }

    @Test
    void theProbeStandsOnTheCardOfTheBatchInItsVessel() {
        TestBatch batch = TestBatch.accepted(cook, 10).simmering();
        String pot = batch.page().at("/card/vessel/id").asString();
        assertThat(batch.page().at("/card/probe").isMissingNode()).isTrue();
        cook.put("/api/devices/" + id + "/vessel", "{\"vesselId\": \"%s\"}".formatted(pot));
        send(readings(TestBatch.now(), 91.7));
        assertThat(batch.page().at("/card/probe/celsius").asDouble()).isEqualTo(91.7);
        assertThat(batch.page().at("/card/probe/silent").asBoolean()).isFalse();
    }

    @Test
    void aStationAndATraineeMakeNoDevices() {
        String body = "{\"name\": \"Mine\", \"kind\": \"PROBE\"}";
        assertThat(Visitor.signedIn("wen").post("/api/devices", body).status()).isEqualTo(403);
        assertThat(Visitor.signedIn("bram").get("/api/devices").status()).isEqualTo(403);
    }

    @Test
    void oldReadingsAreThinnedWithoutLosingAPeak() {
        Instant base = TestBatch.now().minus(Duration.ofHours(5)).truncatedTo(java.time.temporal.ChronoUnit.MINUTES);
        List<Object> all = new ArrayList<>();
        for (int second = 0; second < 600; second++) {
            all.add(base.plusSeconds(second));
            all.add(second == 333 ? 97.5 : 90 + second % 3 * 0.1);
        }
        assertThat(send(readings(all.toArray())).body().path("taken").asInt()).isEqualTo(600);
        JdbcTemplate database = TestKitchen.bean(JdbcTemplate.class);
        database.update(
                "INSERT INTO shedlock (name, lock_until, locked_by) VALUES ('thin-readings', ?, 'another')"
                        + " ON DUPLICATE KEY UPDATE lock_until = VALUES(lock_until)",
                "2037-01-01 00:00:00");
        TestKitchen.bean(Thinner.class).thin();
        assertThat(stored()).as("while another instance is at it").isEqualTo(600);
        database.update("UPDATE shedlock SET lock_until = '2000-01-01 00:00:00'");
        TestKitchen.bean(Thinner.class).thin();
        assertThat(stored()).isLessThanOrEqualTo(12);
        double highest = 0;
        Instant now = TestBatch.now();
        for (JsonNode reading : cook.get("/api/devices/" + id + "/readings?from=" + base + "&to=" + now)
                .body()) {
            highest = Math.max(highest, reading.path("value").asDouble());
        }
        assertThat(highest).isEqualTo(97.5);
    }

    @Test
    void whatItReadsIsToldToScreensThatMaySeeThePotsAndToNoStation() throws InterruptedException {
        BlockingQueue<String> screen = LiveTest.listen(Visitor.signedIn("tomaz"));
        BlockingQueue<String> station = LiveTest.listen(Visitor.signedIn("bram"));
        LiveTest.await(screen, "hello");
        LiveTest.await(station, "hello");
        assertThat(send(readings(TestBatch.now(), 91.25)).status()).isEqualTo(200);
        LiveTest.await(screen, "91.25");
        // What is told to everybody comes through to the station, and what stood before it would have.
        TestBatch batch = TestBatch.accepted(cook, 12);
        String line;
        do {
            line = station.poll(10, TimeUnit.SECONDS);
            assertThat(line).isNotNull().doesNotContain(id);
        } while (!line.contains(batch.id()));
    }
}
