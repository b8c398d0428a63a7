package embrick.server.originals;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A content that perhaps no job refers to. */
@Entity
@Table(name = "loose_content")
class LooseContent {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String digest;

    private Instant notedAt;

    protected LooseContent() {}

    LooseContent(UUID id, String digest, Instant notedAt) {
        this.id = id;
        this.digest = digest;
        this.notedAt = notedAt;
    }

    UUID id() {
        return id;
    }

    String digest() {
        return digest;
    }

    Instant notedAt() {
        return notedAt;
    }
}
