package embrick.server.runs;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Pieces of runs. */
public interface PieceRepository extends JpaRepository<Piece, UUID> {
    List<Piece> findByRunIdOrderByPosition(UUID runId);

    List<Piece> findByRunIdAndChangedAtAfterOrderByPosition(UUID runId, Instant since);

    List<Piece> findByOriginalIdOrderByChangedAtDesc(UUID originalId);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from Piece p where p.id = :id")
    Optional<Piece> lock(UUID id);

    @Query("select p.state as state, count(p) as pieces from Piece p where p.runId = :runId group by p.state")
    List<StateCount> count(UUID runId);

    /** How many pieces of a run are in one state. */
    interface StateCount {
        Piece.State getState();

        long getPieces();
    }

    @Query("select coalesce(sum(p.expectedBytes), 0) from Piece p where p.state in (WAITING, MAKING)")
    long bytesStillToCome();

    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query(
            value =
                    "update piece set state = 'STOPPED', changed_at = :now, version = version + 1 where run_id = :runId and state = 'WAITING'",
            nativeQuery = true)
    int stopWaiting(UUID runId, Instant now);

    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query(value = """
                    delete from scheduled_tasks where task_name = 'piece' and not picked
                      and task_instance in (select cast(id as text) from piece where run_id = :runId and state = 'STOPPED')
                    """, nativeQuery = true)
    int unschedule(UUID runId);
}
