package embrick.server.documents;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/**
 * The published schemas say what the API says. After a change of documents they are made anew by this test with
 * {@code EMBRICK_WRITE_SCHEMAS=1}.
 */
@ExtendWith(RunningServer.class)
class PublishedSchemasTest {
    private static final Path KEPT = Path.of("src/main/resources/schemas");

    @ParameterizedTest
    @CsvSource({
        "ticket, ticket, TicketDocument",
        "size, document, SavedSizeDocument",
        "names, document, NamePatternDocument",
        "product, document, ProductRuleDocument"
    })
    void areMadeOfTheApisOwn(String kind, String key, String part) throws IOException {
        JsonMapper mapper = new JsonMapper();
        String made =
                new SchemaMaker(mapper.readTree(Files.readString(Path.of("../ui/openapi.json")))).make(kind, key, part);
        Path kept = KEPT.resolve(kind + ".schema.json");
        if (System.getenv("EMBRICK_WRITE_SCHEMAS") != null) {
            Files.writeString(kept, made);
        }
        assertThat(Files.readString(kept)).isEqualTo(made);
    }

    /** JSON Schema 2020-12's own schema, which its library brings along. */
    @ParameterizedTest
    @CsvSource({"ticket", "size", "names", "product"})
    void areSoundSchemas(String kind) {
        Schema meta = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(SchemaLocation.of("https://json-schema.org/draft/2020-12/schema"));
        byte[] served = new Api(RunningServer.get().address()).download("/schemas/" + kind);
        assertThat(meta.validate(new JsonMapper().readTree(new String(served, StandardCharsets.UTF_8))))
                .isEmpty();
    }

    @Test
    void noOtherIsServed() {
        assertThat(new PublishedSchemas().text("../application")).isEmpty();
        assertThat(new PublishedSchemas().text("moon")).isEmpty();
    }
}
