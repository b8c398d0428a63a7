package embrick.server.framings;

import embrick.server.Ids;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.StoredJson;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Overrides by picture and ticket; a picture without one is as the ticket says. */
@Service
@Transactional
public class OverrideService {
    private final OverrideRepository overrides;
    private final StoredJson json;

    OverrideService(OverrideRepository overrides, StoredJson json) {
        this.overrides = overrides;
        this.json = json;
    }

    @Transactional(readOnly = true)
    public List<OverrideView> of(UUID ticketId) {
        return overrides.findByTicketId(ticketId).stream().map(this::view).toList();
    }

    @Transactional(readOnly = true)
    public Map<UUID, OverrideDocument> byOriginal(UUID ticketId) {
        Map<UUID, OverrideDocument> all = new HashMap<>();
        of(ticketId).forEach(override -> all.put(override.originalId(), override.document()));
        return all;
    }

    /** The overrides of some pictures; those without one have version −1. */
    @Transactional(readOnly = true)
    public Map<UUID, OverrideView> now(UUID ticketId, List<UUID> originalIds) {
        Map<UUID, OverrideView> now = new HashMap<>();
        originalIds.forEach(id -> now.put(id, new OverrideView(id, ticketId, -1, OverrideDocument.none())));
        overrides
                .findByTicketIdAndOriginalIdIn(ticketId, originalIds)
                .forEach(stored -> now.put(stored.originalId(), view(stored)));
        return now;
    }

    /** Sets overrides, whatever was there. */
    public List<OverrideView> put(UUID ticketId, Map<UUID, OverrideDocument> documents) {
        Map<UUID, OverrideEntity> stored = new HashMap<>();
        overrides
                .findByTicketIdAndOriginalIdIn(ticketId, documents.keySet())
                .forEach(one -> stored.put(one.originalId(), one));
        List<OverrideEntity> changed = new ArrayList<>();
        documents.forEach((originalId, document) -> {
            OverrideEntity override =
                    stored.computeIfAbsent(originalId, id -> new OverrideEntity(Ids.next(), id, ticketId));
            override.replace(json.write(document));
            changed.add(override);
        });
        return overrides.saveAllAndFlush(changed).stream().map(this::view).toList();
    }

    private OverrideView view(OverrideEntity stored) {
        return new OverrideView(
                stored.originalId(), stored.ticketId(), stored.version(), json.override(stored.document()));
    }
}
