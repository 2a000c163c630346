package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every operation of the contract, asked by everybody who may not: an operation that is added is covered the day it is there. What is meant to be open
 * is named here; everything else is shut.
 */
@ExtendWith(TestKitchen.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AuthorisationTest {

    /** What anybody may ask without having signed in. */
    private static final Set<String> OPEN = Set.of(
            "GET /api/session",
            "POST /api/session",
            "DELETE /api/session",
            "POST /api/kitchen",
            "GET /api/calendars/{secret}");

    /** What belongs to oneself, and not to the kitchen. */
    private static final Pattern OWN =
            Pattern.compile(".* /api/session(/.*)?|.* /api/course/calendar|GET /api/calendars/.*");

    /** Looked at what could be, with a body; nothing is kept. */
    private static final Pattern LOOKS = Pattern.compile("POST /api/(charges(/.*)?|formulas/reading)");

    /** With a token of its own, and no session. */
    private static final Pattern PROGRAMS = Pattern.compile("POST /api/(calc/.*|devices/\\{id}/readings)");

    /** What a station does: asks, takes back, and sees what it got. */
    private static final Pattern OF_A_STATION = Pattern.compile(
            "(GET|POST) /api/(calls(/.*)?|standing-calls|deliveries(/.*)?)|GET /api/(lots/\\{id}|session.*|larder/goods)"
                    + "|DELETE /api/calls/\\{id}/withdrawal|PUT /api/calls/\\{id}|(PUT|DELETE) /api/standing-calls/\\{id}(/skips/\\{day})?");

    private static final String MARK = "Kestrel";

    /** One for all: many from one address are told to wait. */
    private Visitor stranger;

    private JsonNode contract;
    private Visitor cook;
    private Map<String, String> ids;

    /** A method and an address of the contract. */
    record Operation(String method, String template, JsonNode body) {
        @Override
        public String toString() {
            return method + " " + template;
        }

        boolean reads() {
            return method.equals("GET");
        }
    }

    private Stream<Operation> operations() {
        List<Operation> all = new ArrayList<>();
        contract.path("paths")
                .propertyStream()
                .forEach(path -> path.getValue()
                        .propertyStream()
                        .forEach(op -> all.add(new Operation(
                                op.getKey().toUpperCase(java.util.Locale.ROOT), path.getKey(), op.getValue()))));
        return all.stream();
    }

    @BeforeAll
    void oneOfEverything() {
        stranger = Visitor.stranger();
        contract = stranger.get("/api/openapi.json").body();
        cook = Visitor.signedIn("ilse");
        TestBatch batch = TestBatch.accepted(cook, 12).stored(11);
        JsonNode kitchen = cook.get("/api/kitchen").body();
        JsonNode device = cook.post("/api/devices", "{\"name\": \"Somebody's probe\", \"kind\": \"PROBE\"}")
                .body();
        ids = Map.ofEntries(
                Map.entry("batches", batch.id()),
                Map.entry(
                        "calendars",
                        cook.post("/api/course/calendar", "{}")
                                .at("/path")
                                .asString()
                                .replaceFirst(".*/", "")),
                Map.entry("calls", cook.get("/api/calls").at("/0/id").asString()),
                Map.entry("devices", device.path("id").asString()),
                Map.entry("lots", batch.page().at("/lotId").asString()),
                Map.entry("vessels", kitchen.at("/vessels/0/id").asString()),
                Map.entry("burners", kitchen.at("/burners/0/id").asString()),
                Map.entry("ovens", kitchen.at("/ovens/0/id").asString()),
                Map.entry("chillers", kitchen.at("/chillers/0/id").asString()),
                Map.entry("containers", kitchen.at("/containers/0/id").asString()),
                Map.entry("people", cook.get("/api/kitchen/people").at("/0/id").asString()),
                Map.entry("tokens", cook.get("/api/tokens").at("/0/id").asString()),
                Map.entry("boxes", cook.get("/api/larder").at("/0/id").asString()),
                Map.entry(
                        "stations",
                        cook.get("/api/kitchen/stations").at("/0/id").asString()));
    }

    /** The address with what there is of the demo kitchen in the place of its parameters. */
    private String address(Operation operation) {
        String address = operation.template();
        Matcher parameter = Pattern.compile("/([^/{]+)/\\{(\\w+)}").matcher(address);
        StringBuilder filled = new StringBuilder();
        while (parameter.find()) {
            String of = parameter.group(1);
            String id = parameter.group(2).equals("slug")
                    ? (of.equals("beds") ? "chicken-carcass" : "white-chicken")
                    : ids.getOrDefault(of, UUID.randomUUID().toString());
            parameter.appendReplacement(filled, "/" + of + "/" + id);
        }
        parameter.appendTail(filled);
        String query = operation
                .body()
                .path("parameters")
                .valueStream()
                .filter(p -> p.path("in").asString().equals("query")
                        && p.path("required").asBoolean())
                .map(p -> p.path("name").asString() + "="
                        + URLEncoder.encode(
                                made(p.path("schema"), p.path("name").asString())
                                        .asString(),
                                StandardCharsets.UTF_8))
                .reduce((a, b) -> a + "&" + b)
                .map(q -> "?" + q)
                .orElse("");
        return filled.toString().replace("{kind}", "vessels").replace("{id}", ids.get("vessels")) + query;
    }

    /** A body that is what the contract says, as far as it says anything. */
    private String body(Operation operation) {
        JsonNode schema = operation.body().at("/requestBody/content/application~1json/schema");
        return schema.isMissingNode() ? "{}" : JsonMapper.shared().writeValueAsString(made(schema, ""));
    }

    private JsonNode made(JsonNode schema, String name) {
        JsonNodeFactory make = JsonNodeFactory.instance;
        if (schema.has("$ref")) {
            String ref = schema.path("$ref").asString();
            return made(contract.at("/components/schemas/" + ref.substring(ref.lastIndexOf('/') + 1)), name);
        }
        if (schema.has("enum")) {
            return schema.at("/enum/0");
        }
        return switch (schema.path("type").asString("object")) {
            case "number", "integer" -> make.numberNode(1);
            case "boolean" -> make.booleanNode(false);
            case "array" -> {
                ArrayNode list = make.arrayNode();
                if (schema.path("minItems").asInt() > 0) {
                    list.add(made(schema.path("items"), name));
                }
                yield list;
            }
            case "string" -> make.stringNode(text(schema, name));
            default -> {
                ObjectNode object = make.objectNode();
                schema.path("required")
                        .forEach(field -> object.set(
                                field.asString(),
                                made(schema.at("/properties/" + field.asString()), field.asString())));
                yield object;
            }
        };
    }

    private static String text(JsonNode schema, String name) {
        return switch (schema.path("format").asString("")) {
            case "date-time" -> TestBatch.now().plus(Duration.ofHours(20)).toString();
            case "date" -> TestBatch.today().toString();
            default ->
                schema.has("pattern") || name.equals("id") ? UUID.randomUUID().toString() : "a word";
        };
    }

    private Visitor.Answer ask(Visitor visitor, Operation operation) {
        return operation.reads()
                ? visitor.get(address(operation))
                : visitor.send(operation.method(), address(operation), body(operation));
    }

    private static void isShut(Visitor.Answer answer, Operation operation, String who) {
        assertThat(answer.status())
                .as("%s by %s: %s", operation, who, answer.body())
                .isGreaterThanOrEqualTo(400)
                .isLessThan(500);
    }

    @ParameterizedTest
    @MethodSource("operations")
    void whoeverHasNotSignedInIsAskedTo(Operation operation) {
        boolean open = OPEN.contains(operation.toString());
        assertThat(operation.body().path("security").isEmpty())
                .as("the contract says who may ask")
                .isEqualTo(open);
        if (!open) {
            assertThat(Visitor.onceItMay(() -> ask(stranger, operation)).status())
                    .isEqualTo(401);
        }
    }

    @ParameterizedTest
    @MethodSource("operations")
    void nothingIsTakenThatAnotherSiteCouldMakeABrowserSend(Operation operation) {
        if (!operation.reads() && !PROGRAMS.matcher(operation.toString()).matches()) {
            assertThat(cook.sendForged(operation.method(), address(operation), body(operation))
                            .status())
                    .isEqualTo(403);
        }
    }

    @ParameterizedTest
    @MethodSource("operations")
    void aMadeUpTokenOpensNothing(Operation operation) {
        if (PROGRAMS.matcher(operation.toString()).matches()) {
            Visitor.Answer answer = Visitor.program("potamos_made_up", address(operation), body(operation));
            assertThat(answer.status()).isEqualTo(401);
        }
    }

    @Test
    void aTabletAtWhichNobodyHasSignedChangesNothing() {
        Visitor tablet = Visitor.signedIn("ilse");
        tablet.post("/api/session/shared", "{}");
        changesNothing(tablet, "a shared tablet");
    }

    @Test
    void aPasswordForOneSignInOpensNothing() {
        String name = "once." + UUID.randomUUID().toString().substring(0, 8);
        cook.post("/api/kitchen/people", """
                {"signIn": "%s", "name": "Just Come", "role": "COOK", "password": "kestrel-%s"}
                """.formatted(name, name));
        Visitor newcomer = Visitor.signedIn(name);
        changesNothing(newcomer, "a newcomer");
        operations()
                .filter(Operation::reads)
                .filter(operation -> !OWN.matcher(operation.toString()).matches())
                .forEach(operation -> isShut(ask(newcomer, operation), operation, "a newcomer"));
    }

    @Test
    void whoeverOnlyReadsChangesNothing() {
        changesNothing(Visitor.signedIn("marta"), "the reviewer");
    }

    private void changesNothing(Visitor visitor, String who) {
        operations()
                .filter(operation -> !operation.reads())
                .filter(operation -> !OWN.matcher(operation.toString()).matches())
                .filter(operation -> !LOOKS.matcher(operation.toString()).matches())
                .forEach(operation -> isShut(ask(visitor, operation), operation, who));
    }

    @Test
    void aStationSeesItsCallsAndWhatItGotAndNothingElse() {
        Visitor station = Visitor.signedIn("bram");
        operations()
                .filter(operation -> !OF_A_STATION.matcher(operation.toString()).matches())
                .filter(operation -> !OWN.matcher(operation.toString()).matches())
                .forEach(operation -> isShut(ask(station, operation), operation, "a station"));
    }

    @Test
    void aTraineeLogsAndDecidesNothing() {
        Visitor trainee = Visitor.signedIn("wen");
        Pattern theirs = Pattern.compile("POST /api/batches/\\{id}/acts|PUT /api/batches/\\{id}/burner"
                + "|PUT /api/(batches/\\{batchId}|larder/boxes/\\{boxId})/photos/\\{id}|PUT /api/devices/\\{id}/vessel"
                + "|POST /api/(larder/.*|hand-overs(/.*)?)");
        operations()
                .filter(operation -> !operation.reads())
                .filter(operation -> !OWN.matcher(operation.toString()).matches())
                .filter(operation -> !LOOKS.matcher(operation.toString()).matches())
                .filter(operation -> !theirs.matcher(operation.toString()).matches())
                .forEach(operation -> isShut(ask(trainee, operation), operation, "a trainee"));
    }

    @Test
    void theIdsOfAnotherKitchenLeadNowhere() {
        Visitor other = TestKitchen.cookOfAnotherKitchen();
        operations()
                .filter(operation -> operation.template().contains("id}")
                        || operation.template().contains("Id}"))
                .forEach(operation -> {
                    Visitor.Answer answer = ask(other, operation);
                    isShut(answer, operation, "a cook of another kitchen");
                    assertThat(new String(answer.raw().body(), StandardCharsets.UTF_8))
                            .as("%s", operation)
                            .doesNotContain(MARK);
                });
        // Also where no id is asked for nothing of the other kitchen is told.
        operations()
                .filter(Operation::reads)
                .filter(operation -> !operation.template().contains("{"))
                .filter(operation -> !OWN.matcher(operation.toString()).matches())
                .forEach(operation -> assertThat(
                                new String(ask(other, operation).raw().body(), StandardCharsets.UTF_8))
                        .as("%s", operation)
                        .doesNotContain(MARK)
                        .doesNotContain(ids.values()));
    }

    /** What the others are refused is there for whoever may: the doors are shut and not missing. */
    @Test
    void theCookIsLetInWhereverThereIsSomethingToRead() {
        operations()
                .filter(Operation::reads)
                // Their ids are of neither a thing nor a batch.
                .filter(operation -> !operation.template().contains("photos/{id}"))
                .filter(operation -> !operation.template().contains("drafts/{id}"))
                .forEach(operation -> assertThat(ask(cook, operation).status())
                        .as("%s", operation)
                        .isEqualTo(200));
    }
}
