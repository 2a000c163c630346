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

/** Calls that nobody wants laid, and how they are brought in. */
@ExtendWith(TestKitchen.class)
class SetAsideTest {

    private final CourseKitchen house = new CourseKitchen();
    private final Visitor chef = house.chef;

    private Visitor.Answer aside(String call, int version) {
        return chef.post("/api/course/calls/" + call + "/aside?days=3", "{\"version\": %d}".formatted(version));
    }

    private static List<String> ids(Visitor.Answer course, String list) {
        return course.at(list)
                .valueStream()
                .map(one -> one.path("id").asString())
                .toList();
    }

    @Test
    void whatIsSetAsideIsNotLaidUntilItIsAskedForAgain() {
        String sauce = house.call(6, Duration.ofHours(30));
        String soup = house.call(5, Duration.ofHours(60));
        Visitor.Answer left = aside(sauce, 0);
        assertThat(left.status()).as("%s", left.body()).isEqualTo(200);
        assertThat(ids(left, "/aside")).containsExactly(sauce);
        assertThat(left.at("/aside/0/missing").asDouble()).isCloseTo(6, within(0.01));
        assertThat(ids(left, "/calls")).containsExactly(soup);
        assertThat(left.at("/drafts")).hasSize(1);
        assertThat(left.at("/howMuchLateL").asDouble())
                .as("what nobody wants laid is not late")
                .isZero();
        Visitor.Answer back = chef.post("/api/course/undo?days=3", "{\"version\": 1}");
        assertThat(ids(back, "/calls")).containsExactlyInAnyOrder(sauce, soup);
        chef.post("/api/course/redo?days=3", "{\"version\": 2}");
        assertThat(ids(chef.get("/api/course?days=3"), "/aside")).containsExactly(sauce);
        Visitor.Answer laid = chef.delete("/api/course/calls/" + sauce + "/aside?days=3&version=3");
        assertThat(laid.at("/aside")).isEmpty();
        assertThat(laid.at("/drafts")).hasSize(2);
    }

    /** It finds room beside what is laid, is held there, and serves its call; taken back, the call lies aside again. */
    @Test
    void whatIsBroughtInIsHeldForItsCall() {
        String sauce = house.call(6, Duration.ofHours(30));
        aside(sauce, 0);
        Visitor.Answer in =
                chef.post("/api/course/calls/" + sauce + "/batch?days=3", "{\"version\": 1, \"draftId\": \"mine\"}");
        assertThat(in.status()).as("%s", in.body()).isEqualTo(200);
        assertThat(in.at("/aside")).isEmpty();
        assertThat(in.at("/drafts")).hasSize(1);
        assertThat(in.at("/drafts/0/id").asString()).isEqualTo("mine");
        assertThat(in.at("/drafts/0/held").asBoolean()).isTrue();
        assertThat(in.at("/drafts/0/gives/0/callId").asString()).isEqualTo(sauce);
        assertThat(in.at("/calls/0/missing").asDouble()).isZero();
        assertThat(in.at("/broken")).isEmpty();
        assertThat(chef.post("/api/course/calls/" + sauce + "/batch?days=3", "{\"version\": 2, \"draftId\": \"more\"}")
                        .reason("callId"))
                .as("it has all it wants")
                .contains("lacks nothing");
        Visitor.Answer back = chef.post("/api/course/undo?days=3", "{\"version\": 2}");
        assertThat(ids(back, "/aside")).containsExactly(sauce);
        assertThat(back.at("/drafts")).isEmpty();
    }

