package embrick.server.originals;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Originals of jobs. */
public interface OriginalRepository extends JpaRepository<Original, UUID> {
    List<Original> findByJobIdOrderByPath(UUID jobId);

    Optional<Original> findByJobIdAndPath(UUID jobId, String path);

    List<Original> findByJobIdAndIdIn(UUID jobId, Collection<UUID> ids);

    List<Original> findTop6ByJobIdAndStateOrderByPath(UUID jobId, Original.State state);

    /** The pictures that are printed, in the order in which they are numbered. */
    @Query("""
            select o.id from Original o where o.jobId = :jobId and not o.leftOut
            and o.state <> embrick.server.originals.Original.State.NOT_FOR_EMBRICK order by o.path
            """)
    List<UUID> idsInOrder(UUID jobId);

    boolean existsByDigest(String digest);

    long countByJobId(UUID jobId);

    long countByJobIdAndStateNot(UUID jobId, Original.State state);
}
