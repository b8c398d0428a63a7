package embrick.server.framings;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface OverrideRepository extends JpaRepository<OverrideEntity, UUID> {
    List<OverrideEntity> findByTicketId(UUID ticketId);

    List<OverrideEntity> findByTicketIdAndOriginalIdIn(UUID ticketId, Collection<UUID> originalIds);
}
