package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Burners as they lie on the range, and the vessels on them. */
@ExtendWith(TestKitchen.class)
class HobTest {

    private final Visitor chef = Visitor.signedIn("tomaz");
    private final Visitor cook = Visitor.signedIn("ilse");

    private List<JsonNode> hob() {
        List<JsonNode> places = new ArrayList<>();
        chef.get("/api/kitchen/hob").body().forEach(places::add);
        return places;
    }

    private static String place(String burner, int row, int column) {
        return "{\"burnerId\": \"%s\", \"row\": %d, \"column\": %d}".formatted(burner, row, column);
    }

    private static String laid(String... places) {
        return "{\"places\": [" + String.join(",", places) + "]}";
    }

    private JsonNode card(TestBatch batch) {
        for (JsonNode card : cook.get("/api/range").at("/batches")) {
            if (card.path("id").asString().equals(batch.id())) {
                return card;
            }
        }
        throw new AssertionError("not on the range");
    }

    @Test
    void everyBurnerHasAPlaceOfItsOwnBeforeAnybodyHasLaidThem() {
        Set<String> cells = new HashSet<>();
        for (JsonNode place : hob()) {
            assertThat(cells.add(place.path("row").asInt() + "/"
                            + place.path("column").asInt()))
                    .isTrue();
            assertThat(place.path("ratedKw").asDouble()).isPositive();
        }
        assertThat(cells).hasSizeGreaterThanOrEqualTo(5);
    }

    @Test
    void burnersAreLaidAsTheyLieAndEveryRangeShowsIt() {
        String burner = hob().get(0).path("burnerId").asString();
        assertThat(chef.put("/api/kitchen/hob", laid(place(burner, 4, 7))).status())
                .isEqualTo(200);
        JsonNode moved = null;
        for (JsonNode place : cook.get("/api/range").at("/hob")) {
            moved = place.path("burnerId").asString().equals(burner) ? place : moved;
        }
        assertThat(moved).isNotNull();
        assertThat(moved.path("row").asInt()).isEqualTo(4);
        assertThat(moved.path("column").asInt()).isEqualTo(7);
    }

    @Test
    void twoInOnePlaceAndPlacesBeyondTheRangeAreRefused() {
        String first = hob().get(0).path("burnerId").asString();
        String second = hob().get(1).path("burnerId").asString();
        assertThat(chef.put("/api/kitchen/hob", laid(place(first, 1, 1), place(second, 1, 1)))
                        .reason("places"))
                .contains("one place");
        assertThat(chef.put("/api/kitchen/hob", laid(place(first, -1, 0))).reason("row"))
                .isNotEmpty();
        assertThat(chef.put("/api/kitchen/hob", laid(place(first, 0, 10))).reason("column"))
                .isNotEmpty();
        assertThat(chef.put("/api/kitchen/hob", laid()).status()).isEqualTo(400);
    }

