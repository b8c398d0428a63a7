package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.runs.Piece.State;
import embrick.server.storage.DeliveryPlace;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/**
 * A piece without its plan, as lists need it.
 *
 * @param root of its order's place; null for the storage's own deliveries
 * @param folder of its order
 */
public record PieceRow(
        UUID id,
        UUID runId,
        UUID orderId,
        String root,
        String folder,
        UUID originalId,
        String originalPath,
        int position,
        String name,
        int copies,
        State state,
        int width,
        int height,
        Double ppi,
        Long bytes,
        String sha256,
        Double halo,
        Integer quality,
        String problemCode,
        String problemText,
        String problemRemedy,
        Instant changedAt) {
    /** The folder of its order. */
    public DeliveryPlace place() {
        return new DeliveryPlace(root, folder);
    }

    /** The ppi its file is marked with; empty without a plan. */
    public Optional<Double> markedPpi() {
        return Optional.ofNullable(ppi);
    }

    public Optional<Problem> problem() {
        return Optional.ofNullable(problemCode).map(code -> new Problem(code, "picture", problemText, problemRemedy));
    }

    public Optional<Long> fileBytes() {
        return Optional.ofNullable(bytes);
    }

    public Optional<String> digest() {
        return Optional.ofNullable(sha256);
    }

    /** The quality a JPEG was coded at; empty for other files, and where its tables do not tell it. */
    public Optional<Integer> jpegQuality() {
        return Optional.ofNullable(quality);
    }

    /** How far sharpened contours overshoot, in per cent of their contrast; empty where nothing is sharpened. */
    public Optional<Double> haloPercent() {
        return Optional.ofNullable(halo);
    }
}
