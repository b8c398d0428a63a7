package embrick.server.edits;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface EditRepository extends JpaRepository<EditEntity, UUID> {
    /** Keeps a job from being deleted to the end of the transaction; empty if there is none. Pictures may come in meanwhile. */
    @Query(value = "select id from job where id = :jobId for key share", nativeQuery = true)
    Optional<UUID> holdJob(UUID jobId);

    Optional<EditEntity> findFirstByJobIdAndUndoneFalseOrderByPositionDesc(UUID jobId);

    Optional<EditEntity> findFirstByJobIdAndUndoneTrueOrderByPositionAsc(UUID jobId);

    @Modifying
    @Query("delete from EditEntity a where a.jobId = :jobId and a.undone = true")
    void forgetUndone(UUID jobId);

    @Modifying
    @Query("delete from EditEntity a where a.jobId = :jobId and a.position <= :position")
    void forgetUpTo(UUID jobId, long position);
}
