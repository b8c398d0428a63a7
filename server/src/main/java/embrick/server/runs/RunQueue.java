package embrick.server.runs;

import java.time.Clock;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Puts the waiting pieces of runs to work, and takes them back. A run with nothing left to do is finished. */
@Component
class RunQueue {
    private final RunRepository runs;
    private final PieceRepository pieces;
    private final PieceQueue queue;
    private final Clock clock;

    RunQueue(RunRepository runs, PieceRepository pieces, PieceQueue queue, Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.queue = queue;
        this.clock = clock;
    }

    /** Whatever was changed of its pieces in this transaction is written first. */
    Run begin(UUID runId) {
        pieces.flush();
        queue.schedule(runId);
        return finishIfDone(runId);
    }

    /** Gives the waiting pieces of a run their places anew. */
    void order(UUID runId) {
        queue.unschedule(runId);
        queue.schedule(runId);
    }

    /** Stops what waits; what is being made sees for itself that its run was stopped. */
    Run withdraw(UUID runId) {
        pieces.stopWaiting(runId, clock.instant());
        queue.unschedule(runId);
        return finishIfDone(runId);
    }

    private Run finishIfDone(UUID runId) {
        runs.finishIfDone(runId, clock.instant());
        return runs.findById(runId).orElseThrow();
    }
}
