package embrick.server.documents;

import embrick.core.ticket.Shape;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** What one edit changed, with what was there before: enough to undo and to redo it. */
public record EditDocument(
        List<FramingStep> framings,
        List<OverrideStep> overrides,
        List<ExclusionStep> exclusions,
        Optional<PileOrderStep> pileOrder) {
    /** Earlier versions knew neither exclusions nor an order. */
    public EditDocument {
        framings = List.copyOf(framings);
        overrides = List.copyOf(overrides);
        exclusions = exclusions == null ? List.of() : List.copyOf(exclusions);
        pileOrder = pileOrder == null ? Optional.empty() : pileOrder;
    }

    /** A framing and whether a person has said yes to it. */
    public record FramingState(FramingDocument document, boolean accepted) {}

    public record FramingStep(UUID originalId, String shapeKey, FramingState before, FramingState after) {
        /** Papers of ISO 216 were several shapes before. */
        public FramingStep {
            shapeKey = Shape.keyOf(shapeKey).orElse(shapeKey);
        }
    }

    public record OverrideStep(UUID originalId, UUID ticketId, OverrideDocument before, OverrideDocument after) {}

    /** Whether a picture is excluded from runs. */
    public record ExclusionStep(UUID originalId, boolean before, boolean after) {}

    /** Another order of the job's pictures, with the keys that changed. */
    public record PileOrderStep(PileOrder before, PileOrder after, List<KeyStep> keys) {
        public PileOrderStep {
            keys = List.copyOf(keys);
        }
    }

    /** What a picture is sorted by before its name. */
    public record KeyStep(UUID originalId, String before, String after) {}
}
