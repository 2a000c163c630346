package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The calculation API, as another program sees it. */
@ExtendWith(TestKitchen.class)
class CalcTest {

    private static final String TOKEN = "potamos_demo_kestrel-lodge";

    private static final String SIMMER = """
            {"altitudeM": 0, "air": {"temperatureC": 26, "humidity": 0.6, "speedMS": 0.1},
             "vessel": {"shape": "cylinder", "diameterCm": 40, "heightCm": 40, "kappa": 1.0},
             "bed": {"kind": "chicken-carcass", "massKg": 12, "collagenGPerKg": 28, "halfTimeH": 1.6},
             "waterL": 20, "cover": "open", "simmerC": 93, "simmerMin": 240, "topUp": "none", "stepMin": 10}
            """;

    private static Visitor.Answer calc(String path, String json) {
        return Visitor.program(TOKEN, "/api/calc/" + path, json);
    }

    @Test
    void withoutATokenOrWithARevokedOneNothingIsCalculated() {
        assertThat(Visitor.program(null, "/api/calc/cut", "{}").status()).isEqualTo(401);
        assertThat(Visitor.program("potamos_guess", "/api/calc/cut", "{}").status())
                .isEqualTo(401);
        Visitor cook = Visitor.signedIn("ilse");
        String token =
                cook.post("/api/tokens", "{\"name\": \"till\"}").at("/token").asString();
        String cut = "{\"simmerMin\": 120, \"edgeMm\": 15}";
        assertThat(Visitor.program(token, "/api/calc/cut", cut).status()).isEqualTo(200);
        JsonNode made = cook.get("/api/tokens").body().path(0);
        assertThat(made.toString()).doesNotContain(token);
        cook.post("/api/tokens/" + made.path("id").asString() + "/revocation", "{}");
        assertThat(Visitor.program(token, "/api/calc/cut", cut).status()).isEqualTo(401);
        assertThat(Visitor.signedIn("wen")
                        .post("/api/tokens", "{\"name\": \"x\"}")
                        .status())
                .isEqualTo(403);
        // A token opens calculations and nothing else.
        assertThat(Visitor.program(TOKEN, "/api/charges", "{}").status()).isIn(401, 403);
    }

    @Test
    void theSimmerOfTheBookSteamsOneAndAHalfLitresAnHour() {
        Visitor.Answer answer = calc("simmer", SIMMER);
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        assertThat(answer.at("/boilingPointC").asDouble()).isCloseTo(99.97, within(0.01));
        assertThat(answer.at("/series").size()).isEqualTo(25);
        assertThat(answer.at("/series/0/minute").asDouble()).isZero();
        assertThat(answer.at("/series/24/minute").asDouble()).isEqualTo(240);
        assertThat(answer.at("/series/6/evaporatedL").asDouble()).isCloseTo(1.5, within(0.1));
        assertThat(answer.at("/series/0/litres").asDouble()).isCloseTo(20, within(1e-9));
        // Collagen with a half-time of 1.6 h at 95 °C: more than half of 28 g/kg × 12 kg after four hours at 93 °C.
        double litres = answer.at("/series/24/litres").asDouble();
        double gelatin = answer.at("/series/24/gelatinGPerL").asDouble() * litres;
        assertThat(gelatin).isBetween(0.6 * 336, 0.9 * 336);
        ledgerCloses(answer.at("/ledger"));
        assertThat(answer.at("/topUps")).isEmpty();
        assertThat(answer.at("/defaults").propertyNames()).contains("vessel.metalKg", "bed.uptakeLPerKg");
    }

    private static Visitor.Answer drawn(String formula, double water, String draws) {
        return calc("charge", """
                {"formula": "%s", "goal": {"kind": "water", "litres": %s}, "vessel": {"diameterCm": 24, "heightCm": 25},
                 "draws": [%s]}
                """.formatted(formula, water, draws));
    }

