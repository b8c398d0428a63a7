package embrick.server.kept;

import embrick.core.problem.Problem;
import embrick.server.documents.KeptDocument;
import embrick.server.documents.PublishedSchemas;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.problems.ProblemException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What is kept as a file of its own: {@code {"kind": "size", "version": 1, "name": …, "document": …}}, and
 * {@code {"kind": "ticket", …, "ticket": …}}. The version is that of this wrapping; what is wrapped has its own
 * {@code schemaVersion}. Held to the published JSON Schema as it comes.
 */
@Component
public class KeptFiles {
    public static final String TICKET = "ticket";
    private static final int VERSION = 1;
    private static final int MOST_NAME = 120;

    private final StoredJson json;
    private final PublishedSchemas schemas;
    private final JsonMapper mapper = new JsonMapper();

    KeptFiles(StoredJson json, PublishedSchemas schemas) {
        this.json = json;
        this.schemas = schemas;
    }

    /** What a file holds. */
    public record Content<D>(String name, D document) {}

    /** @param document as it is stored */
    public String write(String kind, String name, String document) {
        ObjectNode file = mapper.createObjectNode()
                .put("kind", kind)
                .put("version", VERSION)
                .put("name", name);
        file.set(key(kind), mapper.readTree(document));
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(file);
    }

    /** A file as it is handed over. */
    public static ResponseEntity<byte[]> attached(String name, String kind, String content) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name + "." + kind + ".json", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content.getBytes(StandardCharsets.UTF_8));
    }

    /**
     * Reads a saved ticket that this version or an earlier one wrote.
     *
     * @throws ProblemException if it is no such file, or a later version wrote it
     */
    public Content<TicketDocument> readTicket(JsonNode file) {
        if (!TICKET.equals(file.path("kind").asString(""))) {
            throw refused(
                    "not-a-ticket",
                    "kind",
                    "This is no file of a saved ticket.",
                    "Choose one that was saved as a file here.");
        }
        String name = opened(file, TICKET, TicketDocument.SCHEMA_VERSION);
        ObjectNode present = json.presentTicket(file.path(TICKET).toString());
        require(file, TICKET, present);
        return new Content<>(name, json.ticket(present.toString()));
    }

    /**
     * Reads a saved size, a name pattern or a product rule.
     *
     * @throws ProblemException as {@link #readTicket}
     */
    public Content<KeptDocument> readPart(JsonNode file) {
        String said = file.path("kind").asString("");
        KeptKind kind = Stream.of(KeptKind.values())
                .filter(one -> one.word().equals(said))
                .findFirst()
                .orElseThrow(() -> refused(
                        "not-a-kept-part",
                        "kind",
                        "This is no file of a saved size, a name pattern or a product rule.",
                        "Choose one that was saved as a file here."));
        String name = opened(file, said, kind.schemaVersion());
        JsonNode document = file.path(key(said));
        require(file, said, document);
        return new Content<>(name, json.kept(document.toString()));
    }

    /** Under which a file has what it wraps. */
    private static String key(String kind) {
        return kind.equals(TICKET) ? TICKET : "document";
    }

    /** The name in a file whose versions can be read. */
    private String opened(JsonNode file, String kind, int newest) {
        if (!file.path(key(kind)).isObject()) {
            throw refused(
                    "not-a-" + kind, key(kind), "The file says it is a " + kind + ", and has none.", "Save it again.");
        }
        int version = file.path("version").asInt(0);
        int schemaVersion = file.path(key(kind)).path("schemaVersion").asInt(0);
        if (version > VERSION || schemaVersion > newest) {
            throw refused(
                    "newer-version",
                    "version",
                    "A newer Embrick wrote this " + kind + ": version " + version + " with " + kind + " version "
                            + schemaVersion + "; this one reads up to " + VERSION + " with " + newest + ".",
                    "Bring this Embrick up to date, or save the " + kind + " again with this one.");
        }
        if (version < 1 || schemaVersion < 1) {
            throw refused(
                    "not-a-" + kind, "version", "The file does not say its version.", "Save the " + kind + " again.");
        }
        String name = file.path("name").asString("").strip();
        if (name.isEmpty() || name.length() > MOST_NAME) {
            throw refused(
                    "invalid",
                    "name",
                    "name: expected 1 to " + MOST_NAME + " letters, got " + name.length(),
                    "Correct it.");
        }
        return name;
    }

    /** Holds a file, its part brought to the present shape, to the schema of its kind. */
    private void require(JsonNode file, String kind, JsonNode present) {
        ObjectNode whole = (ObjectNode) file.deepCopy();
        whole.set(key(kind), present);
        List<Problem> problems = schemas.problems(kind, whole);
        if (!problems.isEmpty()) {
            throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, problems);
        }
    }

    private static ProblemException refused(String code, String subject, String text, String remedy) {
        return ProblemException.invalid(code, subject, text, remedy);
    }
}
