package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestKitchen.class)
class LiveTest {

    private static final Duration SOON = Duration.ofSeconds(10);

    static BlockingQueue<String> listen(Visitor visitor) {
        BlockingQueue<String> lines = new LinkedBlockingQueue<>();
        HttpRequest request = HttpRequest.newBuilder(URI.create(TestKitchen.url() + "/api/live"))
                .build();
        visitor.client()
                .sendAsync(request, HttpResponse.BodyHandlers.ofLines())
                .thenAcceptAsync(
                        response -> {
                            try (Stream<String> body = response.body()) {
                                body.forEach(lines::add);
                            }
                        },
                        Visitor::byItself);
        return lines;
    }

    static void await(BlockingQueue<String> lines, String words) throws InterruptedException {
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

    /** A backup that was put back has a log of changes whose numbers begin again. */
    @Test
    void whatHappensAfterARestoreIsToldThoughItsNumberWasPassedLongAgo() throws InterruptedException {
        Visitor cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        BlockingQueue<String> screen = listen(Visitor.signedIn("tomaz"));
        await(screen, "hello");
        TestKitchen.keeper().update("DELETE FROM change_log");
        TestKitchen.keeper().execute("ALTER TABLE change_log AUTO_INCREMENT = 1");
        // Everybody is told to look at everything again, and hears what comes after.
        await(screen, "hello");
        batch.log("skimmed", "\"litres\": 0.1");
        await(screen, batch.id());
    }

    @Test
    void aLostDatabaseIsWaitedForAndNothingIsLost() {
        Visitor cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        TestKitchen.database().down();
        String act = TestBatch.act(UUID.randomUUID().toString(), "skimmed", "\"litres\": 0.1");
        var sent = cook.postLater(batch.path(), act);
        // No thread waits in it for long: the screen keeps the act, and sends it until it is taken.
        assertThat(sent.orTimeout(10, TimeUnit.SECONDS).join().statusCode()).isEqualTo(503);
        assertThat(sent.join().headers().firstValue("Retry-After")).isPresent();
        TestKitchen.database().up();
        int status;
        do {
            status = cook.postLater(batch.path(), act).join().statusCode();
            assertThat(status).isIn(200, 503);
        } while (status != 200);
        assertThat(batch.page().at("/card/simmer/skims").asInt()).isEqualTo(1);
    }

    @Test
    void aChangeNamesTheActThatMadeIt() throws InterruptedException {
        Visitor cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).simmering();
        BlockingQueue<String> screen = listen(Visitor.signedIn("tomaz"));
        await(screen, "hello");
        String act = UUID.randomUUID().toString();
        batch.tryLog(act, "skimmed", "\"litres\": 0.1");
        await(screen, "\"act\":\"" + act + "\"");
    }
}
