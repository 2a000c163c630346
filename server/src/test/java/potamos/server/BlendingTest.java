package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Two lots of two batches poured together, and a lot that is counted. */
@ExtendWith(TestKitchen.class)
class BlendingTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private static String blended(String of, double litres, String with, double otherLitres) {
        return "\"lotId\": \"%s\", \"litres\": %s, \"sourceId\": \"%s\", \"otherLitres\": %s"
                .formatted(of, litres, with, otherLitres);
    }

    private JsonNode lot(String id) {
        return cook.get("/api/lots/" + id).body();
    }

    @Test
    void aBlendIsANewLotWithBothParents() {
        TestBatch monday = TestBatch.accepted(cook, 12).stored(11);
        TestBatch tuesday = TestBatch.accepted(cook, 12).stored(11);
        String blend = UUID.randomUUID().toString();
        String fields = blended(tuesday.lot(0), 3, monday.lot(0), 2);
        assertThat(tuesday.tryLog(blend, "blended", fields).status()).isEqualTo(200);
        assertThat(tuesday.tryLog(blend, "blended", fields).status()).isEqualTo(200);
        assertThat(lot(blend).path("leftL").asDouble()).isCloseTo(5, within(1e-6));
        assertThat(lot(monday.lot(0)).path("leftL").asDouble()).isCloseTo(9, within(1e-6));
        assertThat(lot(tuesday.lot(0)).path("leftL").asDouble()).isCloseTo(8, within(1e-6));
        assertThat(lot(blend).path("useBy").asString())
                .isEqualTo(lot(monday.lot(0)).path("useBy").asString());
        JsonNode back = cook.get("/api/trace?what=" + lot(blend).path("code").asString())
                .body();
        assertThat(back.at("/before/0/id").asString()).isEqualTo(monday.id());
        tuesday.log("withdrawn", "\"corrects\": \"%s\"".formatted(blend));
        assertThat(lot(monday.lot(0)).path("leftL").asDouble()).isCloseTo(11, within(1e-6));
        assertThat(lot(tuesday.lot(0)).path("leftL").asDouble()).isCloseTo(11, within(1e-6));
    }

    @Test
    void whatIsNotThereOrStoppedOrItsOwnIsRefused() {
        TestBatch monday = TestBatch.accepted(cook, 12).stored(11);
        TestBatch tuesday = TestBatch.accepted(cook, 12).stored(11);
        String id = UUID.randomUUID().toString();
        assertThat(tuesday.tryLog(id, "blended", blended(tuesday.lot(0), 3, monday.lot(0), 12))
                        .status())
                .isEqualTo(422);
        assertThat(tuesday.tryLog(id, "blended", blended(tuesday.lot(0), 12, monday.lot(0), 2))
                        .reason("litres"))
                .contains("left of this lot");
        assertThat(tuesday.tryLog(id, "blended", blended(tuesday.lot(0), 3, tuesday.lot(0), 2))
                        .reason("sourceId"))
                .contains("own stock");
        cook.post("/api/lots/" + monday.lot(0) + "/stop", "{\"reason\": \"smells\"}");
        assertThat(tuesday.tryLog(id, "blended", blended(tuesday.lot(0), 3, monday.lot(0), 2))
                        .status())
                .isEqualTo(409);
        assertThat(lot(monday.lot(0)).path("leftL").asDouble()).isEqualTo(11);
        assertThat(tuesday.page().at("/lots").size()).isEqualTo(1);
    }

    /** Each pours the last of the other's lot to its own, at the same time. */
    @Test
    void twoThatPourEachOthersLotsTogetherAtOnceLoseNothing() {
        TestBatch one = TestBatch.accepted(cook, 12).stored(11);
        TestBatch other = TestBatch.accepted(cook, 12).stored(11);
        String oneLot = one.lot(0);
        String otherLot = other.lot(0);
        List<Integer> answers = Stream.of(
                        cook.postLater(one.path(), act(blended(oneLot, 11, otherLot, 11))),
                        cook.postLater(other.path(), act(blended(otherLot, 11, oneLot, 11))))
                .map(CompletableFuture::join)
                .map(answer -> answer.statusCode())
                .toList();
        assertThat(answers).filteredOn(status -> status == 200).hasSizeLessThanOrEqualTo(1);
        assertThat(answers).allMatch(status -> status == 200 || status == 422 || status == 409 || status == 503);
        double all = Stream.of(one, other)
                .flatMap(batch -> batch.page().at("/lots").valueStream())
                .mapToDouble(lot -> lot.path("leftL").asDouble())
                .sum();
        assertThat(all).isCloseTo(22, within(1e-6));
    }

    private static String act(String fields) {
        return TestBatch.act(UUID.randomUUID().toString(), "blended", fields);
    }

    @Test
    void aLotIsCounted() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        batch.log("counted", "\"lotId\": \"%s\", \"litres\": 9.5".formatted(batch.lot(0)));
        assertThat(lot(batch.lot(0)).path("leftL").asDouble()).isEqualTo(9.5);
        assertThat(batch.tryLog(
                                UUID.randomUUID().toString(),
                                "counted",
                                "\"lotId\": \"%s\", \"litres\": 12".formatted(batch.lot(0)))
                        .reason("litres"))
                .contains("put away as this lot");
    }
}
