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

    /** A shared machine has slow minutes; one that stops is noticed at once. */
    private static final Duration LONGEST_START = Duration.ofMinutes(5);

    private final PrivateDatabase database;
    private final int port = freePort();
    private final List<String> command;
    private Process process;

    private RunningPotamos(PrivateDatabase database, List<String> command) {
        this.database = database;
        this.command = command;
    }

    /** The demo kitchen at its own moment, the same for every run. */
    static RunningPotamos demo(String name) {
        return started(PrivateDatabase.copyOf(Prepared.demo(), name), Prepared.DEMO);
    }

    /** A kitchen that nobody has made yet. */
    static RunningPotamos unmade(String name) {
        return started(PrivateDatabase.start(name), List.of());
    }

    private static RunningPotamos started(PrivateDatabase database, List<String> arguments) {
        List<String> command = new ArrayList<>(Prepared.command());
        command.addAll(arguments);
        RunningPotamos running = new RunningPotamos(database, command);
        try {
            running.up();
        } catch (RuntimeException notReady) {
            // What nobody stops takes the machine from all that follows.
            running.close();
            throw notReady;
        }
        return running;
    }

    /**
     * Runs the application until it is ready, and ends it in order.
     *
     * @param command that runs it, with its arguments
     * @param longest until it is ready
     */
    static void once(PrivateDatabase database, List<String> command, Duration longest) {
        RunningPotamos running = new RunningPotamos(database, command);
        try {
            running.up(longest);
        } finally {
            running.end();
        }
    }

    /** Starts the application again after {@link #kill()}. */
    void up() {
        up(LONGEST_START);
    }

    private void up(Duration longest) {
        Path log = PrivateDatabase.root().resolve("journeys/target/application.log");
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
        awaitReady(longest);
    }

    private void awaitReady(Duration longest) {
        HttpClient client = HttpClient.newHttpClient();
        HttpRequest ready = HttpRequest.newBuilder(URI.create(url() + "/actuator/health/readiness"))
                .build();
        long end = System.nanoTime() + longest.toNanos();
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
        throw new IllegalStateException("the application was not ready within " + longest);
    }

    /** Ends the application as a power cut would. */
    void kill() {
        process.destroyForcibly().onExit().join();
    }

    String url() {
        return "http://127.0.0.1:" + port;
    }

    @Override
    public void close() {
        end();
        database.close();
    }

    private void end() {
        process.destroy();
        process.onExit().orTimeout(2, TimeUnit.MINUTES).join();
    }

    static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
