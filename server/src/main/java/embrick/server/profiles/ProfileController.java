package embrick.server.profiles;

import com.fasterxml.jackson.annotation.JsonProperty;
import embrick.core.colour.Intent;
import embrick.core.colour.Lab;
import embrick.core.colour.ProfileRef;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.ProfileFacts;
import embrick.formats.icc.ProfileFacts.Purpose;
import embrick.formats.icc.ProfileFacts.Use;
import embrick.formats.icc.ProfileGamut;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.icc.UnusableProfileException;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.ProfileController.GamutView.SliceView;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The profile shelf, and what a job assumes. */
@RestController
@RequestMapping("/api/v1")
class ProfileController {
    /** More than any profile has; judged again when it is read. */
    private static final int MOST_BYTES = 32 << 20;

    private final ProfileService profiles;
    private final PictureProfiles pictures;
    private final ProfileShelf shelf;

    ProfileController(ProfileService profiles, PictureProfiles pictures, ProfileShelf shelf) {
        this.profiles = profiles;
        this.pictures = pictures;
        this.shelf = shelf;
    }

    /** How a profile came here. */
    enum Origin {
        SHIPPED,
        IMPORTED
    }

    record LabView(double l, double a, double b) {
        static LabView of(Lab lab) {
            return new LabView(lab.l(), lab.a(), lab.b());
        }
    }

    /**
     * @param name it gives itself
     * @param title what it is called here
     * @param words what it is for; empty for imported ones
     * @param alike the title of a shipped profile with the same numbers; null for none
     */
    record ProfileView(
            @NotNull String digest,
            @NotNull String title,
            @NotNull String name,
            @NotNull String words,
            @NotNull Origin origin,
            @NotNull String version,
            @NotNull Purpose purpose,
            @NotNull ColourModel model,
            @NotNull Use use,
            @NotNull Set<Intent> tables,
            @NotNull LabView white,
            @NotNull LabView black,
            @Schema(nullable = true) String alike,
            int fileBytes) {
        /** The same by its earlier name, for one version. */
        @JsonProperty
        @Schema(deprecated = true)
        int bytes() {
            return fileBytes;
        }
    }

    /** What is on the shelf: what ships with Embrick, then what was added, by name. */
    @GetMapping("/profiles")
    List<ProfileView> listProfiles() {
        return profiles.digests().stream().map(this::view).toList();
    }

    @GetMapping("/profiles/{digest}")
    ProfileView getProfile(@PathVariable String digest) {
        return view(known(digest).digest());
    }

    /**
     * Adds a profile, after it was looked through.
     *
     * @param fileName names it in what is said against it
     */
    @PostMapping(path = "/profiles", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @Schema(type = "string", format = "binary")))
    ProfileView addProfile(@RequestParam String fileName, HttpServletRequest request) throws IOException {
        byte[] bytes = request.getInputStream().readNBytes(MOST_BYTES + 1);
        try {
            return view(profiles.add(bytes).digest());
        } catch (UnusableProfileException unusable) {
            throw ProblemException.invalid(
                    "profile-" + unusable.code(),
                    fileName,
                    "“" + fileName + "” " + unusable.getMessage() + ".",
                    unusable.remedy());
        }
    }

    /** Deletes a profile that was added. Tickets and pieces that use it keep it. */
    @DeleteMapping("/profiles/{digest}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteProfile(@PathVariable String digest) {
        profiles.delete(digest);
    }

    /** The profile's own bytes. */
    @GetMapping(path = "/profiles/{digest}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> getProfileFile(@PathVariable String digest) {
        ProfileFacts facts = known(digest);
        ContentDisposition attachment = ContentDisposition.attachment()
                .filename(digest.substring(0, 12) + ".icc")
                .build();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment.toString())
                .body(shelf.bytes(new ProfileRef.Icc(digest, facts.model())));
    }

    /**
     * @param chromaticities the outline in u′v′, each a pair
     * @param tones L* of even steps from no light, or full black ink, to white
     */
    record GamutView(
            @NotNull List<double[]> chromaticities,
            @NotNull List<SliceView> slices,
            @NotNull List<Double> tones) {
        /** The strongest colours of one L*, as pairs of a* and b*. */
        record SliceView(double lightness, @NotNull List<double[]> rim) {}
    }

    /** Which colours a profile has, to be drawn. */
    @GetMapping("/profiles/{digest}/gamut")
    ResponseEntity<GamutView> getProfileGamut(@PathVariable String digest) {
        ProfileGamut gamut = shelf.gamut(known(digest).digest());
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate())
                .body(new GamutView(
                        gamut.chromaticities(),
                        gamut.slices().stream()
                                .map(slice -> new SliceView(slice.lightness(), slice.rim()))
                                .toList(),
                        gamut.tones()));
    }

    /** The profiles a job assumes, by their digests. */
    record AssumedView(
            @NotNull String grey,
            @NotNull String rgb,
            @NotNull String cmyk) {}

    @GetMapping("/jobs/{jobId}/assumed-profiles")
    AssumedView getAssumedProfiles(@PathVariable UUID jobId) {
        Map<ColourModel, String> assumed = pictures.assumed(jobId);
        return new AssumedView(
                assumed.get(ColourModel.GREY), assumed.get(ColourModel.RGB), assumed.get(ColourModel.CMYK));
    }

    /** @param digest null for Embrick's own assumption */
    record Assuming(
            @NotNull ColourModel model,
            @Schema(nullable = true) String digest) {}

    @PutMapping("/jobs/{jobId}/assumed-profiles")
    AssumedView setAssumedProfile(@PathVariable UUID jobId, @Valid @RequestBody Assuming assuming) {
        pictures.assume(jobId, assuming.model(), Optional.ofNullable(assuming.digest()));
        return getAssumedProfiles(jobId);
    }

    private ProfileFacts known(String digest) {
        try {
            return shelf.facts(digest);
        } catch (IllegalArgumentException unknown) {
            throw ProblemException.notFound("profile");
        }
    }

    private ProfileView view(String digest) {
        ProfileFacts facts = shelf.facts(digest);
        Optional<ShippedProfile> shipped = ShippedProfile.of(digest);
        return new ProfileView(
                digest,
                pictures.title(digest),
                facts.name(),
                shipped.map(ShippedProfile::words).orElse(""),
                shipped.isPresent() ? Origin.SHIPPED : Origin.IMPORTED,
                facts.version(),
                facts.purpose(),
                facts.model(),
                facts.use(),
                facts.tables(),
                LabView.of(facts.white()),
                LabView.of(facts.black()),
                facts.alike()
                        .filter(alike -> !alike.equals(digest))
                        .flatMap(ShippedProfile::of)
                        .map(ShippedProfile::title)
                        .orElse(null),
                facts.bytes());
    }
}
