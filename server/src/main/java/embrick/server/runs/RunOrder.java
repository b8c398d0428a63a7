package embrick.server.runs;

import embrick.server.storage.DeliveryPlace;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One ticket that a run carries out, as it was when the run started, and the folder its pieces go to. */
@Entity
@Table(name = "run_order")
public class RunOrder {
    @Id
    private UUID id;

    private UUID runId;
    private int position;
    private UUID ticketId;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String ticketDocument;

    @Column(columnDefinition = "text")
    private String root;

    @Column(columnDefinition = "text")
    private String folder;

    protected RunOrder() {}

    RunOrder(UUID id, UUID runId, int position, UUID ticketId, String ticketDocument, DeliveryPlace place) {
        this.id = id;
        this.runId = runId;
        this.position = position;
        this.ticketId = ticketId;
        this.ticketDocument = ticketDocument;
        this.root = place.root();
        this.folder = place.folder();
    }

    public UUID id() {
        return id;
    }

    public UUID runId() {
        return runId;
    }

    public UUID ticketId() {
        return ticketId;
    }

    public String ticketDocument() {
        return ticketDocument;
    }

    /** Below {@code deliveries/}, or below the root of its place. */
    public String folder() {
        return folder;
    }

    public DeliveryPlace place() {
        return new DeliveryPlace(root, folder);
    }
}
