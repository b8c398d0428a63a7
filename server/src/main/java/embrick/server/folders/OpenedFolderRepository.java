package embrick.server.folders;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** Folders of jobs. */
interface OpenedFolderRepository extends JpaRepository<OpenedFolder, UUID> {
    List<OpenedFolder> findByJobIdOrderByOpenedAt(UUID jobId);

    Optional<OpenedFolder> findByJobIdAndRootAndPath(UUID jobId, String root, String path);

    List<OpenedFolder> findByIntakeIsNotNull();
}
