package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The pages' client is generated from {@code web/openapi.json}; it has to be what the server really offers. */
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
}
