package potamos.server;

import java.util.TimeZone;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application. */
@SpringBootApplication
@EnableScheduling
public class Potamos {

    public static void main(String[] args) {
        // Times are kept in UTC; the kitchen's own zone is applied where people see them.
        TimeZone.setDefault(TimeZone.getTimeZone("UTC"));
        SpringApplication.run(Potamos.class, args);
    }
}
