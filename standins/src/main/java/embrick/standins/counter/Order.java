package embrick.standins.counter;

import embrick.core.lab.Refusal;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * An order as the counter keeps it.
 *
 * @param key that it was sent with: the same order under the same key is the same order
 * @param asked a digest of what was asked for under that key
 * @param reference the customer's own name for it
 * @param since when it has been in its state
 */
public record Order(
        String id,
        String key,
        String asked,
        String reference,
        Instant receivedAt,
        State state,
        Instant since,
        BigDecimal price,
        List<Piece> pieces) {
    /** How far it is. */
    public enum State {
        /** Files are missing. */
        RECEIVING,
        /** All files are there; somebody looks at them. */
        INSPECTING,
        /** Some pieces are refused: each is replaced or withdrawn. */
        TO_MEND,
        ACCEPTED,
        READY,
        CANCELLED;

        boolean isOver() {
            return this == ACCEPTED || this == READY || this == CANCELLED;
        }
    }

    /** How far a piece is. */
    public enum PieceState {
        AWAITED,
        RECEIVED,
        ACCEPTED,
        REFUSED,
        WITHDRAWN
    }

    /**
     * @param number in the order, counted from 1
     * @param sha256 that the file is to have
     * @param attempt counted from 1, one more each time that it is replaced
     */
    public record Piece(
            int number,
            String name,
            String product,
            int copies,
            long bytes,
            String sha256,
            int attempt,
            PieceState state,
            List<Refusal> refusals) {
        Piece in(PieceState next, List<Refusal> why) {
            return new Piece(number, name, product, copies, bytes, sha256, attempt, next, why);
        }

        Piece replacedBy(String otherName, long otherBytes, String otherSha256) {
            return new Piece(
                    number,
                    otherName,
                    product,
                    copies,
                    otherBytes,
                    otherSha256,
                    attempt + 1,
                    PieceState.AWAITED,
                    List.of());
        }
    }

    Order in(State next, Instant now) {
        return new Order(id, key, asked, reference, receivedAt, next, now, price, pieces);
    }

    Order costing(BigDecimal other) {
        return new Order(id, key, asked, reference, receivedAt, state, since, other, pieces);
    }

    Order with(int number, UnaryOperator<Piece> change) {
        return new Order(
                id,
                key,
                asked,
                reference,
                receivedAt,
                state,
                since,
                price,
                pieces.stream()
                        .map(piece -> piece.number() == number ? change.apply(piece) : piece)
                        .toList());
    }

    boolean has(PieceState wanted) {
        return pieces.stream().anyMatch(piece -> piece.state() == wanted);
    }

    /** The state that follows from those of its pieces. */
    Order settled(Instant now) {
        if (state.isOver()) {
            return this;
        }
        State next = has(PieceState.AWAITED)
                ? State.RECEIVING
                : has(PieceState.RECEIVED)
                        ? State.INSPECTING
                        : has(PieceState.REFUSED)
                                ? State.TO_MEND
                                : has(PieceState.ACCEPTED) ? State.ACCEPTED : State.CANCELLED;
        return next == state ? this : in(next, now);
    }
}
