package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands in the kitchen, edited. */
@ExtendWith(TestKitchen.class)
class KitchenTest {

    private Visitor chef;

    @BeforeEach
    void signIn() {
        chef = Visitor.signedIn("tomaz");
    }

    private JsonNode named(String list, String name) {
        for (JsonNode thing : chef.get("/api/kitchen").at("/" + list)) {
            if (thing.path("name").asString().equals(name)) {
                return thing;
            }
        }
        throw new AssertionError("no " + name + " among the " + list);
    }

    @Test
    void aVesselIsAddedChangedAndTakenOutOfUse() {
        assertThat(chef.post("/api/kitchen/vessels", """
                {"name": "Tilting 60", "shape": "kettle", "diameterCm": 50, "heightCm": 38, "bowlCm": 10, "kappa": 0.7,
                 "handling": "TILTED", "build": "HEAVY"}
                """).status()).isEqualTo(201);
        JsonNode kettle = named("vessels", "Tilting 60");
        assertThat(kettle.path("bowlCm").asDouble()).isEqualTo(10);
        assertThat(kettle.path("kappaBasis").asString()).isEqualTo("MEASURED_HERE");
        String id = kettle.path("id").asString();
        assertThat(chef.put("/api/kitchen/vessels/" + id, """
                {"name": "Tilting 60", "diameterCm": 50, "heightCm": 42, "handling": "TAPPED"}
                """).status()).isEqualTo(204);
        assertThat(named("vessels", "Tilting 60").path("heightCm").asDouble()).isEqualTo(42);
        assertThat(named("vessels", "Tilting 60").path("shape").asString()).isEqualTo("cylinder");
        assertThat(chef.post("/api/kitchen/vessels/" + id + "/retirement", "{}").status())
                .isEqualTo(204);
        assertThat(chef.get("/api/kitchen").at("/vessels").findValuesAsString("name"))
                .doesNotContain("Tilting 60");
        // The name stays with the batches that used it.
        assertThat(chef.post("/api/kitchen/vessels", """
                {"name": "Tilting 60", "diameterCm": 50, "heightCm": 42}
                """).reason("name")).contains("already");
    }

    @Test
    void everyKindOfEquipmentIsAddedAndChanged() {
        chef.post("/api/kitchen/burners", "{\"name\": \"Side\", \"ratedKw\": 7, \"efficiency\": 0.5}");
        chef.put("/api/kitchen/burners/" + named("burners", "Side").path("id").asString(), """
                {"name": "Side", "ratedKw": 7.5, "efficiency": 0.55}
                """);
        assertThat(named("burners", "Side").path("ratedKw").asDouble()).isEqualTo(7.5);
        chef.post("/api/kitchen/ovens", "{\"name\": \"North\", \"trays\": 4, \"convection\": true}");
        assertThat(named("ovens", "North").path("factor").asDouble()).isEqualTo(0.8);
        chef.post("/api/kitchen/containers", """
                {"name": "Deep pan", "shape": "pan", "lengthCm": 53, "breadthCm": 32.5, "heightCm": 15,
                 "material": "STEEL", "wallMm": 1, "holdsL": 18, "owned": 4}
                """);
        assertThat(named("containers", "Deep pan").path("owned").asInt()).isEqualTo(4);
        chef.post("/api/kitchen/chillers", """
                {"name": "Small blast", "kind": "BLAST", "litres": 20, "airC": -10, "iceKg": 0}
                """);
        assertThat(named("chillers", "Small blast").path("airC").asDouble()).isEqualTo(-10);
    }

