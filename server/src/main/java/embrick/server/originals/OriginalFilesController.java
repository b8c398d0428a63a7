package embrick.server.originals;

import embrick.core.source.SourceFacts;
import embrick.server.previews.SmallPictures;
import embrick.server.problems.ProblemException;
import embrick.server.storage.OriginalFiles;
import embrick.server.web.HttpAsker;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The bytes of originals and their small pictures. */
@RestController
@RequestMapping("/api/v1")
class OriginalFilesController {
    private final Originals originals;
    private final OriginalViews views;
    private final SmallPictures smallPictures;
    private final OriginalFiles files;

    OriginalFilesController(
            Originals originals, OriginalViews views, SmallPictures smallPictures, OriginalFiles files) {
        this.originals = originals;
        this.views = views;
        this.smallPictures = smallPictures;
        this.files = files;
    }

    /**
     * A small picture in sRGB, its longest side at most {@code edge}; 384 or 1800.
     *
     * @param of the picture's content and profile, as {@code digest-profileDigest} with 12 and 8 digits of each; an answer may be
     *     kept for long only where this is what the original has now
     */
    @GetMapping(path = "/originals/{id}/small", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<Resource> getSmallPicture(
            @PathVariable UUID id,
            @RequestParam int edge,
            @RequestParam(required = false) String of,
            HttpServletRequest request)
            throws IOException {
        Original original = originals.get(id);
        SourceFacts facts = views.facts(original)
                .orElseThrow(() -> new ProblemException(
                        HttpStatus.NOT_FOUND,
                        "no-picture",
                        original.path(),
                        original.path() + " has no picture to show.",
                        "See its reason in the pile."));
        return ResponseEntity.ok()
                .cacheControl(
                        version(original, facts).equals(of)
                                ? CacheControl.maxAge(Duration.ofDays(365)).cachePrivate()
                                // The same address shows another picture after this one is replaced.
                                : CacheControl.noCache())
                .eTag(SmallPictures.key(original.digest(), facts) + "-" + edge)
                .body(new FileSystemResource(PictureProblems.naming(
                        original, () -> smallPictures.get(original.place(), facts, edge, HttpAsker.of(request)))));
    }

    private static String version(Original original, SourceFacts facts) {
        String profile = facts.colour()
                .profile()
                .map(known -> known.digest().substring(0, 8))
                .orElse("");
        return original.digest().substring(0, 12) + "-" + profile;
    }

    /** The original's own bytes. */
    @GetMapping(path = "/originals/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> getOriginalFile(@PathVariable UUID id) throws IOException {
        Original original = originals.get(id);
        ContentDisposition attachment = ContentDisposition.attachment()
                .filename(Path.of(original.path()).getFileName().toString(), StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment.toString())
                .body(new FileSystemResource(PictureProblems.naming(original, () -> files.intact(original.place()))));
    }
}
