package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** The database belongs to the application alone, and the application cannot change what has happened. */
@ExtendWith(TestKitchen.class)
class TableRightsTest {

    /** Not the application's business. */
    private static final Set<String> OF_THE_KEEPER = Set.of("flyway_schema_history");

    private final JdbcTemplate application = TestKitchen.bean(JdbcTemplate.class);

    @ParameterizedTest
    @ValueSource(
            strings = {
                "batch_event",
                "box_photo",
                "call_word",
                "formula",
                "hand_over",
                "hand_over_signature",
                "larder_box",
                "larder_entry",
                "lot_stop",
                "photo",
                "photo_withdrawn",
                "first_run"
            })
    void whatHasHappenedIsAddedToAndNeverChangedOrTakenAway(String table) {
        String column = TestKitchen.keeper()
                .queryForObject(
                        "SELECT column_name FROM information_schema.columns WHERE table_schema = DATABASE()"
                                + " AND table_name = ? ORDER BY ordinal_position LIMIT 1",
                        String.class,
                        table);
        assertThatThrownBy(() -> application.update("UPDATE " + table + " SET " + column + " = " + column))
                .isInstanceOf(DataAccessException.class)
                .rootCause()
                .hasMessageContaining("UPDATE command denied");
        assertThatThrownBy(() -> application.update("DELETE FROM " + table))
                .isInstanceOf(DataAccessException.class)
                .rootCause()
                .hasMessageContaining("DELETE command denied");
        assertThat(application.queryForObject("SELECT COUNT(*) FROM " + table, Integer.class))
                .isNotNegative();
    }

    @Test
    void everyTableIsToldInWhatTheApplicationMayDo() {
        List<String> tables = TestKitchen.keeper().queryForList("SHOW TABLES", String.class);
        List<String> told = application.queryForList("SHOW TABLES", String.class);
        assertThat(told)
                .containsExactlyInAnyOrderElementsOf(tables.stream()
                        .filter(table -> !OF_THE_KEEPER.contains(table))
                        .toList());
    }

    @ParameterizedTest
    @ValueSource(strings = {"CREATE TABLE mine (id INT)", "DROP TABLE lot", "ALTER TABLE lot ADD COLUMN x INT"})
    void theApplicationMakesAndUnmakesNoTable(String statement) {
        assertThatThrownBy(() -> application.execute(statement))
                .isInstanceOf(DataAccessException.class)
                .rootCause()
                .hasMessageContaining("command denied");
    }

    @Test
    void rootIsNotLetInOverTheNetwork() {
        URI address = URI.create(TestKitchen.database().url().substring("jdbc:".length()));
        for (String password : List.of("", TestKitchen.database().password())) {
            JdbcTemplate root = new JdbcTemplate(new DriverManagerDataSource(
                    "jdbc:mariadb://127.0.0.1:" + address.getPort() + "/mysql", "root", password));
            assertThatThrownBy(() -> root.queryForObject("SELECT 1", Integer.class))
                    .rootCause()
                    .hasMessageContaining("Access denied");
        }
    }

    @Test
    void nobodyElseOnTheMachineOpensItsFolders() throws IOException {
        Path folder = TestKitchen.database().folder();
        Path place = Files.exists(folder.resolve("place"))
                ? Path.of(Files.readString(folder.resolve("place")).trim())
                : folder;
        for (String name : List.of("data", "run", "files")) {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(place.resolve(name))))
                    .as(name)
                    .isEqualTo("rwx------");
        }
        for (String name : List.of("password", "keeper-password")) {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder.resolve(name))))
                    .as(name)
                    .isEqualTo("rw-------");
        }
        assertThat(Files.getOwner(place.resolve("run")).getName()).isNotEqualTo("root");
        assertThat(TestKitchen.keeper().queryForObject("SELECT @@secure_file_priv", String.class))
                .isEqualTo(place.resolve("files") + "/");
    }
}
