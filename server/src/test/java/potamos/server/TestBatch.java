package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** A batch worked over HTTP, one act after another, with the clock moved between them. */
final class TestBatch {

    private final Visitor cook;
    private final String id;

    private TestBatch(Visitor cook, String id) {
        this.cook = cook;
        this.id = id;
    }

    /** A fresh batch in a pot of its own. */
    static TestBatch accepted(Visitor cook, double litres) {
        return acceptedFor(cook, litres, null);
    }

    static TestBatch acceptedFor(Visitor cook, double litres, String call) {
        return accepted(cook, TestKitchen.freshPot(cook), litres, call);
    }

    /** A batch in that vessel. */
    static TestBatch acceptedIn(Visitor cook, String vessel, double litres) {
        return accepted(cook, vessel, litres, null);
    }

    private static TestBatch accepted(Visitor cook, String vessel, double litres, String call) {
        return accepted(cook, id -> acceptance(id, vessel, litres, call));
    }

    private static TestBatch charged(Visitor cook, String charge) {
        return accepted(cook, id -> "{\"id\": \"%s\", \"callId\": null, \"charge\": %s}".formatted(id, charge));
    }

    private static TestBatch accepted(Visitor cook, UnaryOperator<String> acceptance) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer answer = cook.post("/api/batches", acceptance.apply(id));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
        return new TestBatch(cook, id);
    }

    /** Of a formula, for so many litres in the pot, drawn with stock of lots or of what is not put away. */
    static TestBatch drawnWith(Visitor cook, String formula, double water, Map<String, Double> draws) {
        return charged(cook, chargeWith(TestKitchen.freshPot(cook), formula, water, draws));
    }

    static String chargeWith(String pot, String formula, double water, Map<String, Double> draws) {
        String drawn = draws.entrySet().stream()
                .map(draw -> "{\"sourceId\": \"%s\", \"litres\": %s}".formatted(draw.getKey(), draw.getValue()))
                .collect(Collectors.joining(", "));
        return """
                {"formula": "%s", "goal": "WATER", "value": %s, "vesselId": "%s", "readyBy": "%s", "draws": [%s]}
                """.formatted(formula, water, pot, now().plus(Duration.ofHours(40)), drawn);
    }

    /** Draws what is planned, so that it can be filled. */
    TestBatch draw() {
        page().at("/draws")
                .valueStream()
                .forEach(draw -> log(
                        "drew",
                        "\"sourceId\": \"%s\", \"litres\": %s"
                                .formatted(
                                        draw.path("sourceId").asString(),
                                        draw.path("litres").asDouble())));
        return this;
    }

    /** Made of what is left over of another batch, which lies in that box. */
    static TestBatch ofLeftover(Visitor cook, String formula, double bedKg, String box) {
        return charged(cook, chargeOfLeftover(TestKitchen.freshPot(cook), formula, bedKg, box));
    }

    static String chargeOfLeftover(String pot, String formula, double bedKg, String box) {
        return """
                {"formula": "%s", "goal": "BED", "value": %s, "vesselId": "%s", "readyBy": "%s", "brought": [%s]}
                """.formatted(
                        formula,
                        bedKg,
                        pot,
                        now().plus(Duration.ofHours(40)),
                        "{\"part\": \"bed\", \"boxId\": \"%s\"}".formatted(box));
    }

    /** Of any formula with a bed, from its chores to the last strainer. */
    TestBatch strained(double bedKg, double filled, int simmerMin, double out) {
        if (page().at("/weighedKg/bed").isMissingNode()) {
            log("weighed-in", "\"part\": \"bed\", \"kg\": " + bedKg);
        }
        simmered(filled, 12, 60, simmerMin);
        wait(20);
        log("strained", "\"litres\": %s, \"passes\": 2".formatted(out));
        return this;
    }

    /** Keeps or throws away so much of what it was strained off; the box that it lies in has the id of its entry. */
    String leftOver(String as, double kg) {
        String id = UUID.randomUUID().toString();
        Visitor.Answer answer = tryLog(id, "left-over", "\"leftOver\": \"%s\", \"kg\": %s".formatted(as, kg));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        return id;
    }

    /** A reduction from its filling to the shelf. */
    TestBatch reduced(double filled, double out) {
        simmered(filled, 4, 30, 15);
        wait(60);
        log("reduced", "\"litres\": " + out);
        log("strained", "\"litres\": %s, \"passes\": 1".formatted(out));
        return cooledAndStored(out);
    }

    /** From its chores to the end of its simmer. */
    private void simmered(double filled, int celsius, int heatMin, int simmerMin) {
        page().at("/chores")
                .valueStream()
                .forEach(chore ->
                        log("finished", "\"step\": " + chore.path("step").asInt()));
        log("filled", "\"litres\": %s, \"celsius\": %d".formatted(filled, celsius));
        log("heat-on", "");
        wait(heatMin);
        log("simmer-reached", "");
        wait(simmerMin);
        log("judged-enough", "");
    }

    private void cooled() {
        for (double celsius : new double[] {80, 57, 21, 9, 4.5}) {
            log("cooling-read", "\"celsius\": " + celsius);
            wait(25);
        }
    }

    TestBatch cooledAndStored(double litres) {
        cooled();
        log("stored", "\"litres\": " + litres + ", \"words\": \"Cold store\"");
        return this;
    }

    /** The id of one of its lots, counted from 0. */
    String lot(int place) {
        return page().at("/lots/" + place + "/id").asString();
    }

    static String acceptance(String id, String vessel, double litres, String call) {
        return """
        {"id": "%s", "callId": %s, "charge": %s}
        """.formatted(id, call == null ? "null" : "\"" + call + "\"", charge(vessel, litres, ""));
    }

    /** Twelve litres, begun at a moment. */
    static String acceptanceAt(String id, String vessel, String start) {
        return """
        {"id": "%s", "callId": null, "charge": %s}
        """.formatted(id, charge(vessel, 12, ", \"startAt\": \"" + start + "\""));
    }

    static String charge(String vessel, double litres, String more) {
        return """
        {"formula": "white-chicken", "goal": "LITRES", "value": %s, "vesselId": "%s", "readyBy": "%s"%s}
        """.formatted(litres, vessel, now().plus(Duration.ofHours(30)), more);
    }

    String id() {
        return id;
    }

    Visitor.Answer page() {
        return cook.get("/api/batches/" + id);
    }

    String stage() {
        return page().at("/card/stage").asString();
    }

    /** Logs an act with more fields, such as {@code "litres": 3}, and wants it taken. */
    Visitor.Answer log(String kind, String fields) {
        Visitor.Answer answer = tryLog(UUID.randomUUID().toString(), kind, fields);
        assertThat(answer.status()).as("%s: %s", kind, answer.body()).isEqualTo(200);
        return answer;
    }

    Visitor.Answer tryLog(String act, String kind, String fields) {
        return cook.post(path(), act(act, kind, fields));
    }

    String path() {
        return "/api/batches/" + id + "/acts";
    }

    static String act(String act, String kind, String fields) {
        return """
        {"id": "%s", "kind": "%s", "at": "%s"%s}
        """.formatted(act, kind, now(), fields.isEmpty() ? "" : ", " + fields);
    }

    TestBatch simmering() {
        log("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        log("filled", "\"litres\": 15.3, \"celsius\": 12");
        log("heat-on", "");
        wait(40);
        log("first-foam", "");
        log("simmer-reached", "");
        return this;
    }

    TestBatch strained() {
        simmering();
        wait(180);
        log("judged-enough", "");
        wait(21);
        log("strained", "\"litres\": 11, \"passes\": 2");
        log("cooling-began", "");
        return this;
    }

    TestBatch cold() {
        strained();
        cooled();
        return this;
    }

    TestBatch stored(double litres) {
        cold();
        log("stored", "\"litres\": " + litres + ", \"words\": \"Cold store\"");
        return this;
    }

    static void wait(int minutes) {
        TestKitchen.bean(KitchenClock.class).advance(Duration.ofMinutes(minutes));
    }

    /** The kitchen's day, which begins before the day of the universal clock does. */
    static LocalDate today() {
        return now().atZone(ZoneId.of("Europe/Zurich")).toLocalDate();
    }

    static Instant now() {
        return TestKitchen.bean(KitchenClock.class).instant();
    }
}
