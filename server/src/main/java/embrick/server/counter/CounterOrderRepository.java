package embrick.server.counter;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CounterOrderRepository extends JpaRepository<CounterOrder, UUID> {
    List<CounterOrder> findByRunIdOrderByCreatedAtDesc(UUID runId);

    List<CounterOrder> findTop50ByOrderByCreatedAtDesc();

    List<CounterOrder> findByStateNotInOrderByCreatedAt(Collection<CounterOrder.State> states);

    Optional<CounterOrder> findByRunIdAndIdempotencyKey(UUID runId, String key);
}
