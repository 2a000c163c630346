package potamos.server.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import potamos.core.figure.Figure;
import potamos.core.formula.Family;
import potamos.core.formula.Item;
import potamos.core.formula.Part;
import potamos.core.formula.PhaseKind;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The published schema of the open format: its frame as written, its words and its phases as the core knows them. */
final class FormulaSchema {

    private static final String FRAME = "/formula.schema.json";

    /** Where in the frame the constants of an enum belong. */
    private static final Map<String, Class<? extends Enum<?>>> WORDS = Map.of(
            "/properties/family", Family.class,
            "/properties/cautions/items", Caution.class,
            "/$defs/part/properties/figures/properties/kind", Part.Kind.class,
            "/$defs/part/properties/figures/properties/traits/items", Item.Trait.class,
            "/$defs/part/properties/figures/properties/allergens/items", Allergen.class);

    private FormulaSchema() {}

    static String text(JsonMapper mapper) {
        try (InputStream in = FormulaSchema.class.getResourceAsStream(FRAME)) {
            ObjectNode schema = (ObjectNode) mapper.readTree(in);
            WORDS.forEach((place, words) -> {
                ArrayNode known = ((ObjectNode) schema.at(place)).putArray("enum");
                for (Enum<?> word : words.getEnumConstants()) {
                    known.add(Figure.word(word));
                }
            });
            phases((ObjectNode) schema.at("/$defs/phase"));
            return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(schema);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void phases(ObjectNode phase) {
        ObjectNode properties = (ObjectNode) phase.get("properties");
        ArrayNode kinds = properties.withObjectProperty("phase").putArray("enum");
        ArrayNode each = phase.putArray("allOf");
        for (PhaseKind<?> kind : PhaseKind.all()) {
            kinds.add(kind.name());
            ObjectNode rule = each.addObject();
            rule.putObject("if").putObject("properties").putObject("phase").put("const", kind.name());
            ObjectNode then = rule.putObject("then");
            ArrayNode needed = then.putArray("required");
            ObjectNode known = then.putObject("properties");
            known.putObject("phase");
            for (Figure<?> figure : kind.figures()) {
                if (kind.needs(figure)) {
                    needed.add(figure.name());
                }
                describe(known.putObject(figure.name()), figure);
            }
            then.put("additionalProperties", false);
        }
        PhaseKind.everyFigure().forEach(figure -> properties.withObjectProperty(figure.name()));
    }

    private static void describe(ObjectNode schema, Figure<?> figure) {
        if (!figure.choices().isEmpty()) {
            figure.choices().forEach(schema.putArray("enum")::add);
        } else if (figure.quantity().wire() == Boolean.class) {
            schema.put("type", "boolean");
        } else {
            schema.put("type", figure.quantity().wire() == Integer.class ? "integer" : "number")
                    .put("minimum", figure.least())
                    .put("maximum", figure.most());
            if (!figure.unit().isEmpty()) {
                schema.put("description", figure.unit());
            }
        }
    }
}
