package embrick.server.framings;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FramingRepository extends JpaRepository<FramingEntity, UUID> {
    Optional<FramingEntity> findByOriginalIdAndShapeKey(UUID originalId, String shapeKey);

    List<FramingEntity> findByShapeKeyAndOriginalIdIn(String shapeKey, Collection<UUID> originalIds);

    @Query(
            "select f from FramingEntity f, Original o where o.id = f.originalId and o.jobId = :jobId and f.shapeKey = :shapeKey")
    List<FramingEntity> ofJob(UUID jobId, String shapeKey);
}