    @Test
    void onlyWhoSetsTheKitchenUpLaysItsBurnersAndNobodyAnotherKitchens() {
        String burner = hob().get(0).path("burnerId").asString();
        assertThat(Visitor.signedIn("wen")
                        .put("/api/kitchen/hob", laid(place(burner, 0, 0)))
                        .status())
                .isEqualTo(403);
        assertThat(Visitor.signedIn("bram").get("/api/kitchen/hob").status()).isEqualTo(403);
        assertThat(chef.put("/api/kitchen/hob", laid(place("00000000-0000-4000-8000-000000000000", 0, 0)))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aVesselStandsOnTheBurnerItWasPlannedForUntilItIsMoved() {
        TestBatch batch = TestBatch.accepted(cook, 6);
        String planned = card(batch).path("burnerId").asString();
        assertThat(hob()).anyMatch(place -> place.path("burnerId").asString().equals(planned));
        assertThat(card(batch).path("onTheHob").asBoolean()).isFalse();
        String other = hob().stream()
                .map(place -> place.path("burnerId").asString())
                .filter(id -> !id.equals(planned))
                .findFirst()
                .orElseThrow();
        batch.simmering();
        assertThat(card(batch).path("onTheHob").asBoolean()).isTrue();
        String path = "/api/batches/" + batch.id() + "/burner";
        assertThat(cook.put(path, "{\"swap\": true, \"burnerId\": \"" + other + "\"}")
                        .at("/card/burnerId")
                        .asString())
                .isEqualTo(other);
        assertThat(card(batch).path("burnerId").asString()).isEqualTo(other);
        assertThat(cook.put(path, "{\"burnerId\": \"00000000-0000-4000-8000-000000000000\"}")
                        .status())
                .isEqualTo(404);
        assertThat(Visitor.signedIn("marta")
                        .put(path, "{\"burnerId\": \"" + planned + "\"}")
                        .status())
                .isEqualTo(403);
    }

    /** The strongest burner, unless another pot stands on it then. */
    @Test
    void aFreeBurnerIsProposedBeforeOneThatAVesselStandsOn() {
        Visitor house = TestKitchen.chefOfAKitchenThatNeverCloses();
        String pot = TestKitchen.freshPot(house);
        String other = TestKitchen.freshPot(house);
        assertThat(burnerOf(house, pot)).isEqualTo("Front");
        TestBatch.acceptedIn(house, pot, 8);
        Visitor.Answer beside = house.post("/api/charges", TestBatch.charge(other, 8, ""));
        assertThat(beside.at("/burnerName").asString()).isEqualTo("Back");
        for (JsonNode burner : beside.at("/burners")) {
            assertThat(burner.path("free").asBoolean())
                    .isEqualTo(burner.path("name").asString().equals("Back"));
        }
    }

    private static String burnerOf(Visitor who, String pot) {
        return who.post("/api/charges", TestBatch.charge(pot, 8, ""))
                .at("/burnerName")
                .asString();
    }

    /** A kettle that heats itself takes no burner, is offered none and is put on none. */
    @Test
    void aKettleWithHeatOfItsOwnTakesNoBurner() {
        String name = "Kettle " + UUID.randomUUID().toString().substring(0, 8);
        assertThat(chef.post("/api/kitchen/vessels", """
                        {"name": "%s", "shape": "kettle", "diameterCm": 55, "heightCm": 40, "bowlCm": 12,
                         "handling": "TILTED", "heatKw": 0.1}
                        """.formatted(name)).reason("heatKw"))
                .contains("range");
        assertThat(chef.post("/api/kitchen/vessels", """
                        {"name": "%s", "shape": "kettle", "diameterCm": 55, "heightCm": 40, "bowlCm": 12,
                         "handling": "TILTED", "heatKw": 14}
                        """.formatted(name)).status())
                .isEqualTo(201);
        JsonNode kettle = null;
        for (JsonNode vessel : cook.get("/api/kitchen").at("/vessels")) {
            kettle = vessel.path("name").asString().equals(name) ? vessel : kettle;
        }
        assertThat(kettle).isNotNull();
        assertThat(kettle.path("heatKw").asDouble()).isEqualTo(14);
        String id = kettle.path("id").asString();
        Visitor.Answer charge = cook.post("/api/charges", """
                {"formula": "white-chicken", "goal": "LITRES", "value": 20, "vesselId": "%s"}
                """.formatted(id));
        assertThat(charge.at("/heat").asString()).isEqualTo("OWN");
        assertThat(charge.at("/burnerId").isValueNode()
                        && !charge.at("/burnerId").isNull())
                .isFalse();
        assertThat(charge.at("/burners")).isEmpty();
        TestBatch batch = TestBatch.acceptedIn(cook, id, 20);
        batch.simmering();
        assertThat(card(batch).path("onTheHob").asBoolean()).isFalse();
        String burner = hob().get(0).path("burnerId").asString();
        Visitor.Answer refused =
                cook.put("/api/batches/" + batch.id() + "/burner", "{\"burnerId\": \"" + burner + "\"}");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reason("burnerId")).contains("heat of its own");
    }

    @Test
    void anOvenSimmerTakesNoBurnerEither() {
        Visitor.Answer charge = cook.post("/api/charges", """
                {"formula": "brown-veal", "goal": "LITRES", "value": 10, "vesselId": "%s",
                 "schools": {"simmersIn": "the-oven", "cover": "lid-ajar"}}
                """.formatted(TestKitchen.freshPot(cook)));
        assertThat(charge.status()).as("%s", charge.body()).isEqualTo(200);
        assertThat(charge.at("/heat").asString()).isEqualTo("OVEN");
        assertThat(charge.at("/ovenC").asDouble()).isEqualTo(150);
        assertThat(charge.at("/burners")).isEmpty();
        assertThat(charge.at("/warnings").findValuesAsString("kind")).contains("OUT_OF_THE_OVEN");
    }
}
