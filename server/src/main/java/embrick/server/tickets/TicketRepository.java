package embrick.server.tickets;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface TicketRepository extends JpaRepository<TicketEntity, UUID> {
    List<TicketEntity> findByJobIdOrderByMadeAt(UUID jobId);

    long countByJobId(UUID jobId);
}
