package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What people hold of a course, and what becomes of it. */
@ExtendWith(TestKitchen.class)
class HeldCourseTest {

    private final CourseKitchen house = new CourseKitchen();
    private final Visitor chef = house.chef;

    /** Held two hours earlier it stays there, for everybody; taken back it is laid again, and done again it is back. */
    @Test
    void whatIsHeldStaysWhereItIsUntilItIsTakenBack() {
        house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant sooner = Instant.parse(draft.path("start").asString()).minus(Duration.ofHours(2));
        String id = UUID.randomUUID().toString();
        Visitor.Answer held = house.held(chef, draft, id, 0, 6, sooner);
        assertThat(held.status()).as("%s", held.body()).isEqualTo(200);
        assertThat(held.at("/drafts").size()).isEqualTo(1);
        assertThat(held.at("/drafts/0/held").asBoolean()).isTrue();
        assertThat(Instant.parse(held.at("/drafts/0/start").asString())).isEqualTo(sooner);
        assertThat(held.at("/broken")).isEmpty();
        int version = held.at("/held/version").asInt();
        assertThat(house.held(chef, draft, id, 0, 6, sooner).status())
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
        String sooner = house.call(6, Duration.ofHours(30));
        house.call(7, Duration.ofHours(54));
        JsonNode first = CourseKitchen.draftFor(chef.get("/api/course?days=3"), sooner);
        Instant start = Instant.parse(first.path("start").asString());
        house.held(chef, first, "one", 0, 6, start);
        Visitor.Answer both = house.held(chef, first, "two", 1, 7, start.plus(Duration.ofHours(1)));
        assertThat(both.at("/broken").findValuesAsString("rule")).contains("TAKEN_TWICE");
        assertThat(both.at("/drafts").size()).isEqualTo(2);
        int batches = chef.get("/api/batches?words=").body().size();
        Visitor.Answer refused = chef.post(
                "/api/course/accept?days=3",
                "{\"batches\": [%s, %s]}"
                        .formatted(
                                CourseKitchen.taken(
                                        both.at("/drafts/0"), UUID.randomUUID().toString()),
                                CourseKitchen.taken(
                                        both.at("/drafts/1"), UUID.randomUUID().toString())));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(chef.get("/api/batches?words=").body().size()).isEqualTo(batches);
        assertThat(chef.get("/api/course?days=3").at("/held/version").asInt()).isEqualTo(2);
    }

    /** One pot of stock for two calls: accepted once, both are planned, and what is handed to the one is not owed to the other. */
    @Test
    void aBatchForTwoCallsIsPlannedForBoth() {
        String small = house.call(3, Duration.ofHours(30));
        String large = house.call(5, Duration.ofHours(33));
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.at("/drafts").size()).isEqualTo(1);
        JsonNode draft = course.at("/drafts/0");
        String id = UUID.randomUUID().toString();
        for (int tap = 0; tap < 2; tap++) {
            Visitor.Answer accepted = chef.post(
                    "/api/course/accept?days=3", "{\"batches\": [%s]}".formatted(CourseKitchen.taken(draft, id)));
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

    /** What one pot does not give is made in two: each is made for its own part, and no pot is short of what it never was to give. */
    @Test
    void aPartOfACallIsPromisedAsAPart() {
        String much = house.call(45, Duration.ofHours(40));
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.at("/drafts").size()).isGreaterThan(1);
        for (JsonNode draft : course.at("/drafts")) {
            String id = UUID.randomUUID().toString();
            Visitor.Answer accepted = chef.post(
                    "/api/course/accept?days=3", "{\"batches\": [%s]}".formatted(CourseKitchen.taken(draft, id)));
            assertThat(accepted.status()).as("%s", accepted.body()).isEqualTo(200);
            assertThat(chef.get("/api/batches/" + id).at("/card/calledL").asDouble())
                    .isCloseTo(draft.at("/gives/0/litres").asDouble(), within(0.01));
        }
        assertThat(chef.get("/api/calls/" + much).at("/status").asString()).isEqualTo("PLANNED");
    }

    @Test
    void aCallThatIsNamedTwiceIsRefusedAndNothingIsMade() {
        house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        String gives = draft.at("/gives/0").toString();
        String twice = CourseKitchen.taken(draft, UUID.randomUUID().toString())
                .replace("\"gives\": [" + gives + "]", "\"gives\": [" + gives + "," + gives + "]");
        assertThat(chef.post("/api/course/accept?days=3", "{\"batches\": [%s]}".formatted(twice))
                        .reason("gives"))
                .contains("twice");
        assertThat(chef.get("/api/course?days=3").at("/running")).isEmpty();
    }

