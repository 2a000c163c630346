package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.NotFoundException;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestKitchen.class)
class LabelTest {

    @Test
    void theLabelSaysWhatItIsAndItsCodeOpensTheLot() throws Exception {
        Visitor cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        String lot = batch.page().at("/lotId").asString();
        Visitor.Answer label = cook.get("/api/lots/" + lot + "/label.pdf");
        assertThat(label.status()).isEqualTo(200);
        try (PDDocument pdf = Loader.loadPDF(label.raw().body())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("White chicken stock", "Kestrel Lodge", "USE BY", "celery", "11.0 L")
                    .contains(cook.get("/api/lots/" + lot).at("/code").asString());
            assertThat(codeOf(pdf)).isEqualTo(TestKitchen.ADDRESS + "/lots/" + lot);
        }
    }

    private static String codeOf(PDDocument pdf) throws IOException, NotFoundException {
        BufferedImage label = new PDFRenderer(pdf).renderImageWithDPI(0, 300);
        // As a telephone is held over it: the code in its corner, and not the letters beside it, which can be taken for
        // parts of one.
        int side = label.getWidth() * 2 / 5;
        BufferedImage image = label.getSubimage(label.getWidth() - side, label.getHeight() - side, side, side);
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        RGBLuminanceSource source = new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels);
        try {
            return new QRCodeReader()
                    .decode(new BinaryBitmap(new HybridBinarizer(source)), Map.of(DecodeHintType.TRY_HARDER, true))
                    .getText();
        } catch (com.google.zxing.ChecksumException | com.google.zxing.FormatException unreadable) {
            throw new AssertionError("the code cannot be read", unreadable);
        }
    }
}
