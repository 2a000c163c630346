package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

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

    private String asked(double litres) {
        String id = newId();
        assertThat(soup.post("/api/calls", ask(id, Double.toString(litres), "")).status())
                .isEqualTo(200);
        return id;
    }

    private String status(String id) {
        return soup.get("/api/calls/" + id).at("/status").asString();
    }

    @Test
    void aPlanForLessKeepsTheRestOpenUntilAnotherOneTakesIt() {
        String id = asked(20);
        TestBatch first = TestBatch.acceptedFor(cook, 8.2, id);
        Visitor.Answer call = soup.get("/api/calls/" + id);
        assertThat(call.at("/status").asString()).isEqualTo("SHORT");
        assertThat(call.at("/openL").asDouble()).isCloseTo(11.8, within(0.3));
        assertThat(first.page().at("/call/openL").asDouble())
                .isEqualTo(call.at("/openL").asDouble());
        TestBatch second = TestBatch.acceptedFor(cook, 11.8, id);
        assertThat(second.page().at("/card/calledL").asDouble())
                .isEqualTo(call.at("/openL").asDouble());
        assertThat(status(id)).isEqualTo("PLANNED");
        Visitor.Answer third =
                cook.post("/api/batches", TestBatch.acceptance(newId(), TestKitchen.freshPot(cook), 5, id));
        assertThat(third.status()).isEqualTo(409);
        // What is given up leaves its litres open again.
        second.log("abandoned", "\"words\": \"power cut\"");
        assertThat(soup.get("/api/calls/" + id).at("/openL").asDouble()).isCloseTo(11.8, within(0.3));
    }

    @Test
    void aPotThatComesOutShortTellsCookAndStationAtOnce() {
        String id = asked(12);
        TestBatch batch = TestBatch.acceptedFor(cook, 12, id).simmering();
        assertThat(status(id)).isEqualTo("PLANNED");
        TestBatch.wait(180);
        batch.log("judged-enough", "");
        TestBatch.wait(21);
        Visitor.Answer strained = batch.log("strained", "\"litres\": 10.5, \"passes\": 2");
        assertThat(strained.at("/call/status").asString()).isEqualTo("SHORT");
        assertThat(strained.at("/call/openL").asDouble()).isCloseTo(1.5, within(1e-9));
        assertThat(status(id)).isEqualTo("SHORT");
        batch.log("dropped", "\"litres\": 2");
        assertThat(soup.get("/api/calls/" + id).at("/openL").asDouble()).isCloseTo(3.5, within(1e-9));
    }

    @Test
    void aCallIsClosedAsMetWithinTheToleranceAndElseShortWithAReason() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(10);
        String nearly = asked(3);
        deliver(batch, nearly, 2.9);
        assertThat(status(nearly)).isEqualTo("PARTLY_MET");
        assertThat(close(nearly, "").at("/status").asString()).isEqualTo("MET");

        String half = asked(4);
        deliver(batch, half, 2);
        assertThat(close(half, "").reason("reason")).contains("station is told");
        Visitor.Answer closed = close(half, "no more bones");
        assertThat(closed.at("/status").asString()).isEqualTo("CLOSED_SHORT");
        assertThat(soup.get("/api/calls/" + half).at("/closedAs").asString()).isEqualTo("no more bones");
        assertThat(soup.delete("/api/calls/" + half + "/closing").status()).isEqualTo(403);
        assertThat(cook.delete("/api/calls/" + half + "/closing").status()).isEqualTo(200);
        assertThat(status(half)).isEqualTo("PARTLY_MET");
    }

    @Test
    void aCallTakenBackByMistakeIsAskedAgainForAMinute() {
        String id = asked(6);
        assertThat(soup.post("/api/calls/" + id + "/withdrawal", "{}").status()).isEqualTo(204);
        assertThat(status(id)).isEqualTo("WITHDRAWN");
        assertThat(soup.delete("/api/calls/" + id + "/withdrawal").status()).isEqualTo(204);
        assertThat(status(id)).isEqualTo("OPEN");
        soup.post("/api/calls/" + id + "/withdrawal", "{}");
        TestBatch.wait(2);
        assertThat(soup.delete("/api/calls/" + id + "/withdrawal").status()).isEqualTo(409);
        assertThat(status(id)).isEqualTo("WITHDRAWN");
    }

    private Visitor.Answer close(String id, String reason) {
        return cook.post("/api/calls/" + id + "/closing", "{\"reason\": \"%s\"}".formatted(reason));
    }

    private void deliver(TestBatch from, String call, double litres) {
        from.log(
                "delivered",
                "\"stationId\": \"%s\", \"callId\": \"%s\", \"litres\": %s".formatted(station("Soup"), call, litres));
    }

    private String station(String name) {
        for (JsonNode station : cook.get("/api/kitchen/stations").body()) {
            if (station.path("name").asString().equals(name)) {
                return station.path("id").asString();
            }
        }
        throw new AssertionError("no station " + name);
    }
}
