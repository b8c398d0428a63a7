package embrick.server.runs;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Making all outputs of a ticket. It keeps the ticket it was started with. */
@Entity
@Table(name = "run")
public class Run {
    @Id
    private UUID id;

    private UUID jobId;
    private UUID ticketId;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String ticketDocument;

    @Column(columnDefinition = "text")
    private String folder;

    @Column(columnDefinition = "text")
    private String idempotencyKey;

    private boolean stopped;
    private Instant startedAt;
    private Instant finishedAt;

    @Version
    private Long version;

    protected Run() {}

    Run(UUID id, Start start, String folder, Instant startedAt) {
        this.id = id;
        this.jobId = start.jobId();
        this.ticketId = start.ticketId();
        this.ticketDocument = start.ticketDocument();
        this.idempotencyKey = start.idempotencyKey().orElse(null);
        this.folder = folder;
        this.startedAt = startedAt;
    }

    /** What a run is started with. */
    record Start(UUID jobId, UUID ticketId, String ticketDocument, Optional<String> idempotencyKey) {}

    void stop() {
        this.stopped = true;
    }

    void goOn() {
        this.stopped = false;
        this.finishedAt = null;
    }

    public UUID id() {
        return id;
    }

    public UUID jobId() {
        return jobId;
    }

    public UUID ticketId() {
        return ticketId;
    }

    public String ticketDocument() {
        return ticketDocument;
    }

    /** Below {@code deliveries/}. */
    public String folder() {
        return folder;
    }

    public boolean isStopped() {
        return stopped;
    }

    public Instant startedAt() {
        return startedAt;
    }

    public Optional<Instant> finishedAt() {
        return Optional.ofNullable(finishedAt);
    }
}
