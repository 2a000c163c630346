package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/** Large pictures and many, within the memory that a kitchen's server has: 512 MiB. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MemoryTest {
    private static final int PHOTOS = 40;
    private static final Pattern BATCH = Pattern.compile("\"id\":\"([0-9a-f-]{36})\"");

    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .version(HttpClient.Version.HTTP_1_1)
            .build();
    private RunningPotamos potamos;
    private String batch;

    @BeforeAll
    void start() {
        potamos = RunningPotamos.demo("memory");
        get("/api/session");
        send(
                        "POST",
                        "/api/session",
                        "application/json",
                        "{\"signIn\": \"ilse\", \"password\": \"kestrel-ilse\"}".getBytes())
                .join();
        Matcher first = BATCH.matcher(new String(get("/api/batches").body()));
        assertThat(first.find()).isTrue();
        batch = first.group(1);
    }

    @AfterAll
    void stop() {
        if (potamos != null) {
            potamos.close();
        }
    }

    private HttpResponse<byte[]> get(String path) {
        return getLater(path).join();
    }

    private CompletableFuture<HttpResponse<byte[]>> getLater(String path) {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(potamos.url() + path)).build();
        return client.sendAsync(request, HttpResponse.BodyHandlers.ofByteArray());
    }

    /** A record, asked for again after a second as long as the kitchen says that it makes others: on a slow machine six at once are too many. */
    private CompletableFuture<HttpResponse<byte[]>> recordLater() {
        return getLater("/api/batches/" + batch + "/record.pdf")
                .thenCompose(answer -> answer.statusCode() == 429
                        ? CompletableFuture.supplyAsync(
                                        this::recordLater, CompletableFuture.delayedExecutor(1, TimeUnit.SECONDS))
                                .thenCompose(again -> again)
                        : CompletableFuture.completedFuture(answer));
    }

    private CompletableFuture<HttpResponse<byte[]>> send(String method, String path, String type, byte[] body) {
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElseThrow();
        HttpRequest request = HttpRequest.newBuilder(URI.create(potamos.url() + path))
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", token)
                .method(method, HttpRequest.BodyPublishers.ofByteArray(body))
                .build();
        return client.sendAsync(request, HttpResponse.BodyHandlers.ofByteArray());
    }

    private CompletableFuture<HttpResponse<byte[]>> photo(String type, byte[] picture) {
        String path = "/api/batches/" + batch + "/photos/" + UUID.randomUUID() + "?subject=CLARITY";
        return send("PUT", path, type, picture);
    }

    private static byte[] picture(int width, int height, int kind, String format) {
        BufferedImage image = new BufferedImage(width, height, kind);
        Graphics2D ink = image.createGraphics();
        for (int i = 0; i < 400; i++) {
            ink.setColor(new Color(Color.HSBtoRGB(i / 400f, 1, 1)));
            ink.fillOval(i * 97 % width, i * 61 % height, width / 9, height / 9);
        }
        ink.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    @Test
    void fourFortyMegapixelPicturesAtOnceAndSixRecordsWithFortyPhotosEach() {
        // Few colours make a small file of a picture that takes 160 MB unpacked.
        byte[] vast = picture(7900, 5000, BufferedImage.TYPE_BYTE_INDEXED, "png");
        List<CompletableFuture<HttpResponse<byte[]>>> four =
                IntStream.range(0, 4).mapToObj(i -> photo("image/png", vast)).toList();
        assertThat(four)
                .allSatisfy(answer -> assertThat(answer.join().statusCode()).isIn(204, 429));
        byte[] large = picture(1600, 1200, BufferedImage.TYPE_INT_RGB, "jpeg");
        for (int i = 0; i < PHOTOS; i++) {
            // The batch is full when those of before were kept too.
            assertThat(photo("image/jpeg", large).join().statusCode()).isIn(204, 422);
        }
        List<CompletableFuture<HttpResponse<byte[]>>> six =
                IntStream.range(0, 6).mapToObj(i -> recordLater()).toList();
        assertThat(six).allSatisfy(answer -> {
            assertThat(answer.join().statusCode()).isEqualTo(200);
            assertThat(answer.join().body()).startsWith('%', 'P', 'D', 'F');
        });
        assertThat(get("/api/range").statusCode()).isEqualTo(200);
    }
}
