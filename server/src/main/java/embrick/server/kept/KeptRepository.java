package embrick.server.kept;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface KeptRepository extends JpaRepository<Kept, UUID> {
    List<Kept> findByKindOrderByName(String kind);

    Optional<Kept> findByKindAndNameIgnoreCase(String kind, String name);
}
