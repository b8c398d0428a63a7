package embrick.server.originals;

import com.fasterxml.jackson.annotation.JsonAlias;
import embrick.server.storage.Arrival;
import embrick.server.storage.Reception;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Originals: offering, sending, listing, and what is said of them. */
@RestController
@RequestMapping("/api/v1")
class OriginalController {
    private static final int MOST_OFFERED = 20_000;

    private final Originals originals;
    private final Offers offers;
    private final Intake intake;
    private final OriginalRemoval removal;
    private final Reception reception;
    private final OriginalViews views;

    OriginalController(
            Originals originals,
            Offers offers,
            Intake intake,
            OriginalRemoval removal,
            Reception reception,
            OriginalViews views) {
        this.originals = originals;
        this.offers = offers;
        this.intake = intake;
        this.removal = removal;
        this.reception = reception;
        this.views = views;
    }

    /** @param sha256 of the file's content; null if it is not known, then a file that may be another one is asked for */
    record OfferedFile(
            @NotNull String path,
            @Min(0) @JsonAlias("bytes") long fileBytes,

            @Schema(nullable = true)
            @JsonAlias("sha256")
            @Pattern(regexp = "[0-9a-fA-F]{64}", message = "expected 64 hexadecimal digits")
            String digest) {}

    record Offer(@NotNull @Size(max = MOST_OFFERED) List<@NotNull @Valid OfferedFile> files) {}

    /**
     * @param missing paths of the files to be sent
     * @param unsure those of them that may have arrived already: offered again with their digest, they are told for certain
     */
    record Missing(@NotNull List<String> missing, @NotNull List<String> unsure) {}

    /** Which of a folder's files have not arrived yet, judged by their content. */
    @PostMapping("/jobs/{jobId}/intake")
    Missing offerOriginals(@PathVariable UUID jobId, @Valid @RequestBody Offer offer) {
        Offers.Wanted wanted = offers.wanted(
                jobId,
                offer.files().stream()
                        .map(file ->
                                new Offers.Offered(file.path(), file.fileBytes(), Optional.ofNullable(file.digest())))
                        .toList());
        return new Missing(wanted.missing(), wanted.unsure());
    }

    /** One file, as the body. Sending the same again changes nothing. */
    @PutMapping(path = "/jobs/{jobId}/originals", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @io.swagger.v3.oas.annotations.media.Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @io.swagger.v3.oas.annotations.media.Schema(type = "string", format = "binary")))
    OriginalView addOriginal(@PathVariable UUID jobId, @RequestParam String path, HttpServletRequest request)
            throws IOException {
        OriginalPath.clean(path);
        try (Arrival arrival = receive(request)) {
            return views.of(intake.take(jobId, path, arrival));
        }
    }

    /** Another file in an original's place. Its name stays, and its framings where the shape is the same. */
    @PutMapping(path = "/originals/{id}/file", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @io.swagger.v3.oas.annotations.media.Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @io.swagger.v3.oas.annotations.media.Schema(type = "string", format = "binary")))
    OriginalView replaceOriginal(@PathVariable UUID id, HttpServletRequest request) throws IOException {
        Original original = originals.get(id);
        try (Arrival arrival = receive(request)) {
            return views.of(intake.replace(original, arrival));
        }
    }

    private Arrival receive(HttpServletRequest request) throws IOException {
        long length = request.getContentLengthLong();
        return reception.receive(request.getInputStream(), length < 0 ? OptionalLong.empty() : OptionalLong.of(length));
    }

    /** @param originalIds of one job */
    record Deletion(@NotEmpty @Size(max = 5000) List<@NotNull UUID> originalIds) {}

    /** Deletes originals with their framings, all or none; what was made of them stays. */
    @PostMapping("/jobs/{jobId}/originals/delete")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteOriginals(@PathVariable UUID jobId, @Valid @RequestBody Deletion deletion) {
        removal.delete(jobId, deletion.originalIds());
    }

    @GetMapping("/jobs/{jobId}/originals")
    List<OriginalView> listOriginals(@PathVariable UUID jobId) {
        return views.of(jobId, originals.of(jobId));
    }

    record Change(boolean leftOut) {}

    /** Leaves a picture out of runs, or takes it in again. */
    @PutMapping("/originals/{id}/left-out")
    OriginalView leaveOutOriginal(@PathVariable UUID id, @RequestBody Change change) {
        return views.of(originals.leaveOut(id, change.leftOut()));
    }

    record DamagedChange(boolean printed) {}

    /** Says that a damaged picture, which can be seen all the same, is printed as it is; or takes that back. */
    @PutMapping("/originals/{id}/printed-damaged")
    OriginalView printDamagedOriginal(@PathVariable UUID id, @RequestBody DamagedChange change) {
        return views.of(originals.printDamaged(id, change.printed()));
    }

    /**
     * @param originalIds of one job
     * @param digest of the profile they have; null for what their files say
     */
    record ProfileWish(
            @NotEmpty @Size(max = 5000) List<@NotNull UUID> originalIds,
            @Schema(nullable = true) String digest) {}

    /** Says which profile some pictures have, whatever their files say. */
    @PutMapping("/jobs/{jobId}/originals/profile")
    List<OriginalView> setProfileOfOriginals(@PathVariable UUID jobId, @Valid @RequestBody ProfileWish wish) {
        return views.of(jobId, originals.assignProfile(jobId, wish.originalIds(), Optional.ofNullable(wish.digest())));
    }
}