    /** Eight tablets hold at once, in a kitchen where nobody has held anything: one of them does, and the others are told that somebody did. */
    @Test
    void ofManyWhoHoldAtOnceOneDoes() {
        house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant start = Instant.parse(draft.path("start").asString());
        List<Integer> answers = IntStream.range(0, 8)
                .parallel()
                .mapToObj(n ->
                        house.held(chef, draft, "at-once-" + n, 0, 6, start).status())
                .sorted()
                .toList();
        assertThat(answers).containsExactly(200, 409, 409, 409, 409, 409, 409, 409);
        assertThat(chef.get("/api/course?days=3").at("/held/version").asInt()).isEqualTo(1);
        Visitor.Answer stale = chef.post("/api/course/look?days=3", "{\"version\": 0, \"seconds\": 30}");
        assertThat(stale.status()).isEqualTo(409);
        assertThat(house.held(chef, draft, "x".repeat(41), 1, 6, start).reason("id"))
                .contains("long");
    }

    /** In two pots, then in one again: both halves are held, and so is the whole. */
    @Test
    void oneIsMadeTwoAndTwoAreMadeOne() {
        TestKitchen.freshPot(chef);
        house.call(9, Duration.ofHours(30));
        JsonNode whole = chef.get("/api/course?days=3").at("/drafts/0");
        String path = "/api/course/drafts/" + whole.path("id").asString();
        Visitor.Answer halves = chef.post(path + "/halves?days=3", "{\"version\": 0}");
        assertThat(halves.status()).as("%s", halves.body()).isEqualTo(200);
        assertThat(halves.at("/drafts").size()).isEqualTo(2);
        assertThat(halves.at("/drafts/0/vesselId").asString())
                .isNotEqualTo(halves.at("/drafts/1/vesselId").asString());
        assertThat(halves.at("/broken")).isEmpty();
        assertThat(halves.at("/calls/0/missing").asDouble()).isZero();
        Visitor.Answer one = chef.post(
                "/api/course/drafts/" + halves.at("/drafts/0/id").asString() + "/joining?days=3",
                "{\"version\": 1, \"otherId\": \"%s\"}"
                        .formatted(halves.at("/drafts/1/id").asString()));
        assertThat(one.at("/drafts").size()).as("%s", one.body()).isEqualTo(1);
        assertThat(one.at("/drafts/0/held").asBoolean()).isTrue();
        assertThat(one.at("/drafts/0/litres").asDouble()).isCloseTo(9, within(0.15));
        assertThat(chef.post(path + "/halves?days=3", "{\"version\": 2}").reason("draftId"))
                .contains("any more");
    }

    @Test
    void aSearchHoldsWhatItFindsAndSaysHowGoodItIs() {
        house.call(3, Duration.ofHours(20));
        house.call(3, Duration.ofHours(44));
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
        house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant start = Instant.parse(draft.path("start").asString());
        String pot = draft.path("vesselId").asString();
        house.held(chef, draft, "mine", 0, 6, start);
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
    void whatCannotBeMadeIsRefusedWhereItIsHeldAndNobodyHoldsWithoutTheRight() {
        house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        Instant start = Instant.parse(draft.path("start").asString());
        assertThat(house.held(chef, draft, "huge", 0, 400, start).reason("vesselId"))
                .contains("gives as much");
        assertThat(house.held(chef, draft, "none", 0, 0, start).reason("litres"))
                .isNotEmpty();
        assertThat(house.held(chef, draft, "past", 0, 6, CourseKitchen.now().minus(Duration.ofHours(1)))
                        .reason("start"))
                .contains("past");
        assertThat(house.held(chef, draft, "far", 0, 6, Instant.parse("2126-01-01T10:00:00Z"))
                        .reason("start"))
                .isNotEmpty();
        assertThat(house.held(TestKitchen.chefOfAnotherKitchen(), draft, "theirs", 0, 6, start)
                        .reason("vesselId"))
                .isNotEmpty();
        assertThat(chef.get("/api/course?days=3").at("/held/version").asInt()).isZero();
    }
}
