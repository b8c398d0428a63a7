package embrick.server.deliveries;

import embrick.core.plan.Plan;
import embrick.core.problem.Problem;
import embrick.formats.Book;
import embrick.server.documents.StoredJson;
import embrick.server.problems.ProblemException;
import embrick.server.runs.DeliveredFiles;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import embrick.server.runs.PieceRow;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** What runs have delivered, and whether it still lies there as it was checked. */
@Service
class Deliveries {
    private final PieceRepository pieces;
    private final DeliveredFiles files;
    private final StoredJson json;

    Deliveries(PieceRepository pieces, DeliveredFiles files, StoredJson json) {
        this.pieces = pieces;
        this.files = files;
        this.json = json;
    }

    List<PieceRow> pieces(UUID runId) {
        return pieces.rows(runId);
    }

    List<PieceRow> piecesOfOriginal(UUID originalId) {
        return pieces.rowsOfOriginal(originalId);
    }

    List<PieceRow> checked(UUID runId) {
        return pieces.rows(runId).stream()
                .filter(piece -> piece.state() == Piece.State.CHECKED)
                .toList();
    }

    PieceRow checkedPiece(UUID id) {
        return pieces.row(id)
                .filter(found -> found.state() == Piece.State.CHECKED)
                .orElseThrow(() -> ProblemException.notFound("finished piece"));
    }

    /** @throws ProblemException naming each that is not there as it was checked */
    void requireIntact(List<PieceRow> wanted) {
        requireNoneLost(wanted.stream().filter(piece -> !files.isIntact(piece)).toList());
    }

    static void requireNoneLost(List<PieceRow> lost) {
        if (!lost.isEmpty()) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    lost.stream()
                            .map(piece -> new Problem(
                                    "piece-lost",
                                    piece.name(),
                                    piece.name() + " is no longer in its folder as it was checked.",
                                    "Make it again from the delivery, or take only what is there."))
                            .toList());
        }
    }

    /**
     * The pages of a run's book, in its order.
     *
     * @param orderId of which alone; empty for all of the run
     * @throws ProblemException if there is none, or a piece is no page
     */
    List<Book.Page> pages(UUID runId, Optional<UUID> orderId) {
        List<PieceRow> checked = checked(runId).stream()
                .filter(piece -> orderId.map(piece.orderId()::equals).orElse(true))
                .toList();
        requireIntact(checked);
        if (checked.isEmpty()) {
            throw ProblemException.invalid(
                    "no-book", "run", "No piece is finished yet.", "Wait for the run, or see what went wrong.");
        }
        Map<UUID, Piece> whole = new HashMap<>();
        pieces.findByRunIdOrderByPosition(runId).forEach(piece -> whole.put(piece.id(), piece));
        return checked.stream()
                .map(piece -> page(piece, json.plan(whole.get(piece.id()).plan().orElseThrow())))
                .toList();
    }

    private Book.Page page(PieceRow piece, Plan plan) {
        if (!Book.takes(plan.file())) {
            throw ProblemException.invalid(
                    "no-book",
                    piece.name(),
                    "A book is made of JPEG or PDF pieces, and " + piece.name() + " is neither.",
                    "Choose JPEG or PDF on the ticket and run it again.");
        }
        return new Book.Page(files.place(piece), plan);
    }
}
