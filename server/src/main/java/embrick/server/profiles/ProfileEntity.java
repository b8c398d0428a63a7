package embrick.server.profiles;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;

/** A profile that somebody added. */
@Entity
@Table(name = "profile")
class ProfileEntity {
    @Id
    @Column(columnDefinition = "text")
    private String digest;

    @Column(columnDefinition = "text")
    private String name;

    private Instant addedAt;

    @Version
    private Long version;

    protected ProfileEntity() {}

    ProfileEntity(String digest, String name, Instant addedAt) {
        this.digest = digest;
        this.name = name;
        this.addedAt = addedAt;
    }

    String digest() {
        return digest;
    }

    String name() {
        return name;
    }
}
