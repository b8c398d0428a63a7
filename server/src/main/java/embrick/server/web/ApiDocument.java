package embrick.server.web;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The head of the OpenAPI document: the same wherever it is asked for. */
@Configuration
class ApiDocument {
    private static final String NULL = "null";

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Embrick")
                        .version("v1")
                        .description("Everything the screens do, for a lab's own scripts."))
                .servers(List.of(new Server().url("/")));
    }

    /**
     * A part that is described elsewhere, or null: one of the two. Together in one schema, as the annotations put them, they
     * would ask for a value that is both (OpenAPI 3.1 with JSON Schema 2020-12).
     */
    @Bean
    OpenApiCustomizer saysNullAsOneOfTwo() {
        return document -> document.getComponents().getSchemas().values().stream()
                .map(schema -> (Map<String, Schema<?>>) schema.getProperties())
                .filter(Objects::nonNull)
                .forEach(properties -> properties.replaceAll((_, part) -> isRefOrNull(part) ? oneOfTwo(part) : part));
    }

    /** Files are bytes, whatever Java gives them as; a type of Spring's is nobody's schema. */
    @Bean
    OpenApiCustomizer saysFilesAsBytes() {
        return document -> {
            document.getPaths().values().stream()
                    .flatMap(path -> path.readOperations().stream())
                    .flatMap(operation -> operation.getResponses().values().stream())
                    .filter(response -> response.getContent() != null)
                    .forEach(response -> response.getContent().forEach((type, content) -> {
                        if (!type.contains("json") && !type.startsWith("text/event-stream")) {
                            content.setSchema(
                                    new JsonSchema().typesItem("string").format("binary"));
                        }
                    }));
            document.getComponents().getSchemas().remove("StreamingResponseBody");
        };
    }

    private static boolean isRefOrNull(Schema<?> part) {
        return part.get$ref() != null
                && part.getTypes() != null
                && part.getTypes().contains(NULL);
    }

    private static Schema<?> oneOfTwo(Schema<?> part) {
        Schema<?> reference = new JsonSchema().$ref(part.get$ref());
        Schema<?> none = new JsonSchema().typesItem(NULL);
        return new JsonSchema().oneOf(List.of(reference, none)).description(part.getDescription());
    }
}
