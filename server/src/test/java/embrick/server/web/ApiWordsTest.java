package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.config.YamlMapFactoryBean;
import org.springframework.core.io.ClassPathResource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whoever reads the API's document reads what everything means. */
class ApiWordsTest {
    private final JsonNode api = read();

    private static JsonNode read() {
        try {
            return new JsonMapper().readTree(Files.readString(Path.of("../ui/openapi.json")));
        } catch (IOException failed) {
            throw new AssertionError(failed);
        }
    }

    @Test
    void everyOperationAndItsParametersAreDescribed() {
        List<String> silent = new ArrayList<>();
        api.path("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(one -> {
                    JsonNode operation = one.getValue();
                    String id = operation.path("operationId").asString();
                    if (operation.path("summary").asString("").isBlank()
                            || operation.path("description").asString("").isBlank()) {
                        silent.add(id);
                    }
                    operation.path("parameters").forEach(parameter -> {
                        if (parameter.path("description").asString("").isBlank()) {
                            silent.add(id + "(" + parameter.path("name").asString() + ")");
                        }
                    });
                }));
        assertThat(silent).isEmpty();
    }

    @Test
    void everyPropertyIsDescribed() {
        List<String> silent = new ArrayList<>();
        api.path("components")
                .path("schemas")
                .properties()
                .forEach(schema -> schema.getValue()
                        .path("properties")
                        .properties()
                        .forEach(part -> {
                            if (part.getValue().path("description").asString("").isBlank()) {
                                silent.add(schema.getKey() + "." + part.getKey());
                            }
                        }));
        assertThat(silent).isEmpty();
    }

    @Test
    void noWordsStandThereInVain() {
        YamlMapFactoryBean reader = new YamlMapFactoryBean();
        reader.setResources(new ClassPathResource("api-words.yaml"));
        Map<String, Object> words = reader.getObject();
        Set<String> known = new HashSet<>();
        api.path("components")
                .path("schemas")
                .properties()
                .forEach(schema -> schema.getValue()
                        .path("properties")
                        .propertyNames()
                        .forEach(part -> known.addAll(List.of(part, schema.getKey() + "." + part))));
        api.findValuesAsString("operationId").forEach(known::add);
        api.findValues("parameters")
                .forEach(all -> all.forEach(one -> known.add(one.path("name").asString())));
        for (String part : List.of("operations", "parameters", "properties")) {
            assertThat(known)
                    .containsAll(((Map<?, ?>) words.get(part))
                            .keySet().stream().map(String::valueOf).toList());
        }
    }
}
