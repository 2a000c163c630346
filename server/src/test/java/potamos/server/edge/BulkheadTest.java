package potamos.server.edge;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.eclipse.jetty.io.Content;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.server.Server;
import org.eclipse.jetty.server.ServerConnector;
import org.eclipse.jetty.util.Callback;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What stands before the application gives back what it takes, whatever becomes of a request. */
class BulkheadTest {

    private static final int REQUESTS = 5_000;
    private static final int SENDERS = 64;

    /** What the application does of a request, told by its path. */
    private enum Work {
        ANSWER,
        ANSWER_ELSEWHERE,
        THROW,
        REFUSE,
        FAIL,
        FAIL_TWICE,
        ANSWER_LATE,
        READ_AND_ANSWER,
        ANSWER_MUCH
    }

    /** What becomes of whoever sent it. */
    private enum Sender {
        WAITS,
        GOES_AT_ONCE,
        GOES_IN_THE_HEAD,
        GOES_IN_THE_BODY,
        GOES_AFTER_A_WHILE,
        SENDS_NO_LENGTH
    }

    /** Until it opens, the application keeps those who ask for the gate. */
    private volatile CountDownLatch gate;

    private volatile CountDownLatch inside;
    private final ExecutorService elsewhere = Executors.newFixedThreadPool(Bulkhead.AT_ONCE);
    private final ExecutorService senders = Executors.newFixedThreadPool(SENDERS);
    private final Server server = new Server();
    private int port;

    @BeforeEach
    void start() throws Exception {
        ServerConnector connector = new ServerConnector(server);
        connector.setHost("127.0.0.1");
        server.addConnector(connector);
        server.setHandler(new Arrivals(new Bulkhead(new Application())));
        server.start();
        port = connector.getLocalPort();
    }

    @AfterEach
    void stop() throws Exception {
        senders.shutdownNow();
        server.stop();
        elsewhere.shutdownNow();
    }

    private final class Application extends Handler.Abstract {
        @Override
        public boolean handle(Request request, Response response, Callback callback) throws IOException {
            String name = Request.getPathInContext(request).substring("/api/".length());
            if (name.equals("gate")) {
                inside.countDown();
                elsewhere.execute(() -> {
                    awaited(gate);
                    answer(response, callback, 1);
                });
                return true;
            }
            switch (Work.valueOf(name)) {
                case ANSWER -> answer(response, callback, 1);
                case ANSWER_ELSEWHERE -> elsewhere.execute(() -> answer(response, callback, 1));
                case THROW -> throw new IOException("thrown by the application");
                case REFUSE -> {
                    return false;
                }
                case FAIL -> callback.failed(new IOException("failed by the application"));
                case FAIL_TWICE -> {
                    callback.failed(new IOException("once"));
                    callback.failed(new IOException("twice"));
                }
                case ANSWER_LATE ->
                    request.getComponents()
                            .getScheduler()
                            .schedule(() -> answer(response, callback, 1), 20, TimeUnit.MILLISECONDS);
                case READ_AND_ANSWER -> {
                    Content.Source.asString(request);
                    answer(response, callback, 1);
                }
                case ANSWER_MUCH -> answer(response, callback, 1 << 20);
            }
            return true;
        }
    }

    private static void answer(Response response, Callback callback, int bytes) {
        response.write(true, ByteBuffer.allocate(bytes), callback);
    }

    private static void awaited(CountDownLatch latch) {
        try {
            assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private Socket sent(String request) throws IOException {
        Socket socket = new Socket("127.0.0.1", port);
        socket.setSoTimeout(20_000);
        socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private Socket asked(String what) throws IOException {
        return sent("GET /api/%s HTTP/1.1\r\nHost: k\r\nConnection: close\r\n\r\n".formatted(what));
    }

    /** A request from its first byte to the end of its connection. */
    private void send(Work work, Sender sender) {
        String body = "{\"litres\": 1}";
        String head = "POST /api/%s HTTP/1.1\r\nHost: k\r\nConnection: close\r\n".formatted(work);
        String whole = head + "Content-Length: " + body.length() + "\r\n\r\n" + body;
        String sent = switch (sender) {
            case GOES_IN_THE_HEAD -> head.substring(0, head.length() / 2);
            case GOES_IN_THE_BODY -> whole.substring(0, whole.length() - 5);
            case SENDS_NO_LENGTH -> head + "Transfer-Encoding: chunked\r\n\r\n";
            default -> whole;
        };
        try (Socket socket = sent(sent)) {
            if (sender == Sender.WAITS || sender == Sender.SENDS_NO_LENGTH) {
                // What the application fails is not answered.
                socket.setSoTimeout(work == Work.FAIL || work == Work.FAIL_TWICE ? 100 : 20_000);
                socket.getInputStream().readAllBytes();
                return;
            }
            // What is closed unread is reset, as by a tablet that leaves the cellar.
            socket.setSoLinger(true, 0);
            if (sender == Sender.GOES_AFTER_A_WHILE) {
                socket.setSoTimeout(3);
                socket.getInputStream().read();
            }
        } catch (IOException ofWhoeverGoes) {
            // The other end closed first, or there was no answer in time: both belong to it.
        }
    }

    /** Fills the application up to what it is let have, and says how many that were. */
    private List<Socket> holdAll() throws IOException, InterruptedException {
        gate = new CountDownLatch(1);
        inside = new CountDownLatch(Bulkhead.AT_ONCE);
        List<Socket> held = new ArrayList<>();
        for (int i = 0; i < Bulkhead.AT_ONCE; i++) {
            held.add(asked("gate"));
        }
        return held;
    }

    private void everyPermitIsThere() throws IOException, InterruptedException {
        List<Socket> held = holdAll();
        boolean allCame = inside.await(10, TimeUnit.SECONDS);
        long without = inside.getCount();
        gate.countDown();
        for (Socket socket : held) {
            socket.getInputStream().readAllBytes();
            socket.close();
        }
        assertThat(allCame).as("permits lost: %s", without).isTrue();
    }

    @Test
    void everyPermitIsThereAgainAfterFiveThousandRequestsThatEndedInEveryWay() throws Exception {
        SplittableRandom chance = new SplittableRandom(32);
        List<Future<?>> under = new ArrayList<>();
        for (int i = 0; i < REQUESTS; i++) {
            Work work = Work.values()[i % Work.values().length];
            Sender sender = Sender.values()[chance.nextInt(Sender.values().length)];
            under.add(senders.submit(() -> send(work, sender)));
        }
        for (Future<?> one : under) {
            one.get(60, TimeUnit.SECONDS);
        }
        everyPermitIsThere();
    }

    @Test
    void thoseWhoWaitAreToldInTimeAndWhoeverGoesMeanwhileTakesNoPermitAlong() throws Exception {
        List<Socket> holders = holdAll();
        awaited(inside);
        List<Future<?>> behind = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            Sender sender = Sender.values()[i % Sender.values().length];
            behind.add(senders.submit(() -> send(Work.READ_AND_ANSWER, sender)));
        }
        try (Socket socket = asked("ANSWER")) {
            String told = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(told).startsWith("HTTP/1.1 503").contains("Nothing was written");
        }
        for (Future<?> one : behind) {
            one.get(30, TimeUnit.SECONDS);
        }
        gate.countDown();
        for (Socket socket : holders) {
            socket.close();
        }
        everyPermitIsThere();
    }
}
