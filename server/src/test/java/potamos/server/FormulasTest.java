package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Formulas edited in versions, and charges with choices made. */
@ExtendWith(TestKitchen.class)
class FormulasTest {

    private Visitor cook;

    @BeforeEach
    void signIn() {
        cook = Visitor.signedIn("ilse");
    }

    private ObjectNode formula(String slug) {
        return (ObjectNode) cook.get("/api/formulas/" + slug).at("/formula");
    }

    private static String edit(JsonNode formula, int basedOn) {
        return "{\"formula\": %s, \"basedOn\": %d, \"note\": \"drier\"}".formatted(formula, basedOn);
    }

    private static String added(JsonNode formula) {
        return "{\"formula\": %s}".formatted(formula);
    }

    private ObjectNode copyOf(String slug, String newSlug) {
        ObjectNode copy = formula(slug);
        copy.put("slug", newSlug);
        copy.put("name", "Test " + newSlug);
        assertThat(cook.post("/api/formulas", added(copy)).status()).isEqualTo(201);
        return copy;
    }

    @Test
    void anEditMakesTheNextVersionAndTheOldOneStays() {
        ObjectNode mine = copyOf("brown-veal", "edited-veal");
        ((ObjectNode) mine.path("water")).put("value", 1.55);
        Visitor.Answer answer = cook.put("/api/formulas/edited-veal", edit(mine, 1));
        assertThat(answer.at("/formula/version").asInt()).isEqualTo(2);
        assertThat(answer.at("/formula/water/value").asDouble()).isEqualTo(1.55);
        assertThat(answer.at("/versions/0/savedBy").asString()).isEqualTo("Ilse Varga");
        assertThat(answer.at("/versions/0/note").asString()).isEqualTo("drier");
        assertThat(cook.get("/api/formulas/edited-veal?version=1")
                        .at("/formula/water/value")
                        .asDouble())
                .isEqualTo(1.7);

        // Somebody else's edit began from the same version: it is not lost silently.
        Visitor.Answer late = Visitor.signedIn("tomaz").put("/api/formulas/edited-veal", edit(mine, 1));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.reason("basedOn")).contains("Version 2");

