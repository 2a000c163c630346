package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What comes in from outside, before anything is computed with it. */
@ExtendWith(TestKitchen.class)
class EdgeTest {
    private static final int SLOW_SENDERS = 80;

    private final Visitor cook = Visitor.signedIn("ilse");

    /** Begins to send a body and does not go on. */
    private static Socket slowSender() {
        try {
            URI server = URI.create(TestKitchen.url());
            Socket socket = new Socket();
            socket.connect(new InetSocketAddress(server.getHost(), server.getPort()));
            socket.getOutputStream().write("""
                    POST /api/session HTTP/1.1\r
                    Host: %s\r
                    Content-Type: application/json\r
                    Content-Length: 60\r
                    \r
                    {""".formatted(server.getAuthority()).getBytes(StandardCharsets.UTF_8));
            return socket;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void slowSendersHoldNobodyUpAndAreNotWaitedForLong() throws IOException {
        List<Socket> slow =
                IntStream.range(0, SLOW_SENDERS).mapToObj(i -> slowSender()).toList();
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        for (int i = 0; i < 10; i++) {
            batch.log("skimmed", "\"litres\": 0.01");
        }
        // Each line is closed once its body has had its time; a read ends then, and not before somebody is served
        // beside it.
        for (Socket socket : slow) {
            socket.setSoTimeout(20_000);
            assertThat(socket.getInputStream().read()).isEqualTo(-1);
            socket.close();
        }
    }

    @Test
    void aBodyThatDoesNotSayHowLongItIsIsNotTaken() throws IOException {
        URI server = URI.create(TestKitchen.url());
        try (Socket socket = new Socket(server.getHost(), server.getPort())) {
            socket.getOutputStream().write("""
                    POST /api/session HTTP/1.1\r
                    Host: %s\r
                    Transfer-Encoding: chunked\r
                    \r
                    1\r
                    {\r
                    """.formatted(server.getAuthority()).getBytes(StandardCharsets.UTF_8));
            byte[] answer = new byte[12];
            assertThat(socket.getInputStream().readNBytes(answer, 0, 12)).isEqualTo(12);
            assertThat(new String(answer, StandardCharsets.UTF_8)).isEqualTo("HTTP/1.1 411");
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"application/yaml", "application/x-yaml", "application/xml", "text/yaml", "application/cbor"})
    void onlyJsonIsRead(String type) {
        Visitor.Answer answer = cook.post("/api/calls", type, "litres: .nan\nformula: white-chicken\n");
        assertThat(answer.status()).isEqualTo(415);
    }

    @ParameterizedTest
    @ValueSource(strings = {"NaN", "\"NaN\"", "Infinity", "\"Infinity\"", "\"12\""})
    void whatIsNoNumberIsNoFigure(String litres) {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Visitor.Answer answer =
                batch.tryLog(java.util.UUID.randomUUID().toString(), "skimmed", "\"litres\": " + litres);
        assertThat(answer.status()).isIn(400, 422);
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isZero();
    }

    @Test
    void whatTheApplicationUsesForItselfIsNotThere() {
        assertThat(Visitor.plain().get("/error").status()).isEqualTo(404);
    }

    private static String wish(String readyBy) {
        return """
                {"formula": "white-chicken", "goal": "LITRES", "value": 12, "readyBy": "%s"}
                """.formatted(readyBy);
    }

    @ParameterizedTest
    @CsvSource({
        "2126-03-03T10:00:00Z, 422",
        "+1000000-01-01T00:00:00Z, 400",
        "-1000000-01-01T00:00:00Z, 400",
        "0000-01-01T00:00:00Z, 400",
    })
    void aDateThatNoKitchenMeansIsRefusedBesideItsField(String readyBy, int status) {
        Visitor.Answer answer = cook.post("/api/charges", wish(readyBy));
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.reason("readyBy")).isNotEmpty();
        // The same wish for tomorrow is answered: it was the date.
        assertThat(cook.post(
                                "/api/charges",
                                wish(TestBatch.now().plus(Duration.ofDays(1)).toString()))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void readingsOfTheBeginningOfTimeAreLeftOutAndTheOthersTaken() {
        var made = cook.post("/api/devices", "{\"name\": \"Reset probe\", \"kind\": \"PROBE\"}")
                .body();
        Instant now = TestBatch.now();
        Visitor.Answer answer = Visitor.program(
                made.path("token").asString(),
                "/api/devices/" + made.path("id").asString() + "/readings",
                """
                {"readings": [{"at": "2000-01-01T00:00:00Z", "value": 80}, {"at": "%s", "value": 81}]}
                """.formatted(now));
        assertThat(answer.at("/taken").asInt()).isEqualTo(1);
        assertThat(answer.at("/notTaken/0/reason").asString()).contains("longer ago");
    }

    @Test
    void aProbeThatReportedAheadOfTimeIsNotFrozenWhenTheClockIsRightAgain() {
        var made = cook.post("/api/devices", "{\"name\": \"Early probe\", \"kind\": \"PROBE\"}")
                .body();
        String id = made.path("id").asString();
        KitchenClock clock = TestKitchen.bean(KitchenClock.class);
        Instant before = TestBatch.now();
        clock.advance(Duration.ofHours(5));
        report(made.path("token").asString(), id, TestBatch.now(), 20);
        clock.show(before);
        report(made.path("token").asString(), id, TestBatch.now(), 91);
        List<Double> latest = new ArrayList<>();
        cook.get("/api/devices").body().forEach(device -> {
            if (device.path("id").asString().equals(id)) {
                latest.add(device.path("lastValue").asDouble());
            }
        });
        assertThat(latest).containsExactly(91.0);
    }

    private static Visitor.Answer report(String token, String id, Instant at, double value) {
        Visitor.Answer answer = Visitor.program(
                token,
                "/api/devices/" + id + "/readings",
                "{\"readings\": [{\"at\": \"%s\", \"value\": %s}]}".formatted(at, value));
        assertThat(answer.status()).isEqualTo(200);
        return answer;
    }

    /** As another instance takes a device out: nothing that this one keeps in memory knows of it. */
    @Test
    void aDeviceTakenOutElsewhereIsTakenOutHere() {
        var made = cook.post("/api/devices", "{\"name\": \"Gone probe\", \"kind\": \"PROBE\"}")
                .body();
        String id = made.path("id").asString();
        String token = made.path("token").asString();
        report(token, id, TestBatch.now(), 80);
        TestKitchen.keeper().update("UPDATE device SET revoked_at = NOW(3) WHERE id = ?", id);
        String reading = "{\"readings\": [{\"at\": \"%s\", \"value\": 81}]}"
                .formatted(TestBatch.now().plusSeconds(1));
        assertThat(Visitor.program(token, "/api/devices/" + id + "/readings", reading)
                        .status())
                .isIn(401, 404);
        assertThat(Visitor.program(token, "/api/devices/" + id + "/readings", reading)
                        .status())
                .isEqualTo(401);
        assertThat(TestKitchen.keeper()
                        .queryForObject("SELECT COUNT(*) FROM device_reading WHERE device_id = ?", Integer.class, id))
                .isEqualTo(1);
    }

    @Test
    void pagesAndHealthAreThereWhileTheDatabaseIsAway() {
        Visitor.needsPages();
        List<Visitor> screens =
                IntStream.range(0, 50).mapToObj(i -> Visitor.signedIn("ilse")).toList();
        TestKitchen.database().down();
        try {
            List<CompletableFuture<?>> polls = new ArrayList<>();
            screens.forEach(screen -> polls.add(screen.getLater("/api/range")));
            for (String path : List.of("/range", "/actuator/health/liveness")) {
                var answer = Visitor.plain()
                        .getLater(path)
                        .orTimeout(2, TimeUnit.SECONDS)
                        .join();
                assertThat(answer.statusCode()).as(path).isEqualTo(200);
            }
            // Alive, and of no use to anybody: who watches is told so.
            assertThat(Visitor.plain()
                            .getLater("/actuator/health/readiness")
                            .orTimeout(8, TimeUnit.SECONDS)
                            .join()
                            .statusCode())
                    .isEqualTo(503);
            assertThat(polls)
                    .allSatisfy(poll -> assertThat(((java.net.http.HttpResponse<?>)
                                            poll.orTimeout(20, TimeUnit.SECONDS).join())
                                    .statusCode())
                            .isEqualTo(503));
        } finally {
            TestKitchen.database().up();
        }
    }

    @Test
    void oneScreenThatAsksWithoutEndDoesNotTakeThePlaceOfTheOthers() {
        List<CompletableFuture<java.net.http.HttpResponse<byte[]>>> all = IntStream.range(0, 80)
                .mapToObj(i -> cook.postLater("/api/charges/overview", "{\"goal\": \"BED\", \"value\": 8}"))
                .toList();
        assertThat(Visitor.signedIn("tomaz").get("/api/range").status()).isEqualTo(200);
        assertThat(all.stream().map(answer -> answer.join().statusCode()).toList())
                .containsOnly(200, 429)
                .contains(429);
    }

    @Test
    void aStationHoldsNoMoreLinesThanAScreenNeedsAndTheyEndWithItsVisit() {
        Visitor screen = Visitor.signedIn("bram");
        List<Visitor.Line> lines =
                IntStream.range(0, 6).mapToObj(i -> screen.listen()).toList();
        assertThat(lines).allSatisfy(line -> assertThat(line.next()).contains("hello"));
        Visitor.Answer seventh = screen.get("/api/live");
        assertThat(seventh.status()).isEqualTo(503);
        assertThat(seventh.raw().headers().firstValue("Retry-After")).isPresent();
        assertThat(screen.delete("/api/session").status()).isEqualTo(204);
        assertThat(lines).allSatisfy(line -> assertThat(line.ends()).isTrue());
    }

    @Test
    void aVisitEndsAfterAShiftHoweverBusyAndItsCookiesLastAsLong() {
        Visitor busy = Visitor.signedIn("ilse");
        Map<String, Long> ages = busy.cookieAges();
        // Told as a date and as seconds, the one may lose a second against the other.
        assertThat(ages.get("potamos")).isBetween(14 * 3600 - 2L, 14 * 3600L);
        assertThat(ages.get("XSRF-TOKEN")).isBetween(14 * 3600 - 2L, 14 * 3600L);
        KitchenClock clock = TestKitchen.bean(KitchenClock.class);
        try {
            clock.setMachineOff(Duration.ofHours(13).plusMinutes(59));
            assertThat(busy.get("/api/range").status()).isEqualTo(200);
            clock.setMachineOff(Duration.ofHours(14).plusMinutes(1));
            assertThat(busy.get("/api/range").status()).isEqualTo(401);
        } finally {
            clock.setMachineOff(Duration.ZERO);
        }
    }
}
