package potamos.server.courses;

import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.Schema;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The published schema of the course as JSON (JSON Schema 2020-12), made from the very records that are written. */
@Component
class CourseSchema {

    private static final String OF_THE_CONTRACT = "#/components/schemas/";
    private static final String HERE = "#/$defs/";

    private final String text;

    CourseSchema(JsonMapper mapper) {
        @SuppressWarnings("rawtypes")
        Map<String, Schema> schemas = ModelConverters.getInstance(true).readAll(KitchenCourse.class);
        ObjectNode schema = mapper.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", "The course of a kitchen");
        schema.put("$ref", HERE + KitchenCourse.class.getSimpleName());
        ObjectNode defs = schema.putObject("$defs");
        schemas.forEach(
                (name, one) -> defs.set(name, mapper.readTree(Json31.pretty(one).replace(OF_THE_CONTRACT, HERE))));
        text = schema.toPrettyString();
    }

    @Override
    public String toString() {
        return text;
    }
}
