package embrick.server.documents;

import embrick.server.problems.ProblemException;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Hands out the schemas of files. */
@RestController
class SchemaController {
    private final PublishedSchemas schemas;

    SchemaController(PublishedSchemas schemas) {
        this.schemas = schemas;
    }

    /** The JSON Schema of a kind of file: {@code ticket}, {@code size}, {@code names} or {@code product}. */
    @GetMapping(path = "/api/v1/schemas/{kind}", produces = "application/schema+json")
    ResponseEntity<byte[]> getSchema(@PathVariable String kind) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/schema+json"))
                .body(schemas.text(kind).orElseThrow(() -> ProblemException.notFound("schema")));
    }
}
