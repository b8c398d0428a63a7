package embrick.server.counter;

import embrick.server.runs.PieceRow;
import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A piece in an order, and the file that is sent for it. */
@Entity
@Table(name = "counter_piece")
class CounterPiece {
    /** How far it is, in the counter's words. */
    enum State {
        AWAITED,
        RECEIVED,
        ACCEPTED,
        REFUSED,
        WITHDRAWN
    }

    /** @param number in the order, counted from 1: the counter's own */
    @Embeddable
    record Key(UUID orderId, int number) implements Serializable {}

    @EmbeddedId
    private Key key;

    private UUID pieceId;
    private UUID originalId;
    private UUID ticketId;

    @Column(columnDefinition = "text")
    private String name;

    @Column(columnDefinition = "text")
    private String product;

    @Column(columnDefinition = "text")
    private String productName;

    private int copies;
    private long bytes;

    @Column(columnDefinition = "text")
    private String sha256;

    private long sentBytes;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private State state;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String refusals;

    protected CounterPiece() {}

    CounterPiece(Key key, UUID ticketId, PieceRow piece, String product, String productName) {
        this.key = key;
        this.ticketId = ticketId;
        this.product = product;
        this.productName = productName;
        this.copies = Math.max(1, piece.copies());
        take(piece);
    }

    /** Sends another file for it: the same picture, made again. */
    final void take(PieceRow piece) {
        this.pieceId = piece.id();
        this.originalId = piece.originalId();
        this.name = piece.name();
        this.bytes = piece.fileBytes().orElseThrow();
        this.sha256 = piece.digest().orElseThrow();
        this.sentBytes = 0;
        this.state = State.AWAITED;
        this.refusals = "[]";
    }

    void noteSent(long sent) {
        this.sentBytes = sent;
    }

    /** @param why refusals in JSON */
    void follow(State next, long received, String why) {
        this.state = next;
        this.sentBytes = received;
        this.refusals = why;
    }

    UUID orderId() {
        return key.orderId();
    }

    int number() {
        return key.number();
    }

    UUID pieceId() {
        return pieceId;
    }

    UUID originalId() {
        return originalId;
    }

    UUID ticketId() {
        return ticketId;
    }

    String name() {
        return name;
    }

    String product() {
        return product;
    }

    String productName() {
        return productName;
    }

    int copies() {
        return copies;
    }

    long bytes() {
        return bytes;
    }

    String sha256() {
        return sha256;
    }

    long sentBytes() {
        return sentBytes;
    }

    State state() {
        return state;
    }

    String refusals() {
        return refusals;
    }
}
