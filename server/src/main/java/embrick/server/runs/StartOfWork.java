package embrick.server.runs;

import com.github.kagkarlsson.scheduler.Scheduler;
import embrick.server.runs.Piece.State;
import embrick.server.runs.PieceFiles.Temporary;
import embrick.server.storage.Storage;
import embrick.server.workers.ProcessEnds;
import embrick.server.workers.ProcessId;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.ContextRefreshedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * When a process begins to work, before its queue is started: what an earlier one of its name had picked is given free at once,
 * without waiting for heartbeats to be missed, and temporary files whose pieces are no longer under way are deleted.
 */
@Component
class StartOfWork {
    private static final Logger LOG = LoggerFactory.getLogger(StartOfWork.class);

    private final PieceRepository pieces;
    private final PieceQueue queue;
    private final PieceFiles files;
    private final Storage storage;
    private final ProcessId process;
    private final ProcessEnds ends;
    private final ObjectProvider<Scheduler> scheduler;
    private final String name;

    StartOfWork(
            PieceRepository pieces,
            PieceQueue queue,
            PieceFiles files,
            Storage storage,
            ProcessId process,
            ProcessEnds ends,
            ObjectProvider<Scheduler> scheduler,
            @Value("${db-scheduler.scheduler-name}") String name) {
        this.pieces = pieces;
        this.queue = queue;
        this.files = files;
        this.storage = storage;
        this.process = process;
        this.ends = ends;
        this.scheduler = scheduler;
        this.name = name;
    }

    /** The queue itself is started by the same event, after this; the port is ours by then, so no other is at work. */
    @EventListener(ContextRefreshedEvent.class)
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void begin() {
        try {
            ends.begin(process.get(), name);
            scheduler.ifAvailable(_ -> queue.freePickedBy(name));
            files.temporaries(storage.making()).forEach(this::sweep);
        } catch (RuntimeException later) {
            // A database that goes away at this moment ends no start: heartbeats free what was picked, if later.
            LOG.warn("what an earlier process left is looked after later: {}", later.toString());
        }
    }

    private void sweep(Temporary temporary) {
        boolean isUnderWay = pieces.row(temporary.pieceId())
                .filter(piece -> List.of(State.WAITING, State.MAKING).contains(piece.state()))
                .isPresent();
        if (!isUnderWay) {
            try {
                Files.deleteIfExists(temporary.file());
                LOG.info(
                        "removed {}, left from an earlier time",
                        temporary.file().getFileName());
            } catch (IOException failed) {
                LOG.warn("{} stays: {}", temporary.file(), failed.toString());
            }
        }
    }
}
