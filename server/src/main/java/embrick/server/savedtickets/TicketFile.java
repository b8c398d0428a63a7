package embrick.server.savedtickets;

import embrick.core.problem.Problem;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.problems.ProblemException;
import jakarta.validation.Validator;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A saved ticket as a file of its own: {@code {"kind": "ticket", "version": 1, "name": …, "ticket": …}}. The version is that of
 * this wrapping; the ticket has its own {@code schemaVersion}.
 */
@Component
class TicketFile {
    private static final String KIND = "ticket";
    private static final int VERSION = 1;
    private static final int MOST_NAME = 120;

    private final StoredJson json;
    private final Validator validator;
    private final JsonMapper mapper = new JsonMapper();

    TicketFile(StoredJson json, Validator validator) {
        this.json = json;
        this.validator = validator;
    }

    /** What a file holds. */
    record Content(String name, TicketDocument document) {}

    String write(SavedTicket ticket) {
        ObjectNode file = mapper.createObjectNode()
                .put("kind", KIND)
                .put("version", VERSION)
                .put("name", ticket.name());
        file.set(KIND, mapper.readTree(json.write(json.ticket(ticket.document()))));
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(file);
    }

    /**
     * Reads one that this version or an earlier one wrote.
     *
     * @throws ProblemException if it is no such file, or a later version wrote it
     */
    Content read(JsonNode file) {
        if (!KIND.equals(file.path("kind").asString("")) || !file.path(KIND).isObject()) {
            throw refused(
                    "not-a-ticket",
                    "kind",
                    "This is no file of a saved ticket.",
                    "Choose one that was saved as a file here.");
        }
        int version = file.path("version").asInt(0);
        int schemaVersion = file.path(KIND).path("schemaVersion").asInt(0);
        if (version > VERSION || schemaVersion > TicketDocument.SCHEMA_VERSION) {
            throw refused(
                    "newer-version",
                    "version",
                    "A newer Embrick wrote this ticket: version " + version + " with ticket version " + schemaVersion
                            + "; this one reads up to " + VERSION + " with " + TicketDocument.SCHEMA_VERSION + ".",
                    "Bring this Embrick up to date, or save the ticket again with this one.");
        }
        if (version < 1 || schemaVersion < 1) {
            throw refused("not-a-ticket", "version", "The file does not say its version.", "Save the ticket again.");
        }
        String name = file.path("name").asString("").strip();
        if (name.isEmpty() || name.length() > MOST_NAME) {
            throw refused(
                    "invalid",
                    "name",
                    "name: expected 1 to " + MOST_NAME + " letters, got " + name.length(),
                    "Correct it.");
        }
        TicketDocument document = json.ticket(file.path(KIND).toString());
        List<Problem> problems = validator.validate(document).stream()
                .map(wrong -> new Problem(
                        "invalid",
                        KIND + "." + wrong.getPropertyPath(),
                        KIND + "." + wrong.getPropertyPath() + ": " + wrong.getMessage(),
                        "Correct it."))
                .toList();
        if (!problems.isEmpty()) {
            throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, problems);
        }
        return new Content(name, document);
    }

    private static ProblemException refused(String code, String subject, String text, String remedy) {
        return ProblemException.invalid(code, subject, text, remedy);
    }
}
