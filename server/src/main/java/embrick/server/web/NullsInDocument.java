package embrick.server.web;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.Schema;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Says of a property that may be null and has certain values that null is one of them (JSON Schema 2020-12, enum). */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class NullsInDocument implements OpenApiCustomizer {
    @Override
    @SuppressWarnings({"rawtypes", "unchecked"})
    public void customise(OpenAPI document) {
        for (Schema schema : document.getComponents().getSchemas().values()) {
            Map<String, Schema> parts = schema.getProperties();
            if (parts != null) {
                parts.values().stream()
                        .filter(part -> part.getEnum() != null)
                        .filter(part ->
                                part.getTypes() != null && part.getTypes().contains("null"))
                        .filter(part -> !part.getEnum().contains(null))
                        .forEach(part -> part.addEnumItemObject(null));
            }
        }
    }
}
