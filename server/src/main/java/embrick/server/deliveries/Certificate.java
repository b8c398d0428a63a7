package embrick.server.deliveries;

import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import embrick.server.deliveries.DeliveryController.DeliveryView;
import embrick.server.documents.StoredJson;
import embrick.server.runs.RunOrder;
import embrick.server.runs.RunOrders;
import embrick.server.storage.Storage;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What was asked of a run and what its checks found, in one file that says so by its own digest. */
@Component
class Certificate {
    private static final int SCHEMA_VERSION = 1;

    private final RunOrders orders;
    private final DeliveryList list;
    private final StoredJson stored;
    private final JsonMapper mapper;

    Certificate(RunOrders orders, DeliveryList list, StoredJson stored, JsonMapper mapper) {
        this.orders = orders;
        this.list = list;
        this.stored = stored;
        this.mapper = mapper;
    }

    /** What one ticket of the run asked for, as it was when the run was started. */
    private record Asked(UUID order, String folder, JsonNode ticket) {}

    /** @param pieces as in the delivery's list: pixels, ppi, profile, digest and what its check came to */
    @JsonPropertyOrder({"schemaVersion", "run", "startedAt", "finishedAt", "asked", "pieces"})
    private record Content(
            int schemaVersion,
            UUID run,
            Instant startedAt,
            Instant finishedAt,
            List<Asked> asked,
            List<Map<String, Object>> pieces) {}

    /** @param sha256 of {@code content}, written as JSON without spaces, its parts in their order */
    private record Signed(Content content, String sha256) {}

    byte[] of(DeliveryView delivery) {
        List<Asked> asked = orders.of(delivery.runId()).stream()
                .map(order -> new Asked(order.id(), order.folder(), ticket(order)))
                .toList();
        Content content = new Content(
                SCHEMA_VERSION,
                delivery.runId(),
                delivery.startedAt(),
                delivery.finishedAt(),
                asked,
                list.named(list.lines(delivery)));
        return mapper.writerWithDefaultPrettyPrinter()
                .writeValueAsBytes(new Signed(content, Storage.digestOfText(mapper.writeValueAsString(content))));
    }

    private JsonNode ticket(RunOrder order) {
        return stored.presentTicket(order.ticketDocument());
    }
}
