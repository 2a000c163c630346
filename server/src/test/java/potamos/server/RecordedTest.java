package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What follows from a record that another program keeps: verdicts and forecasts over HTTP. */
@ExtendWith(TestKitchen.class)
class RecordedTest {

    private static final String TOKEN = "potamos_demo_kestrel-lodge";

    private static Visitor.Answer calc(String path, String json) {
        return Visitor.program(TOKEN, "/api/calc/" + path, json);
    }

    private static Visitor.Answer verdict(String readings, String reheats, double until) {
        return calc("verdict", """
                {"profile": "us-food-code", "heatEndsAt": 0, "strainedAt": 20, "readings": [%s], "reheats": [%s],
                 "mediumC": 2, "until": %s}
                """.formatted(readings, reheats, until));
    }

    private static String read(String minuteAndC) {
        StringBuilder readings = new StringBuilder();
        for (String one : minuteAndC.isBlank() ? new String[0] : minuteAndC.split(" ")) {
            String[] parts = one.split(":");
            readings.append(readings.isEmpty() ? "" : ", ")
                    .append("{\"minute\": ")
                    .append(parts[0])
                    .append(", \"c\": ")
                    .append(parts[1])
                    .append(parts.length > 2 ? ", \"enteredAt\": " + parts[2] : "")
                    .append("}");
        }
        return readings.toString();
    }

    @ParameterizedTest
    @CsvSource({
        "'0:80 20:57 60:35 90:25 115:20 200:9 280:4', '', 300, passed, store",
        "'0:80 20:57 60:35 90:25 115:20:400 200:9 280:4', '', 420, passed-on-late-entries, release",
        "'0:80 20:57 60:45 100:35 141:30', '', 150, failed, reheat",
        "'0:80 20:57 60:45 100:35 141:30', '160:70', 170, failed, discard",
        "'0:80 20:57 60:45 100:35 141:30', '160:75', 170, on-course, read-on",
        "'0:80 20:57 60:45 100:35 141:30', '160:75 500:76', 510, failed, discard",
        "'0:80 20:57 60:45 100:35 141:30', '160:75:176', 180, failed, discard",
        "'0:80 20:57 60:35', '', 150, not-shown, release",
        "'0:80 20:57 60:35 141:15', '', 150, not-shown, release",
        "'0:80 10:2', '', 12, on-course, read-on",
        "'0:80 20:57 60:35', '', 80, on-course, read-on",
        "'0:80 20:57 60:54', '', 61, on-course, cool-faster",
        "'', '', 60, on-course, read-on",
    })
    void aRecordIsJudged(String readings, String reheats, double until, String overall, String allowed) {
        Visitor.Answer answer = verdict(read(readings), read(reheats), until);
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        assertThat(answer.at("/verdict").asString()).as("%s", answer.body()).isEqualTo(overall);
        assertThat(answer.at("/allowed/0").asString()).isEqualTo(allowed);
    }

    @Test
    void eachStageSaysFromWhenItsClockRunsAndWhy() {
        Visitor.Answer answer = verdict(read("0:80 20:57 60:35 90:25 115:20 200:9 280:4"), "", 300);
        JsonNode first = answer.at("/stages/0");
        assertThat(first.path("fromC").asDouble()).isEqualTo(57);
        assertThat(first.path("withinMin").asDouble()).isEqualTo(120);
        assertThat(first.path("opened").asDouble()).isEqualTo(20);
        assertThat(first.path("deadline").asDouble()).isEqualTo(140);
        assertThat(first.path("provenBy").asInt()).isEqualTo(4);
        assertThat(first.path("crossedAtMin").asDouble()).isEqualTo(115);
        assertThat(first.path("why").asString()).isEqualTo("read-cold-in-time");
        assertThat(answer.at("/stages/1/provenBy").asInt()).isEqualTo(6);
        assertThat(answer.at("/doubtful").size()).isZero();
        // Where it is not known it is null, and not left out.
        assertThat(verdict(read("0:80 20:57 60:35"), "", 80)
                        .at("/stages/0/provenBy")
                        .isNull())
                .isTrue();
        assertThat(verdict(read("0:80 10:2 20:50"), "", 80).at("/doubtful").toString())
                .isEqualTo("[1]");
    }

