package embrick.server.web;

import embrick.server.problems.ProblemBody;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem.HttpMethod;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.parameters.Parameter;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.responses.ApiResponses;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Says of each operation which problems it may answer with: what can go wrong follows from what it takes. */
@Component
@Order(0)
class ProblemsInDocument implements OpenApiCustomizer {
    private static final String NAME = "ProblemBody";

    @Override
    public void customise(OpenAPI api) {
        ModelConverters.getInstance(true).readAll(ProblemBody.class).forEach(api.getComponents()::addSchemas);
        api.getPaths()
                .forEach((path, item) ->
                        item.readOperationsMap().forEach((method, operation) -> addProblems(path, method, operation)));
    }

    private static void addProblems(String path, HttpMethod method, Operation operation) {
        Map<String, String> problems = new TreeMap<>();
        problems.put("503", "code database-away, busy or not-examined: nothing is lost, ask again in a few seconds");
        List<Parameter> parameters = operation.getParameters() == null ? List.of() : operation.getParameters();
        boolean hasBody = operation.getRequestBody() != null;
        if (method != HttpMethod.GET || !parameters.isEmpty()) {
            problems.put("409", "something stands against it: the code says what, the remedy what to do about it");
        }
        if (hasBody || parameters.stream().anyMatch(parameter -> "path".equals(parameter.getIn()))) {
            problems.put("404", "code not-found: there is no such thing, or it was deleted");
        }
        if (hasBody || !parameters.isEmpty()) {
            problems.put(
                    "400",
                    "code unreadable, unknown-field, invalid or schema-version: a value is not what is expected");
            problems.put("422", "it is readable and cannot be done; the code says why, the remedy what to do");
        }
        if (hasBody) {
            problems.put("413", "code body-too-large: the body has more bytes than are taken");
            problems.put("415", "code request: the body is of another media type");
            problems.put("507", "code no-room, storage-full or folder-failed: the disk has no room for it");
        }
        boolean isVersioned = parameters.stream().anyMatch(parameter -> "If-Match".equals(parameter.getName()));
        if (isVersioned) {
            problems.put("428", "code precondition-required: the request does not say which version was read");
        }
        // Edits name in their body what they saw.
        if (isVersioned || path.contains("/edits")) {
            problems.put("412", "code stale-version: it was changed since it was read");
        }
        ApiResponses responses = operation.getResponses();
        problems.forEach((status, words) -> responses.putIfAbsent(status, response(words)));
    }

    private static ApiResponse response(String words) {
        return new ApiResponse()
                .description(words)
                .content(new Content()
                        .addMediaType(
                                org.springframework.http.MediaType.APPLICATION_PROBLEM_JSON_VALUE,
                                new MediaType().schema(new Schema<>().$ref("#/components/schemas/" + NAME))));
    }
}
