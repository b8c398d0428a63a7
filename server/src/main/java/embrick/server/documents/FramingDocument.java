package embrick.server.documents;

import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.framing.Framing.Mirror;
import embrick.core.framing.Framing.SheetTurn;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.Optional;

/** A framing as it is stored and sent; its numbers are explained at {@link Framing}. */
public record FramingDocument(
        int schemaVersion,
        double centreX,
        double centreY,
        double tightness,
        double tiltDegrees,
        int quarterTurns,
        @NotNull Mirror mirror,
        @NotNull SheetTurn turn,
        @NotNull Corners corners,
        @Schema(nullable = true) FreeDocument free) {
    public static final int SCHEMA_VERSION = 2;

    public FramingDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    public record FreeDocument(double width, double height) {}

    public static FramingDocument of(Framing framing) {
        return new FramingDocument(
                SCHEMA_VERSION,
                framing.centreX(),
                framing.centreY(),
                framing.tightness(),
                framing.tiltDegrees(),
                framing.quarterTurns(),
                framing.mirror(),
                framing.turn(),
                framing.corners(),
                framing.free()
                        .map(sides -> new FreeDocument(sides.width(), sides.height()))
                        .orElse(null));
    }

    /**
     * @throws ProblemException if a number is out of its bounds
     */
    public Framing toFraming() {
        try {
            return new Framing(
                    centreX,
                    centreY,
                    tightness,
                    tiltDegrees,
                    quarterTurns,
                    mirror,
                    turn,
                    corners,
                    Optional.ofNullable(free).map(sides -> new FreeSides(sides.width(), sides.height())));
        } catch (IllegalArgumentException wrong) {
            throw ProblemException.invalid("framing-value", "framing", wrong.getMessage(), "Frame the picture again.");
        }
    }
}
