package potamos.server;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Role;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;

/** The application with its demo kitchen on a real database, started once for each process that runs tests and tested from outside. */
public final class TestKitchen implements BeforeAllCallback {

    private static final int MOST_POTS = 40;

    /** Where people reach the kitchen, which is not what a request says. */
    static final String ADDRESS = "https://stock.kestrel.test";

    private static Running running;

    private record Running(ConfigurableApplicationContext context, PrivateDatabase database, int port) {
        void close() {
            context.close();
            database.close();
        }
    }

    /** It lasts as long as its process: what the framework keeps for a run ends with each class where several run side by side. */
    @Override
    public void beforeAll(ExtensionContext extension) {
        if (running == null) {
            running = start();
            Runtime.getRuntime().addShutdownHook(new Thread(running::close));
        }
    }

    private static Running start() {
        PrivateDatabase database = PrivateDatabase.start(System.getProperty("database", "server-tests"));
        SpringApplication application = new SpringApplication(Potamos.class);
        application.setRegisterShutdownHook(false);
        ConfigurableApplicationContext context = application.run(
                "--server.port=0",
                "--potamos.demo=true",
                "--potamos.address=" + ADDRESS,
                "--potamos.demo-moment=2026-03-03T10:10:00Z",
                "--spring.datasource.url=" + database.url() + "?timezone=UTC&connectTimeout=3000",
                "--spring.datasource.password=" + database.password(),
                "--spring.flyway.password=" + database.keeperPassword());
        int port = ((ServletWebServerApplicationContext) context).getWebServer().getPort();
        return new Running(context, database, port);
    }

    static String url() {
        return "http://127.0.0.1:" + running.port();
    }

    static PrivateDatabase database() {
        return running.database();
    }

    /** Rows as the account may change them that migrates: what the application can only add to, a fault or a restore can take away. */
    static JdbcTemplate keeper() {
        return new JdbcTemplate(new DriverManagerDataSource(
                database().url(), "potamos_keeper", database().keeperPassword()));
    }

    /** The application once more, without the demo, on a schema of the same server. */
    static ConfigurableApplicationContext beside(String databaseUrl, String... more) {
        List<String> arguments = new ArrayList<>(List.of(
                "--server.port=0",
                "--spring.datasource.url=" + databaseUrl + "?timezone=UTC",
                "--spring.datasource.password=" + database().password(),
                "--spring.flyway.password=" + database().keeperPassword()));
        arguments.addAll(List.of(more));
        return new SpringApplication(Potamos.class).run(arguments.toArray(String[]::new));
    }

    static String urlOf(ConfigurableApplicationContext context) {
        return "http://127.0.0.1:"
                + ((ServletWebServerApplicationContext) context).getWebServer().getPort();
    }

    /** The cook of another kitchen on the same rows. */
    static Visitor cookOfAnotherKitchen() {
        return ofAnotherKitchen(Role.COOK);
    }

    /** Who sets up a kitchen of their own. */
    static Visitor chefOfAnotherKitchen() {
        return ofAnotherKitchen(Role.CHEF);
    }

    /** The same with two burners, containers to cool in, and somebody there at any hour. */
    static Visitor chefOfAKitchenThatNeverCloses() {
        Visitor chef = chefOfAnotherKitchen();
        chef.post("/api/kitchen/burners", "{\"name\": \"Front\", \"ratedKw\": 9, \"efficiency\": 0.5}");
        chef.post("/api/kitchen/burners", "{\"name\": \"Back\", \"ratedKw\": 6, \"efficiency\": 0.5}");
        chef.post("/api/kitchen/containers", """
                {"name": "Bain", "shape": "cylinder", "diameterCm": 24, "heightCm": 25, "material": "STEEL", "wallMm": 1,
                 "holdsL": 10, "owned": 8}
                """);
        chef.put("/api/kitchen/rota", """
                {"hours": [{"days": ["MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY"],
                            "from": "00:00", "to": "00:00", "cooks": 2}], "unattended": "ALLOWED"}
                """);
        return chef;
    }

    private static Visitor ofAnotherKitchen(Role role) {
        String id = bean(Kitchens.class)
                .add(
                        "Harbour House",
                        Length.ZERO,
                        "Europe/London",
                        "metric",
                        LocalTime.of(6, 0),
                        LocalTime.of(22, 0),
                        "uk-cook-chill");
        bean(Formulas.class).stock(id);
        String name = "cook." + UUID.randomUUID().toString().substring(0, 8);
        bean(Accounts.class).add(id, null, name, "Ada Other", role, "kestrel-" + name);
        return Visitor.signedIn(name);
    }

    static <T> T bean(Class<T> type) {
        return running.context().getBean(type);
    }

    /** A pot that no other test has a batch in. */
    static String freshPot(Visitor cook) {
        String kitchenId = bean(Kitchens.class).of(kitchenOf(cook)).id();
        makeRoom(kitchenId);
        Vessel pot = new Vessel(
                "Test " + UUID.randomUUID().toString().substring(0, 8),
                new Shape.Cylinder(Length.ofCm(36), Length.ofCm(40)),
                Vessel.bookKappa(),
                Mass.ofKg(6),
                Vessel.Handling.LIFTED);
        return bean(Kitchens.class).addVessel(kitchenId, pot);
    }

    /** A kitchen has only so many vessels; those of tests long past are put away. */
    private static void makeRoom(String kitchenId) {
        List<String> pots = bean(Kitchens.class).vessels(kitchenId).stream()
                .filter(v -> v.name().startsWith("Test "))
                .map(Kitchens.Thing::id)
                .toList();
        if (pots.size() >= MOST_POTS) {
            pots.subList(0, MOST_POTS / 2)
                    .forEach(pot ->
                            bean(JdbcTemplate.class).update("UPDATE vessel SET retired_at = NOW(3) WHERE id = ?", pot));
        }
    }

    /** The kitchen that a visitor works in, by what its session says. */
    static String kitchenOf(Visitor visitor) {
        List<Map<String, Object>> rows = bean(JdbcTemplate.class)
                .queryForList("SELECT kitchen_id FROM account WHERE id = ?", visitor.personId());
        return (String) rows.get(0).get("kitchen_id");
    }
}
