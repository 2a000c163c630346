package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The pages' client is generated from {@code web/openapi.json}; it has to be what the server really offers, and told so that other people's tools can
 * work with it.
 */
@ExtendWith(TestKitchen.class)
class ContractTest {

    @Test
    void theContractOfThePagesIsTheServers() throws IOException {
        JsonMapper json = JsonMapper.builder().build();
        JsonNode served = Visitor.stranger().get("/api/openapi.json").body();
        Path contract = PrivateDatabase.root().resolve("web/openapi.json");
        if (Boolean.getBoolean("contract.taken")) {
            Files.writeString(contract, json.writerWithDefaultPrettyPrinter().writeValueAsString(served) + "\n");
        }
        JsonNode kept = json.readTree(Files.readString(contract));
        assertThat(served.equals(kept))
                .as("the HTTP interface changed: ./potamos contract takes it over")
                .isTrue();
    }

    record Told(String which, JsonNode operation) {
        @Override
        public String toString() {
            return which;
        }
    }

    static Stream<Told> operations() {
        return Visitor.stranger()
                .get("/api/openapi.json")
                .body()
                .path("paths")
                .propertyStream()
                .flatMap(path -> path.getValue()
                        .propertyStream()
                        .map(op -> new Told(op.getKey() + " " + path.getKey(), op.getValue())));
    }

    @ParameterizedTest
    @MethodSource("operations")
    void everyOperationSaysWhatItIsForWhoMayAskAndHowItRefuses(Told told) {
        JsonNode operation = told.operation();
        assertThat(operation.path("summary").asString("")).matches("[A-Z].{6,}[^.]");
        assertThat(operation.has("security")).isTrue();
        assertThat(operation.path("responses").propertyNames()).anyMatch(status -> status.startsWith("2"));
        operation.path("responses").propertyStream().forEach(answer -> {
            assertThat(answer.getValue().path("description").asString("")).isNotBlank();
            Collection<String> forms = answer.getValue().path("content").propertyNames();
            assertThat(forms).as(answer.getKey()).doesNotContain("*/*");
            if (answer.getKey().startsWith("4")) {
                assertThat(forms).as(answer.getKey()).containsExactly("application/problem+json");
            }
        });
        assertThat(operation.path("responses").has("429")).isTrue();
    }

    @Test
    void everyOperationHasANameOfItsOwn() {
        assertThat(operations().map(told -> told.operation().path("operationId").asString()))
                .doesNotHaveDuplicates()
                .allMatch(name -> name.matches("[a-z-]+\\.[a-zA-Z]+"));
    }
}
