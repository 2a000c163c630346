package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What of a course goes on paper, into calendars and tables, and what comes in out of them. */
@ExtendWith(TestKitchen.class)
class CoursePapersTest {

    private final CourseKitchen house = new CourseKitchen();
    private final Visitor chef = house.chef;

    private static String text(Visitor.Answer answer) {
        return new String(answer.raw().body(), StandardCharsets.UTF_8);
    }

    private static List<VEvent> events(Visitor.Answer answer) throws Exception {
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.raw().headers().firstValue("Content-Type").orElse("")).startsWith("text/calendar");
        Calendar calendar = new CalendarBuilder().build(new StringReader(text(answer)));
        return calendar.getComponents("VEVENT").stream().map(VEvent.class::cast).toList();
    }

    /** Whoever knows the address reads it without signing in; one made anew ends it, and so does ending it. */
    @Test
    void aCalendarIsReadUnderItsSecretAddressUntilThatEnds() throws Exception {
        String call = house.call(6, Duration.ofHours(30));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        String path = chef.post("/api/course/calendar", "{}").at("/path").asString();
        Visitor stranger = Visitor.stranger();
        List<VEvent> events = events(stranger.get(path));
        VEvent batch = events.stream()
                .filter(e -> e.getSummary()
                        .getValue()
                        .contains("in " + draft.path("vesselName").asString()))
                .findFirst()
                .orElseThrow();
        assertThat(batch.getStatus().getValue()).isEqualTo("TENTATIVE");
        assertThat(Instant.from(batch.getDateTimeStart().getDate()))
                .isEqualTo(Instant.parse(draft.path("start").asString()).truncatedTo(ChronoUnit.SECONDS));
        assertThat(batch.getDescription().getValue()).contains("Simmer");
        assertThat(events).anyMatch(e -> e.getUid().orElseThrow().getValue().equals("call-" + call + "@potamos"));
        assertThat(stranger.get(path.replace(".ics", "")).status()).isEqualTo(404);
        String anew = chef.post("/api/course/calendar", "{}").at("/path").asString();
        assertThat(stranger.get(path).status()).isEqualTo(404);
        assertThat(stranger.get(anew).status()).isEqualTo(200);
        assertThat(chef.get("/api/course/calendar").at("/madeAt").isMissingNode())
                .isFalse();
        assertThat(chef.delete("/api/course/calendar").status()).isEqualTo(204);
        assertThat(stranger.get(anew).status()).isEqualTo(404);
        assertThat(stranger.get("/api/calendars/" + UUID.randomUUID() + ".ics").status())
                .isEqualTo(404);
    }

    /** A station's calendar has its own calls, and nothing of the stock kitchen's batches. */
    @Test
    void aStationReadsItsOwnCallsAlone() throws Exception {
        Visitor soup = Visitor.signedIn("bram");
        List<VEvent> events = events(Visitor.stranger()
                .get(soup.post("/api/course/calendar", "{}").at("/path").asString()));
        assertThat(events).isNotEmpty().allMatch(e -> e.getSummary().getValue().startsWith("Soup: "));
    }

    @Test
    void everythingToWeighStandsPotByPot() throws Exception {
        house.call(6, Duration.ofHours(20));
        JsonNode draft = chef.get("/api/course?days=3").at("/drafts/0");
        LocalDate day = Instant.parse(draft.path("start").asString())
                .atZone(ZoneId.of("Europe/London"))
                .toLocalDate();
        byte[] sheet = chef.get("/api/course/weigh-out.pdf?day=" + day).raw().body();
        try (PDDocument pdf = Loader.loadPDF(sheet)) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("To weigh", draft.path("vesselName").asString(), "hicken", "weighed", "lot");
        }
        assertThat(chef.get("/api/course/weigh-out.pdf?day=2020-01-01").reason("day"))
                .isNotEmpty();
    }

    @Test
    void theCourseIsAsItsSchemaSays() {
        house.call(6, Duration.ofHours(30));
        Visitor.Answer schema = chef.get("/api/course/schema.json");
        assertThat(schema.status()).isEqualTo(200);
        var read = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(text(schema));
        String course = text(chef.get("/api/course?days=3"));
        assertThat(read.validate(course, InputFormat.JSON)).isEmpty();
        assertThat(read.validate(course.replaceFirst("\"litres\":[0-9.]+", "\"litres\":\"many\""), InputFormat.JSON))
                .isNotEmpty();
    }

    private Visitor.Answer table(String csv) {
        return chef.post("/api/calls/table", "text/csv", csv);
    }

    /** A table of calls is asked for whole, once however often it is sent; one bad line and nothing is. */
    @Test
    void callsComeOutOfATable() {
        String day = CourseKitchen.now().plus(Duration.ofHours(40)).toString().substring(0, 10);
        String csv = """
                station,formula,litres,ready by,without,note
                Sauce,white-chicken,6,%s 10:30,,barley
                sauce,White chicken stock,"4,5",%sT15:00:00Z,,
                """.formatted(day, day);
        for (int sent = 0; sent < 2; sent++) {
            Visitor.Answer asked = table(csv);
            assertThat(asked.status()).as("%s", asked.body()).isEqualTo(200);
            assertThat(asked.body().size()).isEqualTo(2);
            assertThat(asked.at("/1/litres").asDouble()).isEqualTo(4.5);
            assertThat(chef.get("/api/calls").body().size()).isEqualTo(2);
        }
        Visitor.Answer bad = table(csv + "Sauce,white-chicken,0,%s 16:00,,\n".formatted(day));
        assertThat(bad.reason("line 4: litres")).isNotEmpty();
        assertThat(table(csv.replace("6,", "7,") + "Larder,white-chicken,5,%s 16:00,,\n".formatted(day))
                        .reason("line 4: station"))
                .contains("none of that name");
        assertThat(table(csv.replace("10:30", "half past ten")).reason("line 2: ready by"))
                .contains("day and hour");
        assertThat(table(csv.replace(",,barley", ",celeriac,barley")).reason("line 2: without"))
                .contains("celery");
        assertThat(table("station,formula\n").reason("table")).contains("no line");
        assertThat(table("\"").status()).isEqualTo(422);
        assertThat(chef.get("/api/calls").body().size()).isEqualTo(2);
    }
}
