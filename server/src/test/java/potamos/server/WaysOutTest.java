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
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Something goes otherwise than the course was laid: what that does is seen first, and a way out is taken whole. */
@ExtendWith(TestKitchen.class)
class WaysOutTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final CourseKitchen house = new CourseKitchen();
    private final Visitor chef = house.chef;

    private JsonNode course() {
        return chef.get("/api/course?days=3").body();
    }

    private static String out(String vesselId, Instant until) {
        return """
                {"kind": "OUTAGE", "id": "%s",
                 "outage": {"kind": "VESSEL", "thingId": "%s", "until": "%s", "reason": "its tap leaks"}}
                """.formatted(UUID.randomUUID(), vesselId, until);
    }

    private Visitor.Answer look(String trouble) {
        return chef.post("/api/course/ways-out?days=3", trouble);
    }

    private Visitor.Answer take(String trouble, JsonNode looked, int way) {
        return chef.post("/api/course/ways-out/taken", """
                {"trouble": %s, "version": %d, "way": %s}
                """.formatted(
                        trouble, looked.path("version").asInt(), looked.at("/ways/" + way + "/taking")));
    }

    private String accepted(JsonNode draft) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer accepted =
                chef.post("/api/course/accept?days=3", "{\"batches\": [%s]}".formatted(CourseKitchen.taken(draft, id)));
        assertThat(accepted.status()).as("%s", accepted.body()).isEqualTo(200);
        return id;
    }

    private static Instant at(JsonNode node, String field) {
        return Instant.parse(node.path(field).asString());
    }

    /** The only pot leaks until after its batch should have begun: it waits, the station is told so, and everybody sees the pot out of order. */
    @Test
    void aDraftWaitsForItsPotAndTheStationIsTold() {
        String call = house.call(6, Duration.ofHours(20));
        JsonNode draft = course().at("/drafts/0");
        Instant until = at(draft, "start").plus(Duration.ofHours(6));
        String trouble = out(draft.path("vesselId").asString(), until);
        Visitor.Answer looked = look(trouble);
        assertThat(looked.status()).as("%s", looked.body()).isEqualTo(200);
        JsonNode way = looked.at("/ways/0");
        assertThat(way.at("/told/0/callId").asString()).isEqualTo(call);
        assertThat(way.at("/told/0/was/0/litres").asDouble()).isCloseTo(6, within(0.06));
        assertThat(at(way.at("/told/0/is/0"), "at")).isAfter(at(draft, "ready"));
        assertThat(way.path("moreLateL").asDouble()).isPositive();
        assertThat(chef.get("/api/kitchen/outages").body()).as("only looked").isEmpty();
        assertThat(course().at("/held/version").asInt()).isZero();
        Visitor.Answer taken = take(trouble, looked.body(), 0);
        assertThat(taken.status()).as("%s", taken.body()).isEqualTo(204);
        JsonNode after = course();
        assertThat(after.path("broken")).isEmpty();
        assertThat(after.at("/drafts/0/held").asBoolean()).isTrue();
        assertThat(at(after.at("/drafts/0"), "ready")).isEqualTo(at(way.at("/moved/0/to"), "ready"));
        JsonNode told = chef.get("/api/calls/" + call).at("/told/comes/0");
        assertThat(at(told, "at")).isEqualTo(at(way.at("/told/0/is/0"), "at"));
        JsonNode missing = chef.get("/api/kitchen/outages").at("/0");
        assertThat(missing.path("reason").asString()).isEqualTo("its tap leaks");
        assertThat(take(trouble, looked.body(), 0).status()).as("a second tap").isEqualTo(409);
        assertThat(chef.get("/api/kitchen/outages").body().size()).isEqualTo(1);
        assertThat(chef.delete("/api/kitchen/outages/" + missing.path("id").asString())
                        .status())
                .isEqualTo(204);
        assertThat(chef.get("/api/kitchen/outages").body()).isEmpty();
    }

    /** Its bones did not come: it waits for them, drafted or accepted, and once they are there again nothing is in its way. */
    @Test
    void aBatchWaitsForItsBones() {
        String call = house.call(6, Duration.ofHours(20));
        JsonNode draft = course().at("/drafts/0");
        Instant until = at(draft, "start").plus(Duration.ofHours(3));
        String trouble = """
                {"kind": "OUTAGE", "id": "%s",
                 "outage": {"kind": "BED", "thingId": "chicken-carcass", "until": "%s", "reason": "the van broke down"}}
                """.formatted(UUID.randomUUID(), until);
        Visitor.Answer nothing = look(trouble.replace("chicken-carcass", "fish-frames"));
        assertThat(nothing.status()).as("%s", nothing.body()).isEqualTo(200);
        assertThat(nothing.at("/ways")).isEmpty();
        assertThat(look(trouble.replace("chicken-carcass", "moonrock")).status())
                .isEqualTo(404);
        JsonNode drafted = look(trouble).at("/ways/0");
        assertThat(at(drafted.at("/moved/0/to"), "start")).isAfterOrEqualTo(until);
        String batch = accepted(draft);
        Visitor.Answer looked = look(trouble);
        JsonNode way = looked.at("/ways/0");
        assertThat(way.at("/taking/moves/0/batchId").asString())
                .as("%s", looked.body())
                .isEqualTo(batch);
        assertThat(way.at("/told/0/callId").asString()).isEqualTo(call);
        assertThat(at(way.at("/moved/0/to"), "start")).isAfterOrEqualTo(until);
        assertThat(take(trouble, looked.body(), 0).status()).isEqualTo(204);
        JsonNode missing = chef.get("/api/kitchen/outages").at("/0");
        assertThat(missing.path("name").asString()).containsIgnoringCase("chicken");
        assertThat(course().path("broken")).isEmpty();
        assertThat(chef.delete("/api/kitchen/outages/" + missing.path("id").asString())
                        .status())
                .isEqualTo(204);
    }

    /** Accepted and not begun, it moves into another pot: the old batch is given up, the new one is made for the same call, with the same choices. */
    @Test
    void anAcceptedBatchThatNobodyHasBegunMoves() {
        String other = TestKitchen.freshPot(chef);
        String call = house.call(6, Duration.ofHours(20));
        JsonNode draft = course().at("/drafts/0");
        String batch = accepted(draft);
        Instant until = at(draft, "start").plus(Duration.ofHours(12));
        String trouble = out(draft.path("vesselId").asString(), until);
        Visitor.Answer looked = look(trouble);
        JsonNode way = looked.at("/ways/0");
        assertThat(way.path("how").asString()).isEqualTo("ELSEWHERE");
        assertThat(way.path("told")).isEmpty();
        assertThat(way.at("/moved/0/number").asInt()).isPositive();
        assertThat(way.at("/taking/moves/0/batchId").asString()).isEqualTo(batch);
        assertThat(way.at("/taking/moves/0/instead/vesselId").asString())
                .isEqualTo(draft.path("vesselId").asString().equals(other) ? vesselBeside(other) : other);
        Visitor.Answer taken = take(trouble, looked.body(), 0);
        assertThat(taken.status()).as("%s", taken.body()).isEqualTo(204);
        assertThat(chef.get("/api/batches/" + batch).at("/card/stage").asString())
                .isEqualTo("ABANDONED");
        String instead = way.at("/taking/moves/0/instead/id").asString();
        assertThat(chef.get("/api/batches/" + instead).at("/call/id").asString())
                .isEqualTo(call);
        assertThat(chef.get("/api/calls/" + call).at("/status").asString()).isEqualTo("PLANNED");
    }

    private String vesselBeside(String other) {
        return chef.get("/api/kitchen")
                .at("/vessels")
                .valueStream()
                .map(vessel -> vessel.path("id").asString())
                .filter(id -> !id.equals(other))
                .findFirst()
                .orElseThrow();
    }

    /** Another batch goes on into what was accepted after it, and nobody has asked what that does: whoever looks is told, until a way out is taken. */
    @Test
    void whatRunsOnIntoAnAcceptedBatchIsToldToWhoeverLooks() {
        String now = "{\"kind\": \"NOW\"}";
        String pot = chef.get("/api/kitchen").at("/vessels/0/id").asString();
        TestBatch running = TestBatch.acceptedIn(chef, pot, 6).simmering();
        // Most of it comes of what is on the fire already.
        String call = house.call(18, Duration.ofHours(14));
        String batch = accepted(course().at("/drafts/0"));
        assertThat(look(now).at("/ways")).as("as accepted").isEmpty();
        running.log("judged-not-yet", "\"longerMin\": 600");
        JsonNode looked = look(now).body();
        JsonNode way = looked.at("/ways/0");
        assertThat(way.at("/told/0/callId").asString()).as("%s", looked).isEqualTo(call);
        assertThat(way.at("/taking/moves/0/batchId").asString()).isEqualTo(batch);
        assertThat(take(now, looked, 0).status()).isEqualTo(204);
        assertThat(chef.get("/api/batches/" + batch).at("/card/stage").asString())
                .isEqualTo("ABANDONED");
        assertThat(look(now).at("/ways")).as("once it is taken").isEmpty();
    }

    /** A call grows while it is planned already: what is more is made beside it or the batch is made anew, and what is asked is seen only once it is taken. */
    @Test
    void aCallThatGrowsIsSeenFirstAndThenTaken() {
        String call = house.call(4, Duration.ofHours(30));
        accepted(course().at("/drafts/0"));
        String trouble = """
                {"kind": "CALL", "call": {"callId": "%s", "litres": 7, "readyBy": "%s"}}
                """.formatted(
                        call, chef.get("/api/calls/" + call).at("/readyBy").asString());
        Visitor.Answer looked = look(trouble);
        assertThat(looked.at("/ways").size()).as("%s", looked.body()).isPositive();
        assertThat(chef.get("/api/calls/" + call).at("/litres").asDouble()).isEqualTo(4);
        Visitor.Answer taken = take(trouble, looked.body(), 0);
        assertThat(taken.status()).as("%s", taken.body()).isEqualTo(204);
        JsonNode now = chef.get("/api/calls/" + call).body();
        assertThat(now.path("litres").asDouble()).isEqualTo(7);
        double planned = now.path("promisedL").asDouble();
        double drafted = course().at("/drafts")
                .valueStream()
                .mapToDouble(d -> d.at("/gives/0/litres").asDouble())
                .sum();
        assertThat(planned + drafted).isCloseTo(7, within(0.1));
    }

    /** Nobody is there all morning: what was to begin then does not, in what is proposed and in what is laid afterwards. */
    @Test
    void whileEverybodyIsAwayNothingIsBegun() {
        house.call(6, Duration.ofHours(20));
        JsonNode draft = course().at("/drafts/0");
        Instant until = at(draft, "start").plus(Duration.ofHours(2));
        String trouble = """
                {"kind": "OUTAGE", "id": "%s", "outage": {"kind": "COOKS", "cooks": 30, "until": "%s"}}
                """.formatted(UUID.randomUUID(), until);
        Visitor.Answer looked = look(trouble);
        assertThat(at(looked.at("/ways/0/moved/0/to"), "start")).isAfterOrEqualTo(until);
        assertThat(take(trouble, looked.body(), 0).status()).isEqualTo(204);
        assertThat(at(course().at("/drafts/0"), "start")).isAfterOrEqualTo(until);
        assertThat(course().at("/hands/0/there").asInt()).isZero();
    }

    @Test
    void aSimmerThatGoesOnLongerSaysWhatItDoesToItsOwnCallAndToWhoeverWaits() {
        TestBatch batch = TestBatch.accepted(chef, 6).simmering();
        String trouble = "{\"kind\": \"LONGER\", \"batchId\": \"%s\", \"minutes\": 60}".formatted(batch.id());
        Visitor.Answer looked = look(trouble);
        assertThat(looked.status()).as("%s", looked.body()).isEqualTo(200);
        assertThat(look(trouble.replace("60", "0")).reason("minutes")).isNotEmpty();
        assertThat(look(trouble.replace(batch.id(), UUID.randomUUID().toString()))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatMakesNoSenseIsRefusedWithItsField() {
        String pot = chef.get("/api/kitchen").at("/vessels/0/id").asString();
        Instant now = CourseKitchen.now();
        assertThat(look(out(pot, now.minus(Duration.ofHours(1)))).reason("until"))
                .contains("after");
        assertThat(look(out(pot, Instant.parse("2126-01-01T00:00:00Z"))).reason("until"))
                .contains("sixty");
        assertThat(look(out(UUID.randomUUID().toString(), now.plus(Duration.ofHours(5))))
                        .status())
                .isEqualTo(404);
        assertThat(look("{\"kind\": \"OUTAGE\"}").reason("outage")).isNotEmpty();
        assertThat(look("{\"kind\": \"CALL\"}").reason("call")).isNotEmpty();
        String huge = """
                {"kind": "CALL", "id": "%s", "call": {"stationId": "%s", "formula": "white-chicken", "litres": 4000,
                 "readyBy": "%s"}}
                """.formatted(
                        UUID.randomUUID(),
                        chef.get("/api/calls/menu").at("/stations/0/id").asString(),
                        now.plus(Duration.ofHours(20)));
        assertThat(look(huge).reason("litres")).isNotEmpty();
        assertThat(look("{\"kind\": \"NOW\"}").at("/ways")).isEmpty();
    }

    /** Two tablets take at once: one of them does, and what is missing is written down once. */
    @Test
    void ofTwoWhoTakeAtOnceOneDoes() {
        house.call(6, Duration.ofHours(20));
        JsonNode draft = course().at("/drafts/0");
        String trouble =
                out(draft.path("vesselId").asString(), at(draft, "start").plus(Duration.ofHours(6)));
        JsonNode looked = look(trouble).body();
        List<Integer> answers = IntStream.range(0, 4)
                .parallel()
                .mapToObj(tap -> take(trouble, looked, 0).status())
                .sorted()
                .toList();
        assertThat(answers).containsExactly(204, 409, 409, 409);
        assertThat(chef.get("/api/kitchen/outages").body().size()).isEqualTo(1);
    }

    /** Somebody has begun the batch meanwhile, or another kitchen's is named: nothing of it is taken, and nothing is written down. */
    @Test
    void whatCannotBeTakenWholeIsNotTakenAtAll() {
        TestKitchen.freshPot(chef);
        house.call(6, Duration.ofHours(20));
        JsonNode draft = course().at("/drafts/0");
        String batch = accepted(draft);
        String trouble =
                out(draft.path("vesselId").asString(), at(draft, "start").plus(Duration.ofHours(12)));
        JsonNode looked = look(trouble).body();
        String theirs = TestBatch.accepted(Visitor.signedIn("ilse"), 5).id();
        String other = JSON.writeValueAsString(looked).replace(batch, theirs);
        assertThat(take(trouble, JSON.readTree(other), 0).status()).isEqualTo(404);
        ObjectNode toNobody = (ObjectNode) looked.deepCopy();
        ((ObjectNode) toNobody.at("/ways/0/taking"))
                .putArray("tells")
                .addObject()
                .put("callId", UUID.randomUUID().toString())
                .putArray("comes");
        assertThat(take(trouble, toNobody, 0).status()).isEqualTo(404);
        assertThat(chef.get("/api/kitchen/outages").body()).isEmpty();
        assertThat(chef.get("/api/batches/" + batch).at("/card/stage").asString())
                .isNotEqualTo("ABANDONED");
        String begun = TestBatch.act(UUID.randomUUID().toString(), "weighed-in", "\"part\": \"bed\", \"kg\": 3");
        assertThat(chef.post("/api/batches/" + batch + "/acts", begun).status()).isEqualTo(200);
        assertThat(take(trouble, looked, 0).status()).isEqualTo(409);
        assertThat(chef.get("/api/kitchen/outages").body()).isEmpty();
        assertThat(course().at("/held/version").asInt())
                .isEqualTo(looked.path("version").asInt());
    }

    /** A call asks for less than is made for it already, or for yesterday: refused. More, later: taken, and asked twice it is the same. */
    @Test
    void aCallIsChangedAsFarAsItCan() {
        String call = house.call(6, Duration.ofHours(20));
        String later = CourseKitchen.now().plus(Duration.ofHours(26)).toString();
        String body = "{\"litres\": 5, \"readyBy\": \"%s\"}".formatted(later);
        for (int i = 0; i < 2; i++) {
            Visitor.Answer changed = chef.put("/api/calls/" + call, body);
            assertThat(changed.at("/litres").asDouble()).isEqualTo(5);
        }
        accepted(course().at("/drafts/0"));
        assertThat(chef.put("/api/calls/" + call, body.replace("5,", "2,")).reason("litres"))
                .contains("being made");
        assertThat(chef.put(
                                "/api/calls/" + call,
                                body.replace(
                                        later,
                                        CourseKitchen.now()
                                                .minus(Duration.ofHours(2))
                                                .toString()))
                        .reason("readyBy"))
                .contains("past");
        assertThat(TestKitchen.chefOfAnotherKitchen()
                        .put("/api/calls/" + call, body)
                        .status())
                .isEqualTo(404);
    }
}
