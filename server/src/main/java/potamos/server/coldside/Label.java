package potamos.server.coldside;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperWords;
import potamos.server.paper.QrCode;
import potamos.server.paper.Words;

/** A label of 100 × 62 mm: what it is, until when, what to look out for, and a code that opens the lot. */
final class Label {

    private static final float WIDTH = 100 * Ink.MM;
    private static final float HEIGHT = 62 * Ink.MM;
    private static final float MARGIN = 5 * Ink.MM;
    private static final float CODE = 30 * Ink.MM;

    private Label() {}

    static byte[] of(
            String kitchen,
            String stock,
            String code,
            double litres,
            LocalDate made,
            LocalDate useBy,
            List<Allergen> allergens,
            boolean allergensUnknown,
            String address,
            String units) {
        try (Ink ink = new Ink(stock + " " + code, WIDTH, HEIGHT)) {
            float top = HEIGHT - MARGIN;
            ink.text(true, ink.fitting(stock, 17, WIDTH - 2 * MARGIN), MARGIN, top - 15, stock);
            ink.text(false, 10, MARGIN, top - 31, kitchen + "  ·  lot " + code);
            ink.text(false, 9, MARGIN, top - 50, "USE BY");
            ink.text(true, 19, MARGIN, top - 69, PaperWords.DAY.format(useBy));
            ink.text(
                    false,
                    10,
                    MARGIN,
                    top - 88,
                    "Made " + PaperWords.DAY.format(made) + "  ·  " + amount(litres, units));
            ink.text(true, 10, MARGIN, top - 108, "Contains");
            String listed = allergens.stream().map(Words.ENGLISH::of).collect(Collectors.joining(", "));
            String unknown = allergensUnknown ? "what its stock contained" : "";
            String contains = Stream.of(listed, unknown)
                    .filter(words -> !words.isEmpty())
                    .reduce((one, other) -> one + ", and " + other)
                    .orElse("none of the listed allergens");
            float room = WIDTH - 3 * MARGIN - CODE;
            ink.text(true, ink.fitting(contains, 13, room), MARGIN, top - 123, contains);
            ink.text(false, 9, MARGIN, MARGIN, "Initials ____________");
            QrCode.draw(ink, address, WIDTH - MARGIN - CODE, MARGIN, CODE);
            return ink.pdf();
        }
    }

    private static String amount(double litres, String units) {
        return units.equals("us")
                ? String.format(Locale.ROOT, "%.1f gal", Volume.ofLitres(litres).usGallons())
                : String.format(Locale.ROOT, "%.1f L", litres);
    }
}
