package embrick.server.kept;

import embrick.server.documents.KeptDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.problems.IfMatch;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Saved sizes, name patterns and product rules. */
@RestController
@RequestMapping("/api/v1/kept")
class KeptController {
    private final KeptShelf shelf;
    private final KeptFiles files;
    private final StoredJson json;

    KeptController(KeptShelf shelf, KeptFiles files, StoredJson json) {
        this.shelf = shelf;
        this.files = files;
        this.json = json;
    }

    record KeptView(
            @NotNull UUID id,
            long version,
            @NotNull KeptKind kind,
            @NotNull String name,
            @NotNull Instant keptAt,
            @NotNull KeptDocument document) {}

    record KeptRequest(
            @NotBlank @Size(max = 120) String name,
            @NotNull @Valid KeptDocument document) {}

    /** How a file of something kept is laid out. */
    record KeptFileView(
            @NotNull String kind,
            int version,
            @NotNull String name,
            @NotNull KeptDocument document) {}

    @GetMapping
    List<KeptView> listKept(@RequestParam KeptKind kind) {
        return shelf.all(kind).stream().map(this::view).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<KeptView> keep(@Valid @RequestBody KeptRequest request) {
        return tagged(HttpStatus.CREATED, shelf.keep(request.name(), request.document()));
    }

    @io.swagger.v3.oas.annotations.Operation(
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(schema = @Schema(implementation = KeptFileView.class))))
    @PostMapping("/file")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<KeptView> addKeptFile(@RequestBody JsonNode file) {
        KeptFiles.Content<KeptDocument> content = files.readPart(file);
        return tagged(HttpStatus.CREATED, shelf.keep(content.name(), content.document()));
    }

    @GetMapping("/{id}")
    ResponseEntity<KeptView> getKept(@PathVariable UUID id) {
        return tagged(HttpStatus.OK, shelf.get(id));
    }

    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(implementation = KeptFileView.class)))
    @GetMapping(path = "/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> getKeptFile(@PathVariable UUID id) {
        Kept one = shelf.get(id);
        return KeptFiles.attached(one.name(), one.kind(), files.write(one.kind(), one.name(), one.document()));
    }

    /** {@code If-Match} carries the version that was looked at. */
    @PutMapping("/{id}")
    ResponseEntity<KeptView> changeKept(
            @PathVariable UUID id, @RequestHeader("If-Match") String ifMatch, @Valid @RequestBody KeptRequest request) {
        return tagged(
                HttpStatus.OK,
                shelf.change(id, IfMatch.version(ifMatch, "kept part"), request.name(), request.document()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteKept(@PathVariable UUID id) {
        shelf.remove(id);
    }

    /** The ticket that comes of laying something kept over another; nothing is stored. */
    @PostMapping("/{id}/lay-over")
    TicketDocument layOver(@PathVariable UUID id, @Valid @RequestBody TicketDocument ticket) {
        return shelf.laidOver(id, ticket);
    }

    private ResponseEntity<KeptView> tagged(HttpStatus status, Kept one) {
        return IfMatch.tagged(status, one.version(), view(one));
    }

    private KeptView view(Kept one) {
        KeptDocument document = json.kept(one.document());
        return new KeptView(one.id(), one.version(), KeptKind.of(document), one.name(), one.keptAt(), document);
    }
}
