package potamos.server.batches;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.quantity.Temperature;
import potamos.server.charges.BandView;
import potamos.server.charges.ChargeView;
import potamos.server.kitchen.Kitchens;
import potamos.server.paper.Chart;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.Words;
import potamos.server.photos.Photos;

/**
 * The record of a batch on A4: how it ran against its plan, where every litre went, what clouded it, every entry, and its photos. What was corrected or
 * withdrawn stands struck through.
 */
final class RecordSheet {

    private static final float WIDTH = Ink.A4_WIDTH;
    private static final float HEIGHT = Ink.A4_HEIGHT;
    private static final float MARGIN = 14 * Ink.MM;
    private static final float RIGHT = WIDTH - MARGIN;
    private static final float COLUMN = 108 * Ink.MM;
    private static final float ROW = 15;
    private static final float BODY = 10;
    private static final float HEAD = 13;
    private static final float PANEL = 76;
    private static final float PHOTOS_ACROSS = 3;

    private final Ink ink;
    private final ZoneId zone;
    private final PaperUnits units;
    private final Page page;
    private final CourseView course;
    private final RecordWords words;
    private float y = HEIGHT - MARGIN;

    private RecordSheet(Ink ink, ZoneId zone, PaperUnits units, Page page, CourseView course) {
        this.ink = ink;
        this.zone = zone;
        this.units = units;
        this.page = page;
        this.course = course;
        this.words = new RecordWords(units, page);
    }

    /**
     * The record as PDF.
     *
     * @param units as the person who prints it has chosen
     */
    static byte[] of(Kitchens.Kitchen kitchen, Page page, CourseView course, List<Photos.Print> photos, String units) {
        String title = page.card().formulaName() + ", batch " + page.card().number();
        try (Ink ink = new Ink(title, WIDTH, HEIGHT)) {
            RecordSheet sheet = new RecordSheet(ink, kitchen.zone(), PaperUnits.of(units), page, course);
            sheet.title(title, kitchen.name());
            float top = sheet.y;
            float left = sheet.steps(top);
            float right = sheet.litres(top);
            sheet.y = Math.min(left, right) - 12;
            sheet.clarity();
            sheet.panels();
            sheet.entries();
            sheet.photos(photos);
            return ink.pdf();
        }
    }

    private void title(String title, String kitchen) {
        ink.text(true, ink.fitting(title, 26, RIGHT - MARGIN), MARGIN, y - 22, title);
        String where = "in " + page.card().vessel().name() + " · " + kitchen;
        ink.text(false, 12, MARGIN, y - 40, where);
        ink.textTo(false, 12, RIGHT, y - 40, "Printed " + day(course.now()) + "  " + clock(course.now()));
        String asked = page.call()
                .map(call -> call.stationName() + ", " + units.litres(call.litres()) + " by "
                        + day(page.card().readyBy()) + " " + clock(page.card().readyBy()))
                .orElse("No call");
        ink.text(false, 12, MARGIN, y - 56, asked);
        y -= 64;
        ink.line(MARGIN, y, RIGHT, y, 2);
        y -= 6;
    }

    /** Stages by the plan and by the clock. */
    private float steps(float top) {
        float right = COLUMN - 8 * Ink.MM;
        float at = head(top, MARGIN, "Steps, planned and as done");
        for (ChargeView.StepView step : page.planned()) {
            Optional<Instant> came = page.path().stream()
                    .filter(entered -> entered.stage().equals(step.stage()))
                    .map(Page.EnteredView::at)
                    .findFirst();
            String planned = clock(step.from());
            String done = came.map(when -> clock(when) + "  " + later(step.from(), when))
                    .orElse("");
            ink.text(false, BODY, MARGIN, at - ROW + 4, Words.ENGLISH.of(step.stage()));
            ink.textTo(false, BODY, right - 88, at - ROW + 4, planned);
            ink.textTo(true, BODY, right, at - ROW + 4, done);
            at = rule(at, MARGIN, right);
        }
        return at;
    }

    /** Minutes after or before the plan. */
    private static String later(Instant planned, Instant came) {
        long minutes = Duration.between(planned, came).toMinutes();
        return (minutes < 0 ? "−" : "+") + PaperUnits.minutes(Math.abs(minutes));
    }

