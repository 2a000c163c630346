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
import potamos.server.paper.Roll;
import potamos.server.paper.Words;

/** A day of the course on A4, to be pinned up: hour by hour what begins in which pot and what leaves for whom, and everything to weigh. */
final class DaySheet {

    private static final float BODY = 13;
    private static final float SMALL = 10.5f;
    private static final float POT = Roll.MARGIN + 52;
    private static final float WHAT = Roll.MARGIN + 150;
    private static final float TICK = 11;
    private static final float WEIGHED = Roll.MARGIN + 250;
    private static final float LOT = Roll.MARGIN + 370;

    private final Roll roll;
    private final Ink ink;
    private final PaperUnits units;
    private final ZoneId zone;

    private DaySheet(Roll roll, PaperUnits units, ZoneId zone) {
        this.roll = roll;
        this.ink = roll.ink();
        this.units = units;
        this.zone = zone;
    }

    /** As PDF, in the units of whoever prints. */
    static byte[] of(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed) {
        try (Roll roll = roll("The day at the pots", kitchen, date, zone, printed)) {
            DaySheet sheet = new DaySheet(roll, PaperUnits.of(units), zone);
            sheet.hours(day);
            sheet.weighing(day);
            return roll.pdf();
        }
    }

    /** What is weighed for a day and nothing else: pot by pot in the order in which they begin, with room for what the scale says and the lot. */
    static byte[] weighOut(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed) {
        try (Roll roll = roll("To weigh", kitchen, date, zone, printed)) {
            new DaySheet(roll, PaperUnits.of(units), zone).pots(day);
            return roll.pdf();
        }
    }

    private static Roll roll(String what, String kitchen, LocalDate date, ZoneId zone, Instant printed) {
        return new Roll(
                PaperWords.DAY.format(date),
                what + " · " + kitchen,
                "as planned at " + PaperWords.CLOCK.format(printed.atZone(zone)));
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
            roll.head(pot);
            parts.stream()
                    .sorted(Comparator.comparing((Part part) -> part.share().mass())
                            .reversed())
                    .forEach(this::weighed);
        });
    }

    private void weighed(Part part) {
        float at = roll.row();
        ink.text(true, BODY, Roll.MARGIN, at, units.mass(part.share().mass()));
        ink.text(false, BODY, POT + 24, at, ink.fitted(BODY, part.item(), WEIGHED - POT - 30));
        ink.text(false, SMALL, WEIGHED, at, "weighed");
        ink.line(WEIGHED + 46, at - 1, LOT - 10, at - 1, 0.5f);
        ink.text(false, SMALL, LOT, at, "lot");
        ink.line(LOT + 20, at - 1, Roll.RIGHT - 2 * TICK, at - 1, 0.5f);
        tick(at);
    }

    private record Row(Instant at, String where, String what, String note) {}

    private void hours(Day day) {
        roll.head("Hour by hour");
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
        roll.head("To weigh, for what begins on this day");
        for (Day.Weigh weigh : day.weighs()) {
            String shares = weigh.shares().size() == 1
                    ? weigh.shares().get(0).vessel()
                    : weigh.shares().stream()
                            .map(share -> share.vessel() + " " + units.mass(share.mass()))
                            .collect(Collectors.joining(" · "));
            float at = roll.row();
            ink.text(true, BODY, Roll.MARGIN, at, units.mass(weigh.mass()));
            ink.text(false, BODY, POT + 24, at, ink.fitted(BODY, weigh.item(), WHAT + 70 - POT));
            ink.text(false, SMALL, WHAT + 110, at, ink.fitted(SMALL, shares, Roll.RIGHT - WHAT - 110 - 2 * TICK));
            tick(at);
        }
    }

    private void line(String when, String where, String what, String note) {
        float at = roll.row();
        ink.text(true, BODY, Roll.MARGIN, at, when);
        ink.text(false, BODY, POT, at, ink.fitted(BODY, where, WHAT - POT - 6));
        ink.text(true, BODY, WHAT, at, what);
        ink.text(false, BODY, WHAT + 90, at, ink.fitted(BODY, note, Roll.RIGHT - WHAT - 90 - 2 * TICK));
        tick(at);
    }

    /** A square to mark what is done, and the rule under a row. */
    private void tick(float at) {
        float left = Roll.RIGHT - TICK;
        float low = at + 10 - TICK;
        ink.line(left, low, Roll.RIGHT, low, 0.8f);
        ink.line(left, low + TICK, Roll.RIGHT, low + TICK, 0.8f);
        ink.line(left, low, left, low + TICK, 0.8f);
        ink.line(Roll.RIGHT, low, Roll.RIGHT, low + TICK, 0.8f);
        roll.rule();
    }
}
