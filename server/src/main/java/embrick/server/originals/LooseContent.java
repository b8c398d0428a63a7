package embrick.server.originals;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** A content that perhaps no job refers to. */
@Entity
@Table(name = "loose_content")
class LooseContent implements Persistable<UUID> {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String digest;

    private Instant notedAt;

    /** Its id is given, not made by the database, which would otherwise be asked whether it knows it. */
    @Transient
    private boolean isNew;

    protected LooseContent() {}

    LooseContent(UUID id, String digest, Instant notedAt) {
        this.id = id;
        this.digest = digest;
        this.notedAt = notedAt;
        this.isNew = true;
    }

    @Override
    public UUID getId() {
        return id;
    }

    @Override
    public boolean isNew() {
        return isNew;
    }

    String digest() {
        return digest;
    }

    Instant notedAt() {
        return notedAt;
    }
}
