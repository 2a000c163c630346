package potamos.server.coldside;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.safety.Kept;
import potamos.server.paper.Ink;
import potamos.server.paper.PaperWords;
import potamos.server.paper.QrCode;
import potamos.server.paper.Words;

/** A label of 100 × 62 mm for a container: what it is, until when, what to look out for, and a code that opens its lot. */
record Label(
        String kitchen,
        String stock,
        String code,
        double litres,
        boolean cubes,
        LocalDate made,
        LocalDate useBy,
        Kept kept,
        List<Allergen> allergens,
        boolean allergensUnknown,
        String released,
        String address,
        String units) {

    private static final float WIDTH = 100 * Ink.MM;
    private static final float HEIGHT = 62 * Ink.MM;
    private static final float MARGIN = 5 * Ink.MM;
    private static final float CODE = 30 * Ink.MM;

    private static final int ACROSS = 2;
    private static final int DOWN = 4;

    Label {
        allergens = List.copyOf(allergens);
    }

    /** For a printer of labels. */
    byte[] alone() throws IOException {
        try (Ink ink = new Ink(stock + " " + code, WIDTH, HEIGHT)) {
            draw(ink, 0, 0);
            return ink.pdf();
        }
    }

    /** On sheets of A4, eight to a sheet, with a hair between them to cut along. */
    static byte[] sheets(List<Label> labels) throws IOException {
        float left = (Ink.A4_WIDTH - ACROSS * WIDTH) / 2;
        float low = (Ink.A4_HEIGHT - DOWN * HEIGHT) / 2;
        try (Ink ink = new Ink(labels.get(0).stock, Ink.A4_WIDTH, Ink.A4_HEIGHT)) {
            for (int i = 0; i < labels.size(); i++) {
                int place = i % (ACROSS * DOWN);
                if (i > 0 && place == 0) {
                    ink.turn();
                }
                float x = left + place % ACROSS * WIDTH;
                float y = low + (DOWN - 1 - place / ACROSS) * HEIGHT;
                ink.line(x, y, x + WIDTH, y, 0.2f);
                ink.line(x, y + HEIGHT, x + WIDTH, y + HEIGHT, 0.2f);
                ink.line(x, y, x, y + HEIGHT, 0.2f);
                ink.line(x + WIDTH, y, x + WIDTH, y + HEIGHT, 0.2f);
                labels.get(i).draw(ink, x, y);
            }
            return ink.pdf();
        }
    }

    private void draw(Ink ink, float x, float y) {
        float left = x + MARGIN;
        float top = y + HEIGHT - MARGIN;
        ink.text(true, ink.fitting(stock, 17, WIDTH - 2 * MARGIN), left, top - 15, stock);
        ink.text(false, 10, left, top - 31, kitchen + "  ·  lot " + code);
        ink.text(false, 9, left, top - 50, kept == Kept.FROZEN ? "FROZEN, BEST BEFORE" : "USE BY");
        ink.text(true, 19, left, top - 69, PaperWords.DAY.format(useBy));
        ink.text(false, 10, left, top - 88, "Made " + PaperWords.DAY.format(made) + "  ·  " + amount());
        ink.text(true, 10, left, top - 108, "Contains");
        String listed = allergens.stream().map(Words.ENGLISH::of).collect(Collectors.joining(", "));
        String unknown = allergensUnknown ? "what its stock contained" : "";
        String contains = Stream.of(listed, unknown)
                .filter(words -> !words.isEmpty())
                .reduce((one, other) -> one + ", and " + other)
                .orElse("none of the listed allergens");
        float room = WIDTH - 3 * MARGIN - CODE;
        ink.text(true, ink.fitting(contains, 13, room), left, top - 123, contains);
        if (!released.isEmpty()) {
            String vouched = "Cooling not proven; released by " + released;
            ink.text(false, ink.fitting(vouched, 9, room), left, y + MARGIN + 14, vouched);
        }
        ink.text(false, 9, left, y + MARGIN, "Initials ____________");
        QrCode.draw(ink, address, x + WIDTH - MARGIN - CODE, y + MARGIN, CODE);
    }

    private String amount() {
        String much = units.equals("us")
                ? String.format(Locale.ROOT, "%.1f gal", Volume.ofLitres(litres).usGallons())
                : String.format(Locale.ROOT, "%.1f L", litres);
        return cubes ? much + " in cubes" : much;
    }
}
