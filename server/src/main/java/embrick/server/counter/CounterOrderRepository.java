package embrick.server.counter;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface CounterOrderRepository extends JpaRepository<CounterOrder, UUID> {
    /** Held until the transaction ends: a round and a person may change the same order at once. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select o from CounterOrder o where o.id = :id")
    Optional<CounterOrder> findToChange(UUID id);

    List<CounterOrder> findByRunIdOrderByCreatedAtDesc(UUID runId);

    List<CounterOrder> findTop50ByOrderByCreatedAtDesc();

    List<CounterOrder> findByStateNotInOrderByCreatedAt(Collection<CounterOrder.State> states);

    Optional<CounterOrder> findByRunIdAndIdempotencyKey(UUID runId, String key);
}