    /** Twice as strong, and with all that its stock had; what is not said of the stock is not known of it. */
    @Test
    void aChargeThatIsDrawnWithStockStartsFromIt() {
        String salted = "{\"litres\": 8, \"gelatinGPerL\": 20, \"saltGPerL\": 2, \"allergens\": [\"fish\"]}";
        Visitor.Answer half = drawn("half-reduction", 8, salted);
        assertThat(half.status()).as("%s", half.body()).isEqualTo(200);
        assertThat(half.at("/gelatinGPerL").asDouble()).isBetween(35.0, 42.0);
        assertThat(half.at("/saltGPerL").asDouble()).isBetween(3.5, 4.2);
        assertThat(half.at("/allergens").valueStream().map(JsonNode::asString)).contains("fish");
        assertThat(half.at("/allergensUnknown").asBoolean()).isFalse();
        String unsaid = "{\"litres\": 8, \"gelatinGPerL\": 20}";
        assertThat(drawn("half-reduction", 8, unsaid).at("/allergensUnknown").asBoolean())
                .isTrue();
        Visitor.Answer kelp = drawn("vegetable-light", 8, "{\"litres\": 3, \"gelatinGPerL\": 12, \"allergens\": []}");
        assertThat(kelp.at("/gelatinGPerL").asDouble()).isBetween(3.0, 6.0);
        Visitor.Answer more = drawn("half-reduction", 7, salted);
        assertThat(more.status()).isEqualTo(422);
        assertThat(more.at("/fields/draws/high").asDouble()).isCloseTo(7, within(1e-6));
        assertThat(drawn("half-reduction", 8, "{\"litres\": 8, \"allergens\": [\"tar\"]}")
                        .reason("draws.allergens"))
                .isNotEmpty();
        assertThat(drawn("half-reduction", 8, "{\"gelatinGPerL\": 8}").reason("draws.litres"))
                .isNotEmpty();
    }

    @Test
    void aHeldPotIsToppedUpAndItsBedStaysCovered() {
        Visitor.Answer held = calc("simmer", SIMMER.replace("\"none\"", "\"hold\""));
        assertThat(held.at("/topUps").size()).isPositive();
        assertThat(held.at("/bedBareAtMin").isNull() || held.at("/bedBareAtMin").isMissingNode())
                .isTrue();
        ledgerCloses(held.at("/ledger"));
    }

    private static void ledgerCloses(JsonNode ledger) {
        double sum = 0;
        for (JsonNode entry : ledger) {
            sum += (entry.path("inward").asBoolean() ? 1 : -1)
                    * entry.path("litres").asDouble();
            assertThat(entry.path("litres").asDouble()).isFinite();
        }
        assertThat(sum).isCloseTo(0, within(1e-9));
    }

    @Test
    void aChargeIsSolvedForthAndBackAndSaysWhatItTookFromTheBook() {
        Visitor.Answer forth =
                calc("charge", "{\"formula\": \"brown-veal\", \"goal\": {\"kind\": \"yield\", \"litres\": 14}}");
        assertThat(forth.status()).as("%s", forth.body()).isEqualTo(200);
        assertThat(forth.at("/yieldL/p50").asDouble()).isCloseTo(14, within(1e-6));
        assertThat(forth.at("/defaults").propertyNames()).contains("vessel.diameterCm", "altitudeM", "heatKw");
        double kg = forth.at("/bedKg").asDouble();
        Visitor.Answer back = calc(
                "charge", "{\"formula\": \"brown-veal\", \"goal\": {\"kind\": \"bed\", \"kg\": %s}}".formatted(kg));
        assertThat(back.at("/yieldL/p50").asDouble()).isCloseTo(14, within(1e-6));
        ledgerCloses(back.at("/ledger"));
    }

    @Test
    void aFormulaMayBeGivenInline() {
        JsonNode formula =
                Visitor.signedIn("ilse").get("/api/formulas/white-veal").at("/formula");
        Visitor.Answer answer = calc("charge", """
                {"formula": %s, "goal": {"kind": "water", "litres": 18}, "school": {"blanch": false},
                 "vessel": {"diameterCm": 36, "heightCm": 40}, "altitudeM": 1150}
                """.formatted(formula));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        assertThat(answer.at("/bedKg").asDouble()).isCloseTo(10, within(1e-6));
        assertThat(answer.at("/allergens").toString()).contains("celery");
    }

    @Test
    void twentyLitresInIceNeedSixteenKilogramsAndAPotInTheColdStoreFails() {
        Visitor.Answer bath = calc("cooling", """
                {"stock": {"litres": 20, "startC": 90},
                 "container": {"shape": "cylinder", "diameterCm": 36, "heightCm": 40, "material": "steel", "wallMm": 1},
                 "medium": {"kind": "ice-bath", "iceKg": 20, "waterKg": 20, "stirred": true}, "profile": "us-food-code"}
                """);
        assertThat(bath.status()).as("%s", bath.body()).isEqualTo(200);
        assertThat(bath.at("/iceNeededKg").asDouble()).isCloseTo(16, within(0.5));
        assertThat(bath.at("/iceForBathKg").asDouble()).isGreaterThan(20);
        assertThat(bath.at("/crossings/0/c").asDouble()).isEqualTo(57);
        assertThat(bath.at("/verdict").asString()).isIn("pass", "tight", "fail");
        Visitor.Answer store = calc("cooling", """
                {"stock": {"litres": 20, "startC": 90}, "medium": {"kind": "cold-store", "airC": 3},
                 "container": {"shape": "cylinder", "diameterCm": 36, "heightCm": 40}}
                """);
        assertThat(store.at("/verdict").asString()).isEqualTo("fail");
        assertThat(store.at("/iceForBathKg").isNull()).isTrue();
        assertThat(store.at("/crossings/1/minute").asDouble()).isGreaterThan(300);
        assertThat(store.at("/reasons/0").asString()).contains("120 min are allowed");
    }

