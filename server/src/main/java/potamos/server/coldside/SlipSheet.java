package potamos.server.coldside;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import potamos.core.quantity.Temperature;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;

/** What was handed out on a day, on A4, station by station, with a line to sign on where nobody has taken it over yet. */
final class SlipSheet {

    private static final float MARGIN = 14 * Ink.MM;
    private static final float RIGHT = Ink.A4_WIDTH - MARGIN;
    private static final float ROW = 20;
    private static final float BODY = 12;
    private static final float SMALL = 10;
    private static final float STOCK = MARGIN + 42;
    private static final float LITRES = MARGIN + 292;
    private static final float READ = MARGIN + 302;
    private static final float SIGNED = MARGIN + 350;

    private final Ink ink;
    private final PaperUnits units;
    private final ZoneId zone;
    private float y = Ink.A4_HEIGHT - MARGIN;

    private SlipSheet(Ink ink, PaperUnits units, ZoneId zone) {
        this.ink = ink;
        this.units = units;
        this.zone = zone;
    }

    static byte[] of(
            String kitchen,
            LocalDate date,
            List<LotMapper.DeliveryRow> slips,
            ZoneId zone,
            String units,
            Instant printed) {
        String title = PaperWords.DAY.format(date);
        try (Ink ink = new Ink(title, Ink.A4_WIDTH, Ink.A4_HEIGHT)) {
            SlipSheet sheet = new SlipSheet(ink, PaperUnits.of(units), zone);
            sheet.head(title, kitchen, printed);
            Map<String, List<LotMapper.DeliveryRow>> stations = slips.stream()
                    .collect(Collectors.groupingBy(
                            LotMapper.DeliveryRow::stationName, LinkedHashMap::new, Collectors.toList()));
            stations.forEach(sheet::station);
            if (stations.isEmpty()) {
                ink.text(false, BODY, MARGIN, sheet.y - 24, "Nothing was handed out on this day.");
            }
            return ink.pdf();
        }
    }

    private void head(String title, String kitchen, Instant printed) {
        ink.text(true, 28, MARGIN, y - 24, title);
        ink.text(false, BODY, MARGIN, y - 42, "Handed out · " + kitchen);
        ink.textTo(false, SMALL, RIGHT, y - 42, "printed at " + PaperWords.CLOCK.format(printed.atZone(zone)));
        y -= 52;
        ink.line(MARGIN, y, RIGHT, y, 2);
    }

    private void station(String name, List<LotMapper.DeliveryRow> slips) {
        y -= 12;
        // A heading at the foot of a page would have what it is over on the next.
        room(3);
        double litres =
                slips.stream().mapToDouble(LotMapper.DeliveryRow::litres).sum();
        ink.text(true, 15, MARGIN, y - 14, name);
        ink.textTo(true, 15, LITRES, y - 14, units.jug(litres));
        y -= ROW;
        ink.line(MARGIN, y, RIGHT, y, 1);
        slips.forEach(this::slip);
    }

    private void slip(LotMapper.DeliveryRow slip) {
        room(1);
        String lot = slip.lotCode() == null ? "straight from the pot" : "lot " + slip.lotCode();
        String back = slip.backLitres() > 0 ? ", " + units.jug(slip.backLitres()) + " came back" : "";
        ink.text(
                true,
                BODY,
                MARGIN,
                y - 14,
                PaperWords.CLOCK.format(slip.deliveredAt().atZone(zone)));
        ink.text(
                false,
                BODY,
                STOCK,
                y - 14,
                ink.fitted(BODY, slip.formulaName() + ", " + lot + back, LITRES - STOCK - 50));
        ink.textTo(true, BODY, LITRES, y - 14, units.jug(slip.litres()));
        if (slip.celsius() != null) {
            ink.text(false, SMALL, READ, y - 14, units.celsius(Temperature.ofCelsius(slip.celsius())));
        }
        if (slip.takenOverBy() == null) {
            ink.text(false, SMALL, SIGNED, y - 14, "taken over");
            ink.line(SIGNED + 56, y - 15, RIGHT, y - 15, 0.5f);
        } else {
            String taken = "taken over by " + slip.takenOverBy() + ", "
                    + PaperWords.CLOCK.format(slip.takenOverAt().atZone(zone));
            ink.text(false, SMALL, SIGNED, y - 14, ink.fitted(SMALL, taken, RIGHT - SIGNED));
        }
        y -= ROW;
        ink.line(MARGIN, y, RIGHT, y, 0.3f);
    }

    private void room(int rows) {
        if (y - rows * ROW < MARGIN) {
            ink.turn();
            y = Ink.A4_HEIGHT - MARGIN;
        }
    }
}
