package potamos.server;

import org.flywaydb.core.Flyway;

/** Brings a schema up to this version and does nothing else: a backup of an earlier one is brought up before it counts. */
public final class Migrate {

    private Migrate() {}

    /** Reads the database's address and the keeper's password from where the application reads them. */
    public static void main(String[] arguments) {
        migrate(System.getenv("POTAMOS_DB_URL"), System.getenv("POTAMOS_DB_KEEPER_PASSWORD"));
    }

    /** @throws org.flywaydb.core.api.FlywayException when the schema cannot be brought up, or is of a later version */
    static void migrate(String url, String keeperPassword) {
        Flyway.configure()
                .dataSource(url, "potamos_keeper", keeperPassword)
                .locations("classpath:db/migration")
                .ignoreMigrationPatterns("")
                .load()
                .migrate();
    }
}