    /** Nobody can say that a probe read it: neither name is known. */
    @ParameterizedTest
    @ValueSource(strings = {"byProbe", "probe"})
    void whatReadItIsNotForAnybodyToSay(String field) {
        Visitor.Answer answer = verdict("{\"minute\": 10, \"c\": 50, \"%s\": true}".formatted(field), "", 20);
        assertThat(answer.status()).isIn(400, 422);
        assertThat(answer.body().toString()).contains(field);
    }

    @Test
    void whatItStandsInSaysHowFastItCanFall() {
        String body = """
                {"profile": "uk-cook-chill", "heatEndsAt": 0, "strainedAt": %s, "readings": [%s], "until": 100,
                 "container": {"shape": "cylinder", "diameterCm": 24, "heightCm": 25}, "medium": {"kind": "cold-store"}}
                """;
        String readings = read("0:80 20:60 60:20 85:3");
        assertThat(calc("verdict", body.formatted(20, readings)).at("/doubtful").size())
                .isPositive();
        // Began within half an hour of the heat, or not.
        String bath = body.replace("cold-store", "ice-bath");
        assertThat(calc("verdict", bath.formatted(30, readings))
                        .at("/begin/verdict")
                        .asString())
                .isEqualTo("passed");
        Visitor.Answer late = calc("verdict", bath.formatted(31, readings));
        assertThat(late.at("/begin/verdict").asString()).isEqualTo("failed");
        assertThat(late.at("/verdict").asString()).isEqualTo("failed");
    }

