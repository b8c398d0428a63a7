package embrick.server.counter;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/** Pieces of a run that were ordered at the counter. */
@Entity
@Table(name = "counter_order")
class CounterOrder {
    /** How far it is; the counter's own states, and two that it does not know. */
    enum State {
        /** It is to be given to the counter. */
        WAITING,
        /** Its pieces are being sent. */
        RECEIVING,
        INSPECTING,
        /** Some pieces are refused: each is to be replaced or withdrawn. */
        TO_MEND,
        ACCEPTED,
        READY,
        CANCELLED,
        /** The counter does not take it, or knows it no more. */
        FAILED;

        boolean isOver() {
            return this == READY || this == CANCELLED || this == FAILED;
        }
    }

    @Id
    private UUID id;

    private UUID runId;

    @Column(columnDefinition = "text")
    private String idempotencyKey;

    @Column(columnDefinition = "text")
    private String askedDigest;

    @Column(columnDefinition = "text")
    private String reference;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private State state;

    @Column(columnDefinition = "text")
    private String remoteId;

    @Column(columnDefinition = "text")
    private String currency;

    @Column(columnDefinition = "numeric")
    private BigDecimal price;

    @Column(columnDefinition = "text")
    private String trouble;

    private Instant createdAt;
    private Instant changedAt;

    @Version
    private Long version;

    protected CounterOrder() {}

    CounterOrder(UUID id, UUID runId, String key, String asked, String reference, String currency, Instant now) {
        this.id = id;
        this.runId = runId;
        this.idempotencyKey = key;
        this.askedDigest = asked;
        this.reference = reference;
        this.currency = currency;
        this.price = BigDecimal.ZERO;
        this.state = State.WAITING;
        this.createdAt = now;
        this.changedAt = now;
    }

    /** Notes what the counter says of it. */
    void follow(String remote, State next, BigDecimal cost, Instant now) {
        if (state != next) {
            this.changedAt = now;
        }
        this.remoteId = remote;
        this.state = next;
        this.price = cost;
        this.trouble = null;
    }

    void price(BigDecimal cost) {
        this.price = cost;
    }

    /** Notes what is in the way; it is tried again. */
    void hinder(String why) {
        this.trouble = why;
    }

    void fail(String why, Instant now) {
        this.state = State.FAILED;
        this.trouble = why;
        this.changedAt = now;
    }

    void cancel(Instant now) {
        this.state = State.CANCELLED;
        this.trouble = null;
        this.changedAt = now;
    }

    UUID id() {
        return id;
    }

    UUID runId() {
        return runId;
    }

    String reference() {
        return reference;
    }

    State state() {
        return state;
    }

    /** Under which name the counter has it; empty until it was given. */
    Optional<String> remoteId() {
        return Optional.ofNullable(remoteId);
    }

    String currency() {
        return currency;
    }

    BigDecimal price() {
        return price;
    }

    Optional<String> trouble() {
        return Optional.ofNullable(trouble);
    }

    Instant createdAt() {
        return createdAt;
    }

    Instant changedAt() {
        return changedAt;
    }

    boolean wasAskedAs(String digest) {
        return askedDigest.equals(digest);
    }
}
