package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

@ExtendWith(TestKitchen.class)
class CallsTest {

    private final Visitor soup = Visitor.signedIn("bram");
    private final Visitor cook = Visitor.signedIn("ilse");

    private static String ask(String id, String litres, String more) {
        return """
        {"id": "%s", "formula": "white-chicken", "litres": %s, "readyBy": "%s"%s}
        """.formatted(id, litres, TestBatch.now().plus(Duration.ofHours(20)), more);
    }

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    @Test
    void whatAStationAsksTheCookSees() {
        String id = newId();
        assertThat(soup.post("/api/calls", ask(id, "20", "")).status()).isEqualTo(200);
        Visitor.Answer seen = cook.get("/api/calls/" + id);
        assertThat(seen.at("/litres").asDouble()).isEqualTo(20);
        assertThat(seen.at("/stationName").asString()).isEqualTo("Soup");
        assertThat(seen.at("/status").asString()).isEqualTo("OPEN");
    }

    @Test
    void askingTwiceWithTheSameIdAsksOnce() {
        String id = newId();
        soup.post("/api/calls", ask(id, "7", ""));
        soup.post("/api/calls", ask(id, "7", ""));
        long count = 0;
        for (JsonNode call : soup.get("/api/calls").body()) {
            count += call.path("id").asString().equals(id) ? 1 : 0;
        }
        assertThat(count).isEqualTo(1);
    }

    @Test
    void aStationSeesOnlyItsOwnCallsAndAsksOnlyForItself() {
        for (JsonNode call : soup.get("/api/calls").body()) {
            assertThat(call.path("stationName").asString()).isEqualTo("Soup");
        }
        String id = newId();
        cook.post("/api/calls", ask(id, "5", ", \"stationId\": \"%s\"".formatted(station("Sauce"))));
        assertThat(soup.get("/api/calls/" + id).status()).isEqualTo(404);
        Visitor.Answer forSauce =
                soup.post("/api/calls", ask(newId(), "5", ", \"stationId\": \"%s\"".formatted(station("Sauce"))));
        assertThat(forSauce.status()).isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource({"0, 422", "-4, 422", "100000, 422", "'\"twelve\"', 400", "'\"12\"', 400", "NaN, 400", "1e999, 422"})
    void impossibleLitresAreRefusedBesideTheirField(String litres, int status) {
        Visitor.Answer answer = soup.post("/api/calls", ask(newId(), litres, ""));
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.raw().headers().firstValue("Content-Type").orElse("")).contains("problem+json");
        if (status == 422) {
            assertThat(answer.at("/fields/litres/low").asDouble()).isEqualTo(0.5);
            assertThat(answer.at("/fields/litres/unit").asString()).isEqualTo("L");
        }
    }

    @Test
    void aTimeInThePastIsRefused() {
        String past = """
                {"id": "%s", "formula": "white-chicken", "litres": 5, "readyBy": "2026-03-01T10:00:00Z"}
                """.formatted(newId());
        assertThat(soup.post("/api/calls", past).reason("readyBy")).contains("past");
    }

    @Test
    void whatContainsCeleryIsNotPromisedWithout() {
        Visitor.Answer answer = soup.post("/api/calls", ask(newId(), "5", ", \"without\": [\"CELERY\"]"));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reason("without")).contains("celery");
    }

    @Test
    void aFieldThatNobodyKnowsIsNamed() {
        Visitor.Answer answer = soup.post("/api/calls", ask(newId(), "5", ", \"liters\": 5"));
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.reason("liters")).as("%s", answer.body()).contains("nobody knows");
    }

    @Test
    void aCallBeingMadeIsNotWithdrawn() {
        String id = newId();
        soup.post("/api/calls", ask(id, "11", ""));
        TestBatch.acceptedFor(cook, 11, id);
        assertThat(soup.post("/api/calls/" + id + "/withdrawal", "{}").status()).isEqualTo(409);
        assertThat(cook.get("/api/calls/" + id).at("/status").asString()).isEqualTo("PLANNED");
    }

    private String station(String name) {
        for (JsonNode station : cook.get("/api/kitchen").at("/stations")) {
            if (station.path("name").asString().equals(name)) {
                return station.path("id").asString();
            }
        }
        throw new AssertionError("no station " + name);
    }
}
