package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What runs a kitchen, with an application that is slow to come up. */
class WatchdogTest {
    private static final int HANGS_AFTER_S = 2;
    private static final int START_S = 3 * HANGS_AFTER_S;
    private static final Duration LONGEST = Duration.ofMinutes(2);

    private Path home;
    private int port;
    private Process watchdog;

    @BeforeEach
    void start() throws IOException {
        home = Files.createTempDirectory("potamos watched ");
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwx--x--x"));
        port = freePort();
        ProcessBuilder command = new ProcessBuilder(List.of(
                PrivateDatabase.root().resolve("bin/watchdog").toString(),
                home.toString(),
                Integer.toString(port),
                "--fast",
                "--",
                ProcessHandle.current().info().command().orElse("java"),
                "-cp",
                PrivateDatabase.root().resolve("server/target/test-classes").toString(),
                SlowToCome.class.getName(),
                home.resolve("started").toString(),
                Integer.toString(START_S)));
        command.environment().put("POTAMOS_HANGS_AFTER_S", Integer.toString(HANGS_AFTER_S));
        watchdog = command.inheritIO().start();
        until(() -> Files.exists(home.resolve("ready")));
    }

    @AfterEach
    void stop() {
        watchdog.destroy();
        watchdog.onExit().orTimeout(60, TimeUnit.SECONDS).join();
        assertThat(home.resolve("app.pid")).doesNotExist();
        assertThat(home.resolve("db/mariadb.pid")).doesNotExist();
        PrivateDatabase.delete(home);
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private void until(BooleanSupplier there) {
        long end = System.nanoTime() + LONGEST.toNanos();
        while (!there.getAsBoolean()) {
            assertThat(System.nanoTime())
                    .as("the moment it is given up; see %s", home)
                    .isLessThan(end);
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(100));
        }
    }

    private String told(String file) {
        try {
            return Files.exists(home.resolve(file))
                    ? Files.readString(home.resolve(file)).trim()
                    : "";
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private boolean answers() {
        try {
            HttpURLConnection asked = (HttpURLConnection) URI.create("http://127.0.0.1:" + port + "/actuator/health")
                    .toURL()
                    .openConnection();
            asked.setConnectTimeout(500);
            asked.setReadTimeout(500);
            return asked.getResponseCode() == 200;
        } catch (IOException away) {
            return false;
        }
    }

    private static void signal(String name, String pid) throws IOException, InterruptedException {
        assertThat(new ProcessBuilder("kill", "-" + name, pid).start().waitFor())
                .isZero();
    }

    @Test
    void anApplicationThatStartsSlowlyIsWaitedForAndOneThatHangsIsStartedAgain() throws Exception {
        signal("KILL", told("app.pid"));
        until(() -> told("watchdog.log").contains("the application answers again"));
        assertThat(told("watchdog.log").lines()).hasSize(2);
        assertThat(told("restarts")).isEqualTo("1");

        String second = told("app.pid");
        signal("STOP", told("app.pid"));
        until(() -> told("watchdog.log").contains("after it had come up; ending it"));
        until(this::answers);
        assertThat(told("app.pid")).isNotEqualTo(second);
        assertThat(told("restarts")).isEqualTo("2");
    }

    @Test
    void aDatabaseThatDoesNotAnswerIsWaitedForAndNoneIsPutBesideIt() throws Exception {
        String database = told("db/mariadb.pid");
        signal("STOP", database);
        until(() -> told("watchdog.log").contains("the database is gone; starting it again"));
        signal("CONT", database);
        until(this::databaseAnswers);
        // A second one would have taken its place in the file, its socket and, dying of its lock, its port.
        assertThat(told("db/mariadb.pid")).isEqualTo(database);
        assertThat(told("watchdog.log")).doesNotContain("did not start");
        assertThat(told("restarts")).isEmpty();
    }

    private boolean databaseAnswers() {
        try {
            return new ProcessBuilder(
                                    PrivateDatabase.root()
                                            .resolve("bin/private-mariadb")
                                            .toString(),
                                    "alive",
                                    home.resolve("db").toString())
                            .start()
                            .waitFor()
                    == 0;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
