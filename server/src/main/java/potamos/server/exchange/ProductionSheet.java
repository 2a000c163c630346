package potamos.server.exchange;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Measure;
import potamos.core.flow.TopUpPolicy;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.Words;

/** A charge on one page of A4, readable at arm's length: every quantity, line and time, with room to write down what really happened. */
public final class ProductionSheet {

    private static final float WIDTH = Ink.A4_WIDTH;
    private static final float HEIGHT = Ink.A4_HEIGHT;
    private static final float MARGIN = 14 * Ink.MM;
    private static final float RIGHT = WIDTH - MARGIN;
    private static final float COLUMN = 108 * Ink.MM;
    private static final float ROW = 28;
    private static final float HEAD = 13;
    private static final float BODY = 18;
    /** The right column has up to twenty rows, so they stand closer. */
    private static final float RIGHT_ROW = 24;

    private static final float RIGHT_BODY = 15.5f;

    /** More rows than fit are set smaller until they do. */
    private static final float LEAST_ROW = 12;

    private final Ink ink;
    private final Charge charge;
    private final PaperUnits units;
    private float y = HEIGHT - MARGIN;

    private ProductionSheet(Ink ink, Charge charge, PaperUnits units) {
        this.ink = ink;
        this.charge = charge;
        this.units = units;
    }

    /**
     * The sheet as PDF.
     *
     * @param times when each stage runs; empty where no time was asked for
     * @param units {@code metric} or {@code us}
     */
    public static byte[] of(
            String kitchen, Charge charge, Optional<Timeline> times, ZoneId zone, String units, Instant printed) {
        try (Ink ink = new Ink(charge.formula().name(), WIDTH, HEIGHT)) {
            ProductionSheet sheet = new ProductionSheet(ink, charge, PaperUnits.of(units));
            sheet.title(kitchen, printed.atZone(zone));
            sheet.figures();
            float top = sheet.y;
            float left = sheet.weighing(top);
            float right = sheet.working(top, times, zone);
            sheet.y = Math.min(left, right) - 6;
            sheet.record();
            return ink.pdf();
        }
    }

    private void title(String kitchen, ZonedDateTime printed) {
        String name = charge.formula().name();
        ink.text(true, ink.fitting(name, 30, RIGHT - MARGIN), MARGIN, y - 26, name);
        String where = "in " + charge.run().vessel().name() + ", version "
                + charge.formula().version() + " · " + kitchen;
        ink.text(false, 13, MARGIN, y - 46, where);
        ink.textTo(false, 13, RIGHT, y - 46, PaperWords.DAY.format(printed) + "  " + PaperWords.CLOCK.format(printed));
        y -= 56;
        ink.line(MARGIN, y, RIGHT, y, 2);
    }

    private void figures() {
        String[][] shown = {
            {"Litres out", units.litres(charge.forecast().yield().mid())},
            {
                "Fill to, below the rim",
                units.cm(
                        charge.run().vessel().belowRim(charge.levels().filled()).cm())
            },
            {"Simmer at", units.celsius(charge.run().simmerAt())},
        };
        float step = (RIGHT - MARGIN) / shown.length;
        for (int i = 0; i < shown.length; i++) {
            ink.text(false, HEAD, MARGIN + i * step, y - 16, shown[i][0]);
            ink.text(true, 30, MARGIN + i * step, y - 46, shown[i][1]);
        }
        y -= 58;
        ink.line(MARGIN, y, RIGHT, y, 1);
    }

    /** The left column: what to weigh, by when it goes in. */
    private float weighing(float top) {
        TreeMap<Long, List<Measure>> groups = new TreeMap<>();
        for (Measure measure : charge.measures()) {
            long into = ChargeSolver.intoTheSimmer(
                            measure.part(), charge.run().simmer().usual())
                    .toMinutes();
            groups.computeIfAbsent(into, minute -> new java.util.ArrayList<>()).add(measure);
        }
        int rows = charge.measures().size()
                + groups.size()
                + charge.formula().bed().size()
                + charge.formula().fill().draws().size()
                + 2;
        float room = top - MARGIN - 120;
        float row = Math.max(LEAST_ROW, Math.min(ROW, room / rows));
        float size = BODY * row / ROW;
        float at = head(top, MARGIN, "Weigh out, cold at the start");
        for (Formula.BedShare share : charge.formula().bed()) {
            at = row(
                    at,
                    row,
                    size,
                    share.kind().name(),
                    units.mass(charge.run().raw().times(share.share())));
        }
        for (Draw draw : charge.formula().fill().draws()) {
            at = row(at, row, size, draw.name(), units.litres(draw.litres().litres()));
        }
        if (charge.rest().litres() >= Draw.LEAST_LITRES) {
            at = row(at, row, size, liquid(), units.litres(charge.rest().litres()));
        }
        for (var group : groups.entrySet()) {
            if (group.getKey() > 0) {
                long before = charge.run().simmer().usual().toMinutes() - group.getKey();
                at = head(at - 4, MARGIN, before + " min before the end");
            }
            for (Measure measure : group.getValue()) {
                double cut = measure.part().cutMm();
                String name = cut > 0
                        ? String.format(
                                Locale.ROOT, "%s, %.0f mm", measure.part().name(), cut)
                        : measure.part().name();
                at = row(at, row, size, name, units.mass(measure.mass()));
            }
        }
        return at;
    }

    private String liquid() {
        return switch (charge.formula().fill().liquid().kind()) {
            case WATER -> "Cold water";
            case SECOND_WETTING -> "Second wetting";
            case STOCK -> "Finished stock";
        };
    }

