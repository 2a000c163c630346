package potamos.server.paper;

import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;

/** Paper, a page at a time. Lengths are points from the lower left corner. */
public final class Ink implements Closeable {

    /** Points in a millimetre. */
    public static final float MM = 72 / 25.4f;

    /** As wide as a square to mark what is done. */
    public static final float SQUARE = 11;

    public static final float A4_WIDTH = 210 * MM;
    public static final float A4_HEIGHT = 297 * MM;

    /** Ships inside PDFBox. */
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final PDDocument document = new PDDocument();
    private final PDFont font;
    private final PDRectangle size;
    private PDPageContentStream stream;

    public Ink(String title, float width, float height) {
        try {
            document.getDocumentInformation().setTitle(title);
            size = new PDRectangle(width, height);
            font = PDType0Font.load(document, Ink.class.getResourceAsStream(FONT));
            stream = blank();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private PDPageContentStream blank() throws IOException {
        PDPage page = new PDPage(size);
        document.addPage(page);
        return new PDPageContentStream(document, page);
    }

    /** Goes on with a fresh page. */
    public void turn() {
        try {
            stream.close();
            stream = blank();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public int pages() {
        return document.getNumberOfPages();
    }

    /** Words at a place. The one cut that ships is made heavy by drawing its outline too. */
    public void text(boolean heavy, float size, float x, float y, String words) {
        try {
            stream.beginText();
            stream.setRenderingMode(heavy ? RenderingMode.FILL_STROKE : RenderingMode.FILL);
            stream.setLineWidth(size / 40);
            stream.setFont(font, size);
            stream.newLineAtOffset(x, y);
            stream.showText(drawable(words));
            stream.endText();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Words that end at a place. */
    public void textTo(boolean heavy, float size, float right, float y, String words) {
        text(heavy, size, right - width(size, words), y, words);
    }

    public void line(float x1, float y1, float x2, float y2, float thick) {
        try {
            stream.setLineWidth(thick);
            stream.moveTo(x1, y1);
            stream.lineTo(x2, y2);
            stream.stroke();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public void box(float x, float y, float width, float height, float grey) {
        try {
            stream.setNonStrokingColor(grey);
            stream.addRect(x, y, width, height);
            stream.fill();
            stream.setNonStrokingColor(0f);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A square to mark what is done, from its lower left corner. */
    public void square(float x, float y) {
        box(x, y, SQUARE, SQUARE, 1);
        line(x, y, x + SQUARE, y, 0.8f);
        line(x, y + SQUARE, x + SQUARE, y + SQUARE, 0.8f);
        line(x, y, x, y + SQUARE, 0.8f);
        line(x + SQUARE, y, x + SQUARE, y + SQUARE, 0.8f);
    }

    /** A line through points, x and y in turn; {@code gap} is the length of its dashes, 0 for none. */
    public void curve(float[] points, float thick, float gap) {
        if (points.length < 4) {
            return;
        }
        try {
            stream.setLineWidth(thick);
            stream.setLineDashPattern(gap > 0 ? new float[] {gap, gap} : new float[0], 0);
            trace(points);
            stream.stroke();
            stream.setLineDashPattern(new float[0], 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** An area within points, x and y in turn. */
    public void area(float[] points, float grey) {
        if (points.length < 6) {
            return;
        }
        try {
            stream.setNonStrokingColor(grey);
            trace(points);
            stream.fill();
            stream.setNonStrokingColor(0f);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void trace(float[] points) throws IOException {
        stream.moveTo(points[0], points[1]);
        for (int i = 2; i + 1 < points.length; i += 2) {
            stream.lineTo(points[i], points[i + 1]);
        }
    }

    /** A JPEG in a place. */
    public void picture(byte[] jpeg, float x, float y, float width, float height) {
        try {
            stream.drawImage(JPEGFactory.createFromByteArray(document, jpeg), x, y, width, height);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** As much of some words as fits into a width. */
    public String fitted(float size, String words, float width) {
        String fitting = words;
        while (!fitting.isEmpty() && width(size, fitting) > width) {
            fitting = fitting.substring(0, fitting.length() - 1);
        }
        return fitting;
    }

    /** Words in lines that fit into a width; a word that does not is cut. */
    public List<String> wrapped(float size, String words, float width) {
        List<String> lines = new ArrayList<>();
        for (String word : words.split(" ")) {
            String longer = lines.isEmpty() ? word : lines.get(lines.size() - 1) + " " + word;
            if (!lines.isEmpty() && width(size, longer) <= width) {
                lines.set(lines.size() - 1, longer);
            } else {
                lines.add(fitted(size, word, width));
            }
        }
        return lines;
    }

    public float width(float size, String words) {
        try {
            return font.getStringWidth(drawable(words)) / 1000 * size;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The largest size up to a wish at which a line fits. */
    public float fitting(String words, float wish, float room) {
        float natural = width(wish, words);
        return natural <= room ? wish : wish * room / natural;
    }

    /** A character that the font lacks would stop the page; a mark in its place does not. */
    private String drawable(String words) {
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

    /** The finished page as PDF. */
    public byte[] pdf() {
        try {
            stream.close();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        try {
            document.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
