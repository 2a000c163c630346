package potamos.journeys;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import potamos.server.PrivateDatabase;

/** The packaged application in a process of its own, on a database of its own, as a kitchen would run it. */
final class RunningPotamos implements AutoCloseable {

    private static final Duration LONGEST_START = Duration.ofMinutes(2);

    private final PrivateDatabase database;
    private final int port;
    private final List<String> arguments;
    private Process process;

    private RunningPotamos(PrivateDatabase database, int port, List<String> arguments) {
        this.database = database;
        this.port = port;
        this.arguments = arguments;
    }

    /** The demo kitchen at its own moment, the same for every run. */
    static RunningPotamos demo(String name) {
        return start(name, List.of("--potamos.demo=true", "--potamos.demo-moment=2026-03-03T10:10:00Z"));
    }

    /** A kitchen that nobody has made yet. */
    static RunningPotamos unmade(String name) {
        return start(name, List.of());
    }

    private static RunningPotamos start(String name, List<String> arguments) {
        RunningPotamos running = new RunningPotamos(PrivateDatabase.start(name), freePort(), arguments);
        running.up();
        return running;
    }

    /** Starts the application, or starts it again after {@link #kill()}. */
    void up() {
        Path root = PrivateDatabase.root();
        Path log = root.resolve("journeys/target/application.log");
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-Xmx512m",
                "-XX:TieredStopAtLevel=1",
                "-jar",
                root.resolve("server/target/potamos-server-app.jar").toString()));
        command.addAll(arguments);
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("POTAMOS_DB_URL", database.url());
        builder.environment().put("POTAMOS_DB_PASSWORD", database.password());
        builder.environment().put("POTAMOS_DB_KEEPER_PASSWORD", database.keeperPassword());
        builder.environment().put("POTAMOS_PORT", Integer.toString(port));
        try {
            Files.createDirectories(log.getParent());
            process = builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
                    .start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        awaitReady();
    }

    private void awaitReady() {
        HttpClient client = HttpClient.newHttpClient();
        HttpRequest ready = HttpRequest.newBuilder(URI.create(url() + "/actuator/health/readiness"))
                .build();
        long end = System.nanoTime() + LONGEST_START.toNanos();
        while (System.nanoTime() < end) {
            if (!process.isAlive()) {
                throw new IllegalStateException("the application stopped; see journeys/target/application.log");
            }
            try {
                if (client.send(ready, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                // Not listening yet.
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(100));
        }
        throw new IllegalStateException("the application was not ready within " + LONGEST_START);
    }

    /** Ends the application as a power cut would. */
    void kill() {
        process.destroyForcibly().onExit().join();
    }

    PrivateDatabase database() {
        return database;
    }

    String url() {
        return "http://127.0.0.1:" + port;
    }

    @Override
    public void close() {
        process.destroy();
        process.onExit().orTimeout(30, TimeUnit.SECONDS).join();
        database.close();
    }

    static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
