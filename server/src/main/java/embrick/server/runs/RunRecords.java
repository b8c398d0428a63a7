package embrick.server.runs;

import java.util.List;
import org.springframework.stereotype.Component;

/** Writes a run that begins: the run, its orders, their pieces, in the order in which they name each other. */
@Component
class RunRecords {
    private final RunRepository runs;
    private final RunOrderRepository orders;
    private final PieceRepository pieces;

    RunRecords(RunRepository runs, RunOrderRepository orders, PieceRepository pieces) {
        this.runs = runs;
        this.orders = orders;
        this.pieces = pieces;
    }

    void save(Run run, List<RunOrder> ordered, List<Piece> made) {
        runs.saveAndFlush(run);
        orders.saveAllAndFlush(ordered);
        pieces.saveAll(made);
    }
}
