package embrick.server.savedtickets;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A ticket under a name, kept outside jobs. */
@Entity
@Table(name = "saved_ticket")
public class SavedTicket {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String name;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String document;

    private boolean forNewJobs;

    private Instant savedAt;

    @Version
    private Long version;

    protected SavedTicket() {}

    SavedTicket(UUID id, String name, String document, Instant savedAt) {
        this.id = id;
        this.name = name;
        this.document = document;
        this.savedAt = savedAt;
    }

    void replace(String newName, String newDocument, Instant now) {
        this.name = newName;
        this.document = newDocument;
        this.savedAt = now;
    }

    void useForNewJobs(boolean used) {
        this.forNewJobs = used;
    }

    public UUID id() {
        return id;
    }

    public String name() {
        return name;
    }

    public String document() {
        return document;
    }

    /** Whether new jobs begin with it; at most one is so. */
    public boolean isForNewJobs() {
        return forNewJobs;
    }

    public Instant savedAt() {
        return savedAt;
    }

    public Long version() {
        return version;
    }
}
