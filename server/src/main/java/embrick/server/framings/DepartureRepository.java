package embrick.server.framings;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface DepartureRepository extends JpaRepository<DepartureEntity, UUID> {
    List<DepartureEntity> findByTicketId(UUID ticketId);

    List<DepartureEntity> findByTicketIdAndOriginalIdIn(UUID ticketId, Collection<UUID> originalIds);
}
