package potamos.server.courses;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.course.Day;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.Roll;
import potamos.server.paper.Words;

/** A day of the course on one page of A4, to be pinned up: hours go down and pots across, and what leaves for whom stands at the right. */
final class DaySheet {

    private static final float BODY = 13;

    /** More stand on a second page: narrower than this, nobody reads them from the stove. */
    private static final int POTS_ON_A_PAGE = 7;

    private static final String LEAVING = "To stations";

    private DaySheet() {}

    /** As PDF, in the units of whoever prints. */
    static byte[] of(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed) {
        try (Roll roll = roll("The day at the pots", kitchen, date, zone, printed)) {
            List<DayGrid.Entry> entries = entries(day, PaperUnits.of(units));
            List<String> pots = entries.stream()
                    .filter(entry -> entry.batch().isPresent())
                    .map(DayGrid.Entry::column)
                    .distinct()
                    .toList();
            Optional<String> leaving = day.leaves().isEmpty() ? Optional.empty() : Optional.of(LEAVING);
            if (entries.isEmpty()) {
                roll.ink().text(false, BODY, Roll.MARGIN, roll.row(), "Nothing is planned for this day.");
                roll.rule();
                return roll.pdf();
            }
            int from = 0;
            do {
                if (from > 0) {
                    roll.turn();
                }
                List<String> across = pots.subList(from, Math.min(pots.size(), from + POTS_ON_A_PAGE));
                new DayGrid(roll, zone, across, from == 0 ? leaving : Optional.empty(), entries).draw();
                from += POTS_ON_A_PAGE;
            } while (from < pots.size());
            return roll.pdf();
        }
    }

    static Roll roll(String what, String kitchen, LocalDate date, ZoneId zone, Instant printed) {
        return new Roll(
                PaperWords.DAY.format(date),
                what + " · " + kitchen,
                "as planned at " + PaperWords.CLOCK.format(printed.atZone(zone)));
    }

    /** In the order of their times; a batch is named where the column of its pot turns to it. */
    private static List<DayGrid.Entry> entries(Day day, PaperUnits units) {
        Stream<DayGrid.Entry> acts = Stream.concat(
                day.doings().stream()
                        .map(doing -> DayGrid.Entry.of(doing.at(), Words.ENGLISH.of(doing.stage()), doing.pot())),
                day.looks().stream().map(look -> DayGrid.Entry.of(look.at(), "Look in", look.pot())));
        Stream<DayGrid.Entry> leaving = day.leaves().stream()
                .map(leaves -> new DayGrid.Entry(
                        leaves.at(),
                        LEAVING,
                        leaves.station() + " " + units.litres(leaves.litres().litres()),
                        Optional.empty(),
                        List.of(leaves.stock())));
        Map<String, Day.Pot> before = new HashMap<>();
        return Stream.concat(acts, leaving)
                .sorted(Comparator.comparing(DayGrid.Entry::at))
                .map(entry -> entry.batch()
                        .filter(pot -> !pot.equals(before.put(entry.column(), pot)))
                        .map(pot -> entry.over(List.of(
                                pot.stock() + ", " + units.litres(pot.litres().litres()))))
                        .orElse(entry))
                .toList();
    }
}
