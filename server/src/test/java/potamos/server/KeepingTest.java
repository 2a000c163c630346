package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** Backups of a running kitchen, and what comes back from them: "Written" and "Restored" are never said of what is not. */
@ExtendWith(TestKitchen.class)
class KeepingTest {

    @TempDir
    Path folder;

    private final Visitor cook = Visitor.signedIn("ilse");

    /** What a script said, and how it ended. */
    private record Ended(int code, String out, String err) {}

    private static Ended run(Path home, String... command) {
        try {
            ProcessBuilder builder = new ProcessBuilder(command).directory(home.toFile());
            builder.environment().put("TMPDIR", home.resolve("nowhere").toString());
            Process process = builder.start();
            String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            String err = new String(process.getErrorStream().readAllBytes(), StandardCharsets.UTF_8);
            return new Ended(process.waitFor(), out, err);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private Ended keep(String act, Object... arguments) {
        List<String> command = new ArrayList<>(
                List.of(PrivateDatabase.root().resolve("bin/keep").toString(), act));
        for (Object argument : arguments) {
            command.add(argument.toString());
        }
        return run(folder, command.toArray(String[]::new));
    }

    private static Path database() {
        return TestKitchen.database().folder();
    }

    private Path backup() {
        Path file = folder.resolve("kitchen.sql.gz");
        Ended ended = keep("backup", database(), file);
        assertThat(ended.code()).as(ended.err()).isZero();
        return file;
    }

    private static List<String> schemas() {
        return TestKitchen.keeper().queryForList("SHOW DATABASES LIKE 'potamos\\_%'", String.class);
    }

    private static String[] lines(Path file) throws IOException {
        try (GZIPInputStream in = new GZIPInputStream(Files.newInputStream(file))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).split("(?<=\n)");
        }
    }

    private static Path write(Path file, String text) throws IOException {
        try (GZIPOutputStream out = new GZIPOutputStream(Files.newOutputStream(file))) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return file;
    }

    @Test
    void aBackupIsOfThisAccountAloneAndHoldsNoVisit() throws IOException {
        Path file = backup();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-------");
        String all = String.join("", lines(file));
        assertThat(all)
                .contains("INSERT INTO `batch_event`")
                .doesNotContain("INSERT INTO `SPRING_SESSION")
                .doesNotContain("INSERT INTO `sign_in_try");
        assertThat(keep("check", file).code()).isZero();
        // What was made to read it back is gone again.
        assertThat(schemas()).noneMatch(name -> name.startsWith("potamos_check"));
    }

    @Test
    void aBackupThatCannotBeWrittenSaysSoAndLeavesNothing() throws IOException {
        Ended missing = keep("backup", database(), folder.resolve("not/there/kitchen.sql.gz"));
        assertThat(missing.code()).isNotZero();
        assertThat(missing.err()).contains("there is no folder");
        Path old = Files.writeString(folder.resolve("full.sql.gz"), "the one before");
        String script = PrivateDatabase.root().resolve("bin/keep").toString();
        // A limit on the size of files stands in for a disk that is full.
        Ended full = run(
                folder,
                "bash",
                "-c",
                "trap '' XFSZ; ulimit -f 16; exec \"$0\" backup \"$1\" \"$2\"",
                script,
                database().toString(),
                old.toString());
        assertThat(full.code()).isNotZero();
        assertThat(full.err()).contains("is the disk full");
        assertThat(Files.readString(old)).isEqualTo("the one before");
        try (var left = Files.list(folder)) {
            assertThat(left).containsExactly(old);
        }
    }

    /** What a file can be instead of a backup. */
    enum Broken {
        CUT_SHORT,
        EMPTY,
        FOREIGN,
        A_ROW_CHANGED,
        ROWS_LEFT_OUT,
        OLD_FORM_CUT_SHORT,
        OTHER_TABLES
    }

    private Path broken(Broken how) throws IOException {
        Path good = backup();
        Path file = folder.resolve("broken");
        byte[] bytes = Files.readAllBytes(good);
        String[] lines = lines(good);
        String rows = lines[lines.length - 1];
        return switch (how) {
            case CUT_SHORT -> Files.write(file, java.util.Arrays.copyOf(bytes, bytes.length * 2 / 3));
            case EMPTY -> Files.write(file, new byte[0]);
            case FOREIGN -> Files.writeString(file, "DROP TABLE batch_event;\n-- Dump completed\n");
            case A_ROW_CHANGED -> write(file, String.join("", lines).replaceFirst("Kestrel", "Vulture"));
            case ROWS_LEFT_OUT -> {
                // With a digest that is right: somebody has put the file together again.
                StringBuilder body = new StringBuilder();
                for (int i = 0; i < lines.length - 1; i++) {
                    boolean inTheMiddle = lines[i].startsWith("(") && lines[i].endsWith("),\n") && i % 3 == 0;
                    body.append(inTheMiddle ? "" : lines[i]);
                }
                yield write(file, body + rows.replaceFirst("sha256=.*", "sha256=" + sha256(body.toString())));
            }
            case OLD_FORM_CUT_SHORT -> Files.writeString(file, "-- MariaDB dump 10.19\n" + lines[10] + lines[11]);
            case OTHER_TABLES ->
                Files.writeString(file, "-- MariaDB dump 10.19\nCREATE TABLE cats (id INT);\n-- Dump completed\n");
        };
    }

    private static String sha256(String text) {
        try {
            var digest = java.security.MessageDigest.getInstance("SHA-256");
            return java.util.HexFormat.of().formatHex(digest.digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    @ParameterizedTest
    @EnumSource
    void whatIsNoBackupIsNotTakenAndChangesNothing(Broken how) throws IOException {
        Path file = broken(how);
        List<String> before = schemas();
        int entries = TestKitchen.keeper().queryForObject("SELECT COUNT(*) FROM batch_event", Integer.class);
        Ended ended = keep("load", database(), file);
        assertThat(ended.code()).as(ended.out()).isNotZero();
        assertThat(ended.err()).isNotBlank();
        assertThat(schemas()).isEqualTo(before);
        assertThat(TestKitchen.keeper().queryForObject("SELECT COUNT(*) FROM batch_event", Integer.class))
                .isEqualTo(entries);
    }

    @Test
    void everyRecordComesBackToTheByteAndNobodyIsSignedIn() {
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        Map<String, String> records = new HashMap<>();
        cook.get("/api/batches").body().forEach(b -> {
            String id = b.path("id").asString();
            for (String form : List.of("json", "csv")) {
                String path = "/api/batches/" + id + "/record." + form;
                records.put(path, new String(cook.get(path).raw().body(), StandardCharsets.UTF_8));
            }
        });
        assertThat(records).hasSizeGreaterThan(10);
        Path file = backup();
        batch.log("noted", "\"words\": \"after the backup\"");
        Ended loaded = keep("load", database(), file);
        assertThat(loaded.code()).as(loaded.err()).isZero();
        String schema = loaded.out().trim();
        String url = TestKitchen.database().url(schema);
        Migrate.migrate(url, TestKitchen.database().keeperPassword());
        JdbcTemplate restored = new JdbcTemplate(new DriverManagerDataSource(
                url, "potamos_keeper", TestKitchen.database().keeperPassword()));
        assertThat(restored.queryForObject("SELECT COUNT(*) FROM SPRING_SESSION", Integer.class))
                .isZero();
        try (ConfigurableApplicationContext other = TestKitchen.beside(url)) {
            String server = TestKitchen.urlOf(other);
            Visitor again = Visitor.signedIn("ilse", server);
            records.forEach((path, record) -> assertThat(
                            new String(again.get(path).raw().body(), StandardCharsets.UTF_8))
                    .as(path)
                    .isEqualTo(record));
        } finally {
            assertThat(keep("drop", database(), schema).code()).isZero();
        }
    }

    /** Plain dumps, sessions and all, were what backups were before; their tables are of their time. */
    @Test
    void aBackupFromBeforeAnUpgradeIsBroughtUpAndNobodyOfItIsSignedIn() throws IOException {
        String old = "potamos_of_old";
        String keeper = TestKitchen.database().keeperPassword();
        TestKitchen.keeper().execute("CREATE DATABASE " + old);
        JdbcTemplate rows = new JdbcTemplate(
                new DriverManagerDataSource(TestKitchen.database().url(old), "potamos_keeper", keeper));
        Flyway.configure()
                .dataSource(TestKitchen.database().url(old), "potamos_keeper", keeper)
                .locations("classpath:db/migration")
                .target("12")
                .skipDefaultCallbacks(true)
                .load()
                .migrate();
        rows.update("""
                INSERT INTO kitchen VALUES ('k', 'Old Mill', 0, 'UTC', 'metric', 20, 0.5, 0.1, '06:00', '22:00', '{}')
                """);
        rows.update("INSERT INTO SPRING_SESSION VALUES ('p', 's', 0, 0, 1, 4102444800000, 'somebody')");
        Ended dump = run(
                folder,
                PrivateDatabase.root().resolve("bin/private-mariadb").toString(),
                "dump",
                database().toString(),
                "--single-transaction",
                old);
        Path file = Files.writeString(folder.resolve("old.sql"), dump.out());
        TestKitchen.keeper().execute("DROP DATABASE " + old);
        Ended loaded = keep("load", database(), file);
        assertThat(loaded.code()).as(loaded.err()).isZero();
        String url = TestKitchen.database().url(loaded.out().trim());
        try {
            Migrate.migrate(url, keeper);
            JdbcTemplate now = new JdbcTemplate(new DriverManagerDataSource(url, "potamos_keeper", keeper));
            assertThat(now.queryForObject("SELECT name FROM kitchen", String.class))
                    .isEqualTo("Old Mill");
            assertThat(now.queryForObject("SELECT COUNT(*) FROM SPRING_SESSION", Integer.class))
                    .isZero();
            assertThat(now.queryForObject("SELECT COUNT(*) FROM photo_withdrawn", Integer.class))
                    .isZero();
        } finally {
            assertThat(keep("drop", database(), loaded.out().trim()).code()).isZero();
        }
    }

    @Test
    void theSchemaThatCountsIsNotDropped() throws IOException {
        String current = Files.readString(database().resolve("schema")).trim();
        assertThat(keep("drop", database(), current).code()).isNotZero();
        assertThat(cook.get("/api/range").status()).isEqualTo(200);
    }

    @Test
    void ofManyBackupsTheNewestOfDaysWeeksAndMonthsAreKept() throws IOException {
        for (String day : List.of("20260101", "20260131", "20260214", "20260301", "20260302", "20260303")) {
            Files.writeString(folder.resolve("potamos-" + day + "-040000.sql.gz"), "");
            Files.writeString(folder.resolve("potamos-" + day + "-160000.sql.gz"), "");
        }
        assertThat(keep("thin", folder, "2,2,3").code()).isZero();
        try (var left = Files.list(folder)) {
            assertThat(left.map(path -> path.getFileName().toString().substring(8, 23)))
                    .containsExactlyInAnyOrder(
                            "20260303-160000",
                            "20260302-160000",
                            "20260301-160000",
                            "20260214-160000",
                            "20260131-160000");
        }
    }
}
