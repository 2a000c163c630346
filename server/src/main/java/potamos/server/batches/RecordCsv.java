package potamos.server.batches;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
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
import potamos.server.exchange.Spreadsheet;
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
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord(head);
            for (EventView event : page.events()) {
                List<String> row = new ArrayList<>(List.of(
                        Integer.toString(event.seq()),
                        event.at().toString(),
                        event.recordedAt().toString(),
                        cell(Optional.of(event.by())),
                        cell(Optional.of(event.byName())),
                        event.kind(),
                        Words.ENGLISH.event(event.kind()),
                        cell(Optional.ofNullable(
                                phases.get(event.figures().byName().get(STEP))))));
                figures.forEach(figure -> row.add(cell(figure, Optional.of(event.figures()))));
                figures.forEach(figure -> row.add(cell(figure, event.correctedTo())));
                row.add(Boolean.toString(event.withdrawn()));
                row.add(cell(event.reason()));
                row.add(cell(event.corrects()));
                row.add(Boolean.toString(event.late()));
                row.add(cell(event.correctedAt()));
                csv.writeRecord(row);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** {@code below_rim_cm} for {@code belowRimCm}. */
    private static String column(Figure<?> figure) {
        return figure.name().replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT);
    }

    private static String cell(Figure<?> figure, Optional<Figures> figures) {
        return cell(figures.map(f -> f.byName().get(figure.name()))
                .map(value -> value instanceof Double number ? figure.quantity().measured(number) : value));
    }

    private static String cell(Optional<?> value) {
        String text = value.map(Object::toString).orElse("");
        boolean number = value.isPresent() && value.get() instanceof Number;
        return number ? text : Spreadsheet.text(text);
    }
}
