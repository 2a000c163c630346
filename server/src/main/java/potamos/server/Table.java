package potamos.server;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.stream.Stream;
import potamos.core.quantity.Refusal;

/**
 * A table that goes out to a spreadsheet, or comes in from one, with a heading over its lines. What comes in may have commas or semicolons between its fields.
 */
public final class Table {

    /** What stands in the place of bytes that are no letter. */
    private static final char UNREADABLE = '\uFFFD';

    /** So many more lines that will not do are told of at once. */
    private static final int MOST_BAD_LINES = 19;

    private final List<NamedCsvRecord> lines;
    private final String whole;

    private Table(List<NamedCsvRecord> lines, String whole) {
        this.lines = lines;
        this.whole = whole;
    }

    /**
     * Reads a table.
     *
     * @param heading what it wants, told where there is nothing under it
     * @param most    lines of it
     * @throws Refusal on {@code table} when it is none, is empty, has too many lines, or letters that could not be read
     */
    public static Table read(String text, String heading, int most) {
        if (text.indexOf(UNREADABLE) >= 0) {
            throw Refusal.of(
                    "table", "has letters that are no UTF-8; save it as UTF-8, or say its charset as it is sent");
        }
        if (text.chars().filter(letter -> letter == '"').count() % 2 != 0) {
            throw Refusal.of("table", "opens a quote and does not close it");
        }
        List<NamedCsvRecord> lines;
        try (CsvReader<NamedCsvRecord> csv = CsvReader.builder()
                .fieldSeparator(text.lines().findFirst().orElse("").contains(";") ? ';' : ',')
                .ofNamedCsvRecord(text)) {
            lines = csv.stream().limit(most + 1L).toList();
        } catch (CsvParseException | IOException | UncheckedIOException cannot) {
            throw Refusal.of("table", "is no table: " + cannot.getMessage());
        }
        if (lines.isEmpty()) {
            throw Refusal.of("table", "has no line under its heading: " + heading);
        }
        if (lines.size() > most) {
            throw Refusal.outside("table", "has too many lines", 1, most, "lines");
        }
        return new Table(lines, text);
    }

    /**
     * Does something with every line, in one transaction of the caller's.
     *
     * @param owner whose lines they are, so that the same table of somebody else has other ids
     * @param each  takes a line and an id that the same line of the same table always has, so that one that is sent again does nothing more
     * @return the ids
     * @throws Refusal with the number of the first line that will not do; those of other lines are suppressed in it
     */
    public List<String> each(String owner, BiConsumer<Line, String> each) {
        List<String> ids = new ArrayList<>();
        List<Refusal> bad = new ArrayList<>();
        Map<String, String> headings = headings();
        for (NamedCsvRecord line : lines) {
            String id = UUID.nameUUIDFromBytes((owner + "\n" + line.getStartingLineNumber() + "\n" + whole)
                            .getBytes(StandardCharsets.UTF_8))
                    .toString();
            try {
                each.accept(new Line(line, headings), id);
            } catch (Refusal refusal) {
                bad.add(refusal.in("line " + line.getStartingLineNumber() + ": "));
            }
            ids.add(id);
        }
        if (!bad.isEmpty()) {
            Refusal first = bad.get(0);
            bad.stream().skip(1).limit(MOST_BAD_LINES).forEach(first::addSuppressed);
            throw first;
        }
        return ids;
    }

    /** Headings as they stand, by how {@link Line#plain} has them. */
    private Map<String, String> headings() {
        Map<String, String> headings = new HashMap<>();
        lines.get(0).getHeader().forEach(heading -> headings.putIfAbsent(Line.plain(heading), heading));
        return headings;
    }

    /** The lines of a table that goes out, one after another. */
    public interface Lines {

        /** One more: numbers with parts to a thousandth, what is not there as nothing, everything else as it says itself. */
        void add(Object... cells);
    }

    public static String written(Consumer<Lines> lines) {
        StringWriter out = new StringWriter();
        write(out, lines);
        return out.toString();
    }

    public static void write(Writer out, Consumer<Lines> lines) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            lines.accept(
                    cells -> csv.writeRecord(Stream.of(cells).map(Table::cell).toList()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String cell(Object told) {
        Object value = told instanceof Optional<?> maybe ? maybe.orElse(null) : told;
        if (value == null) {
            return "";
        }
        if (value instanceof Double number) {
            return String.format(Locale.ROOT, "%.3f", number);
        }
        String text = value.toString();
        // A spreadsheet takes a text that begins like a formula for one; an apostrophe keeps it a text.
        return !(value instanceof Number) && text.matches("(?s)[=+\\-@\\t\\r].*") ? "'" + text : text;
    }

    /**
     * A line by the names of its fields.
     *
     * @param headings as they stand over it, by how they are looked for
     */
    public record Line(NamedCsvRecord fields, Map<String, String> headings) {

        /** What stands in a field; nothing where it is empty or not there. Headings may be written as {@code use by}, {@code use_by} or {@code Use-By}. */
        public Optional<String> maybe(String field) {
            return Optional.ofNullable(headings.get(field))
                    .flatMap(fields::findField)
                    .map(String::trim)
                    .filter(word -> !word.isEmpty());
        }

        private static String plain(String heading) {
            return lower(heading).replaceAll("[^\\p{Alnum}]+", " ").strip();
        }

        /** @throws Refusal where it is empty or not there */
        public String told(String field) {
            return maybe(field).orElseThrow(() -> Refusal.of(field, "is needed here"));
        }

        /** A number, with a point or a comma. */
        public Optional<Double> number(String field) {
            return maybe(field).map(word -> {
                try {
                    return Double.parseDouble(word.replace(',', '.'));
                } catch (NumberFormatException cannot) {
                    throw Refusal.of(field, "is no number");
                }
            });
        }

        /** Small letters throughout, as names are compared. */
        public static String lower(String word) {
            return word.trim().toLowerCase(Locale.ROOT);
        }
    }
}
