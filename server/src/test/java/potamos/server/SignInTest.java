package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;

@ExtendWith(TestKitchen.class)
class SignInTest {

    @Test
    void aStrangerSeesTheDemoSignInsAndNothingOfTheKitchen() {
        Visitor.Answer visit = Visitor.stranger().get("/api/session");
        assertThat(visit.at("/demo").size()).isEqualTo(7);
        assertThat(visit.at("/person").isMissingNode()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/range",
                "/api/batches",
                "/api/calls",
                "/api/lots",
                "/api/kitchen",
                "/api/deliveries",
                "/api/live",
                "/actuator/env"
            })
    void aStrangerIsAskedToSignIn(String path) {
        assertThat(Visitor.stranger().get(path).status()).isEqualTo(401);
    }

    @Test
    void aWrongPasswordIsRefusedBesideItsField() {
        Visitor.Answer answer =
                Visitor.stranger().post("/api/session", "{\"signIn\": \"ilse\", \"password\": \"wrong\"}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reason("password")).contains("do not belong together");
    }

    @Test
    void tooManyFailuresHaveToWaitEvenWithTheRightPassword() {
        Visitor guesser = Visitor.stranger();
        IntStream.range(0, 8)
                .forEach(i -> guesser.post(
                        "/api/session", "{\"signIn\": \"noor\", \"password\": \"guess-%d\"}".formatted(i)));
        Visitor.Answer answer = guesser.post("/api/session", "{\"signIn\": \"noor\", \"password\": \"kestrel-noor\"}");
        assertThat(answer.status()).isEqualTo(429);
        assertThat(answer.raw().headers().firstValue("Retry-After")).isPresent();
    }

    @Test
    void ofManyTriesAtOnceNoMoreAreComparedThanAreFree() {
        Visitor guesser = Visitor.stranger();
        String name = "nobody." + UUID.randomUUID().toString().substring(0, 8);
        List<Integer> answers = IntStream.range(0, 45)
                .mapToObj(i -> guesser.postLater(
                        "/api/session", "{\"signIn\": \"%s\", \"password\": \"guess-%d\"}".formatted(name, i)))
                .toList()
                .stream()
                .map(answer -> answer.join().statusCode())
                .toList();
        assertThat(answers).filteredOn(status -> status == 422).hasSizeLessThanOrEqualTo(8);
        assertThat(answers).filteredOn(status -> status == 429).hasSizeGreaterThanOrEqualTo(37);
    }

    /** Guesses from an address of loopback that is nobody's here. */
    private static int guessFrom(String address, String name) throws IOException {
        URI server = URI.create(TestKitchen.url());
        String json = "{\"signIn\": \"%s\", \"password\": \"guess\"}".formatted(name);
        try (Socket socket = new Socket()) {
            socket.bind(new InetSocketAddress(InetAddress.getByName(address), 0));
            socket.connect(new InetSocketAddress("127.0.0.1", server.getPort()));
            socket.getOutputStream().write("""
                    POST /api/session HTTP/1.1\r
                    Host: %s\r
                    Connection: close\r
                    Cookie: XSRF-TOKEN=abc\r
                    X-XSRF-TOKEN: abc\r
                    Content-Type: application/json\r
                    Content-Length: %d\r
                    \r
                    %s""".formatted(server.getAuthority(), json.length(), json)
                    .getBytes(StandardCharsets.UTF_8));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return Integer.parseInt(answer.split(" ")[1]);
        }
    }

    @Test
    void nobodyLocksAnotherOutFromElsewhere() throws IOException {
        for (int i = 0; i < 8; i++) {
            assertThat(guessFrom("127.0.0.77", "tomaz")).isEqualTo(422);
        }
        assertThat(guessFrom("127.0.0.77", "tomaz")).isEqualTo(429);
        assertThat(Visitor.signedIn("tomaz").get("/api/range").status()).isEqualTo(200);
    }

    @Test
    void whoeverSignsOutLeavesNothingInTheBrowser() {
        Visitor.Answer out = Visitor.signedIn("ilse").delete("/api/session");
        assertThat(out.raw().headers().firstValue("Clear-Site-Data")).contains("\"cache\"");
    }

    @Test
    void aRequestFromElsewhereIsNotTaken() {
        Visitor cook = Visitor.signedIn("ilse");
        assertThat(cook.forge("/api/demo/clock", "{\"minutes\": 1}").status()).isEqualTo(403);
    }

    @Test
    void passwordsAreStoredHashedAndSessionsInTheDatabase() {
        Visitor.signedIn("ilse");
        JdbcTemplate sql = TestKitchen.bean(JdbcTemplate.class);
        assertThat(sql.queryForList("SELECT password_hash FROM account", String.class))
                .isNotEmpty()
                .allSatisfy(hash -> assertThat(hash).startsWith("$2"));
        assertThat(sql.queryForObject("SELECT COUNT(*) FROM SPRING_SESSION", Integer.class))
                .isPositive();
    }

    @Test
    void pagesMayLoadOnlyFromHereAndNobodyMayFrameThem() {
        Visitor.needsPages();
        Visitor.Answer page = Visitor.stranger().get("/range");
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.raw().headers().firstValue("Content-Security-Policy").orElse(""))
                .contains("default-src 'self'")
                .contains("frame-ancestors 'none'");
        assertThat(page.raw().headers().firstValue("X-Content-Type-Options")).contains("nosniff");
    }

    @Test
    void aBodyTooLargeIsRefused() {
        String large = "{\"signIn\": \"" + "x".repeat(300_000) + "\"}";
        assertThat(Visitor.stranger().post("/api/session", large).status()).isEqualTo(413);
    }

    @ParameterizedTest
    @CsvSource({
        "bram, /api/range, 403",
        "bram, /api/batches, 403",
        "bram, /api/lots, 403",
        "bram, /api/calls, 200",
        "bram, /api/deliveries, 200",
        "marta, /api/range, 200",
        "wen, /api/range, 200"
    })
    void eachRoleSeesWhatIsItsOwn(String who, String path, int status) {
        assertThat(Visitor.signedIn(who).get(path).status()).isEqualTo(status);
    }

    @ParameterizedTest
    @CsvSource({"marta, 403", "bram, 403", "wen, 403", "tomaz, 201"})
    void onlyCookAndChefAcceptPlans(String who, int status) {
        Visitor visitor = Visitor.signedIn(who);
        String pot = TestKitchen.freshPot(visitor);
        String id = java.util.UUID.randomUUID().toString();
        assertThat(visitor.post("/api/batches", TestBatch.acceptance(id, pot, 12, null))
                        .status())
                .isEqualTo(status);
    }

    @Test
    void theFirstRunIsOverOnceThereIsAKitchen() {
        Visitor.Answer again = Visitor.stranger().post("/api/kitchen", """
                        {"kitchen": "Other", "altitudeM": 0, "timeZone": "Europe/Zurich", "units": "metric",
                         "limits": "us-food-code", "name": "Other Cook", "signIn": "other", "password": "long-enough-1",
                         "pot": {"name": "Pot", "diameterCm": 30, "heightCm": 30}, "burnerKw": 5}
                        """);
        assertThat(again.status()).isEqualTo(409);
    }
}
