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
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import potamos.core.quantity.Refusal;

/**
 * Draws a picture anew as a JPEG of a record's size. What else the file held, where it was taken and on which device, does not come along, nor anything
 * that was hidden behind the picture.
 */
final class Darkroom {

    private static final int LARGEST_BYTES = 8 * 1024 * 1024;
    static final int LONGEST_EDGE = 1600;

    /** A small file can unpack to a picture that fills the memory; its size is read before it is unpacked. */
    private static final long MOST_PIXELS = 40_000_000;

    private static final Set<String> FORMATS = Set.of("JPEG", "png");
    private static final float QUALITY = 0.82f;

    private Darkroom() {}

    /** A developed picture. */
    record Print(byte[] jpeg, int width, int height) {}

    /**
     * Develops a file.
     *
     * @param file JPEG or PNG, up to 8 MB and 40 million pixels
     * @throws Refusal on {@code photo} when it is neither, too large, or broken
     */
    static Print develop(byte[] file) {
        if (file.length > LARGEST_BYTES) {
            throw Refusal.outside("photo", "too large", 0, LARGEST_BYTES / 1e6, "MB");
        }
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
                int step = Math.max(1, Math.max(reader.getWidth(0), reader.getHeight(0)) / (2 * LONGEST_EDGE));
                how.setSourceSubsampling(step, step, 0, 0);
                return print(reader.read(0, how));
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException broken) {
            throw Refusal.of("photo", "a photo that can be opened; this one is broken");
        }
    }

    private static Print print(BufferedImage picture) throws IOException {
        double scale = Math.min(1, (double) LONGEST_EDGE / Math.max(picture.getWidth(), picture.getHeight()));
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
