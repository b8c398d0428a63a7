package embrick.server.framings;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** What one picture has of its own under a ticket. */
@Entity
@Table(name = "override")
class OverrideEntity {
    @Id
    private UUID id;

    private UUID originalId;
    private UUID ticketId;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String document;

    @Version
    private Long version;

    protected OverrideEntity() {}

    OverrideEntity(UUID id, UUID originalId, UUID ticketId) {
        this.id = id;
        this.originalId = originalId;
        this.ticketId = ticketId;
    }

    void replace(String newDocument) {
        this.document = newDocument;
    }

    UUID originalId() {
        return originalId;
    }

    UUID ticketId() {
        return ticketId;
    }

    String document() {
        return document;
    }

    Long version() {
        return version;
    }
}
