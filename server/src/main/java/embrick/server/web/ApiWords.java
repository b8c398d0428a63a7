package embrick.server.web;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.parameters.Parameter;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.beans.factory.config.YamlMapFactoryBean;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** Puts the words of {@code api-words.yaml} into the API's document: what each operation does, what each property means. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class ApiWords implements OpenApiCustomizer {
    private Map<String, List<String>> operations = Map.of();
    private Map<String, String> parameters = Map.of();
    private Map<String, String> properties = Map.of();

    /** When the document is first asked for: no start waits for it. */
    @SuppressWarnings("unchecked")
    private void read() {
        YamlMapFactoryBean reader = new YamlMapFactoryBean();
        reader.setResources(new ClassPathResource("api-words.yaml"));
        Map<String, Object> words = reader.getObject();
        operations = (Map<String, List<String>>) words.get("operations");
        parameters = (Map<String, String>) words.get("parameters");
        properties = (Map<String, String>) words.get("properties");
    }

    @Override
    public synchronized void customise(OpenAPI document) {
        read();
        document.getPaths().values().forEach(path -> path.readOperations().forEach(this::describe));
        document.getComponents().getSchemas().forEach(this::describe);
    }

    private void describe(Operation operation) {
        List<String> words = operations.get(operation.getOperationId());
        if (words != null) {
            operation.setSummary(words.getFirst());
            operation.setDescription(words.getLast());
        }
        if (operation.getParameters() != null) {
            operation.getParameters().forEach(this::describe);
        }
    }

    private void describe(Parameter parameter) {
        if (parameter.getDescription() == null) {
            parameter.setDescription(parameters.get(parameter.getName()));
        }
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private void describe(String name, Schema schema) {
        Map<String, Schema> parts = schema.getProperties();
        if (parts != null) {
            parts.forEach((part, described) -> {
                if (described.getDescription() == null) {
                    described.setDescription(properties.getOrDefault(name + "." + part, properties.get(part)));
                }
            });
        }
    }
}
