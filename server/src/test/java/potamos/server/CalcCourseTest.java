package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.server.solving.Solving;
import tools.jackson.databind.JsonNode;

/** The course of a kitchen told inline, as another program sees it. */
@ExtendWith(TestKitchen.class)
class CalcCourseTest {

    private static final String TOKEN = "potamos_demo_kestrel-lodge";

    private static final String KITCHEN = """
            {"altitudeM": 0, "tapC": 12, "zone": "UTC",
             "vessels": [{"name": "Pot 24", "shape": "cylinder", "diameterCm": 32, "heightCm": 30},
                         {"name": "Tall 40", "shape": "cylinder", "diameterCm": 36, "heightCm": 40}],
             "burners": [{"name": "One", "kw": 9, "efficiency": 0.5}, {"name": "Two", "kw": 9, "efficiency": 0.5}],
             "ovens": [{"name": "East", "trays": 6, "fan": true}],
             "chillers": [{"kind": "ice-bath", "iceKg": 60, "iceKgPerH": 18}],
             "containers": [{"name": "bain", "count": 8, "shape": "cylinder", "diameterCm": 24, "heightCm": 25}],
             "hours": [{"days": ["mon", "tue", "wed", "thu", "fri", "sat", "sun"], "from": "06:00", "to": "22:00",
                        "cooks": 1}],
             "unattended": "allowed", "profile": "us-food-code"}
            """;

    private static Visitor.Answer course(String calls, String more) {
        return course(calls, more, 1);
    }

    private static Visitor.Answer course(String calls, String more, double seconds) {
        return Visitor.program(TOKEN, "/api/calc/course", """
                {"now": "2026-03-02T06:00:00Z", "untilDays": 5, "seconds": %s, "kitchen": %s, "calls": [%s]%s}
                """.formatted(seconds, KITCHEN, calls, more));
    }

    private static String call(String id, String formula, double litres, String by) {
        return """
                {"id": "%s", "station": "Sauce", "formula": "%s", "litres": %s, "by": "%s", "weight": 1, "without": []}
                """.formatted(id, formula, litres, by);
    }

    private static Map<String, Double> values(Visitor.Answer answer) {
        Map<String, Double> values = new HashMap<>();
        answer.at("/values")
                .forEach(v ->
                        values.put(v.path("level").asString(), v.path("value").asDouble()));
        return values;
    }

    @Test
    void aKitchenWithoutAStrainerSetIsRefused() {
        String kitchen = KITCHEN.replace("\"unattended\"", "\"strainerSets\": %d, \"unattended\"");
        String asked = """
                {"now": "2026-03-02T06:00:00Z", "untilDays": 5, "seconds": 0, "kitchen": %s, "calls": [%s]}
                """;
        String calls = call("a", "white-chicken", 8, "2026-03-02T17:00:00Z");
        Visitor.Answer one = Visitor.program(TOKEN, "/api/calc/course", asked.formatted(kitchen.formatted(1), calls));
        assertThat(one.at("/batches/0/stages").toString()).contains("strainer set");
        Visitor.Answer none = Visitor.program(TOKEN, "/api/calc/course", asked.formatted(kitchen.formatted(0), calls));
        assertThat(none.reason("kitchen.strainerSets")).isNotEmpty();
    }

