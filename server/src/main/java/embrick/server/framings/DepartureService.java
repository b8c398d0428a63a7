package embrick.server.framings;

import embrick.server.Ids;
import embrick.server.documents.DepartureDocument;
import embrick.server.documents.StoredJson;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Departures by picture and ticket; a picture without one is as the ticket says. */
@Service
@Transactional
public class DepartureService {
    private final DepartureRepository departures;
    private final StoredJson json;

    DepartureService(DepartureRepository departures, StoredJson json) {
        this.departures = departures;
        this.json = json;
    }

    @Transactional(readOnly = true)
    public List<DepartureView> of(UUID ticketId) {
        return departures.findByTicketId(ticketId).stream().map(this::view).toList();
    }

    @Transactional(readOnly = true)
    public Map<UUID, DepartureDocument> byOriginal(UUID ticketId) {
        Map<UUID, DepartureDocument> all = new HashMap<>();
        of(ticketId).forEach(departure -> all.put(departure.originalId(), departure.document()));
        return all;
    }

    /** The departures of some pictures; those without one have version −1. */
    @Transactional(readOnly = true)
    public Map<UUID, DepartureView> now(UUID ticketId, List<UUID> originalIds) {
        Map<UUID, DepartureView> now = new HashMap<>();
        originalIds.forEach(id -> now.put(id, new DepartureView(id, ticketId, -1, DepartureDocument.none())));
        departures
                .findByTicketIdAndOriginalIdIn(ticketId, originalIds)
                .forEach(stored -> now.put(stored.originalId(), view(stored)));
        return now;
    }

    /** Sets departures, whatever was there. */
    public List<DepartureView> put(UUID ticketId, Map<UUID, DepartureDocument> documents) {
        Map<UUID, DepartureEntity> stored = new HashMap<>();
        departures
                .findByTicketIdAndOriginalIdIn(ticketId, documents.keySet())
                .forEach(one -> stored.put(one.originalId(), one));
        List<DepartureEntity> changed = new ArrayList<>();
        documents.forEach((originalId, document) -> {
            DepartureEntity departure =
                    stored.computeIfAbsent(originalId, id -> new DepartureEntity(Ids.next(), id, ticketId));
            departure.says(json.write(document));
            changed.add(departure);
        });
        return departures.saveAllAndFlush(changed).stream().map(this::view).toList();
    }

    private DepartureView view(DepartureEntity stored) {
        return new DepartureView(
                stored.originalId(), stored.ticketId(), stored.version(), json.departure(stored.document()));
    }
}
