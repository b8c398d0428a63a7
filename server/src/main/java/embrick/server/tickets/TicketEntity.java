package embrick.server.tickets;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
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
    // Not what an edit of the ticket is made on: where it stands is another's to say.
    @OptimisticLock(excluded = true)
    private int position;

    @OptimisticLock(excluded = true)
    private boolean isOn;

    @Version
    private Long version;

    protected TicketEntity() {}

    TicketEntity(UUID id, UUID jobId, int position, String document, Instant madeAt) {
        this.id = id;
        this.jobId = jobId;
        this.document = document;
        this.madeAt = madeAt;
        this.position = position;
        this.isOn = true;
    }

    void replace(String newDocument) {
        this.document = newDocument;
    }

    /** @param on whether a run of the job carries it out */
    void place(int newPosition, boolean on) {
        this.position = newPosition;
        this.isOn = on;
    }

    /** Whether a run of the job carries it out. */
    public boolean isOn() {
        return isOn;
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
