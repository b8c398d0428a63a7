package embrick.server.edits;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One edit on the framings of a job. */
@Entity
@Table(name = "edit")
class EditEntity {
    @Id
    private UUID id;

    private UUID jobId;
    private long position;

    @Column(columnDefinition = "text")
    private String words;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String document;

    private boolean undone;
    private Instant madeAt;

    @Version
    private Long version;

    protected EditEntity() {}

    /** @param position counts up within a job */
    EditEntity(UUID id, UUID jobId, long position, String words, String document, Instant madeAt) {
        this.id = id;
        this.jobId = jobId;
        this.position = position;
        this.words = words;
        this.document = document;
        this.madeAt = madeAt;
    }

    void undo() {
        undone = true;
    }

    void redo() {
        undone = false;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    long position() {
        return position;
    }

    String words() {
        return words;
    }

    String document() {
        return document;
    }
}
