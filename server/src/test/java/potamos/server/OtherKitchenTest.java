package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import potamos.core.charge.Needs;
import potamos.core.course.Importance;
import potamos.server.stations.Stations;

/** Two kitchens in one store: neither sees nor touches anything of the other, whatever ids it knows. */
@ExtendWith(TestKitchen.class)
class OtherKitchenTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private Visitor stranger;

    @BeforeEach
    void anotherKitchen() {
        stranger = TestKitchen.cookOfAnotherKitchen();
    }

    @Test
    void itsOwnPlacesAreEmpty() {
        assertThat(stranger.get("/api/range").at("/batches").size()).isZero();
        assertThat(stranger.get("/api/calls").body().size()).isZero();
        assertThat(stranger.get("/api/lots").body().size()).isZero();
        assertThat(stranger.get("/api/kitchen").at("/name").asString()).isEqualTo("Harbour House");
    }

    @Test
    void idsOfTheOtherKitchenLeadNowhere() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        String lot = batch.page().at("/lotId").asString();
        String vessel = batch.page().at("/card/vessel/id").asString();
        assertThat(stranger.get("/api/batches/" + batch.id()).status()).isEqualTo(404);
        for (String of : new String[] {"record.csv", "record.json", "record.pdf", "course", "grounds"}) {
            assertThat(stranger.get("/api/batches/" + batch.id() + "/" + of).status())
                    .as(of)
                    .isEqualTo(404);
        }
        assertThat(stranger.get("/api/lots/" + lot).status()).isEqualTo(404);
        assertThat(stranger.get("/api/lots/" + lot + "/label.pdf").status()).isEqualTo(404);
        String id = UUID.randomUUID().toString();
        assertThat(stranger.post(batch.path(), TestBatch.act(id, "noted", "\"words\": \"hello\""))
                        .status())
                .isEqualTo(404);
        String solve = """
                {"formula": "white-chicken", "goal": "LITRES", "value": 10, "vesselId": "%s"}
                """.formatted(vessel);
        assertThat(stranger.post("/api/charges", solve).status()).isIn(404, 422);
    }

    @Test
    void itsDeliveriesStayAtHome() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        String elsewhere = TestKitchen.bean(Stations.class)
                .add(TestKitchen.kitchenOf(stranger), "Grill", Importance.USUAL, Needs.NONE);
        Visitor.Answer answer = batch.tryLog(
                UUID.randomUUID().toString(), "delivered", "\"litres\": 1, \"stationId\": \"%s\"".formatted(elsewhere));
        assertThat(answer.status()).isEqualTo(404);
    }

    @Test
    void itsCallsCannotBePlannedHere() {
        String call = UUID.randomUUID().toString();
        cook.post("/api/calls", """
                {"id": "%s", "formula": "white-chicken", "litres": 5, "readyBy": "%s", "stationId": "%s"}
                """.formatted(
                        call,
                        TestBatch.now().plus(Duration.ofHours(20)),
                        cook.get("/api/kitchen/stations").at("/0/id").asString()));
        assertThat(stranger.get("/api/calls/" + call).status()).isEqualTo(404);
    }
}
