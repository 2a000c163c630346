package potamos.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One signed-in screen without its browser. */
final class Screen {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final String url;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client;

    Screen(String url, String signIn) {
        this.url = url;
        this.client = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .version(HttpClient.Version.HTTP_1_1)
                .build();
        get("/api/session");
        post("/api/session", """
                {"signIn": "%s", "password": "kestrel-%s"}
                """.formatted(signIn, signIn));
    }

    JsonNode get(String path) {
        return send(request(path).GET().build());
    }

    JsonNode post(String path, String json) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token())
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    /** Nanoseconds until the whole answer is there. */
    CompletableFuture<Long> timed(String path) {
        long start = System.nanoTime();
        return client.sendAsync(request(path).GET().build(), HttpResponse.BodyHandlers.ofByteArray())
                .thenApply(answer -> {
                    wanted(answer.statusCode(), path, answer.body());
                    return System.nanoTime() - start;
                });
    }

    /** Keeps the live stream open until the program ends, as an open page does. */
    CompletableFuture<HttpResponse<Stream<String>>> listen() {
        return client.sendAsync(request("/api/live").GET().build(), HttpResponse.BodyHandlers.ofLines());
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(url + path)).timeout(Duration.ofMinutes(5));
    }

    private JsonNode send(HttpRequest request) {
        try {
            HttpResponse<byte[]> answer = client.send(request, HttpResponse.BodyHandlers.ofByteArray());
            wanted(answer.statusCode(), request.uri().getPath(), answer.body());
            return answer.body().length == 0 ? JSON.createObjectNode() : JSON.readTree(answer.body());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static void wanted(int status, String path, byte[] body) {
        if (status >= 300) {
            throw new IllegalStateException(
                    path + " answered " + status + ": " + new String(body, java.nio.charset.StandardCharsets.UTF_8));
        }
    }
}
