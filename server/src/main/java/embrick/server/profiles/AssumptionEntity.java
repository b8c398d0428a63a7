package embrick.server.profiles;

import embrick.core.pixels.ColourModel;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Optional;
import java.util.UUID;

/** What a job assumes for pictures whose files say nothing of their colours. */
@Entity
@Table(name = "assumption")
class AssumptionEntity {
    @Id
    private UUID jobId;

    @Column(columnDefinition = "text")
    private String grey;

    @Column(columnDefinition = "text")
    private String rgb;

    @Column(columnDefinition = "text")
    private String cmyk;

    @Version
    private Long version;

    protected AssumptionEntity() {}

    AssumptionEntity(UUID jobId) {
        this.jobId = jobId;
    }

    void assume(ColourModel model, String digest) {
        switch (model) {
            case GREY -> grey = digest;
            case RGB -> rgb = digest;
            case CMYK -> cmyk = digest;
        }
    }

    Optional<String> of(ColourModel model) {
        return Optional.ofNullable(
                switch (model) {
                    case GREY -> grey;
                    case RGB -> rgb;
                    case CMYK -> cmyk;
                });
    }
}
