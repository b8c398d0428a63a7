package embrick.server.tickets;

import embrick.core.paper.PaperCatalogue;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketBeginnings;
import embrick.server.documents.TicketDocument;
import embrick.server.problems.IfMatch;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
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

/** Tickets and the papers they may name. */
@RestController
@RequestMapping("/api/v1")
class TicketController {
    private final TicketService tickets;
    private final TicketBeginnings beginnings;
    private final StoredJson json;

    TicketController(TicketService tickets, TicketBeginnings beginnings, StoredJson json) {
        this.tickets = tickets;
        this.beginnings = beginnings;
        this.json = json;
    }

    record TicketView(
            @NotNull UUID id,
            @NotNull UUID jobId,
            long version,

            @Schema(description = "Whether a run of the job carries it out")
            boolean isOn,

            @NotNull TicketDocument document) {}

    record PlacedTicket(@NotNull UUID ticketId, boolean isOn) {}

    record SpokenLength(@NotNull BigDecimal value, @NotNull LengthUnit unit) {
        static SpokenLength of(Length length) {
            return new SpokenLength(length.in(length.spokenIn()), length.spokenIn());
        }
    }

    record PaperView(
            @NotNull String name,
            @NotNull PaperCatalogue.Group group,
            @NotNull SpokenLength width,
            @NotNull SpokenLength height) {}

    @GetMapping("/papers")
    List<PaperView> listPapers() {
        return PaperCatalogue.all().stream()
                .map(paper -> new PaperView(
                        paper.name(),
                        paper.group(),
                        SpokenLength.of(paper.size().width()),
                        SpokenLength.of(paper.size().height())))
                .toList();
    }

    /** Reads a length as people type it, {@code 210 mm}, {@code 6in}, {@code 1 1/2}; {@code unit} is that of a bare number. */
    @GetMapping("/length")
    SpokenLength readLength(@RequestParam String text, @RequestParam LengthUnit unit) {
        try {
            return SpokenLength.of(Length.parse(text, unit));
        } catch (IllegalArgumentException | ArithmeticException wrong) {
            throw ProblemException.invalid(
                    "length",
                    "length",
                    "“" + text + "” is no length.",
                    "Write a number with in, cm or mm, like 8 in or 210 mm.");
        }
    }

    /** Whole tickets for needs that come again and again, to begin with. */
    @GetMapping("/ticket-beginnings")
    List<TicketDocument> listTicketBeginnings() {
        return beginnings.all();
    }

    @GetMapping("/jobs/{jobId}/tickets")
    List<TicketView> listTickets(@PathVariable UUID jobId) {
        return tickets.of(jobId).stream().map(this::view).toList();
    }

    /** All tickets of the job in the order they are to have, each switched on or off. */
    @PutMapping("/jobs/{jobId}/tickets")
    List<TicketView> arrangeTickets(@PathVariable UUID jobId, @RequestBody List<@NotNull @Valid PlacedTicket> placed) {
        return tickets
                .arrange(
                        jobId,
                        placed.stream()
                                .map(one -> new TicketService.Placed(one.ticketId(), one.isOn()))
                                .toList())
                .stream()
                .map(this::view)
                .toList();
    }

    @PostMapping("/jobs/{jobId}/tickets")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<TicketView> addTicket(@PathVariable UUID jobId, @Valid @RequestBody TicketDocument document) {
        return tagged(HttpStatus.CREATED, tickets.add(jobId, document));
    }

    @GetMapping("/tickets/{id}")
    ResponseEntity<TicketView> getTicket(@PathVariable UUID id) {
        return tagged(HttpStatus.OK, tickets.get(id));
    }

    /** {@code If-Match} carries the version that was looked at. */
    @PutMapping("/tickets/{id}")
    ResponseEntity<TicketView> changeTicket(
            @PathVariable UUID id,
            @RequestHeader("If-Match") String ifMatch,
            @Valid @RequestBody TicketDocument document) {
        return tagged(HttpStatus.OK, tickets.change(id, IfMatch.version(ifMatch, "ticket"), document));
    }

    @DeleteMapping("/tickets/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteTicket(@PathVariable UUID id) {
        tickets.remove(id);
    }

    private ResponseEntity<TicketView> tagged(HttpStatus status, TicketEntity ticket) {
        return IfMatch.tagged(status, ticket.version(), view(ticket));
    }

    private TicketView view(TicketEntity ticket) {
        return new TicketView(
                ticket.id(), ticket.jobId(), ticket.version(), ticket.isOn(), json.ticket(ticket.document()));
    }
}
