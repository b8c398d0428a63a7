package embrick.server.runs;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RunRepository extends JpaRepository<Run, UUID> {
    List<Run> findByJobIdOrderByStartedAtDesc(UUID jobId);

    @Query("select r.id from Run r where r.jobId = :jobId order by r.startedAt")
    List<UUID> idsOfJob(UUID jobId);

    Optional<Run> findByJobIdAndIdempotencyKey(UUID jobId, String key);

    @Query("select r from Run r where r.finishedAt is null and not r.stopped order by r.putFirst desc, r.startedAt")
    List<Run> open();

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from Run r where r.id = :id")
    Optional<Run> lock(UUID id);

    /** Runs that finished before a time and whose files were not cleared; the oldest first. */
    @Query("""
            select r from Run r where r.finishedAt < :before and r.clearedAt is null
              and exists (select 1 from Piece p where p.runId = r.id and p.state = embrick.server.runs.Piece.State.CHECKED)
            order by r.finishedAt
            """)
    List<Run> keptSince(Instant before, Limit most);

    @Query("select r.id from Run r where r.pauseCode is not null and r.finishedAt is null")
    List<UUID> paused();

    /** Locks a run: of two pieces that end at the same moment neither would see the other's end otherwise. */
    @Query(value = "select cast(id as text) from run where id = :id for update", nativeQuery = true)
    String lockRow(UUID id);

    /** A run is finished when none of its pieces is waiting or being made. The caller has locked it. */
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query(value = """
                    update run set finished_at = :now, version = version + 1
                    where id = :id and finished_at is null
                      and not exists (select 1 from piece where run_id = :id and state in ('WAITING', 'MAKING'))
                    """, nativeQuery = true)
    int finishIfDone(UUID id, Instant now);
}