    private float litres(float top) {
        float at = head(top, COLUMN, "Where every litre went");
        for (ChargeView.EntryView entry : page.ledger().entries()) {
            if (entry.litres() > 0.005) {
                String sign = entry.inward() ? "+" : "−";
                at = amount(at, Words.ENGLISH.of(entry.cause()), sign + units.litres(entry.litres()), false);
            }
        }
        double unexplained = page.ledger().unexplainedL();
        if (Math.abs(unexplained) > 0.005) {
            at = amount(
                    at,
                    Words.ENGLISH.ledger("UNEXPLAINED"),
                    (unexplained > 0 ? "−" : "+") + units.litres(Math.abs(unexplained)),
                    false);
        }
        boolean out = page.card().strainedL().isPresent();
        at = amount(
                at,
                out ? Words.ENGLISH.ledger("YIELD") : "If strained now",
                units.litres(page.ledger().yieldL()),
                true);
        BandView planned = page.forecast().yieldL();
        return amount(
                at,
                "Planned",
                units.litres(planned.p50()) + ", " + units.litres(planned.p10()) + " to " + units.litres(planned.p90()),
                false);
    }

    private float amount(float at, String name, String value, boolean heavy) {
        ink.text(heavy, BODY, COLUMN, at - ROW + 4, name);
        ink.textTo(heavy, BODY, RIGHT, at - ROW + 4, value);
        return rule(at, COLUMN, RIGHT);
    }

    private void clarity() {
        StringBuilder told = new StringBuilder(String.format(
                Locale.ROOT,
                "Clarity %.0f of 100, planned %.0f",
                course.claritySoFar().index(),
                course.clarityPlanned().index()));
        course.ladle().ifPresent(card -> told.append(String.format(Locale.ROOT, "; ladle card %.0f of 5", card)));
        ink.text(true, BODY, MARGIN, y - 12, told.toString());
        String causes = course.claritySoFar().shares().stream()
                .filter(share -> share.points() >= 0.5)
                .map(share -> String.format(Locale.ROOT, "%s −%.0f", Words.ENGLISH.of(share.cause()), share.points()))
                .reduce((first, next) -> first + "   " + next)
                .orElse("");
        ink.text(false, BODY, MARGIN, y - 26, causes);
        y -= 36;
    }

    /** Level, temperature and gelatin against the clock: the plan dashed, the band grey, what happened in ink. */
    private void panels() {
        if (course.points().isEmpty()) {
            return;
        }
        double rim = page.card().vessel().heightCm();
        panel(
                "Level above the bottom, rim " + units.cm(rim),
                p -> p.levelCm(),
                p -> p.levelCm(),
                0,
                rim,
                v -> units.cm(v));
        panel("Temperature", p -> p.celsius(), p -> p.celsius(), 0, 105, v -> units.celsius(Temperature.ofCelsius(v)));
        double most = course.points().stream()
                .mapToDouble(p -> p.gelatinGPerL().p90())
                .max()
                .orElse(0);
        if (most >= 1) {
            panel(
                    "Gelatin, g/L",
                    p -> p.gelatinGPerL(),
                    p -> p.gelatinGPerL(),
                    0,
                    most * 1.1,
                    v -> String.format(Locale.ROOT, "%.0f", v));
        }
    }

    private void panel(
            String title,
            Function<CourseView.CurvePoint, BandView> figure,
            Function<CourseView.PlannedPoint, Double> planned,
            double least,
            double most,
            Function<Double, String> words) {
        room(PANEL + 34);
        ink.text(true, BODY, MARGIN, y - 11, title);
        float top = y - 17;
        float bottom = top - PANEL;
        float left = MARGIN + 40;
        Instant from =
                first(course.points().get(0).at(), course.planned().get(0).at());
        Instant to = last(
                course.points().get(course.points().size() - 1).at(),
                course.planned().get(course.planned().size() - 1).at());
        Chart chart = new Chart(ink, new Chart.Frame(left, bottom, RIGHT, top), from, to, least, most);
        chart.band(course.points().stream()
                .map(p -> new Chart.Span(
                        p.at(), figure.apply(p).p10(), figure.apply(p).p90()))
                .toList());
        chart.dashed(course.planned().stream()
                .map(p -> new Chart.Mark(p.at(), planned.apply(p)))
                .toList());
        chart.line(course.points().stream()
                .filter(p -> !p.at().isAfter(course.now()))
                .map(p -> new Chart.Mark(p.at(), figure.apply(p).p50()))
                .toList());
        chart.axes();
        ink.textTo(false, 8, left - 4, bottom, words.apply(least));
        ink.textTo(false, 8, left - 4, top - 6, words.apply(most));
        ink.text(false, 8, left, bottom - 10, clock(from));
        ink.textTo(false, 8, RIGHT, bottom - 10, clock(to));
        y = bottom - 18;
    }

