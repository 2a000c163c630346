package potamos.server.exchange;

import java.math.BigDecimal;
import java.math.RoundingMode;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Measure;
import potamos.core.figure.Figure;
import potamos.core.flow.Ledger;
import potamos.core.formula.Draw;
import potamos.server.Table;
import potamos.server.paper.Words;

/** A charge as a table: what to weigh, the lines, what comes out, and the ledger; one figure a row with its unit. */
public final class ChargeCsv {

    private ChargeCsv() {}

    public static String write(Charge charge) {
        return Table.written(lines -> {
            lines.add("section", "name", "value", "unit", "note");
            row(
                    lines,
                    "formula",
                    charge.formula().slug(),
                    charge.formula().version(),
                    "version",
                    charge.formula().name());
            charge.formula()
                    .bed()
                    .forEach(b -> row(
                            lines,
                            "weigh",
                            b.kind().name(),
                            b.share() * charge.run().raw().kg(),
                            "kg",
                            "bed"));
            for (Draw draw : charge.formula().fill().draws()) {
                row(lines, "weigh", draw.name(), draw.litres().litres(), "L", "drawn at the start");
            }
            if (charge.rest().litres() >= Draw.LEAST_LITRES) {
                row(lines, "weigh", liquid(charge), charge.rest().litres(), "L", "drawn at the start");
            }
            for (Measure measure : charge.measures()) {
                long into = ChargeSolver.intoTheSimmer(
                                measure.part(), charge.run().simmer().usual())
                        .toMinutes();
                row(
                        lines,
                        "weigh",
                        measure.part().name(),
                        measure.mass().kg(),
                        "kg",
                        into == 0 ? "with the bed" : into + " min into the simmer");
            }
            row(
                    lines,
                    "line",
                    "water line below the rim",
                    charge.run().vessel().belowRim(charge.levels().filled()).cm(),
                    "cm",
                    "");
            row(lines, "line", "water over the bed", charge.levels().cover().cm(), "cm", "");
            row(lines, "time", "bring-up", charge.forecast().bringUpMin(), "min", "");
            row(lines, "time", "simmer", charge.forecast().simmerMin(), "min", "");
            row(lines, "time", "reduction", charge.boilDownMin(), "min", "");
            row(lines, "yield", "likely at least", charge.forecast().yield().low(), "L", "one in ten is below");
            row(lines, "yield", "expected", charge.forecast().yield().mid(), "L", "");
            row(lines, "yield", "likely at most", charge.forecast().yield().high(), "L", "one in ten is above");
            for (Ledger.Entry entry : charge.forecast().ledger().entries()) {
                row(
                        lines,
                        "ledger",
                        Words.ENGLISH.of(entry.cause()),
                        entry.amount().litres(),
                        "L",
                        entry.cause().inward() ? "in" : "out");
            }
        });
    }

    /** What the pot is filled with beside the stock that is drawn. */
    private static String liquid(Charge charge) {
        return Words.ENGLISH.choice(Figure.word(charge.formula().fill().liquid().kind()));
    }

    private static void row(Table.Lines lines, String section, String name, double value, String unit, String note) {
        lines.add(section, name, BigDecimal.valueOf(value).setScale(4, RoundingMode.HALF_UP), unit, note);
    }
}
