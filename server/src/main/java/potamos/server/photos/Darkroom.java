package potamos.server.photos;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import org.springframework.stereotype.Component;
import potamos.core.quantity.Refusal;
import potamos.server.problems.TooMany;

/**
 * Draws a picture anew as a JPEG of a record's size. What else the file held, where it was taken and on which device, does not come along, nor anything
 * that was hidden behind the picture.
 */
@Component
class Darkroom {

    private static final int LARGEST_BYTES = 8 * 1024 * 1024;
    static final int LONGEST_EDGE = 1600;
    /** A third of a page's width at 200 dots to the inch. */
    private static final int PRINT_EDGE = 480;

    /** A small file can unpack to a picture that fills the memory; its size is read before it is unpacked. */
    private static final long MOST_PIXELS = 40_000_000;

    private static final Set<String> FORMATS = Set.of("JPEG", "png");
    private static final float QUALITY = 0.82f;

    private static final int LONGEST_WAIT_S = 8;

    /** An unpacked picture takes a tenth of the memory there is, so one is unpacked at a time. */
    private final Semaphore light = new Semaphore(1, true);

    /** A developed picture. */
    record Print(byte[] jpeg, int width, int height) {}

    /**
     * Develops a file.
     *
     * @param file JPEG or PNG, up to 8 MB and 40 million pixels
     * @throws Refusal on {@code photo} when it is neither, too large, or broken
     * @throws TooMany when others have been waiting for the darkroom for too long
     */
    Print develop(byte[] file) {
        if (file.length > LARGEST_BYTES) {
            throw Refusal.outside("photo", "too large", 0, LARGEST_BYTES / 1e6, "MB");
        }
        return alone(() -> drawn(file, LONGEST_EDGE));
    }

    /** The same picture at the size in which paper shows it. */
    byte[] smaller(byte[] jpeg) {
        return alone(() -> drawn(jpeg, PRINT_EDGE)).jpeg();
    }

    private Print alone(Supplier<Print> work) {
        try {
            if (!light.tryAcquire(LONGEST_WAIT_S, TimeUnit.SECONDS)) {
                throw new TooMany("Many photos are being worked on just now; try again in a moment.", LONGEST_WAIT_S);
            }
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            throw new TooMany("The server is stopping.", LONGEST_WAIT_S);
        }
        try {
            return work.get();
        } finally {
            light.release();
        }
    }

    private static Print drawn(byte[] file, int longestEdge) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            ImageReader reader = readers.hasNext() ? readers.next() : null;
            if (reader == null || !FORMATS.contains(reader.getFormatName())) {
                throw Refusal.of("photo", "a photo as JPEG or PNG");
            }
            try {
                reader.setInput(in, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) {
                    throw Refusal.outside("photo", "too many pixels", 0, MOST_PIXELS / 1e6, "million pixels");
                }
                ImageReadParam how = reader.getDefaultReadParam();
                // Of a large picture only every second or third point is unpacked; twice what is kept is enough to draw
                // it well.
                int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
                int step = Math.max(1, (longest + 2 * longestEdge - 1) / (2 * longestEdge));
                how.setSourceSubsampling(step, step, 0, 0);
                return print(reader.read(0, how), longestEdge);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException broken) {
            throw Refusal.of("photo", "a photo that can be opened; this one is broken");
        }
    }

    private static Print print(BufferedImage picture, int longestEdge) throws IOException {
        double scale = Math.min(1, (double) longestEdge / Math.max(picture.getWidth(), picture.getHeight()));
        int width = (int) Math.max(1, Math.round(picture.getWidth() * scale));
        int height = (int) Math.max(1, Math.round(picture.getHeight() * scale));
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D ink = drawn.createGraphics();
        ink.setColor(Color.WHITE);
        ink.fillRect(0, 0, width, height);
        ink.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        ink.drawImage(picture, 0, 0, width, height, null);
        ink.dispose();
        return new Print(jpeg(drawn), width, height);
    }

    private static byte[] jpeg(BufferedImage picture) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(QUALITY);
            writer.write(null, new IIOImage(picture, null, null), how);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }
}
