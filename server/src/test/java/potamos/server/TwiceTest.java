package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The same thing sent several times at the same moment is one thing, and every answer says so. */
@ExtendWith(TestKitchen.class)
class TwiceTest {
    private static final int AT_ONCE = 8;

    private final Visitor cook = Visitor.signedIn("ilse");

    private List<Integer> statuses(String path, String body) {
        List<CompletableFuture<HttpResponse<byte[]>>> sent = IntStream.range(0, AT_ONCE)
                .mapToObj(i -> cook.postLater(path, body))
                .toList();
        return sent.stream().map(answer -> answer.join().statusCode()).toList();
    }

    private long named(String path, String id) {
        return StreamSupport.stream(cook.get(path).body().spliterator(), false)
                .filter(thing -> thing.path("id").asString().equals(id))
                .count();
    }

    @Test
    void aPlan() {
        String id = UUID.randomUUID().toString();
        String body = TestBatch.acceptance(id, TestKitchen.freshPot(cook), 12, null);
        assertThat(statuses("/api/batches", body)).containsOnly(201);
        assertThat(named("/api/batches", id)).isEqualTo(1);
    }

    @Test
    void aCall() {
        String id = UUID.randomUUID().toString();
        String station = cook.get("/api/kitchen/stations").at("/0/id").asString();
        String body = """
                {"id": "%s", "stationId": "%s", "formula": "white-chicken", "litres": 4, "readyBy": "%s", "without": [], "note": ""}
                """.formatted(id, station, TestBatch.now().plusSeconds(80_000));
        assertThat(statuses("/api/calls", body)).containsOnly(200);
        assertThat(named("/api/calls", id)).isEqualTo(1);
    }

    @Test
    void anAct() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String act = TestBatch.act(UUID.randomUUID().toString(), "skimmed", "\"litres\": 0.1");
        assertThat(statuses(batch.path(), act)).containsOnly(200);
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(1);
    }

    @Test
    void aNameForTwoVesselsIsOneVesselAndAConflict() {
        String body = """
                {"name": "Twin %s", "shape": "cylinder", "diameterCm": 36, "heightCm": 40, "metalKg": 6}
                """.formatted(UUID.randomUUID().toString().substring(0, 8));
        assertThat(statuses("/api/kitchen/vessels", body))
                .allSatisfy(status -> assertThat(status).isIn(201, 409, 422))
                .filteredOn(status -> status == 201)
                .hasSize(1);
    }
}
