package embrick.server.runs;

import embrick.server.originals.OriginalUse;
import java.util.Collection;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Originals whose pieces wait or are being made. */
@Component
class PiecesAtWork implements OriginalUse {
    private final PieceRepository pieces;

    PiecesAtWork(PieceRepository pieces) {
        this.pieces = pieces;
    }

    @Override
    public Set<UUID> atWork(Collection<UUID> originals) {
        return pieces.originalsAtWork(originals);
    }
}
