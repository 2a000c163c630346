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
import potamos.server.paper.Roll;

/** What was handed out on a day, on A4, station by station, with a line to sign on where nobody has taken it over yet. */
final class SlipSheet {

    private static final float BODY = 12;
    private static final float SMALL = 10;
    private static final float STOCK = Roll.MARGIN + 42;
    private static final float LITRES = Roll.MARGIN + 292;
    private static final float READ = Roll.MARGIN + 302;
    private static final float SIGNED = Roll.MARGIN + 350;

    private final Roll roll;
    private final Ink ink;
    private final PaperUnits units;
    private final ZoneId zone;

    private SlipSheet(Roll roll, PaperUnits units, ZoneId zone) {
        this.roll = roll;
        this.ink = roll.ink();
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
        try (Roll roll = new Roll(
                PaperWords.DAY.format(date),
                "Handed out · " + kitchen,
                "printed at " + PaperWords.CLOCK.format(printed.atZone(zone)))) {
            SlipSheet sheet = new SlipSheet(roll, PaperUnits.of(units), zone);
            Map<String, List<LotMapper.DeliveryRow>> stations = slips.stream()
                    .collect(Collectors.groupingBy(
                            LotMapper.DeliveryRow::stationName, LinkedHashMap::new, Collectors.toList()));
            stations.forEach(sheet::station);
            if (stations.isEmpty()) {
                sheet.ink.text(false, BODY, Roll.MARGIN, roll.row(), "Nothing was handed out on this day.");
            }
            return roll.pdf();
        }
    }

    private void station(String name, List<LotMapper.DeliveryRow> slips) {
        double litres =
                slips.stream().mapToDouble(LotMapper.DeliveryRow::litres).sum();
        ink.textTo(true, BODY, LITRES, roll.head(name), units.jug(litres));
        slips.forEach(this::slip);
    }

    private void slip(LotMapper.DeliveryRow slip) {
        float at = roll.row();
        String lot = slip.lotCode() == null ? "straight from the pot" : "lot " + slip.lotCode();
        String back = slip.backLitres() > 0 ? ", " + units.jug(slip.backLitres()) + " came back" : "";
        ink.text(
                true,
                BODY,
                Roll.MARGIN,
                at,
                PaperWords.CLOCK.format(slip.deliveredAt().atZone(zone)));
        ink.text(false, BODY, STOCK, at, ink.fitted(BODY, slip.formulaName() + ", " + lot + back, LITRES - STOCK - 50));
        ink.textTo(true, BODY, LITRES, at, units.jug(slip.litres()));
        if (slip.celsius() != null) {
            ink.text(false, SMALL, READ, at, units.celsius(Temperature.ofCelsius(slip.celsius())));
        }
        if (slip.takenOverBy() == null) {
            ink.text(false, SMALL, SIGNED, at, "taken over");
            ink.line(SIGNED + 56, at - 1, Roll.RIGHT, at - 1, 0.5f);
        } else {
            String taken = "taken over by " + slip.takenOverBy() + ", "
                    + PaperWords.CLOCK.format(slip.takenOverAt().atZone(zone));
            ink.text(false, SMALL, SIGNED, at, ink.fitted(SMALL, taken, Roll.RIGHT - SIGNED));
        }
        roll.rule();
    }
}
