package potamos.server.edge;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.boot.web.server.servlet.context.ServletWebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Whether this server answers: asked over its own socket as a page asks first, through everything that stands before an answer, to the database and back.
 * What was found out a moment ago is told again, so that whoever asks often costs one thread and no more.
 */
@Component
class AnswersHealthIndicator implements HealthIndicator {

    /** As long as a request is let wait for its turn, and a little. */
    private static final Duration LONGEST = Duration.ofSeconds(5);

    private static final Duration KNOWN_FOR = Duration.ofSeconds(1);
    private static final int REFUSED_BY_A_FAULT = 500;

    private final HttpClient asks =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private volatile int port;
    private Health known = Health.unknown().build();
    private long foundAt = System.nanoTime() - KNOWN_FOR.toNanos();

    @EventListener
    void listening(ServletWebServerInitializedEvent started) {
        port = started.getWebServer().getPort();
    }

    @Override
    public synchronized Health health() {
        if (System.nanoTime() - foundAt >= KNOWN_FOR.toNanos()) {
            known = ask();
            foundAt = System.nanoTime();
        }
        return known;
    }

    private Health ask() {
        HttpRequest first = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/session"))
                .timeout(LONGEST)
                .build();
        try {
            int status =
                    asks.send(first, HttpResponse.BodyHandlers.discarding()).statusCode();
            return (status < REFUSED_BY_A_FAULT ? Health.up() : Health.down())
                    .withDetail("status", status)
                    .build();
        } catch (IOException silent) {
            return Health.down().withDetail("status", "no answer").build();
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            return Health.outOfService().build();
        }
    }
}
