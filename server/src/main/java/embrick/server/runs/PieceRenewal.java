package embrick.server.runs;

import embrick.server.documents.StoredJson;
import embrick.server.framings.Estimate;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.storage.DecodeWatch;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Has pieces wait again, by the plans that were ordered. Only a picture that could not be planned then is planned now. */
@Component
class PieceRenewal {
    private final PieceRepository pieces;
    private final RunOrderRepository orders;
    private final OriginalRepository originals;
    private final Estimate estimate;
    private final PiecePlans plans;
    private final DecodeWatch watch;
    private final StoredJson json;
    private final Clock clock;

    PieceRenewal(
            PieceRepository pieces,
            RunOrderRepository orders,
            OriginalRepository originals,
            Estimate estimate,
            PiecePlans plans,
            DecodeWatch watch,
            StoredJson json,
            Clock clock) {
        this.pieces = pieces;
        this.orders = orders;
        this.originals = originals;
        this.estimate = estimate;
        this.plans = plans;
        this.watch = watch;
        this.json = json;
        this.clock = clock;
    }

    /** @param run of these pieces, locked by this transaction */
    void await(Run run, List<Piece> again) {
        Instant now = clock.instant();
        Map<UUID, Estimate.Ordered> ordered = orders.findByRunIdOrderByPosition(run.id()).stream()
                .collect(Collectors.toMap(
                        RunOrder::id,
                        order -> new Estimate.Ordered(
                                json.ticket(order.ticketDocument()), Optional.of(order.ticketId()))));
        for (Piece piece : pieces.lockAll(again.stream().map(Piece::id).toList())) {
            Optional<Original> original = originals.findById(piece.originalId());
            original.ifPresent(picture -> watch.trust(picture.digest()));
            if (piece.plan().isEmpty() && original.isPresent()) {
                plans.settle(piece, original.get(), estimate.plan(original.get(), ordered.get(piece.orderId())), now);
            } else {
                piece.await(now);
            }
        }
    }
}
