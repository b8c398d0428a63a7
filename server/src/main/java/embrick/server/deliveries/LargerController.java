package embrick.server.deliveries;

import embrick.server.documents.LengthDocument;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A piece of a delivery once more, on a larger sheet. */
@RestController
@RequestMapping("/api/v1")
class LargerController {
    private final LargerPieces larger;

    LargerController(LargerPieces larger) {
        this.larger = larger;
    }

    /** @param longSide of the new sheet; the other follows its shape */
    record LargerWish(@NotNull @Valid LengthDocument longSide) {}

    record LargerStarted(
            @NotNull UUID jobId,
            @NotNull UUID ticketId,
            @NotNull UUID runId) {}

    @PostMapping("/pieces/{id}/larger")
    @ResponseStatus(HttpStatus.CREATED)
    LargerStarted makePieceLarger(@PathVariable UUID id, @Valid @RequestBody LargerWish wish) {
        LargerPieces.Started started = larger.make(id, wish.longSide());
        return new LargerStarted(started.jobId(), started.ticketId(), started.runId());
    }
}
