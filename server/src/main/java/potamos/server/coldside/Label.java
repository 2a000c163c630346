package potamos.server.coldside;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import potamos.core.quantity.Volume;

/** A label of 100 × 62 mm: what it is, until when, what to look out for, and a code that opens the lot. */
final class Label {

    /** Ships inside PDFBox. */
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private static final float MM = 72 / 25.4f;
    private static final float WIDTH = 100 * MM;
    private static final float HEIGHT = 62 * MM;
    private static final float MARGIN = 5 * MM;
    private static final float CODE = 30 * MM;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.UK);

    private Label() {}

    static byte[] of(
            String kitchen,
            String stock,
            String code,
            double litres,
            LocalDate made,
            LocalDate useBy,
            List<String> allergens,
            String address,
            String units)
            throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle(stock + " " + code);
            PDPage page = new PDPage(new PDRectangle(WIDTH, HEIGHT));
            document.addPage(page);
            PDFont font = PDType0Font.load(document, Label.class.getResourceAsStream(FONT));
            try (PDPageContentStream ink = new PDPageContentStream(document, page)) {
                float top = HEIGHT - MARGIN;
                text(ink, font, true, fitting(font, stock, 17, WIDTH - 2 * MARGIN), MARGIN, top - 15, stock);
                text(ink, font, false, 10, MARGIN, top - 31, kitchen + "  ·  lot " + code);
                text(ink, font, false, 9, MARGIN, top - 50, "USE BY");
                text(ink, font, true, 19, MARGIN, top - 69, DAY.format(useBy));
                text(
                        ink,
                        font,
                        false,
                        10,
                        MARGIN,
                        top - 88,
                        "Made " + DAY.format(made) + "  ·  " + amount(litres, units));
                text(ink, font, true, 10, MARGIN, top - 108, "Contains");
                String contains = allergens.isEmpty()
                        ? "none of the listed allergens"
                        : allergens.stream()
                                .map(a -> a.toLowerCase(Locale.ROOT))
                                .collect(Collectors.joining(", "));
                float room = WIDTH - 3 * MARGIN - CODE;
                text(ink, font, true, fitting(font, contains, 13, room), MARGIN, top - 123, contains);
                text(ink, font, false, 9, MARGIN, MARGIN, "Initials ____________");
                code(ink, address, WIDTH - MARGIN - CODE, MARGIN);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static String amount(double litres, String units) {
        return units.equals("us")
                ? String.format(Locale.ROOT, "%.1f gal", Volume.ofLitres(litres).usGallons())
                : String.format(Locale.ROOT, "%.1f L", litres);
    }

    /** The largest size up to a wish at which a line fits. */
    private static float fitting(PDFont font, String words, float wish, float width) throws IOException {
        float natural = font.getStringWidth(drawable(font, words)) / 1000 * wish;
        return natural <= width ? wish : wish * width / natural;
    }

    private static void text(
            PDPageContentStream ink, PDFont font, boolean heavy, float size, float x, float y, String words)
            throws IOException {
        ink.beginText();
        // The one cut that ships is made heavy by drawing its outline too.
        ink.setRenderingMode(heavy ? RenderingMode.FILL_STROKE : RenderingMode.FILL);
        ink.setLineWidth(size / 40);
        ink.setFont(font, size);
        ink.newLineAtOffset(x, y);
        ink.showText(drawable(font, words));
        ink.endText();
    }

    /** A character that the font lacks would stop the label; a mark in its place does not. */
    private static String drawable(PDFont font, String words) {
        StringBuilder kept = new StringBuilder();
        words.codePoints().forEach(point -> {
            try {
                font.encode(Character.toString(point));
                kept.appendCodePoint(point);
            } catch (IOException | IllegalArgumentException missing) {
                kept.append('?');
            }
        });
        return kept.toString();
    }

    private static void code(PDPageContentStream ink, String address, float left, float bottom) throws IOException {
        BitMatrix matrix;
        try {
            matrix = new QRCodeWriter().encode(address, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, 0));
        } catch (WriterException tooLong) {
            throw new IOException("the lot's address is too long for a code", tooLong);
        }
        float module = CODE / matrix.getWidth();
        for (int x = 0; x < matrix.getWidth(); x++) {
            for (int y = 0; y < matrix.getHeight(); y++) {
                if (matrix.get(x, y)) {
                    ink.addRect(left + x * module, bottom + CODE - (y + 1) * module, module, module);
                }
            }
        }
        ink.fill();
    }
}