    @Test
    void figuresOutOfRangeAreRefusedOnTheirField() {
        assertThat(chef.post("/api/kitchen/vessels", "{\"name\": \"x\", \"diameterCm\": 900, \"heightCm\": 30}")
                        .reason("diameterCm"))
                .isNotEmpty();
        assertThat(chef.post("/api/kitchen/ovens", "{\"name\": \"x\", \"trays\": 0, \"convection\": true}")
                        .reason("trays"))
                .isNotEmpty();
        assertThat(chef.post("/api/kitchen/containers", """
                {"name": "x", "diameterCm": 20, "heightCm": 20, "material": "STEEL", "wallMm": 1, "holdsL": 60, "owned": 2}
                """).reason("holdsL")).isNotEmpty();
        assertThat(Visitor.signedIn("wen")
                        .post("/api/kitchen/burners", "{\"name\": \"x\", \"ratedKw\": 7, \"efficiency\": 0.5}")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aBedMeasuredHereChangesTheNextCharge() {
        JsonNode bed = null;
        for (JsonNode b : chef.get("/api/kitchen").at("/beds")) {
            bed = b.path("id").asString().equals("game-bones") ? b : bed;
        }
        String charge = "{\"formula\": \"brown-game\", \"goal\": \"BED\", \"value\": 8}";
        double before =
                chef.post("/api/charges", charge).at("/forecast/gelatinGPerL").asDouble();
        ObjectNode richer = ((ObjectNode) bed).deepCopy();
        richer.remove("id");
        richer.remove("name");
        richer.put("collagenGPerKg", 60);
        assertThat(chef.put("/api/kitchen/beds/game-bones", richer.toString()).status())
                .isEqualTo(204);
        assertThat(chef.post("/api/charges", charge)
                        .at("/forecast/gelatinGPerL")
                        .asDouble())
                .isGreaterThan(before * 1.2);
    }

    @Test
    void theLimitsAreTheKitchensOwn() {
        JsonNode old = chef.get("/api/kitchen").at("/limits");
        String limits = """
                {"id": "own", "name": "Our plan", "source": "plan of 2026", "hotHoldC": 60, "coldStoreC": 4, "reheatC": 75,
                 "reheatWithinMin": 60, "coldDays": 3, "dayOfMaking": 1,
                 "stages": [{"fromC": 60, "toC": 20, "withinMin": 90}, {"fromC": 20, "toC": 4, "withinMin": 180}]}
                """;
        assertThat(chef.put("/api/kitchen/limits", limits).status()).isEqualTo(204);
        assertThat(chef.get("/api/kitchen").at("/limits/stages/1/withinMin").asInt())
                .isEqualTo(180);
        assertThat(chef.put("/api/kitchen/limits", limits.replace("\"toC\": 20", "\"toC\": 80"))
                        .status())
                .isEqualTo(422);
        // Back, for the tests that rest on them.
        ObjectNode back = ((ObjectNode) old).deepCopy();
        assertThat(chef.put("/api/kitchen/limits", back.toString()).status()).isEqualTo(204);
    }

    @Test
    void theKitchenItselfIsChanged() {
        String settings = """
                {"name": "Kestrel Lodge", "altitudeM": %s, "timeZone": "Europe/Zurich", "units": "metric", "airC": 26,
                 "humidity": 0.6, "airSpeedMS": 0.1}
                """;
        chef.put("/api/kitchen/settings", settings.formatted("0"));
        assertThat(chef.get("/api/kitchen").at("/boilingC").asDouble()).isGreaterThan(99.9);
        assertThat(chef.put("/api/kitchen/settings", settings.formatted("1150")).status())
                .isEqualTo(204);
        assertThat(chef.get("/api/kitchen").at("/tapC").asDouble()).isEqualTo(12);
        String tap = settings.formatted("1150").replace("\"airC\"", "\"tapC\": %s, \"airC\"");
        assertThat(chef.put("/api/kitchen/settings", tap.formatted("8.5")).status())
                .isEqualTo(204);
        assertThat(chef.get("/api/kitchen").at("/tapC").asDouble()).isEqualTo(8.5);
        // What is not said stays.
        chef.put("/api/kitchen/settings", settings.formatted("1150"));
        assertThat(chef.get("/api/kitchen").at("/tapC").asDouble()).isEqualTo(8.5);
        assertThat(chef.put("/api/kitchen/settings", tap.formatted("40")).reason("tapC"))
                .isNotEmpty();
        chef.put("/api/kitchen/settings", tap.formatted("12"));
        String sets = settings.formatted("1150").replace("\"airC\"", "\"strainerSets\": %d, \"airC\"");
        assertThat(chef.get("/api/kitchen").at("/strainerSets").asInt()).isZero();
        assertThat(chef.put("/api/kitchen/settings", sets.formatted(2)).status())
                .isEqualTo(204);
        chef.put("/api/kitchen/settings", settings.formatted("1150"));
        assertThat(chef.get("/api/kitchen").at("/strainerSets").asInt()).isEqualTo(2);
        assertThat(chef.put("/api/kitchen/settings", sets.formatted(21)).reason("strainerSets"))
                .isNotEmpty();
        chef.put("/api/kitchen/settings", sets.formatted(0));
        assertThat(chef.put("/api/kitchen/settings", settings.formatted("9999")).status())
                .isEqualTo(422);
        assertThat(chef.put("/api/kitchen/settings", settings.formatted("1150").replace("Europe/Zurich", "Moon"))
                        .reason("timeZone"))
                .contains("time zone");
    }

    /** Two shifts, one of them past midnight; what a long simmer may do by itself changes where it is laid. */
    @Test
    void theHoursOfAKitchenDecideWhereALongSimmerIsLaid() {
        Visitor other = TestKitchen.chefOfAnotherKitchen();
        String rota = """
                {"hours": [{"days": ["MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY"],
                            "from": "08:00", "to": "19:00", "cooks": 2}], "unattended": "%s"}
                """;
        assertThat(other.put("/api/kitchen/rota", rota.formatted("NEVER")).status())
                .isEqualTo(204);
        assertThat(other.get("/api/kitchen").at("/hours/0/cooks").asInt()).isEqualTo(2);
        assertThat(other.get("/api/kitchen").at("/unattended").asString()).isEqualTo("NEVER");
        TestKitchen.freshPot(other);
        other.post("/api/kitchen/burners", "{\"name\": \"Ring\", \"ratedKw\": 9, \"efficiency\": 0.5}");
        other.post("/api/kitchen/containers", """
                {"name": "Bain", "shape": "cylinder", "diameterCm": 24, "heightCm": 25, "material": "STEEL", "wallMm": 1,
                 "holdsL": 10, "owned": 6}
                """);
        String beef =
                """
                {"formula": "brown-beef", "goal": "LITRES", "value": 8, "schools": {"simmerMin": 900}, "readyBy": "%s"}
                """.formatted(TestKitchen.bean(KitchenClock.class).instant().plus(Duration.ofHours(72)));
        Visitor.Answer never = other.post("/api/charges", beef);
        assertThat(never.status()).as("%s", never.body()).isEqualTo(200);
        assertThat(never.at("/plan/attended").asBoolean()).isFalse();
        other.put("/api/kitchen/rota", rota.formatted("ALLOWED"));
        Visitor.Answer alone = other.post("/api/charges", beef);
        assertThat(alone.at("/plan/attended").asBoolean()).isTrue();
        assertThat(alone.at("/plan/inTime").asBoolean()).isTrue();
        assertThat(other.put("/api/kitchen/rota", rota.formatted("NEVER").replace("\"cooks\": 2", "\"cooks\": 0"))
                        .reason("cooks"))
                .isNotEmpty();
        assertThat(Visitor.signedIn("wen")
                        .put("/api/kitchen/rota", rota.formatted("NEVER"))
                        .status())
                .isEqualTo(403);
    }
}
