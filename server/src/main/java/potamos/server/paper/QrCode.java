package potamos.server.paper;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/** A code that opens an address. */
public final class QrCode {

    private QrCode() {}

    /** Draws it, a square of a side, from its lower left corner. */
    public static void draw(Ink ink, String address, float left, float bottom, float side) {
        BitMatrix matrix;
        try {
            // A label in a kitchen gets wet: an eighth of the code may be lost, and it is still read.
            Map<EncodeHintType, Object> hints =
                    Map.of(EncodeHintType.MARGIN, 0, EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M);
            matrix = new QRCodeWriter().encode(address, BarcodeFormat.QR_CODE, 0, 0, hints);
        } catch (WriterException tooLong) {
            throw new IllegalArgumentException("the address is too long for a code", tooLong);
        }
        float module = side / matrix.getWidth();
        for (int x = 0; x < matrix.getWidth(); x++) {
            for (int y = 0; y < matrix.getHeight(); y++) {
                if (matrix.get(x, y)) {
                    ink.box(left + x * module, bottom + side - (y + 1) * module, module, module, 0);
                }
            }
        }
    }
}
