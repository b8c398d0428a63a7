package embrick.server.runs;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RunRepository extends JpaRepository<Run, UUID> {
    List<Run> findByJobIdOrderByStartedAtDesc(UUID jobId);

    Optional<Run> findByJobIdAndIdempotencyKey(UUID jobId, String key);

    /**
     * A run is finished when none of its pieces is waiting or being made; the last one says so. The run is locked first:
     * of two pieces that end at the same moment neither would see the other's end, and both would leave the run open.
     */
    default void finishIfDone(UUID id, Instant now) {
        lockRow(id);
        markFinishedIfDone(id, now);
    }

    @Query(value = "select cast(id as text) from run where id = :id for update", nativeQuery = true)
    String lockRow(UUID id);

    @Modifying
    @Query(value = """
                    update run set finished_at = :now, version = version + 1
                    where id = :id and finished_at is null
                      and not exists (select 1 from piece where run_id = :id and state in ('WAITING', 'MAKING'))
                    """, nativeQuery = true)
    int markFinishedIfDone(UUID id, Instant now);
}
