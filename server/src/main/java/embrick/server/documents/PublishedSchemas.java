package embrick.server.documents;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import embrick.core.problem.Problem;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The JSON Schemas (2020-12) of files that leave and come, as they are published under {@code /api/v1/schemas}. They follow from the
 * API's own document; a test keeps them so.
 */
@Component
public class PublishedSchemas {
    private static final int MOST_TOLD = 20;

    private final Map<String, Schema> read = new ConcurrentHashMap<>();

    /** The schema of a kind of file, {@code ticket}, {@code size}, {@code names} or {@code product}; empty for another. */
    public Optional<byte[]> text(String kind) {
        ClassPathResource resource = new ClassPathResource("schemas/" + kind + ".schema.json");
        if (!kind.matches("[a-z]+") || !resource.exists()) {
            return Optional.empty();
        }
        try (InputStream in = resource.getInputStream()) {
            return Optional.of(in.readAllBytes());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** What in a file is not as the schema of its kind asks, each by its place. */
    public List<Problem> problems(String kind, JsonNode file) {
        return read.computeIfAbsent(kind, this::schema).validate(file).stream()
                .map(PublishedSchemas::problem)
                .distinct()
                .limit(MOST_TOLD)
                .toList();
    }

    private Schema schema(String kind) {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(new String(
                        text(kind)
                                .orElseThrow(() ->
                                        new IllegalArgumentException("kind: expected one with a schema, got " + kind)),
                        StandardCharsets.UTF_8));
    }

    private static String said(Error wrong) {
        if (!"enum".equals(wrong.getKeyword())) {
            return wrong.getMessage();
        }
        String values =
                wrong.getSchemaNode().valueStream().map(JsonNode::asString).collect(Collectors.joining(", "));
        return "expected one of " + values + ", got " + wrong.getInstanceNode().asString();
    }

    private static Problem problem(Error wrong) {
        String place =
                wrong.getInstanceLocation().toString().replaceFirst("^/", "").replace('/', '.');
        String where = place.isEmpty() ? "file" : place;
        return new Problem("invalid", where, where + ": " + said(wrong), "Correct it.");
    }
}
