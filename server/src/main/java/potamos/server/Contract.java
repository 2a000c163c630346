package potamos.server;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springdoc.core.customizers.GlobalOpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.MediaType;
import org.springframework.security.web.csrf.CsrfToken;
import potamos.server.accounts.Person;
import potamos.server.problems.Problems;

/** The published contract of the HTTP interface, from which the pages' client is made. */
@Configuration
class Contract {

    private static final String SESSION = "session";
    private static final String TOKEN = "token";

    /** What anybody may ask without having signed in. */
    private static final Set<String> OPEN = Set.of(
            "GET /api/session",
            "POST /api/session",
            "DELETE /api/session",
            "POST /api/kitchen",
            "GET /api/calendars/{secret}");

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

    /** What every operation answers beside what it is for: who may ask, and how it refuses. */
    @Bean
    GlobalOpenApiCustomizer whoMayAskAndWhatIsRefused() {
        return contract -> {
            ModelConverters.getInstance(true)
                    .readAll(Problems.Problem.class)
                    .forEach(contract.getComponents()::addSchemas);
            contract.getPaths()
                    .forEach((path, item) -> item.readOperationsMap().forEach((method, operation) -> {
                        String tag = operation.getTags().get(0).replace("-endpoint", "");
                        operation.setTags(List.of(tag));
                        operation.setOperationId(
                                tag + "." + operation.getOperationId().replaceFirst("_\\d+$", ""));
                        boolean open = OPEN.contains(method + " " + path);
                        operation.setSecurity(
                                open ? List.of() : List.of(new SecurityRequirement().addList(asks(method, path))));
                        refuses(operation, path, method, open);
                    }));
        };
    }

    private static String asks(PathItem.HttpMethod method, String path) {
        boolean program = path.startsWith("/api/calc/")
                || method == PathItem.HttpMethod.POST && path.equals("/api/devices/{id}/readings");
        return program ? TOKEN : SESSION;
    }

    private static void refuses(Operation operation, String path, PathItem.HttpMethod method, boolean open) {
        Map<String, String> refusals = new TreeMap<>(Map.of("429", "Asked too often; Retry-After says when again."));
        if (!open) {
            refusals.put("401", "Nobody is signed in, or no token is given.");
            refusals.put("403", "Whoever asks may not.");
        }
        if (path.contains("{")) {
            refusals.put("404", "This kitchen has no such thing.");
        }
        if (operation.getRequestBody() != null || operation.getParameters() != null) {
            refusals.put("400", "It cannot be read, or a field is missing.");
            refusals.put("422", "A figure makes no sense; the field, the reason and the range are told.");
        }
        if (method != PathItem.HttpMethod.GET) {
            refusals.put("409", "Something else has happened meanwhile.");
        }
        Content problem = new Content()
                .addMediaType(
                        MediaType.APPLICATION_PROBLEM_JSON_VALUE,
                        new io.swagger.v3.oas.models.media.MediaType()
                                .schema(new Schema<>().$ref("#/components/schemas/Problem")));
        refusals.forEach((status, says) -> operation
                .getResponses()
                .addApiResponse(status, new ApiResponse().description(says).content(problem)));
    }

    @Bean
    OpenAPI openApi(@Value("${server.servlet.session.cookie.name}") String cookie) {
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
                                SESSION,
                                new SecurityScheme()
                                        .type(SecurityScheme.Type.APIKEY)
                                        .in(SecurityScheme.In.COOKIE)
                                        .name(cookie)
                                        .description("A person who is signed in, by POST /api/session."
                                                + " What changes something also carries the header X-XSRF-TOKEN."))
                        .addSecuritySchemes(
                                TOKEN,
                                new SecurityScheme()
                                        .type(SecurityScheme.Type.HTTP)
                                        .scheme("bearer")
                                        .description("A token of the kitchen, made under Kitchen.")))
                .servers(List.of(new Server().url("/").description("this server")));
    }
}
