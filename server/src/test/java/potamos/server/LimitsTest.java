package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** How often one may ask: a gateway with many probes never too often, who makes up a name for each request soon enough. */
@ExtendWith(TestKitchen.class)
class LimitsTest {

    private static final int PROBES = 200;
    private static final int SECONDS = 4;
    private static final int TOO_MANY = 429;

    /** What is allowed grows again with time; asked this often, even a slow machine meets the limit. */
    private static final int WITHOUT_END = 5000;

    private final Visitor cook = Visitor.signedIn("ilse");

    private record Probe(String id, String token) {}

    @Test
    void twoHundredProbesBehindOneAddressAreAllHeard() {
        List<Probe> probes = IntStream.range(0, PROBES).mapToObj(i -> probe()).toList();
        Map<Integer, Integer> answers = asked("127.0.0.21", PROBES * SECONDS, i -> {
            Probe probe = probes.get(i % PROBES);
            return reading(probe, 80 + 0.1 * (i / PROBES));
        });
        probes.forEach(this::retire);
        assertThat(answers).isEqualTo(Map.of(200, PROBES * SECONDS));
    }

    @Test
    void oneDeviceThatSendsWithoutEndIsToldToWaitAndItsNeighbourIsNot() {
        Probe eager = probe();
        Probe calm = probe();
        Map<Integer, Integer> answers = asked("127.0.0.22", WITHOUT_END, i -> reading(eager, 80 + 0.01 * i));
        Map<Integer, Integer> beside = asked("127.0.0.22", 1, i -> reading(calm, 80));
        List.of(eager, calm).forEach(this::retire);
        assertThat(answers.keySet()).containsExactlyInAnyOrder(200, TOO_MANY);
        assertThat(beside).isEqualTo(Map.of(200, 1));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "GET /api/range HTTP/1.1\r\nCookie: potamos=made-up-%d",
                "GET /api/session HTTP/1.1\r\nCookie: potamos=made-up-%d",
                "GET /%%61pi/%%73ession HTTP/1.1\r\nCookie: potamos=made-up-%d",
                "POST /api/calc/cut HTTP/1.1\r\nAuthorization: Bearer made-up-%d\r\nContent-Length: 0",
            })
    void aNameMadeUpForEachRequestMeetsTheLimitOfItsAddress(String request) {
        String address = "127.0.1." + (30 + Math.floorMod(request.hashCode(), 200));
        Map<Integer, Integer> answers = asked(address, WITHOUT_END, i -> request.formatted(i) + "\r\n\r\n");
        assertThat(answers).containsKey(TOO_MANY);
        // A person at the same address who has been let in goes on working.
        assertThat(cook.get("/api/range").status()).isEqualTo(200);
    }

    private Probe probe() {
        JsonNode made = cook.post("/api/devices", """
                        {"name": "Many %s", "kind": "PROBE"}
                        """.formatted(
                                UUID.randomUUID().toString().substring(0, 8)))
                .body();
        return new Probe(made.path("id").asString(), made.path("token").asString());
    }

    private void retire(Probe probe) {
        cook.post("/api/devices/" + probe.id() + "/retirement", "{}");
    }

    private static String reading(Probe probe, double celsius) {
        String json = "{\"readings\": [{\"at\": \"%s\", \"value\": %s}]}".formatted(TestBatch.now(), celsius);
        return """
                POST /api/devices/%s/readings HTTP/1.1\r
                Authorization: Bearer %s\r
                Content-Type: application/json\r
                Content-Length: %d\r
                \r
                %s""".formatted(probe.id(), probe.token(), json.length(), json);
    }

    /** Asks from an address of loopback, one request after another, until it is told to wait. How often there was which status. */
    private static Map<Integer, Integer> asked(String from, int times, IntFunction<String> request) {
        Map<Integer, Integer> answers = new HashMap<>();
        for (int i = 0; i < times && !answers.containsKey(TOO_MANY); i++) {
            answers.merge(status(from, request.apply(i)), 1, Integer::sum);
        }
        return answers;
    }

    private static int status(String from, String request) {
        URI server = URI.create(TestKitchen.url());
        try (Socket socket = new Socket()) {
            socket.bind(new InetSocketAddress(InetAddress.getByName(from), 0));
            socket.connect(new InetSocketAddress("127.0.0.1", server.getPort()));
            String host = "HTTP/1.1\r\nHost: %s\r\nConnection: close".formatted(server.getAuthority());
            socket.getOutputStream().write(request.replace("HTTP/1.1", host).getBytes(StandardCharsets.UTF_8));
            return Integer.parseInt(
                    new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))
                            .readLine()
                            .split(" ")[1]);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
