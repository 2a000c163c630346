package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Acts that are true and come late, or by a clock that is wrong; and what is told afterwards of when and by whom. */
@ExtendWith(TestKitchen.class)
class LateActsTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private Visitor.Answer logAt(TestBatch batch, String kind, Instant at, String fields) {
        return cook.post(batch.path(), """
                {"id": "%s", "kind": "%s", "at": "%s", %s}
                """.formatted(UUID.randomUUID(), kind, at, fields));
    }

    private JsonNode entry(Visitor.Answer page, String kind) {
        for (JsonNode event : page.at("/events")) {
            if (event.path("kind").asString().equals(kind)) {
                return event;
            }
        }
        throw new AssertionError("no entry " + kind);
    }

    @Test
    void aTopUpOfATabletThatHadNoConnectionIsTakenAfterTheStraining() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Instant during = TestBatch.now().plus(Duration.ofMinutes(60));
        TestBatch.wait(180);
        batch.log("judged-enough", "");
        TestBatch.wait(21);
        batch.log("strained", "\"litres\": 11, \"passes\": 2");
        Visitor.Answer late = logAt(batch, "topped-up", during, "\"litres\": 1.5, \"celsius\": 90");
        assertThat(late.status()).as("%s", late.body()).isEqualTo(200);
        assertThat(late.at("/inserted/at").asString()).isEqualTo(during.toString());
        assertThat(late.at("/inserted/stageAfter").asString())
                .isEqualTo(late.at("/inserted/stageBefore").asString());
        assertThat(entry(late, "topped-up").path("late").asBoolean()).isTrue();
        assertThat(late.at("/ledger").toString()).contains("1.5");
        // What is not true of that moment is refused with its reason, and nothing of it is kept.
        Visitor.Answer wrong = logAt(batch, "topped-up", during, "\"litres\": 400, \"celsius\": 90");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.reason("litres")).contains("run over");
    }

    @Test
    void aTabletWhoseClockIsWrongIsPutRightByWhatItSaysAsItSends() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(30);
        for (int hours : new int[] {3, -3}) {
            Instant itsNow = TestBatch.now().plus(Duration.ofHours(hours));
            Instant happened = TestBatch.now().minusSeconds(300);
            Visitor.Answer answer = logAt(
                    batch,
                    "skimmed",
                    itsNow.minusSeconds(300),
                    "\"litres\": 0.1, \"sentAt\": \"%s\"".formatted(itsNow));
            assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
            JsonNode events = answer.at("/events");
            Instant at = Instant.parse(events.get(events.size() - 1).path("at").asString());
            assertThat(Duration.between(happened, at).abs()).isLessThan(Duration.ofSeconds(10));
        }
    }

    @Test
    void everyCorrectionIsToldWithItsPersonItsTimeAndItsReason() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String id = UUID.randomUUID().toString();
        batch.tryLog(id, "skimmed", "\"litres\": 0.1");
        Visitor chef = Visitor.signedIn("tomaz");
        batch.log("corrected", "\"corrects\": \"%s\", \"litres\": 0.2, \"reason\": \"misread\"".formatted(id));
        chef.post(
                batch.path(),
                TestBatch.act(
                        UUID.randomUUID().toString(),
                        "corrected",
                        "\"corrects\": \"%s\", \"litres\": 0.3, \"reason\": \"counted again\"".formatted(id)));
        JsonNode corrections = entry(batch.page(), "skimmed").path("corrections");
        assertThat(corrections
                        .valueStream()
                        .map(c -> c.path("byName").asString())
                        .toList())
                .containsExactly("Ilse Varga", "Tomaz Okafor");
        assertThat(corrections
                        .valueStream()
                        .map(c -> c.at("/figures/litres").asDouble())
                        .toList())
                .containsExactly(0.2, 0.3);
        String csv = new String(
                cook.get("/api/batches/" + batch.id() + "/record.csv").raw().body(), StandardCharsets.UTF_8);
        assertThat(csv.lines().filter(line -> line.contains(",corrected,")).toList())
                .hasSize(2)
                .satisfies(lines -> assertThat(lines.get(0)).contains("0.2", "misread"))
                .satisfies(lines -> assertThat(lines.get(1)).contains("0.3", "counted again"));
    }

    @Test
    void aCorrectionMovesTheMomentAndTheRecordSaysSo() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(30);
        String id = UUID.randomUUID().toString();
        batch.tryLog(id, "skimmed", "\"litres\": 0.0663172");
        Instant told = Instant.parse(entry(batch.page(), "skimmed").path("at").asString());
        TestBatch.wait(10);
        Instant was = told.minus(Duration.ofMinutes(12));
        String moves = "\"corrects\": \"%s\", \"happenedAt\": \"%s\", \"reason\": \"the wrong clock\"";
        batch.log("corrected", moves.formatted(id, was));
        JsonNode entry = entry(batch.page(), "skimmed");
        assertThat(Instant.parse(entry.path("at").asString())).isEqualTo(told);
        assertThat(Instant.parse(entry.path("correctedAt").asString())).isEqualTo(was);
        assertThat(entry.at("/correctedTo/litres").asDouble())
                .isEqualTo(entry.at("/figures/litres").asDouble());
        List<List<String>> rows = csv(batch);
        List<String> head = rows.get(0);
        List<String> skim =
                rows.stream().filter(row -> row.contains("skimmed")).findFirst().orElseThrow();
        assertThat(skim.get(head.indexOf("litres"))).isEqualTo("0.066");
        assertThat(skim.get(head.indexOf("corrected_at"))).isEqualTo(was.toString());
        Visitor.Answer ahead = batch.tryLog(
                UUID.randomUUID().toString(), "corrected", moves.formatted(id, told.plus(Duration.ofHours(3))));
        assertThat(ahead.status()).isEqualTo(422);
        assertThat(ahead.reason("happenedAt")).contains("not come yet");
    }

    private List<List<String>> csv(TestBatch batch) {
        String csv = new String(
                cook.get("/api/batches/" + batch.id() + "/record.csv").raw().body(), StandardCharsets.UTF_8);
        return csv.lines().map(line -> List.of(line.split(",", -1))).toList();
    }

    @Test
    void aVerdictOnReadingsFromMemorySaysSoOnTheBatchAndOnTheLot() {
        TestBatch batch = TestBatch.accepted(cook, 12).strained();
        Instant strained = TestBatch.now();
        batch.log("cooling-read", "\"celsius\": 80");
        TestBatch.wait(600);
        assertThat(batch.page().at("/card/cooling/overall").asString()).isEqualTo("NOT_SHOWN");
        int[] minutes = {25, 50, 75, 100};
        double[] celsius = {57, 21, 9, 4.5};
        for (int i = 0; i < minutes.length; i++) {
            assertThat(logAt(
                                    batch,
                                    "cooling-read",
                                    strained.plusSeconds(60L * minutes[i]),
                                    "\"celsius\": " + celsius[i])
                            .status())
                    .isEqualTo(200);
        }
        assertThat(batch.page().at("/card/cooling/overall").asString()).isEqualTo("PASSED_ON_LATE_ENTRIES");
        String stored = "\"litres\": 11, \"words\": \"Cold store\"";
        assertThat(batch.tryLog(UUID.randomUUID().toString(), "stored", stored).reason("act"))
                .contains("a chef vouches for it");
        // A cook does not answer for it alone; a chef does, with a reason.
        String why = "\"words\": \"the chiller's own log\"";
        assertThat(batch.tryLog(UUID.randomUUID().toString(), "released", why).status())
                .isEqualTo(403);
        Visitor chef = Visitor.signedIn("tomaz");
        assertThat(chef.post(batch.path(), TestBatch.act(UUID.randomUUID().toString(), "released", ""))
                        .status())
                .isEqualTo(422);
        assertThat(chef.post(batch.path(), TestBatch.act(UUID.randomUUID().toString(), "released", why))
                        .status())
                .isEqualTo(200);
        batch.log("stored", stored);
        JsonNode lot =
                cook.get("/api/lots/" + batch.page().at("/lotId").asString()).body();
        assertThat(lot.at("/verdict").asString()).isEqualTo("PASSED_ON_LATE_ENTRIES");
        assertThat(lot.at("/released/by").asString()).isEqualTo("Tomaz Okafor");
        assertThat(lot.at("/released/words").asString()).isEqualTo("the chiller's own log");
    }

    @Test
    void aRecordThatFailedIsCorrectedByAChefAndSaysSo() {
        TestBatch batch = TestBatch.accepted(cook, 12).strained();
        batch.log("cooling-read", "\"celsius\": 80");
        TestBatch.wait(130);
        String warm = UUID.randomUUID().toString();
        batch.tryLog(warm, "cooling-read", "\"celsius\": 60");
        TestBatch.wait(180);
        String warmer = UUID.randomUUID().toString();
        assertThat(batch.tryLog(warmer, "cooling-read", "\"celsius\": 40").status())
                .isEqualTo(200);
        assertThat(batch.page().at("/card/cooling/overall").asString()).isEqualTo("FAILED");
        String right = "\"corrects\": \"%s\", \"reason\": \"misread\", \"celsius\": 4".formatted(warmer);
        assertThat(cook.post(batch.path(), TestBatch.act(UUID.randomUUID().toString(), "corrected", right))
                        .status())
                .isEqualTo(403);
        Visitor chef = Visitor.signedIn("tomaz");
        assertThat(chef.post(batch.path(), TestBatch.act(UUID.randomUUID().toString(), "corrected", right))
                        .status())
                .isEqualTo(200);
        assertThat(batch.page().at("/card/cooling/overall").asString()).isNotEqualTo("PASSED");
    }

    @Test
    void batchesBeyondTheLatestFortyAreFoundByNumberAndByName() {
        List<Integer> numbers = cook.get("/api/batches")
                .body()
                .valueStream()
                .map(b -> b.path("number").asInt())
                .toList();
        int middle = numbers.get(numbers.size() / 2);
        assertThat(cook.get("/api/batches?before=" + middle).body().valueStream())
                .isNotEmpty()
                .allSatisfy(b -> assertThat(b.path("number").asInt()).isLessThan(middle));
        assertThat(cook.get("/api/batches?words=" + middle)
                        .body()
                        .valueStream()
                        .map(b -> b.path("number").asInt())
                        .toList())
                .contains(middle);
        assertThat(cook.get("/api/batches?words=DARK%20veg").body().valueStream())
                .isNotEmpty()
                .allSatisfy(b -> assertThat(b.path("formulaName").asString()).contains("Dark vegetable"));
        assertThat(cook.get("/api/batches?words=" + "x".repeat(200)).status()).isEqualTo(422);
    }

    @Test
    void limitsThatTheKitchenHasChangedGoUnderItsOwnName() {
        JsonNode limits = cook.get("/api/kitchen").at("/limits");
        String published = limits.toString();
        try {
            String changed = published.replaceFirst("\"withinMin\":120", "\"withinMin\":1440");
            assertThat(cook.put("/api/kitchen/limits", changed).status()).isEqualTo(204);
            JsonNode now = cook.get("/api/kitchen").at("/limits");
            assertThat(now.path("name").asString()).isEqualTo("Kestrel Lodge, own limits, version 1");
            assertThat(now.path("source").asString()).contains("changed from");
        } finally {
            assertThat(cook.put("/api/kitchen/limits", published).status()).isEqualTo(204);
        }
        assertThat(cook.get("/api/kitchen").at("/limits").toString()).isEqualTo(published);
    }
}
