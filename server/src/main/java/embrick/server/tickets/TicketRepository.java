package embrick.server.tickets;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface TicketRepository extends JpaRepository<TicketEntity, UUID> {
    List<TicketEntity> findByJobIdOrderByPositionAscMadeAtAsc(UUID jobId);

    long countByJobId(UUID jobId);

    @Query("select t.jobId as jobId, count(t) as tickets from TicketEntity t where t.jobId in :jobIds group by t.jobId")
    List<JobCount> counts(Collection<UUID> jobIds);

    /** How many tickets a job has. */
    interface JobCount {
        UUID getJobId();

        long getTickets();
    }
}
