package embrick.server.jobs;

import embrick.server.documents.PileOrder;
import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** The pictures and all that is made from them for one purpose. */
@Entity
@Table(name = "job")
public class Job {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String name;

    private Instant createdAt;

    /** Changed where the pictures are, by their edits. */
    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text", updatable = false)
    private PileOrder pileOrder = PileOrder.NAME;

    @Embedded
    private StoredTarget target = StoredTarget.of(new DeliveryTarget.Deliveries());

    @Version
    private Long version;

    protected Job() {}

    Job(UUID id, String name, Instant createdAt) {
        this.id = id;
        this.name = name;
        this.createdAt = createdAt;
    }

    void rename(String newName) {
        this.name = newName;
    }

    void deliverTo(DeliveryTarget to) {
        this.target = StoredTarget.of(to);
    }

    PileOrder pileOrder() {
        return pileOrder;
    }

    /** Where its deliveries go. */
    public DeliveryTarget target() {
        return target.toTarget();
    }

    public UUID id() {
        return id;
    }

    public String name() {
        return name;
    }

    public Instant createdAt() {
        return createdAt;
    }

    public Long version() {
        return version;
    }
}
