package embrick.server.runs;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RunOrderRepository extends JpaRepository<RunOrder, UUID> {
    List<RunOrder> findByRunIdOrderByPosition(UUID runId);

    List<RunOrder> findByRunIdInOrderByPosition(Collection<UUID> runIds);
}
