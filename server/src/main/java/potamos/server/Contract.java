package potamos.server;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.BooleanSchema;
import io.swagger.v3.oas.models.media.IntegerSchema;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.security.SecurityScheme;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springdoc.core.customizers.GlobalOpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.csrf.CsrfToken;
import potamos.core.batch.EventKind;
import potamos.core.batch.Figure;
import potamos.core.batch.JudgingCard;
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

    /** What figures acts and entries have is told by their kinds, in the core. */
    @Bean
    GlobalOpenApiCustomizer figuresOfEvents() {
        return contract -> {
            Map<String, Schema> schemas = contract.getComponents().getSchemas();
            Schema<?> figures = new ObjectSchema().additionalProperties(false);
            Schema<?> act = schemas.get("Act");
            act.additionalProperties(false);
            for (Figure<?> figure : EventKind.everyFigure()) {
                figures.addProperty(figure.name(), schema(figure));
                act.addProperty(figure.name(), schema(figure));
            }
            schemas.put("Figures", figures);
            contract.addExtension(
                    "x-event-kinds",
                    EventKind.all().stream().map(Contract::told).toList());
        };
    }

    /** A kind of event for whoever makes forms of it. */
    private static Map<String, Object> told(EventKind<?> kind) {
        return Map.of(
                "name",
                kind.name(),
                "trust",
                kind.trust().name(),
                "correctable",
                kind.correctable(),
                "figures",
                kind.figures().stream()
                        .map(figure -> Map.of(
                                "name", figure.name(),
                                "quantity", figure.quantity().name(),
                                "least", figure.least(),
                                "most", figure.most(),
                                "unit", figure.unit()))
                        .toList());
    }

    private static Schema<?> schema(Figure<?> figure) {
        Class<?> wire = figure.quantity().wire();
        if (figure.quantity() == Figure.Quantity.CARD) {
            Schema<String> card = new StringSchema();
            Stream.of(JudgingCard.values()).map(JudgingCard::name).forEach(card::addEnumItemObject);
            return card;
        }
        if (wire == Boolean.class) {
            return new BooleanSchema();
        }
        if (wire == String.class) {
            return new StringSchema();
        }
        return wire == Integer.class ? new IntegerSchema() : new NumberSchema().format("double");
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
