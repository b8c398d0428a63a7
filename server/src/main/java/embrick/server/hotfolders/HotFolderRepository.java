package embrick.server.hotfolders;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** Hot folders. */
interface HotFolderRepository extends JpaRepository<HotFolder, UUID> {
    List<HotFolder> findAllByOrderByName();

    boolean existsByRootAndPath(String root, String path);
}
