package potamos.server;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.csrf.CsrfToken;
import potamos.server.accounts.Person;

/** The published contract of the HTTP interface, from which the pages' client is made. */
@Configuration
class Contract {

    static {
        SpringDocUtils.getConfig().addRequestWrapperToIgnore(Person.class, CsrfToken.class);
    }

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Potamos")
                        .version("1")
                        .description("Quantities carry their unit in the name: waterL, bedKg, celsius, belowRimCm."
                                + " Times are instants in UTC. Problems are application/problem+json with a map of fields."))
                .servers(List.of(new Server().url("/").description("this server")));
    }
}
