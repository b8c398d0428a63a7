package embrick.server.documents;

import embrick.core.ticket.Shape;
import java.util.List;
import java.util.UUID;

/** What one edit changed, with what was there before: enough to undo and to redo it. */
public record EditDocument(List<FramingStep> framings, List<OverrideStep> overrides) {
    public EditDocument {
        framings = List.copyOf(framings);
        overrides = List.copyOf(overrides);
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
}
