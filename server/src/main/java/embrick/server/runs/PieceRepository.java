package embrick.server.runs;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Pieces of runs. Whoever changes a run and its pieces locks the run first. */
public interface PieceRepository extends JpaRepository<Piece, UUID> {
    String ROW = """
            select new embrick.server.runs.PieceRow(p.id, p.runId, o.id, o.root, o.folder, p.originalId, p.originalPath, p.position, p.name, p.copies, p.state,
              p.width, p.height, p.markedPpi, p.fileBytes, p.digest, p.haloPercent, p.jpegQuality,
              p.problemCode, p.problemText, p.problemRemedy, p.changedAt)
            from Piece p join RunOrder o on o.id = p.orderId\s""";

    /** One order after the other. */
    @Query(ROW + "where p.runId = :runId order by o.position, p.position")
    List<PieceRow> rows(UUID runId);

    @Query(ROW + "where p.originalId = :originalId order by p.changedAt desc")
    List<PieceRow> rowsOfOriginal(UUID originalId);

    /** What a ticket has made of pictures, whole and checked; the latest first. */
    @Query("""
            select p from Piece p join RunOrder o on o.id = p.orderId
            where o.ticketId = :ticketId and p.originalId in :originalIds
              and p.state = embrick.server.runs.Piece.State.CHECKED and p.originalDigest is not null
            order by p.changedAt desc
            """)
    List<Piece> madeBefore(UUID ticketId, Collection<UUID> originalIds);

    @Query(ROW + "where p.id = :id")
    Optional<PieceRow> row(UUID id);

    /** Pieces that were changed by transactions from a number on. */
    @Query(ROW + "where p.runId = :runId and p.changedIn >= :since order by o.position, p.position")
    List<PieceRow> rowsChanged(UUID runId, long since);

    /**
     * The number from which on transactions may still be at work: whatever they change is seen by asking from here again.
     * Unlike times, these numbers do not depend on any clock.
     */
    @Query(value = "select cast(cast(pg_snapshot_xmin(pg_current_snapshot()) as text) as bigint)", nativeQuery = true)
    long horizon();

    @Query("""
            select distinct p.originalId from Piece p where p.originalId in :originalIds
            and p.state in (embrick.server.runs.Piece.State.WAITING, embrick.server.runs.Piece.State.MAKING)
            """)
    Set<UUID> originalsAtWork(Collection<UUID> originalIds);

    List<Piece> findByRunIdOrderByPosition(UUID runId);

    /** The folders that originals of a run lie in place below. */
    @Query("""
            select distinct o.root from Piece p join Original o on o.id = p.originalId
            where p.runId = :runId and o.root is not null
            """)
    List<String> rootsOfOriginals(UUID runId);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from Piece p where p.id = :id")
    Optional<Piece> lock(UUID id);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from Piece p where p.id in :ids order by p.position")
    List<Piece> lockAll(Collection<UUID> ids);

    @Query("""
            select p.runId as runId, p.state as state, count(p) as pieces, coalesce(sum(p.fileBytes), 0) as bytes from Piece p
            where p.runId in :runIds group by p.runId, p.state
            """)
    List<StateCount> count(Collection<UUID> runIds);

    /** How many pieces of a run are in one state. */
    interface StateCount {
        UUID getRunId();

        Piece.State getState();

        long getPieces();

        /** Of their files. */
        long getBytes();
    }

    long countByRunIdAndState(UUID runId, Piece.State state);

    long countByRunIdAndStateIn(UUID runId, Collection<Piece.State> states);

    @Query("select coalesce(sum(p.expectedBytes), 0) from Piece p where p.state in (WAITING, MAKING)")
    long bytesStillToCome();

    @Query(
            "select coalesce(max(p.expectedBytes), 0) from Piece p where p.runId = :runId and p.state in (WAITING, MAKING)")
    long largestToCome(UUID runId);

    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query(
            value =
                    "update piece set state = 'STOPPED', changed_at = :now, version = version + 1 where run_id = :runId and state = 'WAITING'",
            nativeQuery = true)
    int stopWaiting(UUID runId, Instant now);
}