    @Test
    void aProfileMayBeToldInline() {
        String body = """
                {"profile": {"stages": [{"fromC": 63, "toC": 10, "withinMin": 120}], "reheatC": 63},
                 "heatEndsAt": 0, "readings": [%s], "until": 200}
                """;
        Visitor.Answer answer = calc("verdict", body.formatted(read("0:80 20:63 60:30 90:15 110:9")));
        assertThat(answer.at("/verdict").asString()).as("%s", answer.body()).isEqualTo("passed");
        assertThat(answer.at("/stages").size()).isEqualTo(1);
        assertThat(answer.at("/defaults").propertyNames()).contains("profile.reheatWithinMin", "mediumC");
        assertThat(calc("verdict", body.formatted("").replace("\"toC\": 10,", ""))
                        .reason("profile.stages.toC"))
                .isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "profile.id, '{\"profile\": {\"id\": \"mine\"}, \"heatEndsAt\": 0, \"readings\": [], \"until\": 1}'",
        "profile, '{\"profile\": \"moon\", \"heatEndsAt\": 0, \"readings\": [], \"until\": 1}'",
        "readings.minute, '{\"profile\": \"us-food-code\", \"heatEndsAt\": 0, \"readings\": [{\"c\": 5}], \"until\": 1}'",
        "heatEndsAt, '{\"profile\": \"us-food-code\", \"readings\": [], \"until\": 1}'",
        "until, '{\"profile\": \"us-food-code\", \"heatEndsAt\": 0, \"readings\": [], \"until\": 1e9}'",
    })
    void whatCannotBeJudgedIsRefusedWithItsField(String field, String body) {
        Visitor.Answer answer = calc("verdict", body);
        assertThat(answer.status()).isIn(400, 422);
        assertThat(answer.body().toString())
                .contains(field.substring(field.indexOf('.') + 1))
                .doesNotContain("class potamos");
    }

    private static final String CHARGE = """
            "formula": "white-chicken", "goal": {"kind": "yield", "litres": 12},
            "vessel": {"shape": "cylinder", "diameterCm": 40, "heightCm": 45}, "heatKw": 4.5
            """;

    private static Visitor.Answer forecast(String acts, double at) {
        return calc("forecast", "{%s, \"acts\": [%s], \"atMinute\": %s}".formatted(CHARGE, acts, at));
    }

    @Test
    void withoutActsItIsThePlan() {
        Visitor.Answer plan = calc("charge", "{%s}".formatted(CHARGE));
        Visitor.Answer answer = forecast("", 0);
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        assertThat(answer.at("/stage").asString()).isEqualTo("weigh-in");
        assertThat(answer.at("/expectedOutL/p50").asDouble())
                .isCloseTo(plan.at("/yieldL/p50").asDouble(), within(1e-9));
        assertThat(answer.at("/expectedOutL/p10").asDouble())
                .isCloseTo(plan.at("/yieldL/p10").asDouble(), within(1e-9));
        assertThat(answer.at("/gelatinGPerL").asDouble())
                .isCloseTo(plan.at("/gelatinGPerL").asDouble(), within(1e-9));
        assertThat(answer.at("/clarity").asDouble())
                .isCloseTo(plan.at("/clarity").asDouble(), within(1e-9));
        assertThat(answer.at("/ledger")).isEqualTo(plan.at("/ledger"));
        assertThat(answer.at("/kappa/p50").asDouble()).isCloseTo(0.8, within(1e-9));
        assertThat(answer.at("/due/0/kind").asString()).isEqualTo("weigh");
    }

    private static String act(double minute, String kind, String figures) {
        return "{\"minute\": %s, \"kind\": \"%s\"%s}".formatted(minute, kind, figures);
    }

    private static String simmering(double kg, double litres) {
        return String.join(
                ", ",
                act(5, "weighed-in", ", \"part\": \"bed\", \"kg\": " + kg),
                act(10, "finished", ", \"step\": 0"),
                act(15, "filled", ", \"litres\": " + litres + ", \"celsius\": 12"),
                act(20, "heat-on", ""),
                act(75, "simmer-reached", ""));
    }

    @Test
    void aLowerLevelNeverRaisesWhatComesOut() {
        Visitor.Answer plan = calc("charge", "{%s}".formatted(CHARGE));
        double kg = plan.at("/bedKg").asDouble();
        double water = plan.at("/waterL").asDouble();
        Visitor.Answer before = forecast(simmering(kg, water), 160);
        assertThat(before.at("/stage").asString()).as("%s", before.body()).isEqualTo("simmer");
        double level = before.at("/levelBelowRimCm").asDouble();
        String lower = act(160, "level-read", ", \"belowRimCm\": " + (level + 2));
        Visitor.Answer after = forecast(simmering(kg, water) + ", " + lower, 160);
        assertThat(after.at("/expectedOutL/p50").asDouble())
                .isLessThanOrEqualTo(before.at("/expectedOutL/p50").asDouble() + 0.05);
        assertThat(after.at("/litresInPot").asDouble())
                .isLessThan(before.at("/litresInPot").asDouble() - 2);
        assertThat(after.at("/kappa/p50").asDouble())
                .isGreaterThan(before.at("/kappa/p50").asDouble());
        assertThat(after.at("/levelBelowRimCm").asDouble()).isCloseTo(level + 2, within(1e-6));
        assertThat(after.at("/due").toString()).contains("top-up");
    }

    @Test
    void sevenKilosAreSevenKilos() {
        Visitor.Answer plan = calc("charge", "{%s}".formatted(CHARGE));
        double kg = plan.at("/bedKg").asDouble();
        Visitor.Answer less = forecast(act(5, "weighed-in", ", \"part\": \"bed\", \"kg\": " + 0.75 * kg), 6);
        assertThat(less.at("/expectedOutL/p50").asDouble()).isBetween(8.5, 9.5);
    }

    @Test
    void whatIsUnknownIsRefusedWithTheList() {
        Visitor.Answer kind = forecast(act(1, "juggled", ""), 5);
        assertThat(kind.status()).isEqualTo(422);
        assertThat(kind.reason("acts[0].kind")).contains("weighed-in", "level-read", "turned-down");
        assertThat(forecast(act(1, "filled", ", \"litres\": 3, \"celsius\": 12"), 5)
                        .status())
                .isEqualTo(422);
        assertThat(forecast(act(1, "weighed-in", ", \"part\": \"bed\", \"kg\": 3, \"colour\": 1"), 5)
                        .reason("acts[0].colour"))
                .isNotEmpty();
        assertThat(calc("forecast", "{%s, \"acts\": [{\"kind\": \"noted\"}], \"atMinute\": 1}".formatted(CHARGE))
                        .reason("acts[0].minute"))
                .isNotEmpty();
    }
}