    /** The right column: what happens when. */
    private float working(float top, Optional<Timeline> times, ZoneId zone) {
        float at = head(top, COLUMN, times.isPresent() ? "Times" : "How long");
        if (times.isPresent()) {
            for (Timeline.Step step : times.get().steps()) {
                String name = Words.ENGLISH.of(step.stage());
                at = rightRow(at, name, PaperWords.CLOCK.format(step.from().atZone(zone)));
            }
            at = rightRow(
                    at, "Ready", PaperWords.CLOCK.format(times.get().ready().atZone(zone)));
        } else {
            at = rightRow(at, "Bring up", PaperUnits.minutes(charge.forecast().bringUpMin()));
            at = rightRow(at, "Simmer", PaperUnits.minutes(charge.forecast().simmerMin()));
            if (charge.boilDownMin() > 0) {
                at = rightRow(at, "Reduce", PaperUnits.minutes(charge.boilDownMin()));
            }
        }
        for (PrepPhase.Roast roast : charge.formula().phases(PrepPhase.Roast.class)) {
            at = rightRow(at - 4, "Roast at " + units.celsius(roast.oven()), "to shade " + plain(roast.shade()));
            at = rightRow(at, "turn", "every " + roast.turnEvery().toMinutes() + " min");
        }
        for (PrepPhase.Deglaze deglaze : charge.formula().phases(PrepPhase.Deglaze.class)) {
            double water = deglaze.litresPerKgBed() * charge.run().raw().kg();
            at = rightRow(at, "Deglaze with " + units.litres(water), "down to " + percent(deglaze.toFraction()));
        }
        for (PrepPhase.WineDown wine : charge.formula().phases(PrepPhase.WineDown.class)) {
            at = rightRow(at, "Cook the wine down", "to " + percent(wine.toFraction()));
        }
        PotPhase.Skim skim = charge.run().simmer().skim();
        if (!skim.early().isZero()) {
            at = rightRow(
                    at - 4,
                    "Skim, first " + skim.earlyFor().toMinutes() + " min",
                    "every " + skim.early().toMinutes() + " min");
            at = rightRow(at, "then", "every " + skim.late().toMinutes() + " min");
        }
        PotPhase.TopUp topUp = charge.run().simmer().topUp();
        at = switch (topUp.keeps()) {
            case LEFT -> at;
            case HELD -> rightRow(at, "Top up when down", units.cm(topUp.drop().cm()));
            case IN_ROUNDS ->
                rightRow(
                        at,
                        "When down by " + percent(TopUpPolicy.ROUND_DOWN),
                        "refill " + percent(TopUpPolicy.ROUND_BACK) + " of that");
        };
        if (charge.boilDownMin() > 0) {
            at = rightRow(at, "Reduce", "to " + percent(charge.formula().reducesTo()));
        }
        at = rightRow(
                at,
                "Strainers",
                charge.run().strain().passes() + " passes"
                        + (charge.run().strain().pressed() ? ", pressed" : ", not pressed"));
        return at;
    }

    /** Lines to write on: a sheet beside a pot is also its record when the screen is away. */
    private void record() {
        float bottom = MARGIN;
        float at = Math.max(y, bottom + 92);
        ink.line(MARGIN, at, RIGHT, at, 1);
        ink.text(false, HEAD, MARGIN, at - 14, "What really happened");
        String[] fields = {"Lit", "Simmer", "Ended", "Litres out", "Below 21 °C", "Initials"};
        float step = (RIGHT - MARGIN) / fields.length;
        for (int i = 0; i < fields.length; i++) {
            ink.text(false, HEAD, MARGIN + i * step, at - 32, fields[i]);
            ink.line(MARGIN + i * step, at - 62, MARGIN + (i + 1) * step - 8, at - 62, 0.8f);
        }
        ink.text(false, 9, MARGIN, bottom, "Your local code and your food-safety plan decide.");
        ink.textTo(
                false,
                9,
                RIGHT,
                bottom,
                "Likely " + units.litres(charge.forecast().yield().low()) + " to "
                        + units.litres(charge.forecast().yield().high()));
    }

    private float head(float at, float x, String words) {
        ink.text(false, HEAD, x, at - 15, words);
        return at - 20;
    }

    private float row(float at, float row, float size, String name, String value) {
        float right = COLUMN - 8 * Ink.MM;
        float room = right - MARGIN - ink.width(size, value) - 6;
        ink.text(
                false,
                ink.fitting(PaperWords.capital(name), size, room),
                MARGIN,
                at - row + 6,
                PaperWords.capital(name));
        ink.textTo(true, size, right, at - row + 6, value);
        ink.line(MARGIN, at - row, right, at - row, 0.4f);
        return at - row;
    }

    private float rightRow(float at, String name, String value) {
        float size = ink.fitting(value, RIGHT_BODY, (RIGHT - COLUMN) * 0.6f);
        float room = RIGHT - COLUMN - ink.width(size, value) - 6;
        ink.text(false, ink.fitting(name, RIGHT_BODY, room), COLUMN, at - RIGHT_ROW + 6, name);
        ink.textTo(true, size, RIGHT, at - RIGHT_ROW + 6, value);
        ink.line(COLUMN, at - RIGHT_ROW, RIGHT, at - RIGHT_ROW, 0.4f);
        return at - RIGHT_ROW;
    }

    private static String plain(double value) {
        return String.format(Locale.ROOT, value == Math.floor(value) ? "%.0f" : "%.1f", value);
    }

    private static String percent(double fraction) {
        return String.format(Locale.ROOT, "%.0f %%", fraction * 100);
    }
}
