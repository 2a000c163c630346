package potamos.server;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.flow.Ledger;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Liquid;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.quantity.Band;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Kept;
import potamos.core.vessel.Vessel;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings what earlier versions stored to what is read today, so that the core knows nothing of it. Each step tells a record by the fields that it had
 * then, and adds what has come since, with what it meant that nobody had asked.
 */
final class Upcasting {

    private record Step(Predicate<ObjectNode> which, String came, Function<ObjectNode, JsonNode> meant) {
        private void apply(ObjectNode stored) {
            if (!stored.has(came) && which.test(stored)) {
                stored.set(came, meant.apply(stored));
            }
        }
    }

    private static final Set<String> LIQUIDS =
            Stream.of(Liquid.Kind.values()).map(Enum::name).collect(Collectors.toUnmodifiableSet());

    private final List<Step> steps;

    Upcasting(ObjectMapper mapper) {
        this.steps = List.of(
                // A vessel written down before its walls were asked for is taken for a sound one.
                new Step(
                        has("shape", "kappa", "metal", "handling"),
                        "build",
                        old -> mapper.valueToTree(Vessel.Build.HEAVY)),
                // Before stock could stand in for it, every pot was filled with water, and every stock was ladled.
                new Step(kind("fill"), "liquid", old -> mapper.valueToTree(Liquid.WATER)),
                new Step(
                        old -> has("gelatinGPerL", "saltGPerL").test(old)
                                && LIQUIDS.contains(old.path("kind").asString("")),
                        "stock",
                        old -> mapper.valueToTree(kind(Liquid.Kind.WATER.name()).test(old) ? 0.0 : 1.0)),
                new Step(kind("fill"), "draws", old -> mapper.createArrayNode()),
                new Step(kind("fill"), "brought", old -> mapper.createArrayNode()),
                new Step(has("passes", "pressed"), "transfer", old -> mapper.valueToTree(FinishPhase.Transfer.LADLE)),
                new Step(has("pieceG", "kgPerL"), "traits", old -> mapper.createArrayNode()),
                new Step(has("pieceG", "kgPerL"), "allergens", old -> mapper.createArrayNode()),
                // Plans from before a batch was split over several kinds of container have the one.
                new Step(has("charge", "cooling", "curve"), "into", old -> {
                    JsonNode cooling = old.get("cooling");
                    ArrayNode into = mapper.createArrayNode();
                    ObjectNode filled = into.addObject();
                    filled.set("container", cooling.get("container").get("name"));
                    filled.set("count", cooling.get("count"));
                    filled.set("each", cooling.get("each"));
                    return into;
                }),
                // Plans from before spreads were foretold say nothing of them.
                new Step(has("bringUpMin", "topUps", "ledger"), "spread", old -> {
                    ObjectNode spread = mapper.createObjectNode();
                    spread.set("bringUpMin", exactly(mapper, old.get("bringUpMin")));
                    spread.set("evaporatedL", exactly(mapper, evaporated(old.get("ledger"))));
                    spread.set("gelatinGPerL", exactly(mapper, old.get("gelatinGPerL")));
                    return spread;
                }),
                new Step(has("cuts", "clarity", "salt"), "spread", old -> {
                    ObjectNode spread = mapper.createObjectNode();
                    spread.set("clarity", exactly(mapper, old.get("clarity").get("index")));
                    spread.set("saltGPerL", exactly(mapper, old.get("salt").get("afterGPerL")));
                    return spread;
                }),
                new Step(has("cutMm", "spent", "advice"), "spread", old -> exactly(mapper, old.get("spent"))),
                // Limits said nothing of when cooling begins.
                new Step(has("stages", "hotHold", "reheatWithin"), "beginWithin", old -> mapper.nullNode()),
                // Whatever was read before, a hand had read.
                new Step(
                        old -> Set.of("temperature-read", "cooling-read")
                                .contains(old.path("kind").asString("")),
                        "byProbe",
                        old -> mapper.valueToTree(false)),
                // A batch was put away as one lot, cold, and whatever left it left that.
                new Step(kind("stored"), "kept", old -> mapper.valueToTree(Kept.COLD)),
                new Step(kind("stored"), "container", old -> mapper.valueToTree("")),
                new Step(kind("stored"), "count", old -> mapper.valueToTree(1)),
                new Step(kind("stored"), "cubes", old -> mapper.valueToTree(0)),
                new Step(kind("delivered"), "lot", old -> mapper.valueToTree("")),
                new Step(kind("delivered"), "temperature", old -> mapper.nullNode()),
                new Step(kind("discarded"), "lot", old -> mapper.valueToTree("")),
                // Whatever lay in the larder was delivered.
                new Step(kind("took"), "contents", old -> mapper.nullNode()),
                // A level was held or left before it could be refilled in rounds.
                new Step(
                        has("hold", "drop", "water"),
                        "keeps",
                        old -> mapper.valueToTree(old.get("hold").asBoolean() ? Keeps.HELD : Keeps.LEFT)),
                // A bath began at nothing, and a stock was as cold within as it was on the whole.
                new Step(
                        has("ice", "water", "stirred"), "drawnAt", old -> mapper.valueToTree(Temperature.ofCelsius(0))),
                new Step(has("minute", "stockC", "mediumC"), "coreC", old -> old.get("stockC")));
    }

    /** What an earlier version stored, as this one would have. */
    JsonNode of(JsonNode stored) {
        bring(stored);
        return stored;
    }

    private void bring(JsonNode stored) {
        stored.forEach(this::bring);
        if (stored instanceof ObjectNode object) {
            steps.forEach(step -> step.apply(object));
        }
    }

    private static Predicate<ObjectNode> kind(String name) {
        return old -> old.path("kind").asString("").equals(name);
    }

    private static Predicate<ObjectNode> has(String... fields) {
        return stored -> Stream.of(fields).allMatch(stored::has);
    }

    private static JsonNode exactly(ObjectMapper mapper, JsonNode value) {
        return mapper.valueToTree(Band.exactly(value.asDouble()));
    }

    private static JsonNode evaporated(JsonNode ledger) {
        for (JsonNode entry : ledger.get("entries")) {
            if (entry.get("cause").asString().equals(Ledger.Cause.EVAPORATED.name())) {
                return entry.get("amount").get("litres");
            }
        }
        throw new IllegalStateException("a ledger without steam");
    }
}