    /** The most that may be asked: an answer all the same, that breaks nothing and says of every call what became of it. */
    @Test
    void asMuchAsMayBeAskedIsAnsweredWithWhatThereWasTimeFor() {
        String calls = IntStream.range(0, 200)
                .mapToObj(i -> call("c" + i, "white-chicken", 500, "2026-03-%02dT10:00:00Z".formatted(3 + i % 4)))
                .collect(Collectors.joining(","));
        Visitor.Answer answer = course(calls, "", 0);
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.at("/broken")).isEmpty();
        assertThat(answer.at("/batches").size()).isLessThanOrEqualTo(250);
        assertThat(answer.at("/unmet")).isNotEmpty();
        answer.at("/unmet")
                .forEach(unmet -> assertThat(unmet.path("why").asString()).isNotBlank());
    }

    @Test
    void aSearchEndsWhenWhoeverAskedForItHasGone() throws Exception {
        String calls = IntStream.range(0, 12)
                .mapToObj(i -> call("c" + i, "brown-veal", 9, "2026-03-04T1%d:00:00Z".formatted(i % 9)))
                .collect(Collectors.joining(","));
        String body = """
                {"now": "2026-03-02T06:00:00Z", "untilDays": 5, "seconds": 60, "kitchen": %s, "calls": [%s]}
                """.formatted(KITCHEN, calls);
        Solving solving = TestKitchen.bean(Solving.class);
        URI server = URI.create(TestKitchen.url());
        try (Socket socket = new Socket(server.getHost(), server.getPort())) {
            socket.getOutputStream().write("""
                    POST /api/calc/course HTTP/1.1\r
                    Host: k\r
                    Authorization: Bearer %s\r
                    Content-Type: application/json\r
                    Content-Length: %d\r
                    \r
                    %s""".formatted(TOKEN, body.getBytes(StandardCharsets.UTF_8).length, body)
                    .getBytes(StandardCharsets.UTF_8));
            until(() -> solving.looking() > 0);
        }
        // It would go on for a minute; nobody waits for it any more.
        until(() -> solving.looking() == 0);
    }

    private static void until(BooleanSupplier there) {
        long end = System.nanoTime() + Duration.ofSeconds(15).toNanos();
        while (!there.getAsBoolean()) {
            assertThat(System.nanoTime()).isLessThan(end);
            LockSupport.parkNanos(Duration.ofMillis(20).toNanos());
        }
    }

    @Test
    void aDayOfCallsIsLaidWithItsStagesAndWhatTheyUse() {
        Visitor.Answer answer = course(
                call("a", "white-chicken", 8, "2026-03-02T17:00:00Z")
                        + ","
                        + call("b", "brown-veal", 9, "2026-03-03T18:00:00Z"),
                "");
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        assertThat(answer.at("/broken")).isEmpty();
        assertThat(answer.at("/unmet")).isEmpty();
        assertThat(answer.at("/batches").size()).isEqualTo(2);
        assertThat(values(answer).get("unsafe")).isZero();
        assertThat(values(answer).get("late-litres")).isZero();
        for (JsonNode batch : answer.at("/batches")) {
            Instant before = Instant.parse(batch.path("start").asString());
            for (JsonNode stage : batch.path("stages")) {
                assertThat(Instant.parse(stage.path("from").asString())).isEqualTo(before);
                before = Instant.parse(stage.path("to").asString());
            }
            assertThat(before).isEqualTo(Instant.parse(batch.path("ready").asString()));
            JsonNode simmer = batch.path("stages")
                    .valueStream()
                    .filter(stage -> stage.path("stage").asString().equals("simmer"))
                    .findFirst()
                    .orElseThrow();
            assertThat(simmer.path("uses").findValuesAsString("kind")).contains("vessel", "burner");
        }
        double given = 0;
        for (JsonNode allocation : answer.at("/allocations")) {
            given += allocation.path("litres").asDouble();
        }
        assertThat(given).isEqualTo(17);
    }

    /** Four calls of one stock over two days: by itself the core joins what is near; one batch of all is found by looking, and nothing takes fewer. */
    @Test
    void withTimeToLookItSaysHowFarFromTheBestItIs() {
        String calls = String.join(
                ",",
                call("a", "white-chicken", 3, "2026-03-02T17:00:00Z"),
                call("b", "white-chicken", 3, "2026-03-03T12:00:00Z"),
                call("c", "white-chicken", 3, "2026-03-03T20:00:00Z"));
        Visitor.Answer atOnce = course(calls, "", 0);
        assertThat(atOnce.at("/how").asString()).isEqualTo("constructive");
        assertThat(atOnce.at("/gap").isNull() || atOnce.at("/gap").isMissingNode())
                .isTrue();
        Visitor.Answer looked = course(calls, "", 5);
        assertThat(looked.at("/how").asString()).isEqualTo("proven");
        assertThat(looked.at("/gap").asDouble()).isZero();
        assertThat(looked.at("/broken")).isEmpty();
        assertThat(looked.at("/batches").size())
                .isEqualTo(1)
                .isLessThan(atOnce.at("/batches").size());
        Map<String, Double> bounds = new HashMap<>();
        looked.at("/values").forEach(v -> {
            if (v.path("bound").isNumber()) {
                bounds.put(v.path("level").asString(), v.path("bound").asDouble());
            }
        });
        assertThat(bounds).containsEntry("unsafe", 0.0).containsEntry("late-litres", 0.0);
        assertThat(bounds.get("cook-hours"))
                .isPositive()
                .isLessThanOrEqualTo(values(looked).get("cook-hours"));
    }

    @Test
    void theShelfGivesFirstAndWhatRunsIsInTheWay() {
        String shelf = """
                , "shelf": [{"id": "lot", "formula": "white-chicken", "litres": 5, "useBy": "2026-03-04T00:00:00Z",
                             "allergens": ["celery"]}]
                """;
        Visitor.Answer met = course(call("a", "white-chicken", 5, "2026-03-02T17:00:00Z"), shelf);
        assertThat(met.at("/batches")).isEmpty();
        assertThat(met.at("/allocations/0/from").asString()).isEqualTo("lot");
        String running = """
                , "running": [{"id": "r", "formula": "fish-fumet", "litres": 3, "ready": "2026-03-02T12:00:00Z",
                               "useBy": "2026-03-04T00:00:00Z", "vessel": "Pot 24", "until": "2026-03-02T20:00:00Z"},
                              {"id": "s", "formula": "fish-fumet", "litres": 3, "ready": "2026-03-02T12:00:00Z",
                               "useBy": "2026-03-04T00:00:00Z", "vessel": "Tall 40", "until": "2026-03-02T12:00:00Z"}]
                """;
        Visitor.Answer beside = course(call("a", "white-chicken", 5, "2026-03-02T21:30:00Z"), running);
        assertThat(beside.at("/batches/0/vessel").asString()).isEqualTo("Tall 40");
        assertThat(beside.at("/unmet")).isEmpty();
    }

    @Test
    void whatIsPinnedStaysWhereItIs() {
        String pinned = """
                , "pinned": [{"id": "mine", "formula": "white-chicken", "litres": 8, "vessel": "Tall 40",
                              "start": "2026-03-02T07:00:00Z"}]
                """;
        Visitor.Answer answer = course(call("a", "white-chicken", 8, "2026-03-02T20:00:00Z"), pinned);
        assertThat(answer.at("/batches").size()).isEqualTo(1);
        assertThat(answer.at("/batches/0/id").asString()).isEqualTo("mine");
        assertThat(answer.at("/batches/0/start").asString()).isEqualTo("2026-03-02T07:00:00Z");
        assertThat(answer.at("/allocations/0/from").asString()).isEqualTo("mine");
    }

    @Test
    void whatCannotBeMetSaysWhy() {
        String without = """
                {"id": "w", "station": "Soup", "formula": "white-chicken", "litres": 4, "by": "2026-03-02T20:00:00Z",
                 "without": ["celery"]}
                """;
        Visitor.Answer answer = course(without, "");
        assertThat(answer.at("/unmet/0/call").asString()).isEqualTo("w");
        assertThat(answer.at("/unmet/0/why").asString()).contains("celery");
        Visitor.Answer soon = course(call("soon", "brown-veal", 9, "2026-03-02T08:00:00Z"), "");
        assertThat(soon.at("/late/0/call").asString()).isEqualTo("soon");
        assertThat(soon.at("/late/0/lateMin").asDouble()).isGreaterThan(120);
        assertThat(values(soon).get("late-litres")).isPositive();
    }

    @Test
    void badFiguresAreRefusedWithTheirPlace() {
        assertThat(course(call("a", "white-chicken", 900, "2026-03-02T17:00:00Z"), "")
                        .reason("calls[0].litres"))
                .isNotEmpty();
        assertThat(course(call("a", "lava", 5, "2026-03-02T17:00:00Z"), "").reason("calls[0].formula"))
                .contains("white-chicken");
        assertThat(course(call("a", "white-chicken", 5, "2026-03-01T17:00:00Z"), "")
                        .reason("calls[0].by"))
                .contains("past");
        String twice = call("a", "white-chicken", 5, "2026-03-02T17:00:00Z");
        assertThat(course(twice + "," + twice, "").reason("calls.id")).contains("twice");
        assertThat(Visitor.program(TOKEN, "/api/calc/course", "{\"now\": \"2026-03-02T06:00:00Z\"}")
                        .status())
                .isEqualTo(400);
        assertThat(Visitor.program(null, "/api/calc/course", "{}").status()).isEqualTo(401);
    }

    /** Where it stands in what was sent, under the name that it has there. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"kw\": 9 | \"kw\": -3 | kitchen.burners[0].kw | outside",
                "\"profile\": \"us-food-code\" | \"profile\": \"ours\" | kitchen.profile | one of",
                "\"by\": \"2026-03-02T17:00:00Z\" | \"by\": \"2026-03-02\" | calls[0].by | a moment with its zone",
                "\"litres\": 8.0 | \"litres\": \"much\" | calls[0].litres | not of the kind",
            })
    void aRefusalSaysWhereInItsOwnNames(String good, String bad, String field, String reason) {
        String asked = """
                {"now": "2026-03-02T06:00:00Z", "untilDays": 5, "seconds": 0, "kitchen": %s, "calls": [%s]}
                """.formatted(KITCHEN, call("a", "white-chicken", 8, "2026-03-02T17:00:00Z"));
        assertThat(asked).contains(good);
        assertThat(Visitor.program(TOKEN, "/api/calc/course", asked.replaceFirst(Pattern.quote(good), bad))
                        .reason(field))
                .contains(reason);
    }

    @Test
    void whatEndsTooSoonIsSaidToBeNoJson() {
        Visitor.Answer cut =
                Visitor.program(TOKEN, "/api/calc/course", "{\"now\": \"2026-03-02T06:00:00Z\", \"untilDays\": 5, ");
        assertThat(cut.status()).isEqualTo(400);
        assertThat(cut.body().toString()).contains("is no JSON from here on");
    }
}
