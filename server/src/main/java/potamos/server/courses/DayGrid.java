package potamos.server.courses;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import potamos.core.batch.Timeline;
import potamos.core.course.Day;
import potamos.server.paper.Ink;
import potamos.server.paper.Roll;

/**
 * Hours down and pots across: a square for each act with its minute, and a strand from square to square for as long as a batch is under way, thick where
 * liquor is in the pot. Rows are as high as the page allows.
 */
final class DayGrid {

    private static final DateTimeFormatter HOURS = DateTimeFormatter.ofPattern("HH", Locale.ROOT);
    private static final DateTimeFormatter MINUTES = DateTimeFormatter.ofPattern(":mm", Locale.ROOT);
    private static final float HOUR = 16;
    private static final float CLOCK = 32;
    private static final float STATIONS = 124;
    private static final float GAP = 5;
    private static final float HEAD = 24;
    private static final float HEAD_SIZE = 13;
    private static final float MOST_HIGH = 21;
    /** Below it, letters are smaller than a label's. */
    private static final float LEAST_HIGH = 13;

    /** Letters, of the height of their row. */
    private static final float LETTERS = 0.6f;

    /** A line that tells more, of one that tells what. */
    private static final float SMALLER = 0.72f;

    private static final float STRAND = 3;
    private static final float THIN = 0.8f;
    private static final float GREY = 0.62f;

    /**
     * Something to be done.
     *
     * @param column of a pot or of what leaves
     * @param batch  it is done for; nobody's where a station wants something
     * @param more   what is told under it
     */
    record Entry(Instant at, String column, String what, Optional<Day.Pot> batch, List<String> more) {
        static Entry of(Instant at, String what, Day.Pot pot) {
            return new Entry(at, pot.vessel(), what, Optional.of(pot), List.of());
        }

        Entry over(List<String> told) {
            return new Entry(at, column, what, batch, told);
        }
    }

    /** What falls on one hour, column by column. */
    private record Row(ZonedDateTime hour, Map<String, List<Entry>> entries) {}

    /** A column of the page. */
    private record Column(String name, float left, float wide) {}

    private final Roll roll;
    private final Ink ink;
    private final ZoneId zone;
    private final List<Column> columns = new ArrayList<>();
    private final List<Row> rows;
    private final List<Day.Pot> batches;

    /** @param leaving the column of what leaves, where there is one */
    DayGrid(Roll roll, ZoneId zone, List<String> pots, Optional<String> leaving, List<Entry> entries) {
        this.roll = roll;
        this.ink = roll.ink();
        this.zone = zone;
        float stations = leaving.isPresent() ? STATIONS : 0;
        float wide = (Roll.RIGHT - Roll.MARGIN - CLOCK - stations) / Math.max(1, pots.size());
        for (String pot : pots) {
            columns.add(new Column(pot, Roll.MARGIN + CLOCK + columns.size() * wide, wide));
        }
        leaving.ifPresent(name -> columns.add(new Column(name, Roll.RIGHT - STATIONS, STATIONS)));
        List<Entry> mine = entries.stream()
                .filter(entry ->
                        columns.stream().anyMatch(column -> column.name().equals(entry.column())))
                .toList();
        rows = mine.stream()
                .collect(Collectors.groupingBy(
                        entry -> entry.at().atZone(zone).truncatedTo(ChronoUnit.HOURS),
                        TreeMap::new,
                        Collectors.groupingBy(Entry::column)))
                .entrySet()
                .stream()
                .map(hour -> new Row(hour.getKey(), hour.getValue()))
                .toList();
        batches = mine.stream()
                .flatMap(entry -> entry.batch().stream())
                .distinct()
                .toList();
    }

    void draw() {
        head();
        float unit = LEAST_HIGH;
        // what wraps depends on the size of the letters, so the height is found by trying
        for (float higher = LEAST_HIGH; higher <= MOST_HIGH && all(higher) <= roll.left(); higher += 0.5f) {
            unit = higher;
        }
        for (Row row : rows) {
            float high = high(row, unit);
            if (roll.left() < high) {
                roll.turn();
                head();
            }
            row(row, roll.strip(high), high, unit);
        }
    }

    private void head() {
        float top = roll.strip(HEAD);
        for (Column column : columns) {
            float room = column.wide() - GAP;
            ink.text(true, ink.fitting(column.name(), HEAD_SIZE, room), column.left(), top - HEAD + 6, column.name());
        }
        ink.line(Roll.MARGIN, top - HEAD, Roll.RIGHT, top - HEAD, 1);
    }

    private float all(float unit) {
        return (float) rows.stream().mapToDouble(row -> high(row, unit)).sum();
    }

    private float high(Row row, float unit) {
        return (float) columns.stream()
                .mapToDouble(column -> of(row, column).stream()
                        .mapToDouble(entry ->
                                unit * (1 + SMALLER * more(entry, column, unit).size()))
                        .sum())
                .max()
                .orElse(0);
    }

    private static List<Entry> of(Row row, Column column) {
        return row.entries().getOrDefault(column.name(), List.of());
    }

    /** What is told under an act, in lines that fit its column. */
    private List<String> more(Entry entry, Column column, float unit) {
        float room = column.wide() - Ink.SQUARE - 2 * GAP;
        return entry.more().stream()
                .flatMap(words -> ink.wrapped(unit * LETTERS * SMALLER, words, room).stream())
                .toList();
    }

    private void row(Row row, float top, float high, float unit) {
        float letters = unit * LETTERS;
        ink.line(Roll.MARGIN, top - high, Roll.RIGHT, top - high, 0.3f);
        ink.text(true, HOUR, Roll.MARGIN, top - unit * 0.5f - HOUR * 0.36f, HOURS.format(row.hour()));
        for (Column column : columns) {
            float from = top;
            float at = top;
            Instant since = row.hour().toInstant();
            for (Entry entry : of(row, column)) {
                float middle = at - unit / 2;
                strand(column, entry.at().minusSeconds(1), from, middle);
                ink.square(column.left(), middle - Ink.SQUARE / 2);
                float left = column.left() + Ink.SQUARE + GAP;
                float room = column.left() + column.wide() - GAP - left;
                String words = MINUTES.format(entry.at().atZone(zone)) + " " + entry.what();
                ink.text(true, ink.fitting(words, letters, room), left, middle - letters * 0.36f, words);
                at -= unit;
                for (String more : more(entry, column, unit)) {
                    ink.text(false, letters * SMALLER, left, at - unit * SMALLER * 0.5f, more);
                    at -= unit * SMALLER;
                }
                from = middle - Ink.SQUARE / 2;
                since = entry.at();
            }
            float half = (from + top - high) / 2;
            strand(column, since, from, half);
            strand(column, row.hour().plusHours(1).toInstant().minusSeconds(1), half, top - high);
        }
    }

    /** What is under way in a column at a moment, from one height down to another; squares are drawn over it. */
    private void strand(Column column, Instant at, float from, float to) {
        List<Timeline.Step> under = batches.stream()
                .filter(pot -> pot.vessel().equals(column.name()))
                .flatMap(pot -> pot.timeline().steps().stream())
                .filter(step -> !step.from().isAfter(at) && at.isBefore(step.to()))
                .toList();
        if (!under.isEmpty()) {
            boolean full = under.stream().anyMatch(step -> step.stage().mayBeInTheVessel());
            float thick = full ? STRAND : THIN;
            ink.box(column.left() + (Ink.SQUARE - thick) / 2, to, thick, from - to, GREY);
        }
    }
}
