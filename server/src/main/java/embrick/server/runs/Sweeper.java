package embrick.server.runs;

import embrick.server.runs.Piece.State;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** At the start: temporary files whose pieces are no longer under way are taken away. */
@Component
class Sweeper {
    private static final Logger LOG = LoggerFactory.getLogger(Sweeper.class);

    private final PieceRepository pieces;
    private final PieceFiles files;

    Sweeper(PieceRepository pieces, PieceFiles files) {
        this.pieces = pieces;
        this.files = files;
    }

    @EventListener(ApplicationReadyEvent.class)
    void sweep() {
        files.forEachTemporary((pieceId, part) -> {
            boolean underWay = pieces.findById(pieceId)
                    .map(piece -> piece.state() == State.MAKING)
                    .orElse(false);
            if (!underWay) {
                try {
                    Files.deleteIfExists(part);
                    LOG.info("took away {}, left from an earlier time", part.getFileName());
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            }
        });
    }
}
