package embrick.server.originals;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface LooseContentRepository extends JpaRepository<LooseContent, UUID> {
    /**
     * Held to the end of the transaction: whoever places or clears a content holds it. The text comes back so that the query
     * gives something.
     */
    @Query(value = "select cast(pg_advisory_xact_lock(:key) as text)", nativeQuery = true)
    String lock(long key);

    @Modifying
    @Query("delete from LooseContent c where c.id = :id")
    void forget(UUID id);
}
