package potamos.server.courses;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import potamos.core.course.Course;
import potamos.core.course.Provision;

/** The course as tables: its batches with their hours and calls, and what has to be thawed, ordered and weighed day by day. */
final class CourseTables {

    private CourseTables() {}

    /** One row for each batch. */
    static String batches(Course course) {
        return table(csv -> {
            csv.writeRecord("batch", "formula", "litres", "vessel", "burner", "start", "ready", "use by", "for");
            course.drafts()
                    .forEach(draft -> csv.writeRecord(
                            draft.id(),
                            draft.charge().formula().slug(),
                            figure(draft.litres().litres()),
                            draft.vessel(),
                            draft.burner().orElse(""),
                            draft.start().toString(),
                            draft.ready().toString(),
                            draft.useBy().toString(),
                            course.served().stream()
                                    .filter(one -> one.lot().id().equals(draft.id()))
                                    .map(one -> one.call().station() + " "
                                            + figure(one.litres().litres()) + " L")
                                    .collect(Collectors.joining("; "))));
        });
    }

    /** One row for each item of each batch, with what the larder has of it by then, and from when on what lies frozen has to thaw. */
    static String needs(List<Provision> provisions, ZoneId zone) {
        return table(csv -> {
            csv.writeRecord(
                    "day",
                    "item",
                    "kg",
                    "vessel",
                    "formula",
                    "start",
                    "in the larder kg",
                    "to thaw kg",
                    "thaw from",
                    "lacks kg");
            provisions.forEach(one -> csv.writeRecord(
                    one.at().atZone(zone).toLocalDate().toString(),
                    one.name(),
                    figure(one.cover().wanted().kg()),
                    one.vessel(),
                    one.stock(),
                    one.at().toString(),
                    figure(one.cover().there().kg()),
                    figure(one.cover().toThaw().kg()),
                    one.thawFrom().map(Instant::toString).orElse(""),
                    figure(one.cover().missing().kg())));
        });
    }

    private static String figure(double value) {
        return String.format(Locale.ROOT, "%.3f", value);
    }

    private static String table(Consumer<CsvWriter> rows) {
        StringWriter out = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            rows.accept(csv);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }
}
