package potamos.server.exchange;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A formula as a file: checked against the published schema before anything of it is believed. */
@Component
public class FormulaFile {

    /** More than the longest formula with every figure written out needs. */
    static final int MOST_BYTES = 128 * 1024;

    private final JsonMapper mapper = JsonMapper.builder()
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .changeDefaultPropertyInclusion(inclusion ->
                    inclusion.withValueInclusion(com.fasterxml.jackson.annotation.JsonInclude.Include.NON_NULL))
            .build();
    private final String schemaText = FormulaSchema.text(mapper);
    private final Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(schemaText);

    /** The schema, as published. */
    public String schema() {
        return schemaText;
    }

    public String write(Formula formula) {
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(FormulaForm.write(formula));
    }

    /**
     * Reads a file.
     *
     * @throws Refusal with the line, or the path of what is wrong; nothing is kept of a file that is refused
     */
    public Formula read(byte[] file) {
        if (file.length > MOST_BYTES) {
            throw Refusal.outside("file", "too large for a formula", 0, MOST_BYTES, "bytes");
        }
        String text = new String(file, StandardCharsets.UTF_8);
        JsonNode tree = tree(text);
        if (!tree.isObject() || !FormulaJson.FORMAT.equals(tree.path("format").asString(""))) {
            throw Refusal.of("format", "this is no formula file: its format is not " + FormulaJson.FORMAT);
        }
        if (tree.path("formatVersion").asInt(0) != FormulaJson.FORMAT_VERSION) {
            throw Refusal.outside(
                    "formatVersion",
                    "written by another version",
                    FormulaJson.FORMAT_VERSION,
                    FormulaJson.FORMAT_VERSION,
                    "");
        }
        List<Error> errors = schema.validate(text, InputFormat.JSON);
        errors.stream()
                .min(Comparator.comparing(
                        e -> e.getInstanceLocation().toString().length() * -1))
                .ifPresent(error -> {
                    throw Refusal.of(path(error), reason(error));
                });
        return FormulaForm.read(mapper.treeToValue(tree, FormulaJson.class));
    }

    private JsonNode tree(String text) {
        try {
            return mapper.readTree(text);
        } catch (JacksonException malformed) {
            int line = malformed.getLocation() == null
                    ? 1
                    : Math.max(1, malformed.getLocation().getLineNr());
            throw Refusal.of("line " + line, "this is not JSON from here on");
        }
    }

    /** {@code /procedure/3/ovenC} as {@code procedure[3].ovenC}. */
    private static String path(Error error) {
        String path = error.getInstanceLocation()
                .toString()
                .replaceAll("/(\\d+)", "[$1]")
                .replace('/', '.')
                .replaceFirst("^\\.", "");
        String property = error.getProperty();
        if (property == null) {
            return path.isEmpty() ? "file" : path;
        }
        return path.isEmpty() ? property : path + "." + property;
    }

    private static String reason(Error error) {
        return switch (error.getKeyword()) {
            case "required" -> "is needed here";
            case "additionalProperties" -> "nobody knows this field";
            case "enum", "const" -> "not one of the words that are known here";
            case "type" -> "not of the kind that belongs here";
            default -> error.getMessage();
        };
    }
}
