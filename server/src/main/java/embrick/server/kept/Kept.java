package embrick.server.kept;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Something under a name. */
@Entity
public class Kept {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String kind;

    @Column(columnDefinition = "text")
    private String name;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String document;

    private Instant keptAt;

    @Version
    private Long version;

    protected Kept() {}

    Kept(UUID id, String kind, String name, String document, Instant keptAt) {
        this.id = id;
        this.kind = kind;
        this.name = name;
        this.document = document;
        this.keptAt = keptAt;
    }

    void replace(String newName, String newDocument, Instant now) {
        this.name = newName;
        this.document = newDocument;
        this.keptAt = now;
    }

    public UUID id() {
        return id;
    }

    public String kind() {
        return kind;
    }

    public String name() {
        return name;
    }

    public String document() {
        return document;
    }

    public Instant keptAt() {
        return keptAt;
    }

    public Long version() {
        return version;
    }
}
