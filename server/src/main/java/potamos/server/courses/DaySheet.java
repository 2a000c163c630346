package potamos.server.courses;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import potamos.core.course.Day;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.Words;

/** A day of the course on A4, to be pinned up: hour by hour what begins in which pot and what leaves for whom, and everything to weigh. */
final class DaySheet {

    private static final float MARGIN = 14 * Ink.MM;
    private static final float RIGHT = Ink.A4_WIDTH - MARGIN;
    private static final float ROW = 20;
    private static final float BODY = 13;
    private static final float SMALL = 10.5f;
    private static final float POT = MARGIN + 52;
    private static final float WHAT = MARGIN + 150;
    private static final float TICK = 11;
    private static final float WEIGHED = MARGIN + 250;
    private static final float LOT = MARGIN + 370;

    private final Ink ink;
    private final PaperUnits units;
    private final ZoneId zone;
    private float y = Ink.A4_HEIGHT - MARGIN;

    private DaySheet(Ink ink, PaperUnits units, ZoneId zone) {
        this.ink = ink;
        this.units = units;
        this.zone = zone;
    }

    /** As PDF, in the units of whoever prints. */
    static byte[] of(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed) {
        String title = PaperWords.DAY.format(date);
        try (Ink ink = new Ink(title, Ink.A4_WIDTH, Ink.A4_HEIGHT)) {
            DaySheet sheet = new DaySheet(ink, PaperUnits.of(units), zone);
            sheet.title(title, "The day at the pots", kitchen, printed);
            sheet.hours(day);
            sheet.weighing(day);
            return ink.pdf();
        }
    }

    /** What is weighed for a day and nothing else: pot by pot in the order in which they begin, with room for what the scale says and the lot. */
    static byte[] weighOut(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed) {
        String title = PaperWords.DAY.format(date);
        try (Ink ink = new Ink(title, Ink.A4_WIDTH, Ink.A4_HEIGHT)) {
            DaySheet sheet = new DaySheet(ink, PaperUnits.of(units), zone);
            sheet.title(title, "To weigh", kitchen, printed);
            sheet.pots(day);
            return ink.pdf();
        }
    }

    private record Part(Day.Share share, String item) {}

    private void pots(Day day) {
        Map<String, List<Part>> pots = day.weighs().stream()
                .flatMap(weigh -> weigh.shares().stream().map(share -> new Part(share, weigh.item())))
                .sorted(Comparator.comparing((Part part) -> part.share().at())
                        .thenComparing(part -> part.share().vessel()))
                .collect(Collectors.groupingBy(
                        part -> part.share().vessel() + " · " + part.share().stock() + ", begins "
                                + PaperWords.CLOCK.format(part.share().at().atZone(zone)),
                        LinkedHashMap::new,
                        Collectors.toList()));
        if (pots.isEmpty()) {
            line("", "", "Nothing begins on this day.", "");
        }
        pots.forEach((pot, parts) -> {
            head(pot);
            parts.stream()
                    .sorted(Comparator.comparing((Part part) -> part.share().mass())
                            .reversed())
                    .forEach(this::weighed);
        });
    }

    private void weighed(Part part) {
        room();
        ink.text(true, BODY, MARGIN, y - 14, units.mass(part.share().mass()));
        ink.text(false, BODY, POT + 24, y - 14, ink.fitted(BODY, part.item(), WEIGHED - POT - 30));
        ink.text(false, SMALL, WEIGHED, y - 14, "weighed");
        ink.line(WEIGHED + 46, y - 15, LOT - 10, y - 15, 0.5f);
        ink.text(false, SMALL, LOT, y - 14, "lot");
        ink.line(LOT + 20, y - 15, RIGHT - 2 * TICK, y - 15, 0.5f);
        tick();
    }

    private void title(String title, String what, String kitchen, Instant printed) {
        ink.text(true, 28, MARGIN, y - 24, title);
        ink.text(false, BODY, MARGIN, y - 42, what + " · " + kitchen);
        ink.textTo(false, SMALL, RIGHT, y - 42, "as planned at " + PaperWords.CLOCK.format(printed.atZone(zone)));
        y -= 52;
        ink.line(MARGIN, y, RIGHT, y, 2);
    }

    private record Row(Instant at, String where, String what, String note) {}

    private void hours(Day day) {
        head("Hour by hour");
        List<Row> rows = new ArrayList<>();
        day.doings()
                .forEach(doing -> rows.add(new Row(
                        doing.at(),
                        doing.vessel(),
                        Words.ENGLISH.of(doing.stage()),
                        doing.stock() + ", " + units.litres(doing.litres().litres()))));
        day.leaves()
                .forEach(leaves -> rows.add(new Row(
                        leaves.at(),
                        "to " + leaves.station(),
                        units.litres(leaves.litres().litres()),
                        leaves.stock() + " is wanted")));
        day.looks()
                .forEach(look -> rows.add(
                        new Row(look.at(), look.vessel(), "Look in", look.stock() + ": its level, its heat, its lid")));
        rows.sort(Comparator.comparing(Row::at));
        if (rows.isEmpty()) {
            line("", "", "Nothing is planned for this day.", "");
        }
        rows.forEach(row -> line(PaperWords.CLOCK.format(row.at().atZone(zone)), row.where(), row.what(), row.note()));
    }

    private void weighing(Day day) {
        if (day.weighs().isEmpty()) {
            return;
        }
        head("To weigh, for what begins on this day");
        for (Day.Weigh weigh : day.weighs()) {
            String shares = weigh.shares().size() == 1
                    ? weigh.shares().get(0).vessel()
                    : weigh.shares().stream()
                            .map(share -> share.vessel() + " " + units.mass(share.mass()))
                            .collect(Collectors.joining(" · "));
            room();
            ink.text(true, BODY, MARGIN, y - 14, units.mass(weigh.mass()));
            ink.text(false, BODY, POT + 24, y - 14, ink.fitted(BODY, weigh.item(), WHAT + 70 - POT));
            ink.text(false, SMALL, WHAT + 110, y - 14, ink.fitted(SMALL, shares, RIGHT - WHAT - 110 - 2 * TICK));
            tick();
        }
    }

    private void head(String words) {
        y -= 12;
        // A heading at the foot of a page would have what it is over on the next.
        room(3);
        ink.text(true, 15, MARGIN, y - 14, words);
        y -= ROW;
        ink.line(MARGIN, y, RIGHT, y, 1);
    }

    private void line(String at, String where, String what, String note) {
        room();
        ink.text(true, BODY, MARGIN, y - 14, at);
        ink.text(false, BODY, POT, y - 14, ink.fitted(BODY, where, WHAT - POT - 6));
        ink.text(true, BODY, WHAT, y - 14, what);
        ink.text(false, BODY, WHAT + 90, y - 14, ink.fitted(BODY, note, RIGHT - WHAT - 90 - 2 * TICK));
        tick();
    }

    /** A square to mark what is done, and the rule under a row. */
    private void tick() {
        float left = RIGHT - TICK;
        float low = y - 4 - TICK;
        ink.line(left, low, RIGHT, low, 0.8f);
        ink.line(left, low + TICK, RIGHT, low + TICK, 0.8f);
        ink.line(left, low, left, low + TICK, 0.8f);
        ink.line(RIGHT, low, RIGHT, low + TICK, 0.8f);
        y -= ROW;
        ink.line(MARGIN, y, RIGHT, y, 0.3f);
    }

    private void room() {
        room(1);
    }

    private void room(int rows) {
        if (y - rows * ROW < MARGIN) {
            ink.turn();
            y = Ink.A4_HEIGHT - MARGIN;
        }
    }
}
