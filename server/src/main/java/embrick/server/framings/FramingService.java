package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.core.ticket.Shape;
import embrick.server.Ids;
import embrick.server.documents.EditDocument.FramingState;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.StoredJson;
import embrick.server.problems.ProblemException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Framings by picture and shape; a picture nobody has framed sits in the middle, as loose as it can. */
@Service
@Transactional
public class FramingService {
    private final FramingRepository framings;
    private final StoredJson json;

    FramingService(FramingRepository framings, StoredJson json) {
        this.framings = framings;
        this.json = json;
    }

    /**
     * The one key of a shape, however it was written: 8:10 is 4:5.
     *
     * @throws ProblemException if it names no shape
     */
    public static String shapeKey(String written) {
        return Shape.keyOf(written)
                .orElseThrow(() -> ProblemException.invalid(
                        "unknown-shape",
                        "shape",
                        "“" + written + "” names no shape.",
                        "Write a ratio such as 4:5, or 4:5-at-scale, own or free."));
    }

    @Transactional(readOnly = true)
    public List<FramingView> of(UUID jobId, String shapeKey) {
        return framings.ofJob(jobId, shapeKey).stream().map(this::view).toList();
    }

    /** Framings of a job for one shape, by original. */
    @Transactional(readOnly = true)
    public Map<UUID, Framing> byOriginal(UUID jobId, String shapeKey) {
        return of(jobId, shapeKey).stream()
                .collect(Collectors.toMap(
                        FramingView::originalId, framing -> framing.document().toFraming()));
    }

    @Transactional(readOnly = true)
    public Framing of(UUID originalId, String shapeKey, Framing otherwise) {
        return framings.findByOriginalIdAndShapeKey(originalId, shapeKey)
                .map(framing -> json.framing(framing.document()).toFraming())
                .orElse(otherwise);
    }

    /** The framings of some pictures; those that nobody has framed are centred and have version −1. */
    @Transactional(readOnly = true)
    public Map<UUID, FramingView> now(String shapeKey, List<UUID> originalIds) {
        Map<UUID, FramingView> now = new HashMap<>();
        FramingDocument centred = FramingDocument.of(Framing.centred());
        originalIds.forEach(id -> now.put(id, new FramingView(id, shapeKey, false, -1, centred)));
        framings.findByShapeKeyAndOriginalIdIn(shapeKey, originalIds)
                .forEach(stored -> now.put(stored.originalId(), view(stored)));
        return now;
    }

    /** Sets framings, whatever was there. */
    public List<FramingView> put(String shapeKey, Map<UUID, FramingState> states) {
        Map<UUID, FramingEntity> stored = new HashMap<>();
        framings.findByShapeKeyAndOriginalIdIn(shapeKey, states.keySet())
                .forEach(one -> stored.put(one.originalId(), one));
        List<FramingEntity> changed = new ArrayList<>();
        states.forEach((originalId, state) -> {
            FramingEntity framing =
                    stored.computeIfAbsent(originalId, id -> new FramingEntity(Ids.next(), id, shapeKey));
            framing.replace(json.write(state.document()), state.accepted());
            changed.add(framing);
        });
        return framings.saveAllAndFlush(changed).stream().map(this::view).toList();
    }

    private FramingView view(FramingEntity stored) {
        return new FramingView(
                stored.originalId(),
                stored.shapeKey(),
                stored.isAccepted(),
                stored.version(),
                json.framing(stored.document()));
    }
}
