package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(TestKitchen.class)
class RecordTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private JsonNode course(TestBatch batch) {
        return cook.get("/api/batches/" + batch.id() + "/course").at("");
    }

    @Test
    void theCourseGoesOnToTheEndOfTheSimmerWithABandThatOpens() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestBatch.wait(30);
        JsonNode course = course(batch);
        Instant now = Instant.parse(course.at("/now").asString());
        JsonNode points = course.at("/points");
        JsonNode last = points.get(points.size() - 1);
        assertThat(Instant.parse(last.at("/at").asString()))
                .isEqualTo(
                        Instant.parse(batch.page().at("/card/simmer/plannedEnd").asString()));
        assertThat(last.at("/gelatinGPerL/p90").asDouble())
                .isGreaterThan(last.at("/gelatinGPerL/p50").asDouble());
        assertThat(last.at("/gelatinGPerL/p50").asDouble()).isPositive();
        assertThat(points.get(0).at("/levelCm/p10").asDouble())
                .isCloseTo(points.get(0).at("/levelCm/p90").asDouble(), within(1e-9));
        assertThat(Instant.parse(points.get(0).at("/at").asString())).isBefore(now);
        assertThat(course.at("/planned").size()).isGreaterThan(5);
        assertThat(course.at("/claritySoFar/index").asDouble())
                .isLessThan(course.at("/clarityPlanned/index").asDouble());
    }

    @Test
    void theLadleThatWasHeldAgainstTheLightIsTold() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        assertThat(course(batch).at("/ladle").isMissingNode()).isTrue();
        batch.log("card-read", "\"card\": \"ladle\", \"value\": 4");
        assertThat(course(batch).at("/ladle").asDouble()).isEqualTo(4);
    }

    @Test
    void thePaperTellsStepsLitresAndEveryEntryAlsoTheCorrectedOnes() throws Exception {
        TestBatch batch = TestBatch.accepted(cook, 12);
        batch.strained();
        String level = UUID.randomUUID().toString();
        assertThat(batch.tryLog(level, "cooling-read", "\"celsius\": 84.0").status())
                .isEqualTo(200);
        batch.log(
                "corrected",
                "\"corrects\": \"%s\", \"celsius\": 74.0, \"reason\": \"thermometer misread\"".formatted(level));
        String paper = paper(batch, cook);
        assertThat(paper)
                .contains("White chicken stock", "Steps, planned and as done", "Where every litre went")
                .contains("Litres out", "11.0 L", "Clarity")
                .contains("84 °C", "74 °C", "thermometer misread")
                .contains("Simmer reached", "Judged: enough");
    }

    @Test
    void thePaperIsInTheUnitsOfWhoeverPrintsIt() throws Exception {
        TestBatch batch = TestBatch.accepted(cook, 12).strained();
        cook.put("/api/session/units", "{\"units\": \"us\"}");
        try {
            assertThat(paper(batch, cook)).contains("2.91 gal").doesNotContain("11.0 L");
        } finally {
            cook.put("/api/session/units", "{\"units\": \"metric\"}");
        }
    }

    @Test
    void aLongRecordTurnsItsPages() throws Exception {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        for (int i = 0; i < 60; i++) {
            batch.log("skimmed", "\"litres\": 0.0" + (1 + i % 9));
        }
        Visitor.Answer answer = cook.get("/api/batches/" + batch.id() + "/record.pdf");
        try (PDDocument pdf = Loader.loadPDF(answer.raw().body())) {
            assertThat(pdf.getNumberOfPages()).isGreaterThan(1);
            PDFTextStripper last = new PDFTextStripper();
            last.setStartPage(pdf.getNumberOfPages());
            assertThat(last.getText(pdf)).contains("Skimmed", "page " + pdf.getNumberOfPages());
        }
    }

    @Test
    void aStationReadsNoRecordAndAnUnknownBatchHasNone() {
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        Visitor station = Visitor.signedIn("bram");
        assertThat(station.get("/api/batches/" + batch.id() + "/record.pdf").status())
                .isEqualTo(403);
        assertThat(station.get("/api/batches/" + batch.id() + "/course").status())
                .isEqualTo(403);
        assertThat(cook.get("/api/batches/" + UUID.randomUUID() + "/course").status())
                .isEqualTo(404);
    }

    private static String paper(TestBatch batch, Visitor reader) throws Exception {
        Visitor.Answer answer = reader.get("/api/batches/" + batch.id() + "/record.pdf");
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        try (PDDocument pdf = Loader.loadPDF(answer.raw().body())) {
            return new PDFTextStripper().getText(pdf);
        }
    }
}
