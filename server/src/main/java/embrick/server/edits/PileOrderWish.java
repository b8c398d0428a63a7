package embrick.server.edits;

import embrick.server.documents.PileOrder;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;

/**
 * Another order of the job's pictures.
 *
 * @param moved with HAND and LOSS: pictures that are put together, in this order; all of them for an order of all
 * @param before with HAND and LOSS: the picture that they come before; null for the end
 */
record PileOrderWish(
        @NotNull PileOrder by,

        @Schema(nullable = true) @Size(max = EditController.MAX_CHANGES)
        List<@NotNull UUID> moved,

        @Schema(nullable = true, defaultValue = "null") UUID before) {}
