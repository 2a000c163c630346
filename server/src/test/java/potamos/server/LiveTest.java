package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestKitchen.class)
class LiveTest {

    private static final Duration SOON = Duration.ofSeconds(10);

    private static BlockingQueue<String> listen(Visitor visitor) {
        BlockingQueue<String> lines = new LinkedBlockingQueue<>();
        HttpRequest request = HttpRequest.newBuilder(URI.create(TestKitchen.url() + "/api/live"))
                .build();
        visitor.client().sendAsync(request, HttpResponse.BodyHandlers.ofLines()).thenAccept(response -> {
            try (Stream<String> body = response.body()) {
                body.forEach(lines::add);
            }
        });
        return lines;
    }

    private static void await(BlockingQueue<String> lines, String words) throws InterruptedException {
        String line;
        do {
            line = lines.poll(SOON.toSeconds(), TimeUnit.SECONDS);
            assertThat(line).as("waiting for %s", words).isNotNull();
        } while (!line.contains(words));
    }

    @Test
    void anActOnOneScreenIsToldOnAnother() throws InterruptedException {
        Visitor cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        BlockingQueue<String> other = listen(Visitor.signedIn("tomaz"));
        await(other, "hello");
        String note = UUID.randomUUID().toString();
        batch.tryLog(note, "skimmed", "\"litres\": 0.1");
        await(other, batch.id());
    }

    @Test
    void aLostDatabaseIsWaitedForAndNothingIsLost() {
        Visitor cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestKitchen.database().down();
        var sent =
                cook.postLater(batch.path(), TestBatch.act(UUID.randomUUID().toString(), "skimmed", "\"litres\": 0.1"));
        CompletableFuture.delayedExecutor(5, TimeUnit.SECONDS)
                .execute(() -> TestKitchen.database().up());
        assertThat(sent.join().statusCode()).isEqualTo(200);
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(1);
    }
}
