package embrick.server.tickets;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A ticket of a job; what it says is its document. */
@Entity
@Table(name = "ticket")
public class TicketEntity {
    @Id
    private UUID id;

    private UUID jobId;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String document;

    private Instant madeAt;

    @Version
    private Long version;

    protected TicketEntity() {}

    TicketEntity(UUID id, UUID jobId, String document, Instant madeAt) {
        this.id = id;
        this.jobId = jobId;
        this.document = document;
        this.madeAt = madeAt;
    }

    void replace(String newDocument) {
        this.document = newDocument;
    }

    public UUID id() {
        return id;
    }

    public UUID jobId() {
        return jobId;
    }

    public String document() {
        return document;
    }

    public Instant madeAt() {
        return madeAt;
    }

    public Long version() {
        return version;
    }
}
