package embrick.server.originals;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** Originals of jobs. */
public interface OriginalRepository extends JpaRepository<Original, UUID> {
    List<Original> findByJobIdOrderByPath(UUID jobId);

    Optional<Original> findByJobIdAndPath(UUID jobId, String path);

    List<Original> findByJobIdAndIdIn(UUID jobId, Collection<UUID> ids);

    List<Original> findTop6ByJobIdAndStateOrderByPath(UUID jobId, Original.State state);

    boolean existsByDigest(String digest);

    long countByJobId(UUID jobId);

    long countByJobIdAndStateNot(UUID jobId, Original.State state);
}
