package embrick.server.savedtickets;

import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.kept.KeptFiles;
import embrick.server.problems.IfMatch;
import io.swagger.v3.oas.annotations.Operation;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Tickets that are kept outside jobs. */
@RestController
@RequestMapping("/api/v1/saved-tickets")
class SavedTicketController {
    private final SavedTickets saved;
    private final KeptFiles files;
    private final StoredJson json;

    SavedTicketController(SavedTickets saved, KeptFiles files, StoredJson json) {
        this.saved = saved;
        this.files = files;
        this.json = json;
    }

    record SavedTicketView(
            @NotNull UUID id,
            long version,

            @Schema(description = "Under which it is kept; no two are alike") @NotNull
            String name,

            @Schema(description = "Whether new jobs begin with it; at most one is so")
            boolean forNewJobs,

            @NotNull Instant savedAt,
            @NotNull TicketDocument document) {}

    record SavedTicketRequest(
            @NotBlank @Size(max = 120) String name,
            @NotNull @Valid TicketDocument document) {}

    /** How a file of a saved ticket is laid out; it is read as JSON, so that earlier versions of it can be told. */
    record TicketFileView(
            @Schema(allowableValues = "ticket") @NotNull String kind,
            int version,
            @NotNull String name,
            @NotNull TicketDocument ticket) {}

    record ForNewJobsRequest(
            @Schema(description = "False: new jobs begin with the usual ticket")
            boolean forNewJobs) {}

    @GetMapping
    List<SavedTicketView> listSavedTickets() {
        return saved.all().stream().map(this::view).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<SavedTicketView> saveTicket(@Valid @RequestBody SavedTicketRequest request) {
        return tagged(HttpStatus.CREATED, saved.save(request.name(), request.document()));
    }

    @Operation(
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(schema = @Schema(implementation = TicketFileView.class))))
    @PostMapping("/file")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<SavedTicketView> addSavedTicketFile(@RequestBody JsonNode file) {
        KeptFiles.Content<TicketDocument> content = files.readTicket(file);
        return tagged(HttpStatus.CREATED, saved.save(content.name(), content.document()));
    }

    @GetMapping("/{id}")
    ResponseEntity<SavedTicketView> getSavedTicket(@PathVariable UUID id) {
        return tagged(HttpStatus.OK, saved.get(id));
    }

    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(implementation = TicketFileView.class)))
    @GetMapping(path = "/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> getSavedTicketFile(@PathVariable UUID id) {
        SavedTicket ticket = saved.get(id);
        return KeptFiles.attached(
                ticket.name(),
                KeptFiles.TICKET,
                files.write(
                        KeptFiles.TICKET,
                        ticket.name(),
                        json.presentTicket(ticket.document()).toString()));
    }

    /** {@code If-Match} carries the version that was looked at. */
    @PutMapping("/{id}")
    ResponseEntity<SavedTicketView> changeSavedTicket(
            @PathVariable UUID id,
            @RequestHeader("If-Match") String ifMatch,
            @Valid @RequestBody SavedTicketRequest request) {
        return tagged(
                HttpStatus.OK,
                saved.change(id, IfMatch.version(ifMatch, "saved ticket"), request.name(), request.document()));
    }

    @PutMapping("/{id}/for-new-jobs")
    SavedTicketView useForNewJobs(@PathVariable UUID id, @Valid @RequestBody ForNewJobsRequest request) {
        return view(saved.useForNewJobs(id, request.forNewJobs()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteSavedTicket(@PathVariable UUID id) {
        saved.remove(id);
    }

    private ResponseEntity<SavedTicketView> tagged(HttpStatus status, SavedTicket ticket) {
        return IfMatch.tagged(status, ticket.version(), view(ticket));
    }

    private SavedTicketView view(SavedTicket ticket) {
        return new SavedTicketView(
                ticket.id(),
                ticket.version(),
                ticket.name(),
                ticket.isForNewJobs(),
                ticket.savedAt(),
                json.ticket(ticket.document()));
    }
}
