package potamos.server;

import io.swagger.v3.oas.models.media.BooleanSchema;
import io.swagger.v3.oas.models.media.IntegerSchema;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springdoc.core.customizers.GlobalOpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import potamos.core.batch.Amendment;
import potamos.core.batch.EventKind;
import potamos.core.figure.Figure;
import potamos.core.formula.Family;
import potamos.core.formula.Item;
import potamos.core.formula.Part;
import potamos.core.formula.PhaseKind;
import potamos.core.formula.School;
import potamos.core.formula.Schools;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;

/** What the contract says of figures, entries, phases and schools: as their kinds tell it in the core, and nothing beside. */
@Configuration
class ContractWords {

    /** What figures acts, entries, phases and schools have is told by their kinds, in the core. */
    @Bean
    GlobalOpenApiCustomizer figuresOfTheCore() {
        return contract -> {
            Map<String, Schema> schemas = contract.getComponents().getSchemas();
            schemas.put("Figures", new ObjectSchema());
            figures(schemas.get("Figures"), EventKind.everyFigure());
            figures(schemas.get("Act"), EventKind.everyFigure());
            figures(schemas.get("PhaseJson"), PhaseKind.everyFigure());
            figures(
                    schemas.get("SchoolsJson"),
                    Schools.ALL.stream().<Figure<?>>map(School::figure).toList());
            WORDS.forEach((property, known) -> {
                String[] of = property.split("\\.");
                Schema<?> schema =
                        (Schema<?>) schemas.get(of[0]).getProperties().get(of[1]);
                Schema<?> words = schema.getItems() != null ? schema.getItems() : schema;
                known.get().forEach(((Schema<String>) words)::addEnumItemObject);
            });
            contract.addExtension(
                    "x-event-kinds",
                    EventKind.all().stream().map(ContractWords::told).toList());
            contract.addExtension(
                    "x-phase-kinds",
                    PhaseKind.all().stream().map(ContractWords::told).toList());
            contract.addExtension(
                    "x-schools",
                    offered()
                            .map(school -> ordered("name", school.name(), "options", school.options()))
                            .toList());
        };
    }

    /** Texts that are one of a few words, which no type of the server says. */
    private static final Map<String, Supplier<Stream<String>>> WORDS = Map.ofEntries(
            Map.entry("Act.kind", ContractWords::entries),
            Map.entry("EventView.kind", ContractWords::entries),
            Map.entry("ProposalView.kind", () -> EventKind.all().stream().map(EventKind::name)),
            Map.entry("ChoreView.phase", ContractWords::phases),
            Map.entry("DueView.phase", ContractWords::phases),
            Map.entry("Pending.phase", ContractWords::phases),
            Map.entry("PhaseJson.phase", ContractWords::phases),
            Map.entry("EffectView.school", () -> offered().map(School::name)),
            Map.entry("FormulaJson.family", () -> words(Family.values())),
            Map.entry("FormulaJson.cautions", () -> words(Caution.values())),
            Map.entry("ItemFigures.kind", () -> words(Part.Kind.values())),
            Map.entry("ItemFigures.traits", () -> words(Item.Trait.values())),
            Map.entry("ItemFigures.allergens", () -> words(Allergen.values())));

    private static Stream<String> entries() {
        return Stream.concat(
                EventKind.all().stream().map(EventKind::name),
                Stream.of(Amendment.Corrected.NAME, Amendment.Withdrawn.NAME));
    }

    /** Schools that are a choice between a few words; the length of a simmer is not. */
    private static Stream<School<?>> offered() {
        return Schools.ALL.stream().filter(school -> !school.options().isEmpty());
    }

    private static Stream<String> phases() {
        return PhaseKind.all().stream().map(PhaseKind::name);
    }

    private static Stream<String> words(Enum<?>[] constants) {
        return Stream.of(constants).map(Figure::word);
    }

    private static void figures(Schema<?> of, List<Figure<?>> figures) {
        of.additionalProperties(false);
        figures.forEach(figure -> of.addProperty(figure.name(), schema(figure)));
    }

    /** A kind of event for whoever makes forms of it. */
    private static Map<String, Object> told(EventKind<?> kind) {
        return ordered(
                "name",
                kind.name(),
                "trust",
                kind.trust().name(),
                "correctable",
                kind.correctable(),
                "figures",
                kind.figures().stream().map(ContractWords::told).toList());
    }

    /** The same of a phase, with what a new one starts with. */
    private static Map<String, Object> told(PhaseKind<?> kind) {
        return ordered(
                "name",
                kind.name(),
                "chore",
                kind.chore().name(),
                "usual",
                kind.usual().byName(),
                "figures",
                kind.figures().stream().map(ContractWords::told).toList());
    }

    private static Map<String, Object> told(Figure<?> figure) {
        return ordered(
                "name", figure.name(),
                "quantity", figure.quantity().name(),
                "least", figure.least(),
                "most", figure.most(),
                "unit", figure.unit(),
                "choices", figure.choices());
    }

    /** Names and values in turn, in the order in which they are told: what is made anew is the same anew. */
    private static Map<String, Object> ordered(Object... told) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < told.length; i += 2) {
            map.put((String) told[i], told[i + 1]);
        }
        return map;
    }

    private static Schema<?> schema(Figure<?> figure) {
        Class<?> wire = figure.quantity().wire();
        if (!figure.choices().isEmpty()) {
            return words(figure.choices().stream());
        }
        if (wire == Boolean.class) {
            return new BooleanSchema();
        }
        if (wire == String.class) {
            return new StringSchema();
        }
        return wire == Integer.class ? new IntegerSchema() : new NumberSchema().format("double");
    }

    private static Schema<?> words(Stream<String> known) {
        Schema<String> one = new StringSchema();
        known.forEach(one::addEnumItemObject);
        return one;
    }
}