    private void entries() {
        room(ROW * 4);
        y = head(y - 4, MARGIN, "Every entry") - 2;
        for (EventView event : page.events()) {
            if (event.corrects().isPresent()) {
                continue;
            }
            room(ROW * (1 + event.corrections().size()) + 4);
            ink.text(false, BODY, MARGIN, y - ROW + 4, clock(event.correctedAt().orElse(event.at())));
            ink.text(true, BODY, MARGIN + 40, y - ROW + 4, event.by());
            float x = MARGIN + 72;
            x = entry(x, event.withdrawn(), Words.ENGLISH.event(event.kind()));
            x = entry(
                    x + 8,
                    event.withdrawn() || event.correctedTo().isPresent(),
                    words.figures(event.kind(), event.figures()));
            x = entry(
                    x + 8,
                    false,
                    event.correctedTo()
                            .map(to -> words.figures(event.kind(), to))
                            .orElse(""));
            if (event.late()) {
                entry(x + 10, false, "entered " + clock(event.recordedAt()) + ", from memory");
            }
            event.corrections().forEach(correction -> correction(event.kind(), correction));
            y = rule(y, MARGIN, RIGHT);
        }
    }

    /** Every correction of an entry on a line of its own below it: when it was made, by whom, what it says, and why. */
    private void correction(String kind, EventView.CorrectionView correction) {
        y -= ROW - 2;
        String says = correction
                .figures()
                .map(f -> "corrected to "
                        + Stream.of(correction.at().map(this::clock).orElse(""), words.figures(kind, f))
                                .filter(word -> !word.isEmpty())
                                .collect(Collectors.joining(", ")))
                .orElse("withdrawn");
        String line = clock(correction.recordedAt()) + " " + correction.byName() + ": " + says
                + (correction.reason().isEmpty() ? "" : ", " + correction.reason());
        ink.text(false, ink.fitting(line, 9, RIGHT - MARGIN - 72), MARGIN + 72, y - ROW + 4, line);
    }

    private float entry(float x, boolean struck, String words) {
        if (words.isEmpty()) {
            return x - 8;
        }
        float size = ink.fitting(words, BODY, RIGHT - x);
        float end = x + ink.width(size, words);
        ink.text(false, size, x, y - ROW + 4, words);
        if (struck) {
            ink.line(x, y - ROW + 7, end, y - ROW + 7, 0.8f);
        }
        return end;
    }

    private void photos(List<Photos.Print> photos) {
        if (photos.isEmpty()) {
            return;
        }
        float gap = 8;
        float width = (RIGHT - MARGIN - gap * (PHOTOS_ACROSS - 1)) / PHOTOS_ACROSS;
        room(width + 60);
        y = head(y - 6, MARGIN, "Photos") - 4;
        for (int i = 0; i < photos.size(); i++) {
            int column = (int) (i % PHOTOS_ACROSS);
            if (column == 0 && i > 0) {
                y -= width + 26;
                room(width + 26);
            }
            Photos.Print photo = photos.get(i);
            float scale = width / Math.max(photo.width(), photo.height());
            float high = photo.height() * scale;
            float left = MARGIN + column * (width + gap);
            String what = Words.ENGLISH.photo(photo.subject()) + ", " + clock(photo.at()) + ", " + photo.initials();
            if (photo.withdrawn().isPresent()) {
                Photos.Withdrawal gone = photo.withdrawn().get();
                ink.text(false, 9, left, y - 12, what);
                ink.text(false, 9, left, y - 24, "taken out " + clock(gone.at()) + ", " + gone.byName() + ":");
                ink.text(false, 9, left, y - 36, ink.fitted(9, gone.reason(), width));
            } else {
                ink.picture(photo.jpeg().get(), left, y - high, photo.width() * scale, high);
                ink.text(false, 9, left, y - high - 12, what);
            }
        }
    }

    /** Turns the page when less than so much of it is left. */
    private void room(float wanted) {
        if (y - wanted < MARGIN) {
            ink.turn();
            y = HEIGHT - MARGIN;
            String again = page.card().formulaName() + ", batch " + page.card().number() + ", page " + ink.pages();
            ink.textTo(false, 9, RIGHT, y, again);
            y -= 12;
        }
    }

    private float head(float at, float x, String words) {
        ink.text(true, HEAD, x, at - 15, words);
        return at - 21;
    }

    private float rule(float at, float left, float right) {
        ink.line(left, at - ROW, right, at - ROW, 0.3f);
        return at - ROW;
    }

    private static Instant first(Instant one, Instant other) {
        return one.isBefore(other) ? one : other;
    }

    private static Instant last(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }

    private String clock(Instant at) {
        return PaperWords.CLOCK.format(at.atZone(zone));
    }

    private String day(Instant at) {
        return PaperWords.DAY.format(at.atZone(zone));
    }
}
