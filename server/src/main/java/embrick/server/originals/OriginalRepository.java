package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.server.documents.PileOrder;
import embrick.server.problems.ProblemException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.http.HttpStatus;

/** Originals of jobs. */
public interface OriginalRepository extends JpaRepository<Original, UUID> {
    /** All of a job, in the one order of its pictures; see {@link PileOrders}. */
    @Query("select o from Original o where o.jobId = :jobId order by o.sortKey, collate(o.path as names)")
    List<Original> inOrder(UUID jobId);

    /** Those of a job among the ids, in the same order. */
    @Query(
            "select o from Original o where o.jobId = :jobId and o.id in :ids order by o.sortKey, collate(o.path as names)")
    List<Original> inOrder(UUID jobId, Collection<UUID> ids);

    List<Original> findByJobId(UUID jobId);

    Optional<Original> findByJobIdAndPath(UUID jobId, String path);

    Optional<Original> findByJobIdAndRootAndRootPath(UUID jobId, String root, String rootPath);

    List<Original> findByJobIdAndRoot(UUID jobId, String root);

    List<Original> findByJobIdAndIdIn(UUID jobId, Collection<UUID> ids);

    /**
     * Pictures of a job, in the order asked for.
     *
     * @throws ProblemException naming the ids that the job has no picture of
     */
    default List<Original> requireOf(UUID jobId, Collection<UUID> ids) {
        Map<UUID, Original> found = new HashMap<>();
        findByJobIdAndIdIn(jobId, ids).forEach(original -> found.put(original.id(), original));
        List<Problem> unknown = ids.stream()
                .distinct()
                .filter(id -> !found.containsKey(id))
                .map(id -> new Problem(
                        "unknown-picture",
                        id.toString(),
                        "This job has no picture " + id + ".",
                        "Load the pile again: it may have been removed."))
                .toList();
        if (!unknown.isEmpty()) {
            throw new ProblemException(HttpStatus.NOT_FOUND, unknown);
        }
        return ids.stream().distinct().map(found::get).toList();
    }

    /** The pictures that are printed, in the order in which they are numbered. */
    @Query("""
            select o.id from Original o where o.jobId = :jobId and not o.leftOut
            and o.state <> embrick.server.originals.Original.State.NOT_FOR_EMBRICK
            order by o.sortKey, collate(o.path as names)
            """)
    List<UUID> idsInOrder(UUID jobId);

    /** Keeps a job from being deleted, and other files of it from coming in, to the end of the transaction. */
    @Query(value = "select cast(id as text) from job where id = :jobId for no key update", nativeQuery = true)
    Optional<String> lockJob(UUID jobId);

    /** As above, and against rows that are added to it by whoever does not lock it. */
    @Query(value = "select cast(id as text) from job where id = :jobId for update", nativeQuery = true)
    Optional<String> lockJobToDelete(UUID jobId);

    @Query(value = "select pile_order from job where id = :jobId", nativeQuery = true)
    Optional<PileOrder> orderOf(UUID jobId);

    @Modifying
    @Query(value = "update job set pile_order = :#{#order.name()} where id = :jobId", nativeQuery = true)
    void orderBy(UUID jobId, PileOrder order);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(value = """
            update original set sort_key = k.key
            from unnest(cast(:ids as uuid[]), cast(:keys as text[])) as k(id, key)
            where original.id = k.id and original.job_id = :jobId
            """, nativeQuery = true)
    void sortBy(UUID jobId, UUID[] ids, String[] keys);

    @Modifying(clearAutomatically = true)
    @Query(value = "update original set sort_key = '' where job_id = :jobId and sort_key <> ''", nativeQuery = true)
    void sortAllByName(UUID jobId);

    @Modifying(clearAutomatically = true)
    @Query(value = "update original set sort_key = coalesce(taken, '~') where job_id = :jobId", nativeQuery = true)
    void sortAllByDate(UUID jobId);

    @Modifying(clearAutomatically = true)
    @Query(
            value = "update original set sort_key = '~' where job_id = :jobId and sort_key !~ '^[0-9]{16}$'",
            nativeQuery = true)
    void sortUnnumberedLast(UUID jobId);

    @Modifying
    @Query(value = "delete from framing where original_id = :id", nativeQuery = true)
    void forgetFramings(UUID id);

    Optional<Original> findFirstByDigestAndState(String digest, Original.State state);

    @Query("select distinct o.digest from Original o where o.jobId = :jobId")
    List<String> digestsOf(UUID jobId);

    /** Of these contents, those that some job refers to. */
    @Query("select distinct o.digest from Original o where o.digest in :digests")
    Set<String> digestsInUse(Collection<String> digests);

    @Query("""
            select o.jobId as jobId, count(o) as pictures,
              sum(case when o.state = embrick.server.originals.Original.State.SOUND or o.printedDamaged then 0 else 1 end) as unusable
            from Original o where o.jobId in :jobIds group by o.jobId
            """)
    List<JobCount> counts(Collection<UUID> jobIds);

    /** How many files a job has. */
    interface JobCount {
        UUID getJobId();

        long getPictures();

        long getUnusable();
    }

    /** The first few sound pictures of each job, by path. */
    @Query(value = """
            select j.id as "jobId", o.id as "id"
            from unnest(cast(:jobIds as uuid[])) as j(id)
            cross join lateral (
              select id, sort_key, path from original where job_id = j.id and state = 'SOUND'
              order by sort_key, path collate names limit :most) o
            order by j.id, o.sort_key, o.path collate names
            """, nativeQuery = true)
    List<JobPicture> strips(UUID[] jobIds, int most);

    default List<JobPicture> strips(Collection<UUID> jobIds, int most) {
        return strips(jobIds.toArray(UUID[]::new), most);
    }

    /** A picture of a job. */
    interface JobPicture {
        UUID getJobId();

        UUID getId();
    }
}
