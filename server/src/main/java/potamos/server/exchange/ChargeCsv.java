package potamos.server.exchange;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.Locale;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Measure;
import potamos.core.flow.Ledger;
import potamos.server.paper.Words;

/** A charge as a table: what to weigh, the lines, what comes out, and the ledger; one figure a row with its unit. */
public final class ChargeCsv {

    private ChargeCsv() {}

    public static String write(Charge charge) {
        StringWriter out = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord("section", "name", "value", "unit", "note");
            row(
                    csv,
                    "formula",
                    charge.formula().slug(),
                    charge.formula().version(),
                    "version",
                    charge.formula().name());
            charge.formula()
                    .bed()
                    .forEach(b -> row(
                            csv,
                            "weigh",
                            b.kind().name(),
                            b.share() * charge.run().raw().kg(),
                            "kg",
                            "bed"));
            row(csv, "weigh", "water", charge.water().litres(), "L", "drawn at the start");
            for (Measure measure : charge.measures()) {
                long into = ChargeSolver.intoTheSimmer(
                                measure.part(), charge.run().simmer().usual())
                        .toMinutes();
                row(
                        csv,
                        "weigh",
                        measure.part().name(),
                        measure.mass().kg(),
                        "kg",
                        into == 0 ? "with the bed" : into + " min into the simmer");
            }
            row(
                    csv,
                    "line",
                    "water line below the rim",
                    charge.run().vessel().belowRim(charge.levels().filled()).cm(),
                    "cm",
                    "");
            row(csv, "line", "water over the bed", charge.levels().cover().cm(), "cm", "");
            row(csv, "time", "bring-up", charge.forecast().bringUpMin(), "min", "");
            row(csv, "time", "simmer", charge.forecast().simmerMin(), "min", "");
            row(csv, "time", "reduction", charge.boilDownMin(), "min", "");
            row(csv, "yield", "likely at least", charge.forecast().yield().low(), "L", "one in ten is below");
            row(csv, "yield", "expected", charge.forecast().yield().mid(), "L", "");
            row(csv, "yield", "likely at most", charge.forecast().yield().high(), "L", "one in ten is above");
            for (Ledger.Entry entry : charge.forecast().ledger().entries()) {
                row(
                        csv,
                        "ledger",
                        Words.ENGLISH.of(entry.cause()),
                        entry.amount().litres(),
                        "L",
                        entry.cause().inward() ? "in" : "out");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static void row(CsvWriter csv, String section, String name, double value, String unit, String note) {
        csv.writeRecord(
                section,
                Spreadsheet.text(name),
                String.format(Locale.ROOT, "%.4f", value),
                unit,
                Spreadsheet.text(note));
    }
}
