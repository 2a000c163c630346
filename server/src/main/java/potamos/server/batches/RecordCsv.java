package potamos.server.batches;

import java.io.Writer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import potamos.core.batch.EventKind;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.server.Table;
import potamos.server.paper.Words;

/** The record of a batch as a table: every entry in the order of arrival, with a column for each figure, and one for what it was corrected to. */
final class RecordCsv {

    private static final String STEP = "step";

    private RecordCsv() {}

    static void write(Page page, Writer out) {
        Map<Integer, String> phases = page.chores().stream()
                .collect(Collectors.toMap(Page.ChoreView::step, chore -> Words.ENGLISH.phase(chore.phase())));
        List<Figure<?>> figures = EventKind.everyFigure();
        List<String> head =
                new ArrayList<>(List.of("seq", "at", "recorded_at", "initials", "name", "act", "what", "phase"));
        figures.forEach(figure -> head.add(column(figure)));
        figures.forEach(figure -> head.add("corrected_" + column(figure)));
        head.addAll(List.of("withdrawn", "reason", "corrects_seq", "late", "corrected_at"));
        Table.write(out, lines -> {
            lines.add(head.toArray());
            for (EventView event : page.events()) {
                List<Object> row = new ArrayList<>(List.of(
                        event.seq(),
                        event.at(),
                        event.recordedAt(),
                        event.by(),
                        event.byName(),
                        event.kind(),
                        Words.ENGLISH.event(event.kind()),
                        Optional.ofNullable(phases.get(event.figures().byName().get(STEP)))));
                figures.forEach(figure -> row.add(cell(figure, Optional.of(event.figures()))));
                figures.forEach(figure -> row.add(cell(figure, event.correctedTo())));
                row.addAll(List.of(
                        event.withdrawn(), event.reason(), event.corrects(), event.late(), event.correctedAt()));
                lines.add(row.toArray());
            }
        });
    }

    /** {@code below_rim_cm} for {@code belowRimCm}. */
    private static String column(Figure<?> figure) {
        return figure.name().replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT);
    }

    private static Optional<Object> cell(Figure<?> figure, Optional<Figures> figures) {
        return figures.map(f -> f.byName().get(figure.name()))
                .map(value -> value instanceof Double number ? figure.quantity().measured(number) : value);
    }
}
