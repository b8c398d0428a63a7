package embrick.server.framings;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Where one picture sits in one shape. */
@Entity
@Table(name = "framing")
class FramingEntity {
    @Id
    private UUID id;

    private UUID originalId;

    @Column(columnDefinition = "text")
    private String shapeKey;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String document;

    private boolean accepted;

    @Version
    private Long version;

    protected FramingEntity() {}

    FramingEntity(UUID id, UUID originalId, String shapeKey) {
        this.id = id;
        this.originalId = originalId;
        this.shapeKey = shapeKey;
    }

    void replace(String newDocument, boolean isAccepted) {
        this.document = newDocument;
        this.accepted = isAccepted;
    }

    public UUID originalId() {
        return originalId;
    }

    public String shapeKey() {
        return shapeKey;
    }

    public String document() {
        return document;
    }

    /** Whether a person has said yes to it. */
    public boolean isAccepted() {
        return accepted;
    }

    public Long version() {
        return version;
    }
}
