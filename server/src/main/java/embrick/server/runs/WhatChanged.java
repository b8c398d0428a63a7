package embrick.server.runs;

import embrick.core.plan.Plan;
import embrick.server.documents.StoredJson;
import embrick.server.problems.ProblemException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;

/**
 * Leaves out of a run what the same ticket has made already: of the same content, by the same plan, under the same name, as
 * often, and still in its delivery as it was checked. Only what a ticket made of a picture last counts.
 */
@Component
class WhatChanged {
    private final PieceRepository pieces;
    private final DeliveredFiles delivered;
    private final StoredJson json;

    WhatChanged(PieceRepository pieces, DeliveredFiles delivered, StoredJson json) {
        this.pieces = pieces;
        this.delivered = delivered;
        this.json = json;
    }

    /**
     * Orders with what is new; one that has nothing new is left out.
     *
     * @throws ProblemException if nothing is new at all
     */
    List<PlannedPieces.Planned> of(List<PlannedPieces.Planned> planned) {
        List<PlannedPieces.Planned> changed = planned.stream()
                .map(this::of)
                .filter(order -> !order.pieces().isEmpty())
                .toList();
        if (changed.isEmpty()) {
            throw ProblemException.invalid(
                    "nothing-changed",
                    "run",
                    "Every piece has been made as it would be made now, and is still in its delivery.",
                    "Run all of them if you want them once more.");
        }
        return changed;
    }

    private PlannedPieces.Planned of(PlannedPieces.Planned order) {
        Map<UUID, Piece> last = new HashMap<>();
        pieces.madeBefore(
                        order.ticket().id(),
                        order.pieces().stream().map(Piece::originalId).toList())
                .forEach(piece -> last.putIfAbsent(piece.originalId(), piece));
        List<Piece> changed = order.pieces().stream()
                .filter(piece -> !isMade(piece, last.get(piece.originalId())))
                .toList();
        return new PlannedPieces.Planned(order.place(), order.ticket(), order.document(), changed, order.originals());
    }

    /** A plan without what is only expected of its file: another guess makes no other piece. */
    private Plan pixels(String plan) {
        return json.plan(plan).withExpectedFileBytes(0);
    }

    private boolean isMade(Piece now, Piece before) {
        return before != null
                && now.plan().isPresent()
                && now.name().equals(before.name())
                && now.copies() == before.copies()
                && now.originalDigest().equals(before.originalDigest())
                && pixels(now.plan().get()).equals(pixels(before.plan().orElseThrow()))
                && pieces.row(before.id()).filter(delivered::isIntact).isPresent();
    }
}
