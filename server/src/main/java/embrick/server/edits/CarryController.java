package embrick.server.edits;

import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.Verdict;
import embrick.server.edits.Carrying.Carried;
import embrick.server.edits.Carrying.Change;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.EnumSet;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What carrying would change. Carrying itself is an edit, made of the changes that are shown here. */
@RestController
@RequestMapping("/api/v1")
class CarryController {
    private final Carrying carrying;

    CarryController(Carrying carrying) {
        this.carrying = carrying;
    }

    record CarryRequest(
            @NotNull UUID from,
            @NotNull @Size(max = 20_000) List<@NotNull UUID> to,
            @NotEmpty List<@NotNull Carried> parts) {}

    /** @param verdict null where the picture cannot be printed so */
    record CarryFigures(
            double realPpi, @Schema(nullable = true) Verdict verdict, double lostShare) {
        static CarryFigures of(Planning planning) {
            return switch (planning) {
                case Planning.Ready ready -> {
                    Plan.Figures figures = ready.plan().figures();
                    yield new CarryFigures(figures.realPpi(), figures.verdict(), figures.lostShare());
                }
                case Planning.Refused _ -> new CarryFigures(0, null, 0);
            };
        }
    }

    /**
     * A picture that would change.
     *
     * @param framing as it is sent in an edit; null where only sharpening changes
     */
    record CarryChange(
            @NotNull UUID originalId,
            @NotNull CarryFigures before,
            @NotNull CarryFigures after,
            @Schema(nullable = true) @Valid FramingWish framing,
            @Schema(nullable = true) @Valid OverrideWish override) {}

    /** @param unchanged pictures that are so already */
    record CarryPreview(@NotNull List<CarryChange> changes, int unchanged) {}

    @PostMapping("/tickets/{ticketId}/carry")
    CarryPreview previewCarry(@PathVariable UUID ticketId, @Valid @RequestBody CarryRequest request) {
        List<Change> all = carrying.preview(ticketId, request.from(), request.to(), EnumSet.copyOf(request.parts()));
        List<CarryChange> changes = all.stream()
                .filter(change -> !change.isNone())
                .map(CarryController::view)
                .toList();
        return new CarryPreview(changes, all.size() - changes.size());
    }

    private static CarryChange view(Change change) {
        FramingWish framing = change.framing().document().equals(change.framingAfter())
                ? null
                : new FramingWish(
                        change.original().id(),
                        change.framing().shapeKey(),
                        change.framing().version(),
                        change.framingAfter(),
                        change.framing().accepted());
        OverrideWish override = change.override().document().equals(change.overrideAfter())
                ? null
                : new OverrideWish(
                        change.original().id(),
                        change.override().ticketId(),
                        change.override().version(),
                        change.overrideAfter());
        return new CarryChange(
                change.original().id(),
                CarryFigures.of(change.before()),
                CarryFigures.of(change.after()),
                framing,
                override);
    }
}
