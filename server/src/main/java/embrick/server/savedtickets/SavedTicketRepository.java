package embrick.server.savedtickets;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SavedTicketRepository extends JpaRepository<SavedTicket, UUID> {
    List<SavedTicket> findAllByOrderByName();

    Optional<SavedTicket> findByNameIgnoreCase(String name);

    Optional<SavedTicket> findByForNewJobsTrue();
}