    /** Wanted sooner than it can be made it begins in ten minutes, and not in the second that is past when it is looked at. */
    @Test
    void whatIsBroughtInLateBeginsSoonAndNotInThePast() {
        String sauce = house.call(6, Duration.ofHours(2));
        aside(sauce, 0);
        chef.post("/api/course/calls/" + sauce + "/batch?days=3", "{\"version\": 1, \"draftId\": \"mine\"}");
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.at("/drafts/0/id").asString()).isEqualTo("mine");
        assertThat(Instant.parse(course.at("/drafts/0/start").asString()))
                .isBetween(CourseKitchen.now(), CourseKitchen.now().plus(Duration.ofMinutes(20)));
        assertThat(course.at("/calls/0/lateMin").asLong()).isPositive();
        assertThat(course.at("/broken")).as("%s", course.at("/broken")).isEmpty();
        assertThat(chef.post("/api/course/drafts/gone/aside?days=3", "{\"version\": 2}")
                        .reason("draftId"))
                .contains("any more");
    }

    /** Dragged in, the batch is where it was let go and its call is aside no longer: one step, taken back as one. */
    @Test
    void aCallIsDraggedInWhereItIsLetGo() {
        String sauce = house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        aside(sauce, 0);
        Instant start = Instant.parse(draft.path("start").asString()).minus(Duration.ofHours(1));
        Visitor.Answer in = chef.put("/api/course/drafts/mine?days=3", """
                {"version": 1, "formula": "white-chicken", "litres": 6, "vesselId": "%s", "start": "%s", "callId": "%s"}
                """.formatted(
                        draft.path("vesselId").asString(), start, sauce));
        assertThat(in.status()).as("%s", in.body()).isEqualTo(200);
        assertThat(in.at("/aside")).isEmpty();
        assertThat(Instant.parse(in.at("/drafts/0/start").asString())).isEqualTo(start);
        assertThat(in.at("/drafts/0/gives/0/callId").asString()).isEqualTo(sauce);
        assertThat(ids(chef.post("/api/course/undo?days=3", "{\"version\": 2}"), "/aside"))
                .containsExactly(sauce);
    }

    /** A batch for two calls is not made: both lie aside, and stay there when another is accepted. */
    @Test
    void aBatchIsShelvedWithAllItIsFor() {
        String sauce = house.call(3, Duration.ofHours(30));
        String soup = house.call(4, Duration.ofHours(33));
        String late = house.call(5, Duration.ofHours(66));
        JsonNode both = CourseKitchen.draftFor(chef.get("/api/course?days=3"), sauce);
        Visitor.Answer left =
                chef.post("/api/course/drafts/" + both.path("id").asString() + "/aside?days=3", "{\"version\": 0}");
        assertThat(ids(left, "/aside")).containsExactlyInAnyOrder(sauce, soup);
        assertThat(left.at("/drafts")).hasSize(1);
        String made = CourseKitchen.taken(
                CourseKitchen.draftFor(left, late), UUID.randomUUID().toString());
        Visitor.Answer accepted = chef.post("/api/course/accept?days=3", "{\"batches\": [%s]}".formatted(made));
        assertThat(accepted.status()).as("%s", accepted.body()).isEqualTo(200);
        assertThat(ids(accepted, "/aside")).containsExactlyInAnyOrder(sauce, soup);
        assertThat(accepted.at("/drafts")).isEmpty();
    }

    /** Six tablets set aside at once: one does. What is not this kitchen's call is none. */
    @Test
    void setAsideOnceByWhoeverIsFirstAndByNobodyElse() {
        String sauce = house.call(6, Duration.ofHours(30));
        List<Integer> answers = IntStream.range(0, 6)
                .parallel()
                .mapToObj(n -> aside(sauce, 0).status())
                .sorted()
                .toList();
        assertThat(answers).containsExactly(200, 409, 409, 409, 409, 409);
        assertThat(TestKitchen.chefOfAnotherKitchen()
                        .post("/api/course/calls/" + sauce + "/aside?days=3", "{\"version\": 0}")
                        .status())
                .isEqualTo(404);
        assertThat(aside("nothing", 1).status()).isEqualTo(404);
        assertThat(chef.post(
                                "/api/course/calls/" + sauce + "/batch?days=3",
                                "{\"version\": 1, \"draftId\": \"%s\"}".formatted("x".repeat(41)))
                        .status())
                .isEqualTo(400);
        assertThat(chef.get("/api/course?days=3").at("/held/version").asInt()).isEqualTo(1);
    }

    /** More of it is called for while it lies aside: nothing is laid for that, and it is aside with all of it. */
    @Test
    void aCallThatGrowsAsideStaysAside() {
        String sauce = house.call(6, Duration.ofHours(30));
        aside(sauce, 0);
        String trouble =
                """
                {"kind": "CALL", "id": "%s", "call": {"callId": "%s", "litres": 9, "readyBy": "%s"}}
                """.formatted(UUID.randomUUID(), sauce, CourseKitchen.now().plus(Duration.ofHours(30)));
        Visitor.Answer ways = chef.post("/api/course/ways-out?days=3", trouble);
        assertThat(ways.status()).as("%s", ways.body()).isEqualTo(200);
        assertThat(ways.at("/ways")).isEmpty();
        Visitor.Answer taken = chef.post(
                "/api/course/ways-out/taken",
                "{\"trouble\": %s, \"version\": 1, \"way\": %s}".formatted(trouble, ways.at("/stay")));
        assertThat(taken.status()).as("%s", taken.body()).isIn(200, 204);
        Visitor.Answer course = chef.get("/api/course?days=3");
        assertThat(course.at("/aside/0/missing").asDouble()).isCloseTo(9, within(0.01));
        assertThat(course.at("/drafts")).isEmpty();
    }

    @Test
    void whatIsNotToldIsNamed() {
        assertThat(chef.delete("/api/course/calls/any/aside?days=3").reason("version"))
                .isEqualTo("is missing");
        assertThat(chef.post("/api/course/calls/any/aside?days=3", "{}").reason("version"))
                .isEqualTo("is missing");
    }
}
