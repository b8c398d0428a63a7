package embrick.server.hotfolders;

import embrick.core.problem.Problem;
import embrick.server.jobs.JobUse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** A hot folder that prints into a job today, or has files of it that are not settled, stands against deleting it. */
@Component
class HotFoldersOfJob implements JobUse {
    private final HotFolderRepository folders;
    private final HotFileRepository files;
    private final Clock clock;

    HotFoldersOfJob(HotFolderRepository folders, HotFileRepository files, Clock clock) {
        this.folders = folders;
        this.files = files;
        this.clock = clock;
    }

    @Override
    public List<Problem> uses(UUID jobId) {
        LocalDate today = LocalDate.now(clock);
        return folders.findAllByOrderByName().stream()
                .filter(folder -> folder.isOn() && folder.worksIn(jobId, today)
                        || files.existsByHotFolderIdAndJobIdAndMovedFalse(folder.id(), jobId))
                .map(folder -> new Problem(
                        "hot-folder-uses-job",
                        folder.name(),
                        "The hot folder “" + folder.name() + "” prints what is dropped into it through this job.",
                        "Switch it off and let it finish, then delete the job."))
                .toList();
    }
}
