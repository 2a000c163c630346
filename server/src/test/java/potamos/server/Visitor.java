package potamos.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody at a browser, without the browser: keeps cookies, sends the CSRF token back. */
final class Visitor {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_TIMES_TOLD_TO_WAIT = 5000;

    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(Duration.ofSeconds(5))
            .build();
    private final String server;
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

        /** Whether nothing was answered but that it is to be asked again in a second. */
        private boolean isToWait() {
            return status == 429 && raw.headers().firstValue("Retry-After").equals(Optional.of("1"));
        }
    }

    private Visitor(String server) {
        this.server = server;
    }

    /** For a test of the pages themselves: it is left out where the server is tested without them. */
    static void needsPages() {
        Assumptions.assumeTrue(Visitor.class.getResource("/static/index.html") != null, "tested without pages");
    }

    static Visitor stranger() {
        return strangerAt(TestKitchen.url());
    }

    /** The same at another server. */
    static Visitor strangerAt(String server) {
        Visitor visitor = new Visitor(server);
        visitor.get("/api/session");
        return visitor;
    }

    /** A person of the demo kitchen, signed in. */
    static Visitor signedIn(String name) {
        return signedIn(name, TestKitchen.url());
    }

    /** The same at another server. */
    static Visitor signedIn(String name, String server) {
        Visitor visitor = strangerAt(server);
        Answer answer = onceItMay(() -> visitor.post("/api/session", """
                {"signIn": "%s", "password": "kestrel-%s"}
                """.formatted(name, name)));
        if (answer.status() != 200) {
            throw new AssertionError("could not sign in as " + name + ": " + answer.body());
        }
        // Let in once, it is no longer counted with whoever else asks from this address.
        onceItMay(() -> visitor.get("/api/kitchen/outages"));
        visitor.personId = answer.at("/person/id").asString();
        return visitor;
    }

    /** Many from one address, of the test before too, are told to wait a second: that is no answer to what was asked. */
    static Answer onceItMay(Supplier<Answer> ask) {
        Answer answer = ask.get();
        for (int told = 0; answer.isToWait() && told < MOST_TIMES_TOLD_TO_WAIT; told++) {
            answer = ask.get();
        }
        return answer;
    }

    /** Somebody whom another has taken in: signs in with the password that was given to them, and chooses their own. */
    static Visitor newcomer(String name) {
        Visitor visitor = signedIn(name);
        Answer chosen = visitor.put("/api/session/password", """
                {"soFar": "kestrel-%s", "password": "quiet heron under %s"}
                """.formatted(name, name));
        if (chosen.status() != 200) {
            throw new AssertionError("could not choose a password as " + name + ": " + chosen.body());
        }
        return visitor;
    }

    String personId() {
        return personId;
    }

    Answer get(String path) {
        return send(request(path).GET().build());
    }

    Answer send(String method, String path, String json) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", csrf())
                .method(method, HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    /** The same without the token that shows where the request comes from. */
    Answer sendForged(String method, String path, String json) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    Answer post(String path, String type, String body) {
        return send(request(path)
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", csrf())
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
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
        Visitor program = new Visitor(TestKitchen.url());
        HttpRequest.Builder request = program.request(path).header("Content-Type", "application/json");
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        return program.send(
                request.POST(HttpRequest.BodyPublishers.ofString(json)).build());
    }

    CompletableFuture<HttpResponse<byte[]>> postLater(String path, String json) {
        return client.sendAsync(posting(path, json), HttpResponse.BodyHandlers.ofByteArray());
    }

    CompletableFuture<HttpResponse<byte[]>> getLater(String path) {
        return client.sendAsync(request(path).GET().build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    /** Somebody without a cookie, and without asking for one. */
    static Visitor plain() {
        return new Visitor(TestKitchen.url());
    }

    /** For how many seconds the browser is to keep each cookie. */
    Map<String, Long> cookieAges() {
        return cookies.getCookieStore().getCookies().stream()
                .collect(Collectors.toMap(HttpCookie::getName, HttpCookie::getMaxAge));
    }

    /** An open line of the live feed. */
    static final class Line {
        private static final String END = "the line has ended";
        private final BlockingQueue<String> lines = new LinkedBlockingQueue<>();

        /** What is told next; empty lines left out. */
        String next() {
            try {
                String line;
                do {
                    line = lines.poll(15, TimeUnit.SECONDS);
                } while (line != null && line.isBlank());
                return String.valueOf(line);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new AssertionError(e);
            }
        }

        /** Whether it comes to an end by itself. */
        boolean ends() {
            String line;
            do {
                line = next();
            } while (!line.equals(END) && !line.equals("null"));
            return line.equals(END);
        }
    }

    /** On a thread of its own: an answer that is there already would be read to its end by whoever asks for it, and a live line has none. */
    static void byItself(Runnable reading) {
        Thread thread = new Thread(reading, "listening");
        thread.setDaemon(true);
        thread.start();
    }

    /** Listens to the live feed. */
    Line listen() {
        Line line = new Line();
        client.sendAsync(request("/api/live").GET().build(), HttpResponse.BodyHandlers.ofLines())
                .thenAcceptAsync(
                        response -> {
                            try (Stream<String> body = response.body()) {
                                body.forEach(line.lines::add);
                            } catch (UncheckedIOException cut) {
                                // A line that is cut has ended as well.
                            }
                            line.lines.add(Line.END);
                        },
                        Visitor::byItself);
        return line;
    }

    /** Posts without the token that shows where the request comes from. */
    Answer forge(String path, String json) {
        return sendForged("POST", path, json);
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

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(server + path)).timeout(Duration.ofSeconds(60));
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
