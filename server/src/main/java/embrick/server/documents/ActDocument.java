package embrick.server.documents;

import java.util.List;
import java.util.UUID;

/** What one act changed, with what was there before: enough to undo and to redo it. */
public record ActDocument(List<FramingStep> framings, List<DepartureStep> departures) {
    public ActDocument {
        framings = List.copyOf(framings);
        departures = List.copyOf(departures);
    }

    /** A framing and whether a person has said yes to it. */
    public record FramingState(FramingDocument document, boolean accepted) {}

    public record FramingStep(UUID originalId, String shapeKey, FramingState before, FramingState after) {}

    public record DepartureStep(UUID originalId, UUID ticketId, DepartureDocument before, DepartureDocument after) {}
}
