package potamos.server;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchEvent;
import potamos.core.cooling.Medium;
import potamos.core.figure.Figures;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.WaterRule;
import potamos.core.vessel.Shape;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.ext.javatime.deser.InstantDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;

/** How the core's values are written down. The core itself knows nothing of it. */
@Component
public class Json {

    /** Sealed families whose members are told apart by a {@code kind}. */
    static final List<Class<?>> FAMILIES = List.of(
            BatchEvent.class,
            Shape.class,
            Medium.class,
            Phase.class,
            WaterRule.class,
            Part.Amount.class,
            Part.When.class);

    private static final String ENTERED = "entered";

    private final JsonMapper mapper = stored();
    private final Upcasting upcasting = new Upcasting(mapper);

    private static JsonMapper stored() {
        JsonMapper.Builder builder = JsonMapper.builder();
        for (Class<?> family : FAMILIES) {
            builder.addMixIn(family, Kind.class);
            members(family).forEach(member -> builder.registerSubtypes(new NamedType(member, StoredNames.of(member))));
        }
        builder.addMixIn(BatchEvent.Stamp.class, Stored.class);
        return builder.build();
    }

    /** When an event was entered stands in a column of its own. */
    private interface Stored {
        @com.fasterxml.jackson.annotation.JsonProperty(
                value = ENTERED,
                access = com.fasterxml.jackson.annotation.JsonProperty.Access.WRITE_ONLY)
        Instant entered();
    }

    /** The records of a family, those of the families within it included. */
    static Stream<Class<?>> members(Class<?> family) {
        return Stream.of(family.getPermittedSubclasses())
                .flatMap(member -> member.isInterface() ? members(member) : Stream.of(member));
    }

    /** A shape as it is stored and published: {@code kettle}. */
    public static String kindOf(Shape shape) {
        return StoredNames.of(shape.getClass());
    }

    public String write(Object value) {
        return mapper.writeValueAsString(value);
    }

    /** Writes a member of a family with its kind, which its runtime class alone would leave out. */
    public <T> String write(Class<T> family, T value) {
        return mapper.writerFor(family).writeValueAsString(value);
    }

    /** What was stored, also by an earlier version. */
    public <T> T read(String json, Class<T> type) {
        return mapper.treeToValue(upcasting.of(mapper.readTree(json)), type);
    }

    /**
     * An event as it was stored, with when it was entered, which storage keeps beside it. What a correction says in the place of another was entered
     * with the correction.
     */
    public BatchEvent event(String json, Instant entered) {
        ObjectNode event = (ObjectNode) mapper.readTree(json);
        ((ObjectNode) event.get("stamp")).put(ENTERED, entered.toString());
        if (event.path("replacement").path("stamp") instanceof ObjectNode stamp) {
            stamp.put(ENTERED, entered.toString());
        }
        return mapper.treeToValue(upcasting.of(event), BatchEvent.class);
    }

    /** As a tree, for the published record. */
    public Object tree(String json) {
        return mapper.readTree(json);
    }

    @com.fasterxml.jackson.annotation.JsonTypeInfo(
            use = com.fasterxml.jackson.annotation.JsonTypeInfo.Id.NAME,
            property = "kind")
    private interface Kind {}

    /** Requests are read strictly: a text is not a number, and a field that nobody knows is a mistake. */
    @Configuration
    static class Requests {
        @Bean
        JsonMapperBuilderCustomizer strict() {
            SimpleModule bounds = new SimpleModule("strict")
                    .addDeserializer(Double.class, new Finite())
                    .addDeserializer(double.class, new Finite())
                    .addDeserializer(Instant.class, new Thinkable());
            // What is exported twice is the same twice, and maps have no order of their own.
            return builder -> builder.disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                    .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                    .addMixIn(Figures.class, ByName.class)
                    .addModule(bounds);
        }
    }

    /** Figures stand under their names, with nothing around them. */
    private interface ByName {
        @com.fasterxml.jackson.annotation.JsonValue
        java.util.Map<String, Object> byName();
    }

    /** A number that is one: {@code "NaN"} passes for a number elsewhere, and {@code 1e999} for infinity. */
    private static final class Finite extends StdDeserializer<Double> {
        private Finite() {
            super(Double.class);
        }

        @Override
        public Double deserialize(JsonParser in, DeserializationContext context) {
            if (!in.currentToken().isNumeric()) {
                return (Double) context.handleUnexpectedToken(double.class, in);
            }
            // What is too large for a number is the largest one: each figure has a range of its own, which is what its
            // refusal tells.
            return Math.max(-Double.MAX_VALUE, Math.min(Double.MAX_VALUE, in.getDoubleValue()));
        }
    }

    /** A moment that a kitchen could mean. In the year +1000000 days cannot be counted, and a table cannot hold it. */
    private static final class Thinkable extends StdDeserializer<Instant> {
        private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");
        private static final Instant LATEST = Instant.parse("2200-01-01T00:00:00Z");

        private Thinkable() {
            super(Instant.class);
        }

        @Override
        public Instant deserialize(JsonParser in, DeserializationContext context) {
            Instant moment = InstantDeserializer.INSTANT.deserialize(in, context);
            if (moment.isBefore(EARLIEST) || moment.isAfter(LATEST)) {
                return (Instant) context.handleWeirdStringValue(
                        Instant.class, in.getString(), "a moment between the years 2000 and 2200");
            }
            return moment;
        }
    }
}
