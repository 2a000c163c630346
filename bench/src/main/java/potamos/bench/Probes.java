package potamos.bench;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;

/** Probes that report once a second, spread over the second as real ones are. */
final class Probes {

    private final ScheduledExecutorService clock = Executors.newScheduledThreadPool(2);
    private final Queue<Long> took = new ConcurrentLinkedQueue<>();
    private final Queue<String> refused = new ConcurrentLinkedQueue<>();
    private final HttpClient client =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    private Probes() {}

    static Probes start(String url, Screen cook, int count) {
        Probes probes = new Probes();
        List<JsonNode> devices = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            devices.add(cook.post(
                    "/api/devices", """
                    {"name": "Load %s", "kind": "PROBE"}
                    """.formatted(UUID.randomUUID().toString().substring(0, 8))));
        }
        Duration ahead = Duration.between(
                Instant.now(),
                Instant.parse(cook.get("/api/session").path("now").asString()));
        for (int i = 0; i < count; i++) {
            JsonNode device = devices.get(i);
            URI to = URI.create(url + "/api/devices/" + device.path("id").asString() + "/readings");
            String token = device.path("token").asString();
            probes.clock.scheduleAtFixedRate(
                    () -> probes.send(to, token, ahead), i * 1000L / count, 1000, TimeUnit.MILLISECONDS);
        }
        return probes;
    }

    private void send(URI to, String token, Duration ahead) {
        String json = "{\"readings\": [{\"at\": \"%s\", \"value\": 91.5}]}"
                .formatted(Instant.now().plus(ahead));
        HttpRequest request = HttpRequest.newBuilder(to)
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + token)
                .timeout(Duration.ofSeconds(30))
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build();
        long start = System.nanoTime();
        client.sendAsync(request, HttpResponse.BodyHandlers.ofString()).whenComplete((answer, failed) -> {
            if (failed != null) {
                refused.add(failed.toString());
            } else if (answer.statusCode() != 200) {
                refused.add(answer.statusCode() + " " + answer.body());
            } else {
                took.add(System.nanoTime() - start);
            }
        });
    }

    /**
     * How long each answer took since it was last asked.
     *
     * @throws IllegalStateException when a reading was not taken: a figure without it would be better than the truth
     */
    long[] soFar() {
        if (!refused.isEmpty()) {
            throw new IllegalStateException(refused.size() + " readings were not taken: " + refused.peek());
        }
        List<Long> all = new ArrayList<>();
        for (Long one = took.poll(); one != null; one = took.poll()) {
            all.add(one);
        }
        return all.stream().mapToLong(Long::longValue).toArray();
    }

    /** Stops them and tells how long each answer took since it was last asked. */
    long[] stop() {
        clock.shutdownNow();
        return soFar();
    }
}
