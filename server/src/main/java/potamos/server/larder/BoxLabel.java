package potamos.server.larder;

import java.time.LocalDate;
import potamos.core.quantity.Mass;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.QrCode;

/** A label of 100 × 62 mm for a box: what is in it, until when, whose it was, and a code that opens it. */
final class BoxLabel {

    private static final float WIDTH = 100 * Ink.MM;
    private static final float HEIGHT = 62 * Ink.MM;
    private static final float MARGIN = 5 * Ink.MM;
    private static final float CODE = 30 * Ink.MM;

    private BoxLabel() {}

    static byte[] of(String kitchen, Boxes.Stands stands, String address, PaperUnits units) throws java.io.IOException {
        LarderMapper.BoxRow row = stands.row();
        String name = stands.box().goods().name();
        try (Ink ink = new Ink(name + " " + row.supplierLot(), WIDTH, HEIGHT)) {
            float top = HEIGHT - MARGIN;
            float room = WIDTH - 2 * MARGIN;
            ink.text(true, ink.fitting(name, 17, room), MARGIN, top - 15, name);
            ink.text(false, 10, MARGIN, top - 31, kitchen);
            ink.text(false, 9, MARGIN, top - 50, "USE BY");
            ink.text(
                    true,
                    19,
                    MARGIN,
                    top - 69,
                    stands.box().useBy().map(PaperWords.DAY::format).orElse("keeps"));
            ink.text(false, 10, MARGIN, top - 88, came(row.cameOn()) + "  ·  " + units.mass(Mass.ofKg(row.kg())));
            String from = row.trim() ? "Trim of our own" : row.supplier();
            float beside = room - CODE - MARGIN;
            ink.text(true, ink.fitting(from, 13, beside), MARGIN, top - 110, from);
            String lot = row.supplierLot().isEmpty() ? "" : "lot " + row.supplierLot();
            ink.text(false, ink.fitting(lot, 11, beside), MARGIN, top - 125, lot);
            ink.text(false, 9, MARGIN, MARGIN, row.frozen() ? "FROZEN" : "");
            QrCode.draw(ink, address, WIDTH - MARGIN - CODE, MARGIN, CODE);
            return ink.pdf();
        }
    }

    private static String came(LocalDate day) {
        return "In " + PaperWords.DAY.format(day);
    }
}
