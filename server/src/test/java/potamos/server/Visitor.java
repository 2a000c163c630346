package potamos.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody at a browser, without the browser: keeps cookies, sends the CSRF token back. */
final class Visitor {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(Duration.ofSeconds(5))
            .build();
    private String personId = "";

    /** An answer: its status, and its body read as JSON where it is that. */
    record Answer(int status, JsonNode body, HttpResponse<byte[]> raw) {

        JsonNode at(String pointer) {
            return body.at(pointer);
        }

        /** What is wrong with a field. */
        String reason(String field) {
            return body.path("fields").path(field).path("reason").asString();
        }
    }

    static Visitor stranger() {
        Visitor visitor = new Visitor();
        visitor.get("/api/session");
        return visitor;
    }

    /** A person of the demo kitchen, signed in. */
    static Visitor signedIn(String name) {
        Visitor visitor = stranger();
        Answer answer = visitor.post("/api/session", """
                {"signIn": "%s", "password": "kestrel-%s"}
                """.formatted(name, name));
        if (answer.status() != 200) {
            throw new AssertionError("could not sign in as " + name + ": " + answer.body());
        }
        visitor.personId = answer.at("/person/id").asString();
        return visitor;
    }

    String personId() {
        return personId;
    }

    Answer get(String path) {
        return send(request(path).GET().build());
    }

    Answer post(String path, String json) {
        return send(posting(path, json));
    }

    Answer put(String path, String json) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", csrf())
                .PUT(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    /** Sends a file as it is. */
    Answer upload(String path, String file) {
        return send(request(path)
                .header("Content-Type", "application/octet-stream")
                .header("X-XSRF-TOKEN", csrf())
                .POST(HttpRequest.BodyPublishers.ofString(file))
                .build());
    }

    /** Puts bytes of a type. */
    Answer put(String path, String type, byte[] bytes) {
        return send(request(path)
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", csrf())
                .PUT(HttpRequest.BodyPublishers.ofByteArray(bytes))
                .build());
    }

    Answer delete(String path) {
        return send(request(path).header("X-XSRF-TOKEN", csrf()).DELETE().build());
    }

    /** Another program, with a token instead of a session. */
    static Answer program(String token, String path, String json) {
        Visitor program = new Visitor();
        HttpRequest.Builder request = request(path).header("Content-Type", "application/json");
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        return program.send(
                request.POST(HttpRequest.BodyPublishers.ofString(json)).build());
    }

    CompletableFuture<HttpResponse<byte[]>> postLater(String path, String json) {
        return client.sendAsync(posting(path, json), HttpResponse.BodyHandlers.ofByteArray());
    }

    /** Posts without the token that shows where the request comes from. */
    Answer forge(String path, String json) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    HttpClient client() {
        return client;
    }

    private String csrf() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private HttpRequest posting(String path, String json) {
        return request(path)
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", csrf())
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build();
    }

    private static HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(TestKitchen.url() + path)).timeout(Duration.ofSeconds(60));
    }

    private Answer send(HttpRequest request) {
        try {
            HttpResponse<byte[]> response = client.send(request, HttpResponse.BodyHandlers.ofByteArray());
            String type = response.headers().firstValue("Content-Type").orElse("");
            JsonNode body = type.contains("json") ? JSON.readTree(response.body()) : JSON.createObjectNode();
            return new Answer(response.statusCode(), body, response);
        } catch (IOException e) {
            throw new AssertionError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }
}
