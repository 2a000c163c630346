package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The course of a kitchen of its own: its calls, its pots, and what is under way in them. */
@ExtendWith(TestKitchen.class)
class KitchenCourseTest {

    private final CourseKitchen house = new CourseKitchen();
    private final Visitor chef = house.chef;

    private Visitor.Answer accepted(JsonNode draft, String callId, Instant by) {
        return chef.post("/api/batches", """
                {"id": "%s", "callId": "%s", "charge": {"formula": "%s", "vesselId": "%s", "burnerId": "%s",
                 "goal": "LITRES", "value": %s, "readyBy": "%s", "startAt": "%s"}}
                """.formatted(
                        UUID.randomUUID(),
                        callId,
                        draft.path("formula").asString(),
                        draft.path("vesselId").asString(),
                        draft.path("burnerId").asString(),
                        draft.path("litres").asDouble(),
                        by,
                        draft.path("start").asString()));
    }

    private JsonNode vealBeside(Instant start) {
        return chef.post("/api/charges", """
                {"formula": "brown-veal", "goal": "LITRES", "value": 4, "vesselId": "%s", "readyBy": "%s", "startAt": "%s"}
                """.formatted(
                                TestKitchen.freshPot(chef), start.plus(Duration.ofHours(20)), start))
                .body();
    }

    /** Roots roast slowly in the oven with a fan: bones are not roasted in it at another heat, but in the one that is free. */
    @Test
    void anOvenThatIsSetToAnotherHeatIsNotPlannedForBones() {
        Instant start = CourseKitchen.now().plus(Duration.ofDays(2));
        chef.post("/api/kitchen/burners", "{\"name\": \"Beside\", \"ratedKw\": 9, \"efficiency\": 0.5}");
        chef.post("/api/kitchen/ovens", "{\"name\": \"Fan\", \"trays\": 6, \"convection\": true}");
        assertThat(vealBeside(start).at("/roast/oven").asString()).isEqualTo("Fan");
        Visitor.Answer roots = chef.post("/api/batches", """
                {"id": "%s", "charge": {"formula": "vegetable-dark", "goal": "LITRES", "value": 4, "vesselId": "%s",
                 "readyBy": "%s", "startAt": "%s"}}
                """.formatted(
                        UUID.randomUUID(), TestKitchen.freshPot(chef), start.plus(Duration.ofHours(20)), start));
        assertThat(roots.status()).as("%s", roots.body()).isEqualTo(201);
        assertThat(vealBeside(start).at("/plan/taken").asString()).isIn("OVEN", "BURNER");
        chef.post("/api/kitchen/ovens", "{\"name\": \"Still\", \"trays\": 4, \"convection\": false}");
        JsonNode veal = vealBeside(start);
        assertThat(veal.at("/roast/oven").asString()).isEqualTo("Still");
        assertThat(veal.at("/plan/taken").isMissingNode()
                        || veal.at("/plan/taken").isNull())
                .isTrue();
    }

    /** Three days' calls in one pot: each is laid at its time, and what is accepted is no longer open. */
    @Test
    void aPotThatIsUsedTodayIsPlannedForTomorrowToo() {
        String today = house.call(6, Duration.ofHours(12));
        house.call(8, Duration.ofHours(40));
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.status()).as("%s", course.body()).isEqualTo(200);
        assertThat(course.at("/drafts").size()).isEqualTo(2);
        assertThat(course.at("/howMuchLateL").asDouble()).isZero();
        assertThat(course.at("/drafts/0/vesselId").asString())
                .isEqualTo(course.at("/drafts/1/vesselId").asString());
        JsonNode first = CourseKitchen.draftFor(course, today);
        assertThat(accepted(first, today, CourseKitchen.now().plus(Duration.ofHours(12)))
                        .status())
                .isEqualTo(201);
        Visitor.Answer after = chef.get("/api/course?days=3");
        assertThat(after.at("/calls").size()).isEqualTo(1);
        assertThat(after.at("/drafts").size()).isEqualTo(1);
        assertThat(after.at("/running/0/litres").asDouble()).isCloseTo(6, within(0.2));
        assertThat(after.at("/drafts/0/gives/0/litres").asDouble()).isEqualTo(8);

