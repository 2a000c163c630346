package potamos.journeys;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import potamos.server.PrivateDatabase;

/**
 * What every journey starts from, made once for all of them: the packaged application unpacked, with its classes archived ahead, and the demo kitchen
 * at its moment as it lies in a database. To load that is most of a minute's work, and each class of journeys has a kitchen of its own.
 */
final class Prepared {
    /** The demo kitchen at its own moment, the same for every run. */
    static final List<String> DEMO = List.of("--potamos.demo=true", "--potamos.demo-moment=2026-03-03T10:10:00Z");

    private static final Duration LONGEST_LOAD = Duration.ofMinutes(10);
    private static final Path PACKAGED = PrivateDatabase.root().resolve("server/target/potamos-server-app.jar");
    private static final Path HOME = PrivateDatabase.root().resolve(".potamos/prepared");
    private static final Path APPLICATION = HOME.resolve("app");
    private static final Path ARCHIVE = HOME.resolve("app.jsa");
    private static final Path DATABASE = HOME.resolve("db");
    /** Says of which application it was made. */
    private static final Path MADE = HOME.resolve("made");

    private Prepared() {}

    /** The command that runs the application, without its own arguments. */
    static List<String> command() {
        make();
        return java("-XX:SharedArchiveFile=" + ARCHIVE, "-Xlog:cds=off", "-Xlog:cds+dynamic=off");
    }

    /** A folder with the demo kitchen's database in it, which does not run. */
    static Path demo() {
        make();
        return DATABASE;
    }

    private static List<String> java(String... options) {
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-Xmx512m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1"));
        command.addAll(List.of(options));
        command.addAll(
                List.of("-jar", APPLICATION.resolve(PACKAGED.getFileName()).toString()));
        return command;
    }

    /** Makes it, or waits for the process that does. */
    private static void make() {
        try {
            Files.createDirectories(HOME.getParent());
            try (FileChannel channel = FileChannel.open(
                            HOME.resolveSibling("prepared.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock alone = channel.lock()) {
                String packaged = Files.getLastModifiedTime(PACKAGED) + " " + Files.size(PACKAGED);
                if (!Files.exists(MADE) || !Files.readString(MADE).equals(packaged)) {
                    PrivateDatabase.delete(HOME);
                    unpack();
                    load();
                    Files.writeString(MADE, packaged);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void unpack() throws IOException {
        Process tools = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-Djarmode=tools",
                        "-jar",
                        PACKAGED.toString(),
                        "extract",
                        "--destination",
                        APPLICATION.toString())
                .inheritIO()
                .start();
        if (tools.onExit().join().exitValue() != 0) {
            throw new IOException("the application could not be unpacked");
        }
    }

    /** Loads the demo; what its work needs of classes is archived as it ends. */
    private static void load() {
        try (PrivateDatabase database = PrivateDatabase.start("prepared-db")) {
            List<String> command = new ArrayList<>(java("-XX:ArchiveClassesAtExit=" + ARCHIVE));
            command.addAll(DEMO);
            RunningPotamos.once(database, command, LONGEST_LOAD);
            database.down();
            PrivateDatabase.copy(database.folder(), DATABASE);
        }
    }
}
