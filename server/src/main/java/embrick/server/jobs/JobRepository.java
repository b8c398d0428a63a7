package embrick.server.jobs;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobRepository extends JpaRepository<Job, UUID> {
    List<Job> findAllByOrderByCreatedAtDesc();
}
