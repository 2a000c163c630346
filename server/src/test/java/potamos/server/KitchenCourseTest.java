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

    private final Visitor chef = TestKitchen.chefOfAKitchenThatNeverCloses();
    private final String station = station();

    private String station() {
        TestKitchen.freshPot(chef);
        chef.post("/api/kitchen/stations", "{\"name\": \"Sauce\"}");
        return chef.get("/api/calls/menu").at("/stations/0/id").asString();
    }

    private String call(double litres, Duration ahead) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer asked = chef.post("/api/calls", """
                {"id": "%s", "stationId": "%s", "formula": "white-chicken", "litres": %s, "readyBy": "%s", "without": [],
                 "note": ""}
                """.formatted(id, station, litres, now().plus(ahead)));
        assertThat(asked.status()).as("%s", asked.body()).isIn(200, 201, 204);
        return id;
    }

    private static Instant now() {
        return TestBatch.now();
    }

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

    /** Three days' calls in one pot: each is laid at its time, and what is accepted is no longer open. */
    @Test
    void aPotThatIsUsedTodayIsPlannedForTomorrowToo() {
        String today = call(6, Duration.ofHours(12));
        call(8, Duration.ofHours(40));
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.status()).as("%s", course.body()).isEqualTo(200);
        assertThat(course.at("/drafts").size()).isEqualTo(2);
        assertThat(course.at("/howMuchLateL").asDouble()).isZero();
        assertThat(course.at("/drafts/0/vesselId").asString())
                .isEqualTo(course.at("/drafts/1/vesselId").asString());
        JsonNode first = draftFor(course, today);
        assertThat(accepted(first, today, now().plus(Duration.ofHours(12))).status())
                .isEqualTo(201);
        Visitor.Answer after = chef.get("/api/course?days=3");
        assertThat(after.at("/calls").size()).isEqualTo(1);
        assertThat(after.at("/drafts").size()).isEqualTo(1);
        assertThat(after.at("/running/0/litres").asDouble()).isCloseTo(6, within(0.2));
        assertThat(after.at("/drafts/0/gives/0/litres").asDouble()).isEqualTo(8);
    }

    private static JsonNode draftFor(Visitor.Answer course, String call) {
        return course.at("/drafts")
                .valueStream()
                .filter(draft -> draft.at("/gives/0/callId").asString().equals(call))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatABatchGivesBeyondItsCallMeetsAnother() {
        String small = call(3, Duration.ofHours(14));
        Visitor.Answer course = chef.get("/api/course");
        JsonNode draft = course.at("/drafts/0");
        chef.post("/api/batches", """
                {"id": "%s", "callId": "%s", "charge": {"formula": "white-chicken", "vesselId": "%s", "goal": "LITRES",
                 "value": 9, "readyBy": "%s"}}
                """.formatted(
                        UUID.randomUUID(), small, draft.path("vesselId").asString(), now().plus(Duration.ofHours(14))));
        call(5, Duration.ofHours(30));
        Visitor.Answer met = chef.get("/api/course");
        assertThat(met.at("/drafts")).isEmpty();
        assertThat(met.at("/lots/0/litres").asDouble()).isCloseTo(6, within(0.3));
        assertThat(met.at("/lots/0/gives/0/litres").asDouble()).isEqualTo(5);
    }

    @Test
    void itLooksOneToFourteenDaysAheadAndNobodySeesAnotherKitchens() {
        assertThat(chef.get("/api/course?days=0").reason("days")).isNotEmpty();
        assertThat(chef.get("/api/course?days=15").reason("days")).isNotEmpty();
        call(6, Duration.ofHours(12));
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

    private Visitor.Answer held(Visitor who, JsonNode draft, String id, int version, double litres, Instant start) {
        return who.put("/api/course/drafts/" + id + "?days=3", """
                {"version": %d, "formula": "%s", "litres": %s, "vesselId": "%s", "burnerId": "%s", "start": "%s"}
                """.formatted(
                        version,
                        draft.path("formula").asString(),
                        litres,
                        draft.path("vesselId").asString(),
                        draft.path("burnerId").asString(),
                        start));
    }

    private static String taken(JsonNode draft, String id) {
        return """
                {"id": "%s", "draftId": "%s", "formula": "%s", "litres": %s, "vesselId": "%s", "burnerId": "%s",
                 "start": "%s", "ready": "%s", "gives": %s}
                """.formatted(
                        id,
                        draft.path("id").asString(),
                        draft.path("formula").asString(),
                        draft.path("litres").asDouble(),
                        draft.path("vesselId").asString(),
                        draft.path("burnerId").asString(),
                        draft.path("start").asString(),
                        draft.path("ready").asString(),
                        draft.path("gives"));
    }

    /** Held two hours earlier it stays there, for everybody; taken back it is laid again, and done again it is back. */
    @Test
    void whatIsHeldStaysWhereItIsUntilItIsTakenBack() {
        call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant sooner = Instant.parse(draft.path("start").asString()).minus(Duration.ofHours(2));
        String id = UUID.randomUUID().toString();
        Visitor.Answer held = held(chef, draft, id, 0, 6, sooner);
        assertThat(held.status()).as("%s", held.body()).isEqualTo(200);
        assertThat(held.at("/drafts").size()).isEqualTo(1);
        assertThat(held.at("/drafts/0/held").asBoolean()).isTrue();
        assertThat(Instant.parse(held.at("/drafts/0/start").asString())).isEqualTo(sooner);
        assertThat(held.at("/broken")).isEmpty();
        int version = held.at("/held/version").asInt();
        assertThat(held(chef, draft, id, 0, 6, sooner).status())
                .as("made to what it was before")
                .isEqualTo(409);
        Visitor.Answer back = chef.post("/api/course/undo?days=3", "{\"version\": %d}".formatted(version));
        assertThat(back.at("/drafts/0/held").asBoolean()).isFalse();
        assertThat(back.at("/held/canUndo").asBoolean()).isFalse();
        assertThat(back.at("/held/canRedo").asBoolean()).isTrue();
        Visitor.Answer again = chef.post("/api/course/redo?days=3", "{\"version\": %d}".formatted(version + 1));
        assertThat(Instant.parse(again.at("/drafts/0/start").asString())).isEqualTo(sooner);
        assertThat(chef.post("/api/course/redo?days=3", "{\"version\": %d}".formatted(version + 2))
                        .status())
                .isEqualTo(409);
        assertThat(chef.delete("/api/course/drafts/" + id + "?days=3&version=" + (version + 2))
                        .at("/drafts/0/held")
                        .asBoolean())
                .isFalse();
    }

    /** Two in one pot at once: it is said which rule is broken, and neither is made of it. */
    @Test
    void heldOverEachOtherTheySayWhatTheyBreakAndNoneIsAcceptedOfBoth() {
        String sooner = call(6, Duration.ofHours(30));
        call(7, Duration.ofHours(54));
        JsonNode first = draftFor(chef.get("/api/course?days=3"), sooner);
        Instant start = Instant.parse(first.path("start").asString());
        held(chef, first, "one", 0, 6, start);
        Visitor.Answer both = held(chef, first, "two", 1, 7, start.plus(Duration.ofHours(1)));
        assertThat(both.at("/broken").findValuesAsString("rule")).contains("TAKEN_TWICE");
        assertThat(both.at("/drafts").size()).isEqualTo(2);
        int batches = chef.get("/api/batches?words=").body().size();
        Visitor.Answer refused = chef.post(
                "/api/course/accept?days=3",
                "{\"batches\": [%s, %s]}"
                        .formatted(
                                taken(both.at("/drafts/0"), UUID.randomUUID().toString()),
                                taken(both.at("/drafts/1"), UUID.randomUUID().toString())));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(chef.get("/api/batches?words=").body().size()).isEqualTo(batches);
        assertThat(chef.get("/api/course?days=3").at("/held/version").asInt()).isEqualTo(2);
    }

    /** One pot of stock for two calls: accepted once, both are planned, and what is handed to the one is not owed to the other. */
    @Test
    void aBatchForTwoCallsIsPlannedForBoth() {
        String small = call(3, Duration.ofHours(30));
        String large = call(5, Duration.ofHours(33));
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.at("/drafts").size()).isEqualTo(1);
        JsonNode draft = course.at("/drafts/0");
        String id = UUID.randomUUID().toString();
        for (int tap = 0; tap < 2; tap++) {
            Visitor.Answer accepted =
                    chef.post("/api/course/accept?days=3", "{\"batches\": [%s]}".formatted(taken(draft, id)));
            assertThat(accepted.status()).as("%s", accepted.body()).isEqualTo(200);
            assertThat(accepted.at("/calls")).isEmpty();
            assertThat(accepted.at("/running").size()).isEqualTo(1);
        }
        chef.get("/api/calls").body().forEach(call -> {
            if (call.path("id").asString().equals(small)
                    || call.path("id").asString().equals(large)) {
                assertThat(call.path("status").asString()).isEqualTo("PLANNED");
            }
        });
        Visitor.Answer page = chef.get("/api/batches/" + id);
        assertThat(page.at("/call/id").asString()).isEqualTo(small);
        assertThat(page.at("/also/0/id").asString()).isEqualTo(large);
        assertThat(page.at("/card/calledL").asDouble()).isCloseTo(8, within(0.01));
    }

    @Test
    void aSearchHoldsWhatItFindsAndSaysHowGoodItIs() {
        call(3, Duration.ofHours(20));
        call(3, Duration.ofHours(44));
        Visitor.Answer atOnce = chef.get("/api/course?days=3");
        assertThat(atOnce.at("/drafts").size()).isEqualTo(2);
        Visitor.Answer found = chef.post("/api/course/look?days=3", "{\"version\": 0, \"seconds\": 10}");
        assertThat(found.status()).as("%s", found.body()).isEqualTo(200);
        assertThat(found.at("/found/how").asString()).isEqualTo("PROVEN");
        assertThat(found.at("/found/gap").asDouble()).isZero();
        assertThat(found.at("/drafts").size()).isEqualTo(1);
        assertThat(found.at("/drafts/0/held").asBoolean()).isTrue();
        assertThat(found.at("/drafts/0/gives").size()).isEqualTo(2);
        assertThat(chef.post("/api/course/look?days=3", "{\"version\": 0, \"seconds\": 90}")
                        .reason("seconds"))
                .isNotEmpty();
        assertThat(chef.post("/api/course/stop", "").status()).isIn(200, 204);
    }

    /** Its pot is retired under it: it is told with its reason, also after a search, until somebody lets it go. */
    @Test
    void whatIsHeldInAPotThatIsRetiredStaysOnTheListUntilItIsLetGo() {
        String other = TestKitchen.freshPot(chef);
        call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant start = Instant.parse(draft.path("start").asString());
        String pot = draft.path("vesselId").asString();
        held(chef, draft, "mine", 0, 6, start);
        assertThat(chef.post("/api/kitchen/vessels/" + pot + "/retirement", "").status())
                .isIn(200, 204);
        Visitor.Answer told = chef.get("/api/course?days=3");
        assertThat(told.at("/unmade/0/reason").asString()).isEqualTo("its vessel is retired");
        assertThat(told.at("/drafts/0/vesselId").asString()).isEqualTo(other);
        Visitor.Answer looked = chef.post("/api/course/look?days=3", "{\"version\": 1, \"seconds\": 2}");
        assertThat(looked.at("/unmade/0/id").asString()).isEqualTo("mine");
        assertThat(chef.delete("/api/course/drafts/mine?days=3&version=2").at("/unmade"))
                .isEmpty();
    }

    @Test
    void whyABatchIsWhereItIsIsSaid() {
        String id = call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Visitor.Answer why = chef.get("/api/course/drafts/" + draft.path("id").asString() + "/why?days=3");
        assertThat(why.status()).as("%s", why.body()).isEqualTo(200);
        assertThat(why.at("/callId").asString()).isEqualTo(id);
        assertThat(why.at("/spareMin").asInt()).isGreaterThanOrEqualTo(60);
        assertThat(chef.get("/api/course/drafts/nothing/why").status()).isEqualTo(404);
    }

    @Test
    void whatCannotBeMadeIsRefusedWhereItIsHeldAndNobodyHoldsWithoutTheRight() {
        call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant start = Instant.parse(draft.path("start").asString());
        assertThat(held(chef, draft, "huge", 0, 400, start).reason("vesselId")).contains("gives as much");
        assertThat(held(chef, draft, "none", 0, 0, start).reason("litres")).isNotEmpty();
        assertThat(held(chef, draft, "past", 0, 6, now().minus(Duration.ofHours(1)))
                        .reason("start"))
                .contains("past");
        assertThat(held(chef, draft, "far", 0, 6, Instant.parse("2126-01-01T10:00:00Z"))
                        .reason("start"))
                .isNotEmpty();
        assertThat(held(TestKitchen.chefOfAnotherKitchen(), draft, "theirs", 0, 6, start)
                        .reason("vesselId"))
                .isNotEmpty();
        assertThat(chef.get("/api/course?days=3").at("/held/version").asInt()).isZero();
    }

    /** The day's sheet tells its pots, its call and what to weigh; the tables have a row for each. */
    @Test
    void theCourseGoesOnPaperAndIntoTables() throws IOException {
        call(6, Duration.ofHours(20));
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
                        "Weigh in")
                .contains("To weigh", "Onion");
        String needs = text(chef.get("/api/course/needs.csv?days=3"));
        assertThat(needs.lines().findFirst()).contains("day,item,kg,vessel,formula,start");
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
