package potamos.server;

import java.util.TimeZone;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application. */
@SpringBootApplication
@EnableScheduling
public class Potamos {

    static {
        // A connection is tried before it is used, always: one that died with the database would fail an act that could
        // have waited.
        System.setProperty("com.zaxxer.hikari.aliveBypassWindowMs", "0");
        // Times are kept in UTC; the kitchen's own zone is applied where people see them.
        TimeZone.setDefault(TimeZone.getTimeZone("UTC"));
    }

    public static void main(String[] args) {
        SpringApplication.run(Potamos.class, args);
    }
}
