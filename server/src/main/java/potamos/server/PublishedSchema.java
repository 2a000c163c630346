package potamos.server;

import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.Schema;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Schemas of what goes out as JSON (JSON Schema 2020-12), made from the very records that are written. */
@Component
public final class PublishedSchema {

    private static final String OF_THE_CONTRACT = "#/components/schemas/";
    private static final String HERE = "#/$defs/";

    private final JsonMapper mapper;

    PublishedSchema(JsonMapper mapper) {
        this.mapper = mapper;
    }

    /** Of one such record. */
    public String of(String title, Class<?> record) {
        ObjectNode schema = begun(title, record);
        schema.put("$ref", HERE + record.getSimpleName());
        return schema.toPrettyString();
    }

    /** Of a list of them. */
    public String ofMany(String title, Class<?> record) {
        ObjectNode schema = begun(title, record);
        schema.put("type", "array");
        schema.putObject("items").put("$ref", HERE + record.getSimpleName());
        return schema.toPrettyString();
    }

    private ObjectNode begun(String title, Class<?> record) {
        @SuppressWarnings("rawtypes")
        Map<String, Schema> schemas = ModelConverters.getInstance(true).readAll(record);
        ObjectNode schema = mapper.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", title);
        ObjectNode defs = schema.putObject("$defs");
        schemas.forEach(
                (name, one) -> defs.set(name, mapper.readTree(Json31.pretty(one).replace(OF_THE_CONTRACT, HERE))));
        return schema;
    }
}
