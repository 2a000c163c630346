package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ConfigurableApplicationContext;

/** A kitchen that nobody has made yet, on a schema of its own beside the test kitchen's. */
@ExtendWith(TestKitchen.class)
class FirstRunTest {
    private static final String SCHEMA = "potamos_first_run";

    @Test
    void ofSeveralFirstRunsAtOnceOneMakesTheKitchen() {
        TestKitchen.keeper().execute("CREATE DATABASE " + SCHEMA);
        try (ConfigurableApplicationContext unmade =
                TestKitchen.beside(TestKitchen.database().url(SCHEMA))) {
            String server = TestKitchen.urlOf(unmade);
            List<Visitor> visitors = IntStream.range(0, 4)
                    .mapToObj(i -> Visitor.strangerAt(server))
                    .toList();
            List<Integer> answers = IntStream.range(0, visitors.size())
                    .mapToObj(i -> visitors.get(i).postLater("/api/kitchen", """
                            {"kitchen": "Other %1$d", "altitudeM": 0, "timeZone": "Europe/Zurich", "units": "metric",
                             "limits": "us-food-code", "name": "Other Cook", "signIn": "other%1$d",
                             "password": "quiet heron under reeds",
                             "pot": {"name": "Pot", "diameterCm": 30, "heightCm": 30}, "burnerKw": 5}
                            """.formatted(i)))
                    .toList()
                    .stream()
                    .map(answer -> answer.join().statusCode())
                    .toList();
            assertThat(answers).containsOnly(201, 409).containsOnlyOnce(201);
            assertThat(visitors.get(0).get("/api/session").at("/firstRun").asBoolean())
                    .isFalse();
        } finally {
            TestKitchen.keeper().execute("DROP DATABASE " + SCHEMA);
        }
    }
}
