package potamos.server;

import java.util.List;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchEvent;
import potamos.core.cooling.Medium;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.WaterRule;
import potamos.core.vessel.Shape;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;

/** How the core's values are written down. The core itself knows nothing of it. */
@Component
public class Json {

    /** Sealed families whose members are told apart by a {@code kind}. */
    private static final List<Class<?>> FAMILIES = List.of(
            BatchEvent.class,
            Shape.class,
            Medium.class,
            Phase.class,
            WaterRule.class,
            Part.Amount.class,
            Part.When.class);

    private final JsonMapper mapper = stored();

    private static JsonMapper stored() {
        JsonMapper.Builder builder = JsonMapper.builder();
        for (Class<?> family : FAMILIES) {
            builder.addMixIn(family, Kind.class);
            for (Class<?> member : family.getPermittedSubclasses()) {
                builder.registerSubtypes(new NamedType(member, kindOf(member)));
            }
        }
        return builder.build();
    }

    /** The kind of a member as it is written: {@code topped-up} for {@code ToppedUp}. */
    public static String kindOf(Class<?> member) {
        return member.getSimpleName().replaceAll("(?<!^)([A-Z])", "-$1").toLowerCase(java.util.Locale.ROOT);
    }

    public String write(Object value) {
        return mapper.writeValueAsString(value);
    }

    /** Writes a member of a family with its kind, which its runtime class alone would leave out. */
    public <T> String write(Class<T> family, T value) {
        return mapper.writerFor(family).writeValueAsString(value);
    }

    public <T> T read(String json, Class<T> type) {
        return mapper.readValue(json, type);
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
            return builder -> builder.disable(MapperFeature.ALLOW_COERCION_OF_SCALARS);
        }
    }
}
