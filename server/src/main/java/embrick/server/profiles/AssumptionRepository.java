package embrick.server.profiles;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface AssumptionRepository extends JpaRepository<AssumptionEntity, UUID> {}
