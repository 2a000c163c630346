package potamos.bench;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import tools.jackson.databind.JsonNode;

/** Sixty senders that send a byte every eight seconds, without having signed in, while a cook logs. Bounded; stops by itself. */
public final class SlowSenders {
    private static final int SENDERS = 60;
    private static final int ACTS = 200;
    private static final long BETWEEN_BYTES_MS = 8_000;
    private static final long BETWEEN_ACTS_MS = 100;

    private SlowSenders() {}

    /** @param args the address of a running demo */
    public static void main(String[] args) {
        URI server = URI.create(args[0]);
        if (!server.getHost().equals("127.0.0.1")) {
            throw new IllegalArgumentException("only an address on loopback is measured");
        }
        Screen cook = new Screen(args[0], "ilse");
        String batch = simmering(cook);
        RangeLoad.report("an act, nobody beside", acts(cook, batch));
        AtomicInteger opened = new AtomicInteger();
        for (int i = 0; i < SENDERS; i++) {
            Thread sender = new Thread(() -> sendSlowly(server, opened));
            sender.setDaemon(true);
            sender.start();
        }
        LockSupport.parkNanos(TimeUnit.SECONDS.toNanos(2));
        RangeLoad.report("an act, beside sixty slow senders", acts(cook, batch));
        System.out.println("lines that slow senders opened           " + opened.get());
        System.exit(0);
    }

    private static String simmering(Screen cook) {
        for (JsonNode card : cook.get("/api/range").path("batches")) {
            if (card.path("stage").asString().equals("SIMMER")) {
                return card.path("id").asString();
            }
        }
        throw new IllegalStateException("nothing simmers in this demo");
    }

    private static void sendSlowly(URI server, AtomicInteger opened) {
        while (true) {
            try (Socket socket = new Socket()) {
                socket.connect(new InetSocketAddress(server.getHost(), server.getPort()));
                opened.incrementAndGet();
                socket.getOutputStream()
                        .write("""
                        POST /api/session HTTP/1.1\r
                        Host: %s\r
                        Content-Type: application/json\r
                        Content-Length: 100\r
                        \r
                        """.formatted(server.getAuthority()).getBytes(StandardCharsets.UTF_8));
                while (true) {
                    socket.getOutputStream().write('{');
                    LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(BETWEEN_BYTES_MS));
                }
            } catch (IOException closed) {
                // It begins again, as somebody would who means it.
            }
        }
    }

    private static long[] acts(Screen cook, String batch) {
        long[] took = new long[ACTS];
        for (int i = 0; i < ACTS; i++) {
            String now = cook.get("/api/range").path("now").asString();
            long start = System.nanoTime();
            cook.post("/api/batches/" + batch + "/acts", """
                    {"id": "%s", "kind": "skimmed", "at": "%s", "litres": 0.001}
                    """.formatted(UUID.randomUUID(), now));
            took[i] = System.nanoTime() - start;
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(BETWEEN_ACTS_MS));
        }
        return took;
    }
}