        // What is accepted still comes, and goes to whom it was made for: it is drawn as what is drafted is.
        JsonNode promised = after.at("/promised");
        assertThat(promised.size()).isEqualTo(1);
        assertThat(promised.at("/0/callId").asString()).isEqualTo(today);
        assertThat(promised.at("/0/litres").asDouble()).isCloseTo(6, within(0.2));
        assertThat(promised.at("/0/from").asString())
                .isEqualTo(last(after.at("/running/0/stages")).path("to").asString());
        assertThat(Instant.parse(promised.at("/0/from").asString()))
                .isBefore(Instant.parse(promised.at("/0/by").asString()));
        assertThat(promised.at("/0/lateMin").asInt()).isZero();
    }

    private static JsonNode last(JsonNode some) {
        return some.get(some.size() - 1);
    }

    /** Put away it stands on the shelf from now on, and a part that was handed over is promised no more. */
    @Test
    void whatIsPutAwayForACallStandsThereUntilItIsHandedOver() {
        String soup = house.call(3, Duration.ofHours(30));
        TestBatch batch = TestBatch.acceptedFor(chef, 12, soup).strained();
        for (double celsius : new double[] {80, 20, 2}) {
            batch.log("cooling-read", "\"celsius\": " + celsius);
            TestBatch.wait(20);
        }
        batch.log("stored", "\"litres\": 10, \"words\": \"Cold store\"");
        JsonNode promised = chef.get("/api/course?days=2").at("/promised");
        assertThat(promised.size()).isEqualTo(1);
        assertThat(promised.at("/0/litres").asDouble()).isEqualTo(3);
        assertThat(promised.at("/0/station").asString()).isEqualTo("Sauce");
        // Also where it is wanted later than somebody looks: it stands there all that time.
        assertThat(chef.get("/api/course?days=1").at("/promised").size()).isEqualTo(1);
        assertThat(Instant.parse(promised.at("/0/from").asString())).isBeforeOrEqualTo(CourseKitchen.now());
        batch.log(
                "delivered", "\"litres\": 2, \"stationId\": \"%s\", \"callId\": \"%s\"".formatted(house.station, soup));
        assertThat(chef.get("/api/course?days=2").at("/promised/0/litres").asDouble())
                .isEqualTo(1);
    }

    @Test
    void whatABatchGivesBeyondItsCallMeetsAnother() {
        String small = house.call(3, Duration.ofHours(14));
        Visitor.Answer course = chef.get("/api/course");
        JsonNode draft = course.at("/drafts/0");
        chef.post("/api/batches", """
                {"id": "%s", "callId": "%s", "charge": {"formula": "white-chicken", "vesselId": "%s", "goal": "LITRES",
                 "value": 9, "readyBy": "%s"}}
                """.formatted(
                        UUID.randomUUID(),
                        small,
                        draft.path("vesselId").asString(),
                        CourseKitchen.now().plus(Duration.ofHours(14))));
        house.call(5, Duration.ofHours(30));
        Visitor.Answer met = chef.get("/api/course");
        assertThat(met.at("/drafts")).isEmpty();
        assertThat(met.at("/lots/0/litres").asDouble()).isCloseTo(6, within(0.3));
        assertThat(met.at("/lots/0/gives/0/litres").asDouble()).isEqualTo(5);
    }

    @Test
    void itLooksOneToFourteenDaysAheadAndNobodySeesAnotherKitchens() {
        assertThat(chef.get("/api/course?days=0").reason("days")).isNotEmpty();
        assertThat(chef.get("/api/course?days=15").reason("days")).isNotEmpty();
        house.call(6, Duration.ofHours(12));
        Visitor other = TestKitchen.chefOfAnotherKitchen();
        assertThat(other.get("/api/course").at("/calls")).isEmpty();
    }

    /** A name is kept without the blanks around it, and a thing is known by its name. */
    @Test
    void aPotWhoseNameWasTypedWithBlanksIsTakenLikeAnyOther() {
        Visitor house = TestKitchen.chefOfAKitchenThatNeverCloses();
        house.post("/api/kitchen/burners", "{\"name\": \" Ring \", \"ratedKw\": 9, \"efficiency\": 0.5}");
        house.post("/api/kitchen/vessels", """
                {"name": " Pot ", "shape": "cylinder", "diameterCm": 40, "heightCm": 45}
                """);
        String pot = house.get("/api/kitchen").at("/vessels/0/id").asString();
        Visitor.Answer first = house.post("/api/charges", TestBatch.charge(pot, 8, ""));
        String start = first.at("/plan/startAt").asString();
        assertThat(house.post(
                                "/api/batches",
                                TestBatch.acceptanceAt(UUID.randomUUID().toString(), pot, start))
                        .status())
                .isEqualTo(201);
        assertThat(house.post(
                                "/api/batches",
                                TestBatch.acceptanceAt(UUID.randomUUID().toString(), pot, start))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void whyABatchIsWhereItIsIsSaid() {
        String id = house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Visitor.Answer why = chef.get("/api/course/drafts/" + draft.path("id").asString() + "/why?days=3");
        assertThat(why.status()).as("%s", why.body()).isEqualTo(200);
        assertThat(why.at("/callId").asString()).isEqualTo(id);
        assertThat(why.at("/spareMin").asInt()).isGreaterThanOrEqualTo(60);
        assertThat(chef.get("/api/course/drafts/nothing/why").status()).isEqualTo(404);
    }

    /** The day's sheet tells what is done in which pot and when; the tables have a row for each. */
    @Test
    void theCourseGoesOnPaperAndIntoTables() throws IOException {
        house.call(6, Duration.ofHours(20));
        Visitor.Answer course = chef.get("/api/course?days=3");
        JsonNode draft = course.at("/drafts/0");
        ZoneId zone = ZoneId.of(chef.get("/api/session").at("/timeZone").asString());
        LocalDate day =
                Instant.parse(draft.path("start").asString()).atZone(zone).toLocalDate();
        Visitor.Answer sheet = chef.get("/api/course/day-sheet.pdf?day=" + day);
        assertThat(sheet.status()).isEqualTo(200);
        String words;
        try (PDDocument paper = Loader.loadPDF(sheet.raw().body())) {
            words = new PDFTextStripper().getText(paper);
        }
        assertThat(words)
                .contains(
                        draft.path("vesselName").asString(),
                        draft.path("formulaName").asString(),
                        ":%02d Weigh in"
                                .formatted(Instant.parse(draft.path("start").asString())
                                        .atZone(zone)
                                        .getMinute()));
        String needs = text(chef.get("/api/course/needs.csv?days=3"));
        assertThat(needs).startsWith("day,item,kg,vessel,formula,start,in the larder kg,to thaw kg,thaw from,lacks kg");
        assertThat(needs).contains(day + ",Onion");
        String batches = text(chef.get("/api/course/batches.csv?days=3"));
        assertThat(batches.lines().count()).isEqualTo(2);
        assertThat(batches).contains("white-chicken", "Sauce 6.000 L");
        assertThat(chef.get("/api/course/day-sheet.pdf?day=2020-01-01").reason("day"))
                .isNotEmpty();
        assertThat(chef.get("/api/course/needs.csv?days=99").reason("days")).isNotEmpty();
    }

    private static String text(Visitor.Answer answer) {
        assertThat(answer.status()).isEqualTo(200);
        return new String(answer.raw().body(), StandardCharsets.UTF_8);
    }
}
