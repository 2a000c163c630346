package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Photos kept with a batch. */
@ExtendWith(TestKitchen.class)
class PhotosTest {

    private final Visitor cook = Visitor.signedIn("ilse");
    private TestBatch batch;

    @BeforeEach
    void aPotIsOnTheHeat() {
        batch = TestBatch.accepted(cook, 6);
    }

    private String path(String id) {
        return "/api/batches/" + batch.id() + "/photos/" + id;
    }

    private static String newId() {
        return UUID.randomUUID().toString();
    }

    /** A straw picture with a darker right half. */
    private static byte[] picture(int width, int height, String format) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D ink = image.createGraphics();
        ink.setColor(new Color(0xDC, 0xC0, 0x78));
        ink.fillRect(0, 0, width, height);
        ink.setColor(new Color(0x40, 0x20, 0x10));
        ink.fillRect(width / 2, 0, width, height);
        ink.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        return out.toByteArray();
    }

    @Test
    void aPhotoIsKeptWithWhoTookItAndLooksTheSame() throws IOException {
        String id = newId();
        assertThat(cook.put(path(id) + "?subject=CLARITY", "image/png", picture(640, 480, "png"))
                        .status())
                .isEqualTo(204);
        Visitor.Answer all = cook.get("/api/batches/" + batch.id() + "/photos");
        assertThat(all.at("/0/id").asString()).isEqualTo(id);
        assertThat(all.at("/0/subject").asString()).isEqualTo("CLARITY");
        assertThat(all.at("/0/byName").asString()).isEqualTo("Ilse Varga");
        Visitor.Answer photo = Visitor.signedIn("marta").get(path(id));
        assertThat(photo.raw().headers().firstValue("Content-Type")).contains("image/jpeg");
        BufferedImage kept = ImageIO.read(new ByteArrayInputStream(photo.raw().body()));
        assertThat(kept.getWidth()).isEqualTo(640);
        assertThat(new Color(kept.getRGB(100, 200)).getRed()).isBetween(0xD6, 0xE2);
        assertThat(new Color(kept.getRGB(500, 200)).getRed()).isBetween(0x3A, 0x46);
    }

    @Test
    void aLargePhotoIsMadeSmallerInItsProportions() {
        String id = newId();
        cook.put(path(id) + "?subject=SHADE", "image/jpeg", picture(5000, 2500, "jpeg"));
        Visitor.Answer all = cook.get("/api/batches/" + batch.id() + "/photos");
        assertThat(all.at("/0/width").asInt()).isEqualTo(1600);
        assertThat(all.at("/0/height").asInt()).isEqualTo(800);
        assertThat(cook.get(path(id)).raw().body().length).isLessThan(300_000);
    }

    @Test
    void whatAFileCarriesBesideItsPictureIsNotKept() {
        byte[] jpeg = picture(64, 64, "jpeg");
        byte[] secret = "taken at 46.51 N".getBytes(StandardCharsets.US_ASCII);
        byte[] carrying = new byte[jpeg.length + secret.length + 4];
        // A comment stands right behind the two bytes that begin a JPEG.
        System.arraycopy(jpeg, 0, carrying, 0, 2);
        carrying[2] = (byte) 0xFF;
        carrying[3] = (byte) 0xFE;
        carrying[4] = 0;
        carrying[5] = (byte) (secret.length + 2);
        System.arraycopy(secret, 0, carrying, 6, secret.length);
        System.arraycopy(jpeg, 2, carrying, 6 + secret.length, jpeg.length - 2);
        String id = newId();
        assertThat(cook.put(path(id) + "?subject=OTHER", "image/jpeg", carrying).status())
                .isEqualTo(204);
        String kept = new String(cook.get(path(id)).raw().body(), StandardCharsets.ISO_8859_1);
        assertThat(kept).doesNotContain("46.51 N");
    }

    @Test
    void whatIsNoPhotoOrABrokenOneIsRefused() {
        byte[] page = "<html><script>alert(1)</script></html>".getBytes(StandardCharsets.UTF_8);
        assertThat(cook.put(path(newId()) + "?subject=SET", "image/jpeg", page).reason("photo"))
                .contains("JPEG or PNG");
        byte[] cut = Arrays.copyOf(picture(640, 480, "png"), 300);
        assertThat(cook.put(path(newId()) + "?subject=SET", "image/png", cut).reason("photo"))
                .contains("broken");
        assertThat(cook.put(path(newId()) + "?subject=SET", "image/gif", picture(8, 8, "gif"))
                        .status())
                .isEqualTo(415);
        assertThat(cook.put(path(newId()) + "?subject=SET", "image/jpeg", picture(8, 8, "gif"))
                        .reason("photo"))
                .contains("JPEG or PNG");
        assertThat(cook.put(path(newId()) + "?subject=TASTE", "image/png", picture(8, 8, "png"))
                        .reason("subject"))
                .isNotEmpty();
        assertThat(cook.put(path("not-an-id") + "?subject=SET", "image/png", picture(8, 8, "png"))
                        .reason("id"))
                .isNotEmpty();
        assertThat(cook.put(path(newId()) + "?subject=SET", "image/png", new byte[8 * 1024 * 1024 + 1])
                        .status())
                .isEqualTo(413);
        assertThat(cook.get("/api/batches/" + batch.id() + "/photos").body()).isEmpty();
    }

    @Test
    void aPhotoSentTwiceIsKeptOnceAndCanBeTakenOut() {
        String id = newId();
        byte[] png = picture(32, 32, "png");
        cook.put(path(id) + "?subject=SET", "image/png", png);
        assertThat(cook.put(path(id) + "?subject=SET", "image/png", png).status())
                .isEqualTo(204);
        assertThat(cook.get("/api/batches/" + batch.id() + "/photos").body()).hasSize(1);
        String why = "{\"reason\": \"another pot's\"}";
        assertThat(Visitor.signedIn("wen").post(path(id) + "/withdrawal", why).status())
                .isEqualTo(403);
        assertThat(cook.post(path(id) + "/withdrawal", "{\"reason\": \" \"}").status())
                .isEqualTo(400);
        assertThat(cook.post(path(id) + "/withdrawal", why).status()).isEqualTo(204);
        // Nobody finds it in a browser that somebody has signed out of.
        assertThat(cook.get(path(id))
                        .raw()
                        .headers()
                        .firstValue("Cache-Control")
                        .orElse(""))
                .contains("no-cache");
        // It stays, with who took it out, and why; and it is taken out once.
        var left = cook.get("/api/batches/" + batch.id() + "/photos").body().get(0);
        assertThat(left.at("/withdrawn/byName").asString()).isEqualTo("Ilse Varga");
        assertThat(left.at("/withdrawn/reason").asString()).isEqualTo("another pot's");
        assertThat(cook.get(path(id)).status()).isEqualTo(200);
        assertThat(cook.post(path(id) + "/withdrawal", why).status()).isEqualTo(409);
        assertThat(cook.get("/api/batches/" + batch.id() + "/record.pdf").status())
                .isEqualTo(200);
    }

    @Test
    void photosAreSeenAndTakenByThoseOfTheKitchenWhoMay() {
        String id = newId();
        byte[] png = picture(32, 32, "png");
        assertThat(Visitor.signedIn("marta")
                        .put(path(id) + "?subject=SET", "image/png", png)
                        .status())
                .isEqualTo(403);
        assertThat(Visitor.signedIn("wen")
                        .put(path(id) + "?subject=SET", "image/png", png)
                        .status())
                .isEqualTo(204);
        assertThat(Visitor.signedIn("bram").get(path(id)).status()).isEqualTo(403);
        assertThat(Visitor.stranger().get(path(id)).status()).isEqualTo(401);
        String elsewhere = "/api/batches/00000000-0000-4000-8000-000000000000/photos/" + newId();
        assertThat(cook.put(elsewhere + "?subject=SET", "image/png", png).status())
                .isEqualTo(404);
    }

    @Test
    void theSlipThatCameWithABoxIsKeptWithIt() {
        String box = cook.get("/api/larder").at("/0/id").asString();
        String photos = "/api/larder/boxes/" + box + "/photos";
        int before = cook.get(photos).body().size();
        byte[] slip = picture(320, 480, "png");
        String id = newId();
        assertThat(Visitor.signedIn("wen")
                        .put(photos + "/" + id, "image/png", slip)
                        .status())
                .isEqualTo(204);
        assertThat(cook.put(photos + "/" + id, "image/png", slip).status()).isEqualTo(204);
        Visitor.Answer kept = cook.get(photos);
        assertThat(kept.body()).hasSize(before + 1);
        assertThat(kept.at("/" + before + "/byName").asString()).isEqualTo("Wen Abara");
        assertThat(kept.at("/" + before + "/height").asInt()).isEqualTo(480);
        assertThat(Visitor.signedIn("marta")
                        .get(photos + "/" + id)
                        .raw()
                        .headers()
                        .firstValue("Content-Type"))
                .contains("image/jpeg");
        // A station has no business in the larder, and four are enough for any slip.
        assertThat(Visitor.signedIn("bram").get(photos).status()).isEqualTo(403);
        for (int i = before + 1; i < 4; i++) {
            cook.put(photos + "/" + newId(), "image/png", slip);
        }
        assertThat(cook.put(photos + "/" + newId(), "image/png", slip).reason("photo"))
                .contains("as many photos");
        assertThat(cook.put(photos + "/" + newId(), "image/png", new byte[8 * 1024 * 1024 + 1])
                        .status())
                .isEqualTo(413);
        String elsewhere = "/api/larder/boxes/00000000-0000-4000-8000-000000000000/photos/" + newId();
        assertThat(cook.put(elsewhere, "image/png", slip).status()).isEqualTo(404);
    }
}
