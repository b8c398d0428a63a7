package embrick.server.documents;

import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Makes the schema of a kind of file from the API's own document, whose schemas are of the same dialect (OpenAPI 3.1, 4.8.24). What
 * may be null may also be left out, as the application reads it; a choice by {@code kind} is said by conditions, so that what is
 * wrong in a case is told instead of every case that it is not.
 */
final class SchemaMaker {
    private static final String REFERENCE = "#/components/schemas/";

    private final JsonMapper mapper = new JsonMapper();
    private final JsonNode schemas;

    SchemaMaker(JsonNode api) {
        this.schemas = api.path("components").path("schemas");
    }

    /** @param key under which the file has its part */
    String make(String kind, String key, String part) {
        ObjectNode schema = mapper.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("$id", "urn:embrick:file:" + kind + ":1");
        schema.put("title", "A file of Embrick: " + kind);
        schema.put("type", "object");
        schema.putArray("required").add("kind").add("version").add("name").add(key);
        ObjectNode properties = schema.putObject("properties");
        properties.putObject("kind").put("const", kind);
        properties.putObject("version").put("const", 1);
        properties.putObject("name").put("type", "string").put("minLength", 1).put("maxLength", 120);
        properties.putObject(key).put("$ref", "#/$defs/" + part);
        Map<String, JsonNode> definitions = new TreeMap<>();
        define(part, definitions);
        ObjectNode defs = schema.putObject("$defs");
        definitions.forEach(defs::set);
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(schema) + "\n";
    }

    private void define(String name, Map<String, JsonNode> definitions) {
        if (definitions.containsKey(name)) {
            return;
        }
        ObjectNode schema = (ObjectNode) schemas.path(name).deepCopy();
        definitions.put(name, schema);
        if (schema.has("discriminator")) {
            sayByConditions(schema);
        }
        leaveOutWhatMayBeNull(schema);
        Set<String> wanted = new LinkedHashSet<>();
        rename(schema, wanted);
        wanted.forEach(one -> define(one, definitions));
    }

    private static void sayByConditions(ObjectNode schema) {
        JsonNode mapping = schema.path("discriminator").path("mapping");
        schema.removeAll();
        schema.put("type", "object");
        schema.putArray("required").add("kind");
        ArrayNode kinds = schema.putObject("properties").putObject("kind").putArray("enum");
        ArrayNode cases = schema.putArray("allOf");
        mapping.properties().forEach(one -> {
            kinds.add(one.getKey());
            ObjectNode condition = cases.addObject();
            condition.putObject("if").putObject("properties").putObject("kind").put("const", one.getKey());
            condition.putObject("then").put("$ref", one.getValue().asString());
        });
    }

    private static void leaveOutWhatMayBeNull(ObjectNode schema) {
        if (schema.path("required") instanceof ArrayNode required && schema.has("properties")) {
            ArrayNode kept = schema.arrayNode();
            required.forEach(name -> {
                if (!schema.path("properties").path(name.asString()).toString().contains("\"null\"")) {
                    kept.add(name);
                }
            });
            schema.set("required", kept);
        }
    }

    private static void rename(JsonNode node, Set<String> wanted) {
        if (node instanceof ObjectNode object
                && object.path("$ref").asString("").startsWith(REFERENCE)) {
            String name = object.path("$ref").asString().substring(REFERENCE.length());
            object.put("$ref", "#/$defs/" + name);
            wanted.add(name);
        }
        node.forEach(child -> rename(child, wanted));
    }
}