        Visitor.Answer restored = cook.post("/api/formulas/edited-veal/restoration", "{\"version\": 1}");
        assertThat(restored.at("/formula/version").asInt()).isEqualTo(3);
        assertThat(restored.at("/formula/water/value").asDouble()).isEqualTo(1.7);
    }

    @Test
    void aRetiredFormulaIsOfferedToNobodyAndComesBack() {
        copyOf("court-bouillon", "old-bouillon");
        cook.post("/api/formulas/old-bouillon/retirement", "{\"retired\": true}");
        assertThat(menu()).doesNotContain("old-bouillon");
        assertThat(cook.get("/api/formulas").body().findValuesAsString("slug")).contains("old-bouillon");
        cook.post("/api/formulas/old-bouillon/retirement", "{\"retired\": false}");
        assertThat(menu()).contains("old-bouillon");
    }

    private java.util.List<String> menu() {
        return cook.get("/api/calls/menu").at("/formulas").findValuesAsString("slug");
    }

    @Test
    void aWrongFormulaIsRefusedWithItsPathAndNothingIsStored() {
        ObjectNode wrong = formula("brown-beef");
        wrong.put("slug", "never-stored");
        ((ObjectNode) wrong.path("procedure").path(0)).put("ovenC", 900);
        Visitor.Answer answer = cook.post("/api/formulas", added(wrong));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.at("/fields").propertyNames()).containsExactly("procedure[0].ovenC");
        assertThat(cook.get("/api/formulas/never-stored").status()).isEqualTo(404);
        ObjectNode twice = formula("brown-beef");
        assertThat(cook.post("/api/formulas", added(twice)).reason("slug")).contains("already");
    }

    @Test
    void onlyThoseWhoSetUpTheKitchenChangeItsFormulas() {
        ObjectNode formula = formula("brown-beef");
        for (String name : new String[] {"wen", "marta", "bram"}) {
            assertThat(Visitor.signedIn(name)
                            .put("/api/formulas/brown-beef", edit(formula, 1))
                            .status())
                    .as(name)
                    .isEqualTo(403);
        }
        assertThat(Visitor.signedIn("bram").get("/api/formulas").status()).isEqualTo(403);
    }

    @Test
    void filesGoOutAndComeInAgain() {
        Visitor.Answer file = cook.get("/api/formulas/fish-fumet/file.json");
        assertThat(file.raw().headers().firstValue("Content-Disposition"))
                .hasValueSatisfying(h -> assertThat(h).contains("fish-fumet.json"));
        Visitor.Answer read =
                cook.upload("/api/formulas/reading", new String(file.raw().body()));
        assertThat(read.at("/formula")).isEqualTo(file.body());
        assertThat(read.at("/lost")).isEmpty();
        Visitor.Answer bad = cook.upload("/api/formulas/reading", "{\n\"format\": ");
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.at("/fields").propertyNames()).containsExactly("line 2");
        assertThat(Visitor.stranger().get("/api/formulas/schema.json").status()).isEqualTo(401);
        assertThat(cook.get("/api/formulas/schema.json").at("/title").asString())
                .isEqualTo("Potamos formula");
    }

    @Test
    void aChargeTakesItsMixItsCutsAndItsSchools() {
        String plain = charge("brown-beef", "");
        String mixed = charge("brown-beef", """
                , "bed": [{"kind": "beef-knuckle", "share": 0.75}, {"kind": "beef-shank-marrow", "share": 0.25}],
                  "cutMm": {"onion": 40}, "schools": {"tomato": "none", "cover": "paper-lid", "topUp": "let-reduce"}
                """);
        Visitor.Answer before = cook.post("/api/charges", plain);
        Visitor.Answer after = cook.post("/api/charges", mixed);
        assertThat(after.status()).as("%s", after.body()).isEqualTo(200);
        assertThat(after.at("/bed/0/share").asDouble()).isEqualTo(0.75);
        assertThat(after.at("/forecast/gelatinGPerL").asDouble())
                .isGreaterThan(before.at("/forecast/gelatinGPerL").asDouble());
        assertThat(after.at("/parts").findValuesAsString("id")).doesNotContain("tomato-paste");
        assertThat(after.at("/character/cuts/0/fit").asString()).isEqualTo("TOO_LARGE");
        assertThat(after.at("/schools/tomato").asString()).isEqualTo("none");
        assertThat(before.at("/schools/tomato").asString()).isEqualTo("on-the-vegetables");

        Visitor.Answer clash = cook.post("/api/charges", charge("brown-beef", ", \"schools\": {\"blanch\": true}"));
        assertThat(clash.status()).isEqualTo(422);
        assertThat(clash.reason("blanch")).contains("not roasted");
        Visitor.Answer shares = cook.post(
                "/api/charges", charge("brown-beef", ", \"bed\": [{\"kind\": \"beef-knuckle\", \"share\": 0.7}]"));
        assertThat(shares.reason("bed")).contains("add up");
    }

    private static String charge(String formula, String more) {
        return """
        {"formula": "%s", "goal": "LITRES", "value": 12 %s}
        """.formatted(formula, more);
    }

    @Test
    void aDraftIsSolvedWithoutBeingStored() {
        ObjectNode draft = formula("white-veal");
        draft.put("slug", "draft-veal");
        ((ObjectNode) draft.path("water")).put("value", 3.0);
        Visitor.Answer answer =
                cook.post("/api/charges", "{\"draft\": %s, \"goal\": \"BED\", \"value\": 6}".formatted(draft));
        assertThat(answer.at("/waterL").asDouble()).isEqualTo(18);
        assertThat(answer.at("/unusual/0/matter").asString()).isEqualTo("WATER");
        assertThat(cook.get("/api/formulas/draft-veal").status()).isEqualTo(404);
    }

    @Test
    void aChargeIsPrintedAndTabledAndSplit() {
        Visitor.Answer sheet = cook.post("/api/charges/sheet.pdf", charge("brown-veal", ""));
        assertThat(sheet.raw().headers().firstValue("Content-Type")).hasValue("application/pdf");
        assertThat(new String(sheet.raw().body(), 0, 5)).isEqualTo("%PDF-");
        String table = new String(cook.post("/api/charges/table.csv", charge("brown-veal", ""))
                .raw()
                .body());
        assertThat(table.lines().findFirst()).hasValue("section,name,value,unit,note");
        assertThat(table).contains("yield,expected,12.0000,L");
        // Others may have taken the kitchen's own pots.
        TestKitchen.freshPot(cook);
        TestKitchen.freshPot(cook);
        Visitor.Answer split =
                cook.post("/api/charges/split", "{\"formula\": \"white-veal\", \"goal\": \"LITRES\", \"value\": 48}");
        double sum = split.body().findValues("litres").stream()
                .mapToDouble(JsonNode::asDouble)
                .sum();
        assertThat(split.body().size()).isGreaterThan(1);
        assertThat(sum).isCloseTo(48, within(1e-4));
    }

    @Test
    void everyFigureOpensToWhatItRestsOn() {
        Visitor.Answer answer = cook.post("/api/charges/grounds", charge("white-chicken", ""));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        JsonNode grounds = answer.body();
        for (String figure : List.of("litres", "gelatin", "bringUp", "steam", "cooling")) {
            double known = grounds.path(figure)
                    .valueStream()
                    .mapToDouble(ground -> ground.path("bandShare").asDouble())
                    .sum();
            assertThat(known).as(figure).isBetween(0.5, 1 + 1e-9);
        }
        assertThat(grounds.at("/bringUp/0/measure").asString()).isEqualTo("LITRES");
        TestBatch batch = TestBatch.accepted(cook, 12).strained();
        batch.log("cooling-read", "\"celsius\": 80");
        TestBatch.wait(15);
        batch.log("cooling-read", "\"celsius\": 60");
        JsonNode cooling =
                cook.get("/api/batches/" + batch.id() + "/grounds").body().path("cooling");
        assertThat(cooling.valueStream().map(ground -> ground.path("basis").asString()))
                .contains("MEASURED");
    }

    @Test
    void everySchoolSaysWhatItWouldChangeAndTakingItChangesThat() {
        String vessel = TestKitchen.freshPot(cook);
        String plain = charge("white-chicken", ", \"vesselId\": \"" + vessel + "\"");
        JsonNode pressed = effect(cook.post("/api/charges/effects", plain).body(), "press", "true");
        JsonNode standing = effect(cook.post("/api/charges/effects", plain).body(), "press", "false");
        assertThat(standing.path("chosen").asBoolean()).isTrue();
        assertThat(pressed.path("bedKg").asDouble()).isNegative();
        assertThat(pressed.path("clarity").asDouble()).isNegative();

        double before = cook.post("/api/charges", plain).at("/bedKg").asDouble();
        double after = cook.post(
                        "/api/charges",
                        charge("white-chicken", ", \"vesselId\": \"" + vessel + "\", \"schools\": {\"press\": true}"))
                .at("/bedKg")
                .asDouble();
        assertThat(after - before).isCloseTo(pressed.path("bedKg").asDouble(), within(1e-9));
    }

    private static JsonNode effect(JsonNode effects, String school, String option) {
        for (JsonNode effect : effects) {
            if (effect.path("school").asString().equals(school)
                    && effect.path("option").asString().equals(option)) {
                return effect;
            }
        }
        throw new AssertionError("no " + option + " of " + school);
    }

    @Test
    void aQuestionIsAnsweredByEveryFormulaOrRefusedInWords() {
        JsonNode answers = cook.post("/api/charges/overview", "{\"goal\": \"BED\", \"value\": 11}")
                .body();
        assertThat(answers.size()).isGreaterThanOrEqualTo(16);
        for (JsonNode answer : answers) {
            if (answer.path("slug").asString().equals("glaze")) {
                assertThat(answer.path("refusal").asString()).contains("no bed");
            }
            if (answer.path("slug").asString().equals("white-chicken")) {
                assertThat(answer.path("bedKg").asDouble()).isEqualTo(11);
                assertThat(answer.path("litres").asDouble()).isBetween(10.0, 20.0);
                assertThat(answer.path("vesselName").asString()).isNotEmpty();
            }
        }
    }

    @Test
    void aPlanThatRunsPastClosingSaysSo() {
        Instant evening = TestBatch.now().truncatedTo(ChronoUnit.DAYS).plus(42, ChronoUnit.HOURS);
        assertThat(attended("fish-fumet", evening.minus(8, ChronoUnit.HOURS))).isTrue();
        assertThat(attended("brown-beef", evening)).isFalse();
    }

    private boolean attended(String formula, Instant startAt) {
        String times =
                ", \"startAt\": \"%s\", \"readyBy\": \"%s\"".formatted(startAt, startAt.plus(30, ChronoUnit.HOURS));
        return cook.post("/api/charges", charge(formula, times))
                .at("/plan/attended")
                .asBoolean();
    }
}
