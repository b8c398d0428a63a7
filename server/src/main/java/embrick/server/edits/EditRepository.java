package embrick.server.edits;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface EditRepository extends JpaRepository<EditEntity, UUID> {
    /** Edits of one job wait for one another; empty if there is no such job. */
    @Query(value = "select id from job where id = :jobId for update", nativeQuery = true)
    Optional<UUID> lockJob(UUID jobId);

    Optional<EditEntity> findFirstByJobIdAndUndoneFalseOrderByPositionDesc(UUID jobId);

    Optional<EditEntity> findFirstByJobIdAndUndoneTrueOrderByPositionAsc(UUID jobId);

    @Modifying
    @Query("delete from EditEntity a where a.jobId = :jobId and a.undone = true")
    void forgetUndone(UUID jobId);

    @Modifying
    @Query("delete from EditEntity a where a.jobId = :jobId and a.position <= :position")
    void forgetUpTo(UUID jobId, long position);
}
