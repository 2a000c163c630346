package potamos.server.courses;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import potamos.core.course.Call;
import potamos.core.course.Course;
import potamos.core.course.Day;
import potamos.core.course.Rota;

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

    /** One row for each item of each batch, by the day on which it is weighed: bones are thawed a day or more ahead of it. */
    static String needs(List<Day.Pot> pots, List<Call> calls, List<LocalDate> days, Rota rota) {
        return table(csv -> {
            csv.writeRecord("day", "item", "kg", "vessel", "formula", "start");
            for (LocalDate day : days) {
                Day.of(pots, calls, day, rota)
                        .weighs()
                        .forEach(weigh -> weigh.shares()
                                .forEach(share -> csv.writeRecord(
                                        day.toString(),
                                        weigh.item(),
                                        figure(share.mass().kg()),
                                        share.vessel(),
                                        share.stock(),
                                        share.at().toString())));
            }
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
