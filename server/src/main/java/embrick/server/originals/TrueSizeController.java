package embrick.server.originals;

import embrick.core.source.MeasuredLine;
import embrick.core.source.SourceFacts;
import embrick.core.units.PixelSize;
import embrick.server.documents.LengthDocument;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The true size of what was scanned or photographed, where its file has lost it or says a wrong one. */
@RestController
@RequestMapping("/api/v1")
class TrueSizeController {
    private final Originals originals;
    private final OriginalViews views;

    TrueSizeController(Originals originals, OriginalViews views) {
        this.originals = originals;
        this.views = views;
    }

    /** As fractions of the upright original. */
    record MarkedPlace(
            @NotNull @DecimalMin("0") @DecimalMax("1") Double x,
            @NotNull @DecimalMin("0") @DecimalMax("1") Double y) {}

    /** @param length between the two places, on what was scanned */
    record KnownLength(
            @NotNull @Valid MarkedPlace from,
            @NotNull @Valid MarkedPlace to,
            @NotNull @Valid LengthDocument length) {}

    /**
     * One of the two, or none for what the file says.
     *
     * @param ppi that it was scanned with
     */
    record TrueSizeWish(
            @Schema(nullable = true) @DecimalMin("1") @DecimalMax("20000")
            BigDecimal ppi,

            @Schema(nullable = true) @Valid KnownLength known) {}

    /** States the size; no pixel and no file is touched. */
    @PutMapping("/originals/{id}/true-size")
    OriginalView setTrueSize(@PathVariable UUID id, @Valid @RequestBody TrueSizeWish wish) {
        Original original = originals.get(id);
        if (wish.ppi() != null && wish.known() != null) {
            throw ProblemException.invalid(
                    "true-size",
                    original.path(),
                    "Both a ppi and a length were given, and they may differ.",
                    "Give one of them.");
        }
        SourceFacts facts = views.facts(original)
                .orElseThrow(() -> ProblemException.invalid(
                        "no-picture",
                        original.path(),
                        original.path() + " will not open: it has no size.",
                        "See its reason in the pile."));
        return views.of(originals.stateSize(id, ppi(wish, original, facts.seen())));
    }

    private static Optional<BigDecimal> ppi(TrueSizeWish wish, Original original, PixelSize seen) {
        if (wish.known() == null) {
            return Optional.ofNullable(wish.ppi());
        }
        KnownLength known = wish.known();
        try {
            return Optional.of(new MeasuredLine(
                            known.from().x() * seen.width(),
                            known.from().y() * seen.height(),
                            known.to().x() * seen.width(),
                            known.to().y() * seen.height(),
                            known.length().toLength())
                    .ppi());
        } catch (IllegalArgumentException unusable) {
            throw ProblemException.invalid(
                    "true-size",
                    original.path(),
                    "That gives " + original.path() + " no size: " + unusable.getMessage() + ".",
                    "Take two points farther apart, and the length between them.");
        }
    }
}
