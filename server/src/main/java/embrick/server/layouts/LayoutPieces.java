package embrick.server.layouts;

import embrick.core.plan.Plan;
import embrick.core.problem.Problem;
import embrick.formats.Book;
import embrick.server.documents.StoredJson;
import embrick.server.problems.ProblemException;
import embrick.server.runs.DeliveredFiles;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import embrick.server.runs.PieceRow;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The finished pieces of runs, as often as each has copies; those that cannot be laid are told and stop none of the others. */
@Component
class LayoutPieces {
    /** The code of a piece whose file is not there as it was checked. */
    static final String LOST = "piece-lost";

    private final PieceRepository pieces;
    private final DeliveredFiles files;
    private final StoredJson json;

    LayoutPieces(PieceRepository pieces, DeliveredFiles files, StoredJson json) {
        this.pieces = pieces;
        this.files = files;
        this.json = json;
    }

    /** @param copy counted from 1 */
    record Copy(UUID runId, PieceRow piece, Book.Page page, int copy) {}

    /** @param refused pieces that are not laid, each with its remedy */
    record Gathered(List<Copy> copies, List<Problem> refused) {}

    @Transactional(readOnly = true)
    public Gathered gather(List<UUID> runIds) {
        List<Copy> copies = new ArrayList<>();
        List<Problem> refused = new ArrayList<>();
        for (UUID runId : runIds.stream().distinct().toList()) {
            List<PieceRow> rows = pieces.rows(runId);
            if (rows.isEmpty()) {
                throw ProblemException.notFound("run");
            }
            Map<UUID, Piece> whole = new HashMap<>();
            pieces.findByRunIdOrderByPosition(runId).forEach(piece -> whole.put(piece.id(), piece));
            for (PieceRow row : rows) {
                if (row.state() == Piece.State.CHECKED) {
                    Plan plan = json.plan(whole.get(row.id()).plan().orElseThrow());
                    gather(runId, row, plan, copies, refused);
                }
            }
        }
        return new Gathered(copies, refused);
    }

    private void gather(UUID runId, PieceRow row, Plan plan, List<Copy> copies, List<Problem> refused) {
        if (!Book.takes(plan.file())) {
            refused.add(new Problem(
                    "not-for-sheets",
                    row.name(),
                    row.name() + " is neither JPEG nor PDF, and only those are laid on paper.",
                    "Choose JPEG or PDF on its ticket and run it again."));
        } else if (!files.isIntact(row)) {
            refused.add(new Problem(
                    LOST,
                    row.name(),
                    row.name() + " is no longer in its folder as it was checked.",
                    "Make it again from its delivery."));
        } else {
            Book.Page page = new Book.Page(files.place(row), plan);
            for (int copy = 1; copy <= Math.max(1, row.copies()); copy++) {
                copies.add(new Copy(runId, row, page, copy));
            }
        }
    }
}
