package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import potamos.server.stations.StandingCalls;
import tools.jackson.databind.JsonNode;

/** Calls that come back week by week, in a kitchen of its own. */
@ExtendWith(TestKitchen.class)
class StandingCallsTest {

    private final Visitor chef = TestKitchen.chefOfAKitchenThatNeverCloses();
    private final String station = station();

    private String station() {
        TestKitchen.freshPot(chef);
        chef.post("/api/kitchen/stations", "{\"name\": \"Soup\"}");
        return chef.get("/api/calls/menu").at("/stations/0/id").asString();
    }

    private Visitor.Answer ask(String id, String days, String by, double litres) {
        return chef.post("/api/standing-calls", """
                {"id": "%s", "stationId": "%s", "formula": "white-chicken", "litres": %s, "days": [%s], "by": "%s"}
                """.formatted(id, station, litres, days, by));
    }

    private static final String DAILY =
            "\"MONDAY\",\"TUESDAY\",\"WEDNESDAY\",\"THURSDAY\",\"FRIDAY\",\"SATURDAY\",\"SUNDAY\"";

    private List<JsonNode> calls(String status) {
        return chef.get("/api/calls")
                .body()
                .valueStream()
                .filter(call -> call.path("status").asString().equals(status))
                .toList();
    }

    /** Every day for two weeks ahead: fourteen or fifteen calls, whether it is asked once or twice. */
    @Test
    void itBecomesACallForEachDayAheadAndNoMoreWhenItIsSentTwice() {
        String id = UUID.randomUUID().toString();
        assertThat(ask(id, DAILY, "10:30", 5).status()).isEqualTo(200);
        Visitor.Answer again = ask(id, DAILY, "10:30", 5);
        assertThat(again.at("/0/next").asString()).isNotEmpty();
        assertThat(again.body().size()).isEqualTo(1);
        List<JsonNode> open = calls("OPEN");
        assertThat(open.size()).isBetween(14, 15);
        assertThat(open).allMatch(call -> call.path("litres").asDouble() == 5);
        assertThat(chef.get("/api/course?days=7").at("/calls").size()).isBetween(6, 8);
    }

    @Test
    void aDayIsLeftOutAndTakenInAgainAndWhatIsMadeStands() {
        String id = UUID.randomUUID().toString();
        ask(id, DAILY, "23:50", 5);
        int all = calls("OPEN").size();
        String zone = chef.get("/api/session").at("/timeZone").asString();
        Instant last = Instant.parse(calls("OPEN").get(all - 1).path("readyBy").asString());
        LocalDate day = last.atZone(ZoneId.of(zone)).toLocalDate();
        Visitor.Answer left = chef.put("/api/standing-calls/" + id + "/skips/" + day, "");
        assertThat(left.at("/0/skips/0").asString()).isEqualTo(day.toString());
        assertThat(calls("OPEN").size()).isEqualTo(all - 1);
        assertThat(chef.delete("/api/standing-calls/" + id + "/skips/" + day).at("/0/skips"))
                .isEmpty();
        assertThat(calls("OPEN").size()).isEqualTo(all);
        assertThat(chef.put("/api/standing-calls/" + id + "/skips/2020-01-01", "")
                        .reason("day"))
                .contains("past");
        assertThat(chef.delete("/api/standing-calls/" + id).body()).isEmpty();
        assertThat(calls("OPEN")).isEmpty();
    }

    @Test
    void badPatternsAreRefusedWithTheirFieldAndNothingIsWritten() {
        assertThat(ask(UUID.randomUUID().toString(), DAILY, "10:30", 900).reason("litres"))
                .isNotEmpty();
        assertThat(ask(UUID.randomUUID().toString(), "", "10:30", 5).status()).isEqualTo(400);
        assertThat(ask(UUID.randomUUID().toString(), DAILY, "25:30", 5).status())
                .isEqualTo(400);
        assertThat(chef.get("/api/standing-calls").body()).isEmpty();
        assertThat(calls("OPEN")).isEmpty();
        String id = UUID.randomUUID().toString();
        ask(id, DAILY, "10:30", 5);
        Visitor other = TestKitchen.chefOfAnotherKitchen();
        assertThat(other.delete("/api/standing-calls/" + id).status()).isEqualTo(404);
        assertThat(other.get("/api/standing-calls").body()).isEmpty();
    }

    private Visitor.Answer atLeast(String id, double litres) {
        return chef.post("/api/standing-calls", """
                {"id": "%s", "stationId": "%s", "formula": "white-chicken", "litres": %s, "days": [%s], "by": "15:00",
                 "onHand": true}
                """.formatted(id, station, litres, DAILY));
    }

    private static void round() {
        TestKitchen.bean(StandingCalls.class).becomeAll();
    }

    /**
     * So much is to stand in the cold: all of it is asked for once, and no more however often it is looked; once it stands there nobody waits for it, and what
     * is handed out of it is asked for again.
     */
    @Test
    void whatIsToStandInTheColdIsAskedForAsFarAsItLacks() {
        assertThat(atLeast(UUID.randomUUID().toString(), 8).at("/0/onHand").asBoolean())
                .isTrue();
        round();
        round();
        assertThat(calls("OPEN"))
                .singleElement()
                .satisfies(call -> assertThat(call.path("litres").asDouble()).isEqualTo(8));
        String call = calls("OPEN").get(0).path("id").asString();
        TestBatch batch = TestBatch.acceptedFor(chef, 9, call).strained();
        for (double celsius : new double[] {57, 21, 9, 2.5}) {
            TestBatch.wait(15);
            batch.log("cooling-read", "\"celsius\": " + celsius);
        }
        batch.log("stored", "\"litres\": 11, \"words\": \"Cold store\"");
        round();
        assertThat(chef.get("/api/calls/" + call).at("/status").asString()).isEqualTo("MET");
        assertThat(calls("OPEN")).as("it stands there").isEmpty();
        batch.log("delivered", "\"litres\": 8, \"stationId\": \"%s\"".formatted(station));
        round();
        assertThat(calls("OPEN"))
                .singleElement()
                .satisfies(again -> assertThat(again.path("litres").asDouble()).isEqualTo(5));
        assertThat(atLeast(UUID.randomUUID().toString(), 500).reason("litres")).isNotEmpty();
    }
}
