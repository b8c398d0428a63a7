package embrick.server.originals;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface LooseContentRepository extends JpaRepository<LooseContent, UUID> {}
