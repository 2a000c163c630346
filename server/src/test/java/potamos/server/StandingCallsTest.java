package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
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
}
