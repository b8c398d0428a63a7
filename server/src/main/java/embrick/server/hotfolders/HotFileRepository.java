package embrick.server.hotfolders;

import embrick.server.hotfolders.HotFile.State;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Files of hot folders. */
interface HotFileRepository extends JpaRepository<HotFile, UUID> {
    /** Those that are not where they end yet, in the order in which they were seen. */
    @Query("select f from HotFile f where f.hotFolderId = :hotFolderId and f.moved = false order by f.seenAt, f.id")
    List<HotFile> open(UUID hotFolderId);

    /** Of those the ones that are so far. */
    @Query("""
            select f from HotFile f where f.hotFolderId = :hotFolderId and f.moved = false and f.state in :states
            order by f.seenAt, f.id
            """)
    List<HotFile> open(UUID hotFolderId, Collection<State> states);

    /** Folders with files that are not where they end yet. */
    @Query("select distinct f.hotFolderId from HotFile f where f.moved = false")
    Set<UUID> foldersAtWork();

    boolean existsByHotFolderIdAndMovedFalse(UUID hotFolderId);

    boolean existsByHotFolderIdAndJobIdAndMovedFalse(UUID hotFolderId, UUID jobId);

    @Query("""
            select f from HotFile f where f.hotFolderId = :hotFolderId and (f.settledAt is null or f.settledAt >= :since)
            order by f.seenAt desc, f.id desc
            """)
    List<HotFile> latest(UUID hotFolderId, Instant since, Limit most);

    @Query("""
            select f.state as state, count(f) as files from HotFile f
            where f.hotFolderId = :hotFolderId and (f.settledAt is null or f.settledAt >= :since) group by f.state
            """)
    List<StateCount> counts(UUID hotFolderId, Instant since);

    /** How many files are that far. */
    interface StateCount {
        State getState();

        long getFiles();
    }
}
