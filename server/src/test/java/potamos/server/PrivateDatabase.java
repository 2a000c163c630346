package potamos.server;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A real MariaDB of our own for a run of tests, started and stopped by the same script as the application's. */
public final class PrivateDatabase implements AutoCloseable {

    private final Path script;
    private final Path folder;
    private String port;

    private PrivateDatabase(Path root, Path folder) {
        this.script = root.resolve("bin/private-mariadb");
        this.folder = folder;
    }

    /** Starts one under a folder of the checkout's {@code .potamos}, empty of what an earlier run left. */
    public static PrivateDatabase start(String name) {
        PrivateDatabase database = removed(name);
        database.up();
        return database;
    }

    /** Starts one that is as another is which lies in a folder and does not run. */
    public static PrivateDatabase copyOf(Path other, String name) {
        PrivateDatabase database = removed(name);
        database.run("copy", other.toString());
        database.up();
        return database;
    }

    /** One of ours, with what an earlier run left of it stopped and thrown away. */
    private static PrivateDatabase removed(String name) {
        Path root = root();
        PrivateDatabase database =
                new PrivateDatabase(root, root.resolve(".potamos").resolve(name));
        database.run("remove");
        return database;
    }

    /** Makes a folder as another is, for a database that somebody else starts. */
    public static void copy(Path other, Path folder) {
        new PrivateDatabase(root(), folder).run("copy", other.toString());
    }

    /** The top of the checkout, from wherever the tests were started. */
    public static Path root() {
        Path at = Path.of("").toAbsolutePath();
        while (!Files.exists(at.resolve("bin/private-mariadb"))) {
            at = at.getParent();
            if (at == null) {
                throw new IllegalStateException("not inside the checkout");
            }
        }
        return at;
    }

    /** Starts it again after {@link #down()}, on the same port with the same rows. */
    public void up() {
        port = run("start", "--fast").trim();
    }

    /** Stops it as a fault would: whoever is connected notices. */
    public void down() {
        run("stop");
    }

    public String url() {
        return url(told("schema"));
    }

    /** The address of another schema of the same server. */
    public String url(String schema) {
        return "jdbc:mariadb://127.0.0.1:" + port + "/" + schema;
    }

    /** Of the account that the application works with. */
    public String password() {
        return told("password");
    }

    /** Of the account that migrates, and may change what the application may only add to. */
    public String keeperPassword() {
        return told("keeper-password");
    }

    /** Where it lies, for the scripts that keep it. */
    public Path folder() {
        return folder;
    }

    private String told(String name) {
        try {
            return Files.readString(folder.resolve(name)).trim();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        run("remove");
    }

    private String run(String act, String... arguments) {
        try {
            List<String> command = new ArrayList<>(List.of(script.toString(), act, folder.toString()));
            command.addAll(List.of(arguments));
            Process process = new ProcessBuilder(command)
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            String said;
            try (InputStream out = process.getInputStream()) {
                said = new String(out.readAllBytes(), StandardCharsets.UTF_8);
            }
            if (process.waitFor() != 0) {
                throw new IllegalStateException("private-mariadb " + act + " failed");
            }
            return said;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Deletes a folder of ours with everything in it. */
    public static void delete(Path folder) {
        if (!Files.exists(folder)) {
            return;
        }
        try (var files = Files.walk(folder)) {
            for (Path file : files.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
