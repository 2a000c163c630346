package potamos.server.batches;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.List;
import java.util.Optional;
import potamos.server.exchange.Spreadsheet;

/** The record of a batch as a table: every entry in the order of arrival, corrections beside what they correct. */
final class RecordCsv {

    private RecordCsv() {}

    static void write(List<EventView> events, Writer out) {
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord(
                    "seq",
                    "at",
                    "recorded_at",
                    "initials",
                    "name",
                    "act",
                    "part",
                    "litres",
                    "kg",
                    "celsius",
                    "below_rim_cm",
                    "longer_min",
                    "card",
                    "value",
                    "words",
                    "corrected_litres",
                    "corrected_kg",
                    "corrected_celsius",
                    "corrected_below_rim_cm",
                    "withdrawn",
                    "reason",
                    "corrects_seq",
                    "late");
            for (EventView event : events) {
                EventView.Figures first = event.figures();
                Optional<EventView.Figures> right = event.correctedTo();
                csv.writeRecord(
                        Integer.toString(event.seq()),
                        event.at().toString(),
                        event.recordedAt().toString(),
                        cell(Optional.of(event.by())),
                        cell(Optional.of(event.byName())),
                        event.kind(),
                        cell(first.part()),
                        cell(first.litres()),
                        cell(first.kg()),
                        cell(first.celsius()),
                        cell(first.belowRimCm()),
                        cell(first.longerMin()),
                        cell(first.card()),
                        cell(first.value()),
                        cell(first.words()),
                        cell(right.flatMap(EventView.Figures::litres)),
                        cell(right.flatMap(EventView.Figures::kg)),
                        cell(right.flatMap(EventView.Figures::celsius)),
                        cell(right.flatMap(EventView.Figures::belowRimCm)),
                        Boolean.toString(event.withdrawn()),
                        cell(event.reason()),
                        cell(event.corrects()),
                        Boolean.toString(event.late()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String cell(Optional<?> value) {
        String text = value.map(Object::toString).orElse("");
        boolean number = value.isPresent() && value.get() instanceof Number;
        return number ? text : Spreadsheet.text(text);
    }
}