    @Test
    void cutsAndUnits() {
        Visitor.Answer cut = calc("cut", "{\"simmerC\": 95, \"simmerMin\": 120, \"edgeMm\": 15}");
        assertThat(cut.at("/spent").asDouble()).isCloseTo(0.88, within(0.01));
        assertThat(cut.at("/largestMm").asDouble()).isCloseTo(15, within(0.5));
        Visitor.Answer quarts = calc("convert", "{\"value\": 6, \"from\": \"us-qt\", \"to\": \"L\"}");
        assertThat(quarts.at("/value").asDouble()).isCloseTo(5.678117676, within(1e-9));
        Visitor.Answer onions =
                calc("convert", "{\"value\": 2, \"from\": \"kg\", \"to\": \"piece\", \"item\": \"onion\"}");
        assertThat(onions.at("/basis").asString()).isEqualTo("piece");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"simmerC\": 93 | \"simmerC\": 104 | simmerC",
                "\"waterL\": 20 | \"waterL\": -1 | waterL",
                "\"waterL\": 20 | \"waterL\": 90 | waterL",
                "\"massKg\": 12 | \"massKg\": 0 | bed.massKg",
                "\"humidity\": 0.6 | \"humidity\": 1.6 | humidity",
                "\"altitudeM\": 0 | \"altitudeM\": 9000 | altitudeM",
                "\"cover\": \"open\" | \"cover\": \"hat\" | cover",
                "\"topUp\": \"none\" | \"topUp\": \"often\" | topUp",
                "\"stepMin\": 10 | \"stepMin\": 0 | stepMin",
                "\"kappa\": 1.0 | \"kappa\": 50 | kappa",
                "\"diameterCm\": 40 | \"diameterCm\": 1 | diameterCm"
            })
    void whatIsOutsidePhysicsIsRefusedWithItsField(String from, String to, String field) {
        assertThat(SIMMER).contains(from.trim());
        Visitor.Answer answer = calc("simmer", SIMMER.replace(from.trim(), to.trim()));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(422);
        assertThat(answer.at("/fields").propertyNames()).containsExactly(field.trim());
    }

    /** Whatever it takes, it answers in figures: finite, never negative, ledgers closed. */
    @Test
    void nothingThatIsAcceptedGivesNonsense() {
        Random random = new Random(20260303);
        int accepted = IntStream.range(0, 50).map(i -> randomSimmer(random)).sum();
        assertThat(accepted).isGreaterThan(20);
    }

    private static int randomSimmer(Random random) {
        String[] covers = {"open", "paper-lid", "lid-ajar", "lid-on"};
        String[] beds = {"chicken-carcass", "beef-knuckle", "fish-frames", "vegetables", "crustacean-shells", "kelp"};
        Visitor.Answer answer = calc("simmer", """
                {"altitudeM": %f, "air": {"temperatureC": %f, "humidity": %f, "speedMS": %f},
                 "vessel": {"diameterCm": %f, "heightCm": %f, "kappa": %f},
                 "bed": {"kind": "%s", "massKg": %f}, "waterL": %f, "cover": "%s", "simmerC": %f, "simmerMin": %f,
                 "topUp": "%s", "stepMin": %f}
                """.formatted(
                        random.nextDouble() * 3000,
                        random.nextDouble() * 40,
                        random.nextDouble(),
                        random.nextDouble() * 2,
                        15 + random.nextDouble() * 60,
                        15 + random.nextDouble() * 60,
                        0.3 + random.nextDouble() * 2,
                        beds[random.nextInt(beds.length)],
                        0.1 + random.nextDouble() * 25,
                        0.5 + random.nextDouble() * 50,
                        covers[random.nextInt(covers.length)],
                        70 + random.nextDouble() * 25,
                        2 + random.nextDouble() * 1400,
                        random.nextBoolean() ? "hold" : "none",
                        1 + random.nextDouble() * 59));
        if (answer.status() == 422) {
            assertThat(answer.at("/fields").size()).isPositive();
            return 0;
        }
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        assertThat(answer.body().toString()).doesNotContain("NaN", "Infinity");
        for (JsonNode point : answer.at("/series")) {
            assertThat(point.path("litres").asDouble()).isGreaterThanOrEqualTo(-1e-9);
            assertThat(point.path("evaporatedL").asDouble()).isNotNegative();
            assertThat(point.path("gelatinGPerL").asDouble()).isNotNegative();
        }
        ledgerCloses(answer.at("/ledger"));
        return 1;
    }
}
