package potamos.server;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.security.SecurityScheme;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Iterator;
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

    /** A figure that cannot be missing is required: the generator sees that for objects only when told. */
    @Bean
    ModelConverter figuresAreRequired() {
        return new ModelConverter() {
            @Override
            public Schema<?> resolve(
                    AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
                Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
                Class<?> raw = Json.mapper().constructType(type.getType()).getRawClass();
                Schema<?> defined = context.getDefinedModels().get(raw.getSimpleName());
                if (raw.isRecord() && defined != null) {
                    for (RecordComponent component : raw.getRecordComponents()) {
                        if (component.getType().isPrimitive()) {
                            defined.addRequiredItem(component.getName());
                        }
                    }
                }
                return schema;
            }
        };
    }

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(
                        new Info()
                                .title("Potamos")
                                .version("1")
                                .description(
                                        "Quantities carry their unit in the name: waterL, bedKg, celsius, belowRimCm."
                                                + " Times are instants in UTC. Problems are application/problem+json with a map of fields."))
                .components(new Components()
                        .addSecuritySchemes(
                                "token",
                                new SecurityScheme()
                                        .type(SecurityScheme.Type.HTTP)
                                        .scheme("bearer")
                                        .description("A token of the kitchen, made under Kitchen.")))
                .servers(List.of(new Server().url("/").description("this server")));
    }
}
