package embrick.server.acts;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ActRepository extends JpaRepository<ActEntity, UUID> {
    /** Acts of one job wait for one another; empty if there is no such job. */
    @Query(value = "select id from job where id = :jobId for update", nativeQuery = true)
    Optional<UUID> lockJob(UUID jobId);

    Optional<ActEntity> findFirstByJobIdAndUndoneFalseOrderByPositionDesc(UUID jobId);

    Optional<ActEntity> findFirstByJobIdAndUndoneTrueOrderByPositionAsc(UUID jobId);

    @Modifying
    @Query("delete from ActEntity a where a.jobId = :jobId and a.undone = true")
    void forgetUndone(UUID jobId);

    @Modifying
    @Query("delete from ActEntity a where a.jobId = :jobId and a.position <= :position")
    void forgetUpTo(UUID jobId, long position);
}
