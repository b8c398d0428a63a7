package embrick.server.support;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Holds answers against the API's own document (OpenAPI 3.1): a status that an operation does not name, a field that a schema
 * does not have, or a value that it does not allow ends the test.
 */
final class DocumentedAnswers {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String DEFINITIONS = "#/$defs/";

    private final List<Operation> operations = new ArrayList<>();
    private final ObjectNode definitions;
    private final Map<JsonNode, Schema> schemas = new ConcurrentHashMap<>();

    private record Operation(String method, String template, Pattern path, JsonNode responses) {}

    /** @param document as {@code /api/openapi} gives it */
    DocumentedAnswers(JsonNode document) {
        // As a schema by itself has it.
        JsonNode read = JSON.readTree(document.toString().replace("#/components/schemas/", DEFINITIONS));
        read.path("paths")
                .forEachEntry((template, methods) -> methods.forEachEntry((method, operation) -> {
                    Pattern path = Pattern.compile(template.replaceAll("\\{[^}]+}", "[^/]+"));
                    operations.add(new Operation(
                            method.toUpperCase(Locale.ROOT), template, path, operation.path("responses")));
                }));
        definitions = closed((ObjectNode) read.at("/components/schemas"));
        asSchemas(definitions);
    }

    /** Forbids other fields in plain objects; schemas composed of others stay as they are. */
    private static ObjectNode closed(ObjectNode schemas) {
        Set<String> composed = new HashSet<>();
        schemas.findValues("allOf").forEach(all -> all.forEach(part -> composed.add(name(part))));
        schemas.forEachEntry((name, schema) -> {
            boolean isPlain = schema.has("properties")
                    && !schema.has("allOf")
                    && !schema.has("oneOf")
                    && !schema.has("additionalProperties")
                    && !composed.contains(name);
            if (isPlain) {
                ((ObjectNode) schema).put("additionalProperties", false);
            }
        });
        return schemas;
    }

    /**
     * Leaves out what only OpenAPI knows. And the validator reads bounds and formats only beside a single type: of a type or null
     * it is given either.
     */
    private static void asSchemas(JsonNode schema) {
        schema.forEach(DocumentedAnswers::asSchemas);
        if (schema instanceof ObjectNode node) {
            if (node.path("discriminator").has("propertyName")) {
                node.remove("discriminator");
            }
            node.remove("example");
            if (node.path("type").isArray()) {
                ObjectNode either = node.deepCopy();
                either.put("type", node.path("type").path(0).asString());
                node.removeAll();
                node.putArray("anyOf").add(either).addObject().put("type", "null");
            }
        }
    }

    private static String name(JsonNode part) {
        return part.path("$ref").asString("").replace(DEFINITIONS, "");
    }

    /**
     * @param path with its query, from the server's root
     * @param body empty where the answer is not JSON
     */
    void require(String method, String path, int status, Optional<JsonNode> body) {
        String plain = path.replaceFirst("\\?.*", "");
        // Of a fixed path and one with a variable in its place the fixed one is meant.
        Optional<Operation> operation = operations.stream()
                .filter(one ->
                        one.method().equals(method) && one.path().matcher(plain).matches())
                .min((one, other) -> Integer.compare(variables(one), variables(other)));
        if (operation.isEmpty()) {
            if (status != 404 && status != 405) {
                throw new AssertionError("the API's document has no " + method + " " + plain + ", answered " + status);
            }
            return;
        }
        String what = method + " " + operation.get().template() + " " + status;
        JsonNode response = operation.get().responses().path(String.valueOf(status));
        if (response.isMissingNode()) {
            throw new AssertionError("the API's document does not name " + what + ": " + body.orElse(null));
        }
        if (body.isPresent()) {
            JsonNode schema = response.path("content")
                    .valueStream()
                    .map(content -> content.path("schema"))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError("no content is documented of " + what));
            List<Error> errors = schemas.computeIfAbsent(schema, this::read).validate(body.get());
            if (!errors.isEmpty()) {
                throw new AssertionError(what + " is not as documented: " + errors + " in " + body.get());
            }
        }
    }

    private static int variables(Operation operation) {
        return operation.template().split("\\{", -1).length;
    }

    private Schema read(JsonNode schema) {
        ObjectNode whole = schema.deepCopy().asObject();
        whole.set("$defs", definitions);
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(whole);
    }
}
