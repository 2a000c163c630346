package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import potamos.core.heat.Burner;
import potamos.core.quantity.Power;
import potamos.server.kitchen.Kitchens;
import tools.jackson.databind.JsonNode;

/** What a judgement would do is told before it is made; what can hardly be is told apart from what cannot. */
@ExtendWith(TestKitchen.class)
class JudgingTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private JsonNode choices(TestBatch batch) {
        Visitor.Answer answer = cook.get("/api/batches/" + batch.id() + "/judging");
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        return answer.body();
    }

    private static Instant instant(JsonNode node, String at) {
        return Instant.parse(node.at(at).asString());
    }

    @Test
    void everyChoiceTellsWhenItEndsAndWhatComesOut() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(170);
        JsonNode choices = choices(batch);
        assertThat(choices.size()).isEqualTo(4);
        assertThat(choices.get(0).at("/longerMin").asInt()).isZero();
        for (int i = 1; i < 4; i++) {
            JsonNode shorter = choices.get(i - 1);
            JsonNode longer = choices.get(i);
            assertThat(instant(longer, "/endsAt")).isAfter(instant(shorter, "/endsAt"));
            assertThat(instant(longer, "/readyAt")).isAfter(instant(shorter, "/readyAt"));
            assertThat(longer.at("/litres/p50").asDouble()).isPositive();
        }
    }

    @Test
    void whatWasToldIsWhatTheBatchThenSays() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(170);
        JsonNode half = choices(batch).get(2);
        assertThat(half.at("/longerMin").asInt()).isEqualTo(30);
        batch.log("judged-not-yet", "\"longerMin\": 30");
        JsonNode card = batch.page().at("/card");
        assertThat(Duration.between(instant(half, "/endsAt"), instant(card, "/simmer/plannedEnd"))
                        .abs())
                .isLessThan(Duration.ofSeconds(5));
        assertThat(Duration.between(instant(half, "/readyAt"), instant(card, "/readyAt"))
                        .abs())
                .isLessThan(Duration.ofSeconds(5));
    }

    @Test
    void thePotThatWaitsForTheBurnerIsNamedOnceItWouldHaveToWait() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        String burner = TestKitchen.bean(Kitchens.class)
                .addBurner(TestKitchen.kitchenOf(cook), new Burner("Of its own", Power.ofKilowatts(9), 0.5));
        cook.put("/api/batches/" + batch.id() + "/burner", "{\"burnerId\": \"%s\"}".formatted(burner));
        Instant ends = instant(batch.page().at("/card/simmer"), "/plannedEnd");
        TestBatch.wait(60);
        assertThat(choices(batch).findValues("waiting")).isEmpty();
        TestBatch next = TestBatch.accepted(cook, 12);
        next.log("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        cook.put("/api/batches/" + next.id() + "/burner", "{\"burnerId\": \"%s\"}".formatted(burner));
        JsonNode hour = choices(batch).get(3);
        JsonNode waiting = hour.at("/waiting");
        assertThat(waiting.at("/batchId").asString()).isEqualTo(next.id());
        assertThat(instant(waiting, "/from")).isBefore(ends.plus(Duration.ofHours(1)));
        assertThat(waiting.at("/waitMin").asLong()).isPositive();
    }

    @Test
    void aReadingThatCanHardlyBeIsTakenAndAnImpossibleOneIsNot() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(20);
        JsonNode likely = batch.page().at("/likely/level-read");
        double odd = likely.at("/low").asDouble() - 2;
        assertThat(likely.at("/low").asDouble()).isLessThan(likely.at("/high").asDouble());
        assertThat(batch.log("level-read", "\"belowRimCm\": " + odd)
                        .at("/card/pot/belowRimCm")
                        .asDouble())
                .isCloseTo(odd, org.assertj.core.api.Assertions.within(0.01));
        assertThat(batch.tryLog(UUID.randomUUID().toString(), "level-read", "\"belowRimCm\": 140")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void theRefractometerIsConvertedAndKeptInTheRecord() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        JsonNode page = batch.log("brix-read", "\"value\": 3.2").body();
        assertThat(page.at("/brix/0/degrees").asDouble()).isEqualTo(3.2);
        assertThat(page.at("/brix/0/gPerL").asDouble()).isBetween(20.0, 30.0);
        assertThat(page.at("/brixScale/0/gPerL").asDouble()).isZero();
        assertThat(page.at("/brixScale/1/gPerL").asDouble()
                        / page.at("/brixScale/1/degrees").asDouble())
                .as("a little more for each degree further up the scale")
                .isGreaterThan(page.at("/brix/0/gPerL").asDouble() / 3.2);
        assertThat(cook.get("/api/batches/" + batch.id() + "/record.csv").raw().body())
                .asString(java.nio.charset.StandardCharsets.UTF_8)
                .contains("brix-read")
                .contains("3.2");
        assertThat(batch.tryLog(UUID.randomUUID().toString(), "brix-read", "\"value\": 120")
                        .status())
                .isEqualTo(422);
    }
}
