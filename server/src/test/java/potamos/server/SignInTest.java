package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

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
