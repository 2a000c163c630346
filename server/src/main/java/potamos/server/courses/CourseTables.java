package potamos.server.courses;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import potamos.core.course.Course;
import potamos.core.course.Provision;
import potamos.server.Table;

/** The course as tables: its batches with their hours and calls, and what has to be thawed, ordered and weighed day by day. */
final class CourseTables {

    private CourseTables() {}

    /** One row for each batch. */
    static String batches(Course course) {
        return Table.written(lines -> {
            lines.add("batch", "formula", "litres", "vessel", "burner", "start", "ready", "use by", "for");
            course.drafts()
                    .forEach(draft -> lines.add(
                            draft.id(),
                            draft.charge().formula().slug(),
                            draft.litres().litres(),
                            draft.vessel(),
                            draft.burner(),
                            draft.start(),
                            draft.ready(),
                            draft.useBy(),
                            course.served().stream()
                                    .filter(one -> one.lot().id().equals(draft.id()))
                                    .map(one -> one.call().station() + " "
                                            + String.format(
                                                    Locale.ROOT,
                                                    "%.3f L",
                                                    one.litres().litres()))
                                    .collect(Collectors.joining("; "))));
        });
    }

    /** One row for each item of each batch, with what the larder has of it by then, and from when on what lies frozen has to thaw. */
    static String needs(List<Provision> provisions, ZoneId zone) {
        return Table.written(lines -> {
            lines.add(
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
            provisions.forEach(one -> lines.add(
                    one.at().atZone(zone).toLocalDate(),
                    one.name(),
                    one.cover().wanted().kg(),
                    one.vessel(),
                    one.stock(),
                    one.at(),
                    one.cover().there().kg(),
                    one.cover().toThaw().kg(),
                    one.thawFrom(),
                    one.cover().missing().kg()));
        });
    }
}
