package potamos.journeys;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import potamos.server.PrivateDatabase;

/** A demo kitchen run as a kitchen runs: by the watchdog, with a database that outlives a power cut. Its parts can be killed. */
final class WatchedPotamos implements AutoCloseable {
    private static final Duration LONGEST_START = Duration.ofMinutes(5);

    private final Path home;
    private final int port;
    private final Process watchdog;

    private WatchedPotamos(Path home, int port, Process watchdog) {
        this.home = home;
        this.port = port;
        this.watchdog = watchdog;
    }

    static WatchedPotamos start(String name) {
        Path root = PrivateDatabase.root();
        int port = RunningPotamos.freePort();
        try {
            // A space in the name is what somebody's folder may well have; the database's account has to get there, as
            // in a kitchen.
            Path home = Files.createTempDirectory("potamos " + name + " ");
            Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwx--x--x"));
            PrivateDatabase.copy(Prepared.demo(), home.resolve("db"));
            List<String> command = new ArrayList<>(
                    List.of(root.resolve("bin/watchdog").toString(), home.toString(), Integer.toString(port), "--"));
            command.addAll(Prepared.command());
            command.addAll(Prepared.DEMO);
            Process watchdog = new ProcessBuilder(command).inheritIO().start();
            WatchedPotamos potamos = new WatchedPotamos(home, port, watchdog);
            try {
                potamos.awaitStart();
            } catch (RuntimeException notReady) {
                // What nobody stops takes the machine from all that follows.
                potamos.close();
                throw notReady;
            }
            return potamos;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void awaitStart() {
        long end = System.nanoTime() + LONGEST_START.toNanos();
        while (!Files.exists(home.resolve("ready"))) {
            if (!watchdog.isAlive() || System.nanoTime() > end) {
                throw new IllegalStateException("the kitchen did not start; see journeys/target/watched.log");
            }
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(200));
        }
    }

    String url() {
        return "http://127.0.0.1:" + port;
    }

    Path home() {
        return home;
    }

    void killApplication() {
        kill("app.pid");
    }

    void killDatabase() {
        kill("db/mariadb.pid");
    }

    private void kill(String pidFile) {
        try {
            long pid = Long.parseLong(Files.readString(home.resolve(pidFile)).trim());
            ProcessHandle.of(pid).ifPresent(process -> {
                process.destroyForcibly();
                // Being told of the end of somebody else's process takes longer than the watchdog needs to start
                // another.
                while (process.isAlive()) {
                    Thread.onSpinWait();
                }
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Stops it as Ctrl-C does, and wants nothing left running. */
    @Override
    public void close() {
        watchdog.destroy();
        watchdog.onExit().orTimeout(2, TimeUnit.MINUTES).join();
        keepLog();
        if (Files.exists(home.resolve("app.pid")) || Files.exists(home.resolve("db/mariadb.pid"))) {
            throw new IllegalStateException("the watchdog has left something running; see " + home);
        }
        PrivateDatabase.delete(home);
    }

    /** What the application said is worth keeping when a journey through it failed. */
    private void keepLog() {
        Path said = home.resolve("console.log");
        Path kept = PrivateDatabase.root().resolve("journeys/target/watched.log");
        try {
            if (Files.exists(said)) {
                Files.createDirectories(kept.getParent());
                Files.copy(said, kept, StandardCopyOption.REPLACE_EXISTING);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
