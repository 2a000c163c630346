package potamos.server.courses;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import potamos.core.course.Day;
import potamos.core.quantity.Mass;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.Roll;

/** Everything to weigh for what begins on a day, on A4: pot by pot with room for what the scale says and the lot, and what several pots need altogether. */
final class WeighOutSheet {

    private static final float BODY = 13;
    private static final float SMALL = 10.5f;
    private static final float ITEM = Roll.MARGIN + 76;
    private static final float WEIGHED = Roll.MARGIN + 250;
    private static final float LOT = Roll.MARGIN + 370;
    private static final float TICK = Roll.RIGHT - Ink.SQUARE;

    private final Roll roll;
    private final Ink ink;
    private final PaperUnits units;
    private final ZoneId zone;

    private WeighOutSheet(Roll roll, PaperUnits units, ZoneId zone) {
        this.roll = roll;
        this.ink = roll.ink();
        this.units = units;
        this.zone = zone;
    }

    /** As PDF, in the units of whoever prints. */
    static byte[] of(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed) {
        try (Roll roll = DaySheet.roll("To weigh", kitchen, date, zone, printed)) {
            WeighOutSheet sheet = new WeighOutSheet(roll, PaperUnits.of(units), zone);
            sheet.pots(day);
            sheet.altogether(day);
            return roll.pdf();
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
            ink.text(false, BODY, Roll.MARGIN, roll.row(), "Nothing begins on this day.");
            roll.rule();
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
        float at = item(part.share().mass(), part.item());
        ink.text(false, SMALL, WEIGHED, at, "weighed");
        ink.line(WEIGHED + 46, at - 1, LOT - 10, at - 1, 0.5f);
        ink.text(false, SMALL, LOT, at, "lot");
        ink.line(LOT + 20, at - 1, TICK - Ink.SQUARE, at - 1, 0.5f);
        ink.square(TICK, at - 1);
        roll.rule();
    }

    /** What several pots need is fetched once. */
    private void altogether(Day day) {
        List<Day.Weigh> shared =
                day.weighs().stream().filter(weigh -> weigh.shares().size() > 1).toList();
        if (shared.isEmpty()) {
            return;
        }
        roll.head("Of these, for several pots");
        shared.forEach(weigh -> {
            String shares = weigh.shares().stream()
                    .map(share -> share.vessel() + " " + units.mass(share.mass()))
                    .collect(Collectors.joining(" · "));
            float at = item(weigh.mass(), weigh.item());
            ink.text(false, ink.fitting(shares, SMALL, Roll.RIGHT - WEIGHED), WEIGHED, at, shares);
            roll.rule();
        });
    }

    private float item(Mass mass, String item) {
        float at = roll.row();
        ink.text(true, BODY, Roll.MARGIN, at, units.mass(mass));
        ink.text(false, BODY, ITEM, at, ink.fitted(BODY, PaperWords.capital(item), WEIGHED - ITEM - 6));
        return at;
    }
}
