package embrick.server.found;

import embrick.core.found.Confidence;
import embrick.core.found.blur.EdgeSpread;
import embrick.core.found.blur.Spot;
import embrick.core.found.blur.Spots;
import embrick.core.source.SourceFacts;
import embrick.server.originals.Original;
import embrick.server.originals.Originals;
import embrick.server.originals.PictureProblems;
import embrick.server.problems.ProblemException;
import embrick.server.storage.PictureWork;
import embrick.server.storage.Pictures;
import embrick.server.web.HttpAsker;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How far the edge is spread that somebody points at, in the original's own pixels. */
@RestController
@RequestMapping("/api/v1")
class FoundBlurController {
    private final Originals originals;
    private final Findings findings;
    private final Pictures pictures;
    private final PictureWork work;

    FoundBlurController(Originals originals, Findings findings, Pictures pictures, PictureWork work) {
        this.originals = originals;
        this.findings = findings;
        this.pictures = pictures;
        this.work = work;
    }

    /** @param x as a fraction of the upright original's width, {@code y} of its height */
    record FoundBlurRequest(
            @NotNull @DecimalMin("0") @DecimalMax("1") Double x,
            @NotNull @DecimalMin("0") @DecimalMax("1") Double y) {}

    /**
     * @param radius of the blur in the original's pixels, 0 where the edge is sharp
     * @param grainPercent of the range from black to white, that undoing should leave alone
     */
    record FoundBlurView(
            double radius,
            double grainPercent,
            @NotNull Confidence confidence,
            @NotNull String text) {}

    /** Measures the edge nearest to a place. Nothing is changed. */
    @PostMapping("/originals/{id}/found/blur")
    FoundBlurView measureBlur(
            @PathVariable UUID id, @Valid @RequestBody FoundBlurRequest request, HttpServletRequest http)
            throws IOException {
        Original original = originals.get(id);
        SourceFacts facts = findings.facts(original);
        Optional<EdgeSpread.Found> found = PictureProblems.naming(
                original,
                () -> work.promptly(
                        HttpAsker.of(http), () -> EdgeSpread.find(spot(original, facts, request.x(), request.y()))));
        return found.map(FoundBlurController::view)
                .orElseThrow(() -> ProblemException.invalid(
                        "no-edge",
                        original.path(),
                        "There is no straight edge with even ground on both sides near that place.",
                        "Point at another: the rim of something, straight for some 20 pixels."));
    }

    private Spot spot(Original original, SourceFacts facts, double x, double y) throws IOException {
        try {
            return pictures.whole(
                    original.place(),
                    facts,
                    opened -> Spots.at(
                            opened.raster(), facts.orientation(), facts.colour().model(), x, y));
        } catch (IllegalArgumentException tooSmall) {
            throw ProblemException.invalid(
                    "picture-too-small",
                    original.path(),
                    original.path() + " is too small to measure an edge in: " + tooSmall.getMessage(),
                    "Give the radius by hand.");
        }
    }

    private static FoundBlurView view(EdgeSpread.Found found) {
        return new FoundBlurView(
                rounded(found.radius(), 100),
                rounded(Math.min(5, 100 * found.grain()), 10),
                found.confidence(),
                FoundWords.of(found));
    }

    private static double rounded(double value, double grain) {
        return Math.round(value * grain) / grain;
    }
}
