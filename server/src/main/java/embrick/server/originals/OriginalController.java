package embrick.server.originals;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.server.documents.StoredJson;
import embrick.server.previews.SmallPictures;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.Arrival;
import embrick.server.storage.Pictures;
import embrick.server.storage.Reception;
import embrick.server.web.HttpAsker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Originals: offering, sending, listing, small pictures. */
@RestController
@RequestMapping("/api/v1")
class OriginalController {
    private static final int MOST_OFFERED = 20_000;

    private final Originals originals;
    private final Intake intake;
    private final SmallPictures smallPictures;
    private final Reception reception;
    private final Pictures pictures;
    private final PictureProfiles profiles;
    private final StoredJson json;

    OriginalController(
            Originals originals,
            Intake intake,
            SmallPictures smallPictures,
            Reception reception,
            Pictures pictures,
            PictureProfiles profiles,
            StoredJson json) {
        this.profiles = profiles;
        this.originals = originals;
        this.intake = intake;
        this.smallPictures = smallPictures;
        this.reception = reception;
        this.pictures = pictures;
        this.json = json;
    }

    /** @param sha256 of the file's content; null if it is not known, then a file that may be another one is asked for */
    record OfferedFile(
            @NotNull String path,
            @Min(0) long bytes,

            @Schema(nullable = true) @Pattern(regexp = "[0-9a-fA-F]{64}", message = "expected 64 hexadecimal digits")
            String sha256) {}

    record Offer(@NotNull @Size(max = MOST_OFFERED) List<@NotNull @Valid OfferedFile> files) {}

    /**
     * @param missing paths of the files to be sent
     * @param unsure those of them that may have arrived already: offered again with their digest, they are told for certain
     */
    record Missing(@NotNull List<String> missing, @NotNull List<String> unsure) {}

    /** Which of a folder's files have not arrived yet, judged by their content. */
    @PostMapping("/jobs/{jobId}/intake")
    Missing offerOriginals(@PathVariable UUID jobId, @Valid @RequestBody Offer offer) {
        Intake.Wanted wanted = intake.wanted(
                jobId,
                offer.files().stream()
                        .map(file -> new Intake.Offered(file.path(), file.bytes(), Optional.ofNullable(file.sha256())))
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
        Intake.cleanPath(path);
        long length = request.getContentLengthLong();
        try (Arrival arrival = reception.receive(
                request.getInputStream(), length < 0 ? OptionalLong.empty() : OptionalLong.of(length))) {
            return view(intake.take(jobId, path, arrival));
        }
    }

    @GetMapping("/jobs/{jobId}/originals")
    List<OriginalView> listOriginals(@PathVariable UUID jobId) {
        Map<ColourModel, String> assumed = profiles.assumed(jobId);
        return originals.of(jobId).stream()
                .map(original -> view(original, assumed))
                .toList();
    }

    record Change(boolean leftOut) {}

    /** Leaves a picture out of runs, or takes it in again. */
    @PutMapping("/originals/{id}/left-out")
    OriginalView leaveOutOriginal(@PathVariable UUID id, @RequestBody Change change) {
        return view(originals.leaveOut(id, change.leftOut()));
    }

    record DamagedChange(boolean printed) {}

    /** Says that a damaged picture, which can be seen all the same, is printed as it is; or takes that back. */
    @PutMapping("/originals/{id}/printed-damaged")
    OriginalView printDamagedOriginal(@PathVariable UUID id, @RequestBody DamagedChange change) {
        return view(originals.printDamaged(id, change.printed()));
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
        Map<ColourModel, String> assumed = profiles.assumed(jobId);
        return originals.assignProfile(jobId, wish.originalIds(), Optional.ofNullable(wish.digest())).stream()
                .map(picture -> view(picture, assumed))
                .toList();
    }

    /** A small picture in sRGB, its longest side at most {@code edge}; 384 or 1800. */
    @GetMapping(path = "/originals/{id}/small", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<Resource> getSmallPicture(@PathVariable UUID id, @RequestParam int edge, HttpServletRequest request)
            throws IOException {
        Original original = originals.get(id);
        SourceFacts facts = original.facts()
                .map(json::facts)
                .map(found -> profiles.known(found, original.profileDigest(), profiles.assumed(original.jobId())))
                .orElseThrow(() -> new ProblemException(
                        HttpStatus.NOT_FOUND,
                        "no-picture",
                        original.path(),
                        original.path() + " has no picture to show.",
                        "See its reason in the pile."));
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate())
                .eTag(SmallPictures.key(original.digest(), facts) + "-" + edge)
                .body(new FileSystemResource(PictureProblems.naming(
                        original, () -> smallPictures.get(original.digest(), facts, edge, HttpAsker.of(request)))));
    }

    /** The original's own bytes. */
    @GetMapping(path = "/originals/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> getOriginalFile(@PathVariable UUID id) throws IOException {
        Original original = originals.get(id);
        return ResponseEntity.ok(
                new FileSystemResource(PictureProblems.naming(original, () -> pictures.intact(original.digest()))));
    }

    private OriginalView view(Original original) {
        return view(original, profiles.assumed(original.jobId()));
    }

    private OriginalView view(Original original, Map<ColourModel, String> assumed) {
        return new OriginalView(
                original.id(),
                original.path(),
                original.digest(),
                original.fileBytes(),
                original.state(),
                original.isLeftOut(),
                original.isPrintedDamaged(),
                original.isForPieces(),
                damage(original),
                original.facts()
                        .map(json::facts)
                        .map(facts -> profiles.known(facts, original.profileDigest(), assumed))
                        .map(OriginalView.FactsView::of)
                        .orElse(null),
                original.problem().orElse(null));
    }

    private OriginalView.DamageView damage(Original original) {
        return original.damageBegins().isEmpty()
                ? null
                : OriginalView.DamageView.of(
                        json.facts(original.facts().orElseThrow()).orientation(),
                        original.damageBegins().getAsDouble());
    }
}
