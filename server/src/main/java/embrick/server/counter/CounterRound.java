package embrick.server.counter;

import embrick.server.counter.CounterClient.RemoteOrder;
import embrick.server.counter.CounterClient.RemotePiece;
import embrick.server.counter.CounterClient.Wanted;
import embrick.server.counter.CounterClient.WantedPiece;
import embrick.server.counter.CounterOrders.Whole;
import embrick.server.outside.OutsideRefusedException;
import embrick.server.runs.DeliveredFiles;
import embrick.server.runs.PieceRepository;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Goes on with one order: gives it, sends what the counter awaits, and notes what it says. */
@Component
class CounterRound {
    private final CounterOrders orders;
    private final CounterClient counter;
    private final CounterSettings settings;
    private final PieceRepository pieces;
    private final DeliveredFiles files;

    CounterRound(
            CounterOrders orders,
            CounterClient counter,
            CounterSettings settings,
            PieceRepository pieces,
            DeliveredFiles files) {
        this.orders = orders;
        this.counter = counter;
        this.settings = settings;
        this.pieces = pieces;
        this.files = files;
    }

    /**
     * Gives the state that the order is left in.
     *
     * @throws IOException if the counter is not reached; a later round goes on where this one was
     */
    CounterOrder.State goOn(UUID id) throws IOException {
        Whole whole = orders.get(id);
        RemoteOrder remote;
        try {
            remote = whole.order().remoteId().isPresent()
                    ? counter.order(whole.order().remoteId().get())
                    : counter.give(id, wanted(whole));
        } catch (OutsideRefusedException refused) {
            if (refused.isForNow()) {
                throw refused;
            }
            orders.fail(
                    id,
                    refused.isUnknown()
                            ? "The counter does not know this order any more. Order its pieces again."
                            : "The counter does not take this order: " + refused.getMessage()
                                    + " Order again, as it asks.");
            return CounterOrder.State.FAILED;
        }
        orders.follow(id, remote);
        if (orders.get(id).order().state() == CounterOrder.State.CANCELLED
                && remote.state() != CounterOrder.State.CANCELLED) {
            // Cancelled here in the moment that it was given.
            return counter.cancel(remote.id()).state();
        }
        for (RemotePiece piece : remote.pieces()) {
            if (piece.state() == CounterPiece.State.AWAITED && !send(id, remote.id(), piece)) {
                return remote.state();
            }
        }
        if (remote.state() == CounterOrder.State.RECEIVING) {
            RemoteOrder sent = counter.order(remote.id());
            orders.follow(id, sent);
            return sent.state();
        }
        return remote.state();
    }

    private static Wanted wanted(Whole whole) {
        return new Wanted(
                whole.order().reference(),
                whole.pieces().stream()
                        .map(piece -> new WantedPiece(
                                piece.name(), piece.product(), piece.copies(), piece.bytes(), piece.sha256()))
                        .toList());
    }

    /** False if the order was changed meanwhile, or the piece's file is not there. */
    private boolean send(UUID id, String remoteId, RemotePiece awaited) throws IOException {
        int number = awaited.number();
        CounterPiece piece = piece(id, awaited).orElse(null);
        if (piece == null) {
            return false;
        }
        Optional<Path> file = file(piece);
        if (file.isEmpty()) {
            orders.hinder(
                    id,
                    piece.name() + " is no longer in its folder as it was checked."
                            + " Make it again from its delivery, or withdraw it here.");
            return false;
        }
        long there = counter.received(remoteId, number);
        while (there < piece.bytes()) {
            there = counter.append(remoteId, number, file.get(), there, settings.partBytes());
            orders.noteSent(id, number, there);
            if (piece(id, awaited).isEmpty()) {
                return false;
            }
        }
        return true;
    }

    /** Empty if nothing more needs to be sent for it, or if the counter awaits another file than the one stored here. */
    private Optional<CounterPiece> piece(UUID id, RemotePiece awaited) {
        return orders.find(id)
                .filter(whole -> !whole.order().state().isOver())
                .flatMap(whole -> whole.pieces().stream()
                        .filter(piece -> piece.number() == awaited.number())
                        .findFirst())
                .filter(piece -> piece.state() == CounterPiece.State.AWAITED)
                .filter(piece -> piece.sha256().equals(awaited.sha256()));
    }

    /** The file that was ordered: the same bytes, also where the piece was made again. */
    private Optional<Path> file(CounterPiece piece) {
        return pieces.row(piece.pieceId())
                .filter(row -> row.digest().orElse("").equals(piece.sha256()))
                .filter(files::isIntact)
                .map(files::place);
    }
}
