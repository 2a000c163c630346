package potamos.server.courses;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.course.Day;
import potamos.core.quantity.Volume;

/** What a cook pins up: one page, and nothing of the day left out of it. */
class DaySheetTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Vienna");
    private static final LocalDate DAY = LocalDate.of(2026, 3, 3);
    private static final Instant SIX = DAY.atTime(6, 0).atZone(ZONE).toInstant();

    private static final List<Timeline.Part> WORK = List.of(
            part(Stage.WEIGH_IN, 10),
            part(Stage.PREPARE, 17),
            part(Stage.FILL, 5),
            part(Stage.BRING_UP, 40),
            part(Stage.SIMMER, 240),
            part(Stage.REST, 20),
            part(Stage.STRAIN, 15),
            part(Stage.COOL, 50),
            part(Stage.STORE, 15));

    private static Timeline.Part part(Stage stage, int minutes) {
        return new Timeline.Part(stage, Duration.ofMinutes(minutes));
    }

    private static Day.Pot pot(String vessel, String stock, int minutes) {
        Timeline timeline = Timeline.startingAt(SIX.plus(Duration.ofMinutes(minutes)), WORK);
        return new Day.Pot(vessel, stock, Volume.ofLitres(20), timeline, Optional.empty());
    }

    private static Day day(List<Day.Pot> pots) {
        return new Day(
                pots.stream()
                        .flatMap(pot -> pot.timeline().steps().stream()
                                .map(step -> new Day.Doing(step.from(), step.stage(), pot)))
                        .toList(),
                pots.stream()
                        .map(pot -> new Day.Leaves(pot.timeline().ready(), "Sauce", pot.stock(), pot.litres()))
                        .toList(),
                List.of(),
                List.of());
    }

    /** Pots that begin seven minutes apart, each for a call of its own. */
    private static Day busy(int pots) {
        return day(IntStream.range(0, pots)
                .mapToObj(i -> pot("Pot " + (char) ('A' + i), "Stock of kind " + i, 7 * i))
                .toList());
    }

    private static String words(Day day, int pages) throws IOException {
        try (PDDocument paper = Loader.loadPDF(DaySheet.of("Kestrel Lodge", DAY, day, ZONE, "metric", SIX))) {
            assertThat(paper.getNumberOfPages()).isEqualTo(pages);
            return new PDFTextStripper().getText(paper);
        }
    }

    private static long times(String words, String one) {
        return Pattern.compile(one, Pattern.LITERAL).matcher(words).results().count();
    }

    @Test
    void aFullDayOfSevenPotsIsOnePage() throws IOException {
        String words = words(busy(7), 1);
        assertThat(times(words, "Strain")).isEqualTo(7);
        assertThat(times(words, "Sauce 20.0 L")).isEqualTo(7);
        assertThat(words).contains(":00 Weigh in", ":27 Fill", "Pot A", "Pot G");
    }

    @Test
    void anEighthPotGoesOverleafAndNothingIsLost() throws IOException {
        String words = words(busy(9), 2);
        assertThat(times(words, "Strain")).isEqualTo(9);
        assertThat(times(words, "Sauce 20.0 L")).isEqualTo(9);
    }

    /** The second batch of a pot is named where it begins, and the first not again. */
    @Test
    void aBatchIsNamedOnceWhereItsPotTurnsToIt() throws IOException {
        List<Day.Pot> pots = Stream.of(pot("K80", "White chicken", 0), pot("K80", "Brown veal", 480))
                .toList();
        String words = words(new Day(day(pots).doings(), List.of(), List.of(), List.of()), 1);
        assertThat(times(words, "White chicken")).isEqualTo(1);
        assertThat(times(words, "Brown veal")).isEqualTo(1);
        assertThat(times(words, "Weigh in")).isEqualTo(2);
    }

    @Test
    void aDayOfCallsAloneTellsThem() throws IOException {
        String words = words(new Day(List.of(), busy(2).leaves(), List.of(), List.of()), 1);
        assertThat(times(words, "Sauce 20.0 L")).isEqualTo(2);
    }

    @Test
    void anEmptyDaySaysSo() throws IOException {
        assertThat(words(day(List.of()), 1)).contains("Nothing is planned");
    }
}
