package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.server.Ids;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.StoredJson;
import embrick.server.originals.OriginalRepository;
import embrick.server.problems.ProblemException;
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
    private final OriginalRepository originals;
    private final StoredJson json;

    FramingService(FramingRepository framings, OriginalRepository originals, StoredJson json) {
        this.framings = framings;
        this.originals = originals;
        this.json = json;
    }

    @Transactional(readOnly = true)
    public List<FramingEntity> of(UUID jobId, String shapeKey) {
        return framings.ofJob(jobId, shapeKey);
    }

    /** Framings of a job for one shape, by original. */
    @Transactional(readOnly = true)
    public Map<UUID, Framing> byOriginal(UUID jobId, String shapeKey) {
        return framings.ofJob(jobId, shapeKey).stream()
                .collect(Collectors.toMap(
                        FramingEntity::originalId,
                        framing -> json.framing(framing.document()).toFraming()));
    }

    @Transactional(readOnly = true)
    public Framing of(UUID originalId, String shapeKey, Framing otherwise) {
        return framings.findByOriginalIdAndShapeKey(originalId, shapeKey)
                .map(framing -> json.framing(framing.document()).toFraming())
                .orElse(otherwise);
    }

    /**
     * Keeps a framing.
     *
     * @param expectedVersion the version that was looked at; −1 where there was none
     */
    public FramingEntity keep(
            UUID originalId, String shapeKey, long expectedVersion, FramingDocument document, boolean accepted) {
        if (!originals.existsById(originalId)) {
            throw ProblemException.notFound("original");
        }
        FramingDocument exact = FramingDocument.of(document.toFraming());
        FramingEntity framing =
                framings.findByOriginalIdAndShapeKey(originalId, shapeKey).orElse(null);
        if ((framing == null ? -1 : framing.version()) != expectedVersion) {
            throw ProblemException.stale("framing");
        }
        if (framing == null) {
            framing = new FramingEntity(Ids.next(), originalId, shapeKey);
        }
        framing.becomes(json.write(exact), accepted);
        return framings.saveAndFlush(framing);
    }
}
