package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.server.originals.Original.Judgement;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.PictureWork;
import java.io.IOException;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * Takes files in: to the disk, judged, with a small picture, into the job. A file that is no picture is kept in the list
 * with its reason; nothing about one file stops another.
 */
@Service
public class Intake {
    private final PictureWork work;
    private final PictureJudge judge;
    private final OriginalFiles files;
    private final OriginalFiling filing;

    Intake(PictureWork work, PictureJudge judge, OriginalFiles files, OriginalFiling filing) {
        this.work = work;
        this.judge = judge;
        this.files = files;
        this.filing = filing;
    }

    /** Takes one file. Sending it again changes nothing; an intact copy takes the place of a broken one. */
    public Original take(UUID jobId, String path, Arrival arrival) throws IOException {
        String clean = OriginalPath.clean(path);
        Judgement judgement = work.patiently(() -> judge.judge(jobId, arrival));
        return filing.file(jobId, clean, arrival, judgement);
    }

    /**
     * Takes a file in that stays where it lies. Taking it again changes nothing.
     *
     * @param path in the job
     * @param rootPath below its root
     * @throws StillWrittenException if somebody writes to it meanwhile
     */
    public Original takeInPlace(UUID jobId, String path, String root, String rootPath) throws IOException {
        String clean = OriginalPath.clean(path);
        Seen seen = work.patiently(() -> see(jobId, root, rootPath));
        return filing.file(jobId, clean, seen.arrival(), seen.judgement());
    }

    /** Takes a file in place that has been changed since, as it is now. */
    public Original renewInPlace(Original original, String root, String rootPath) throws IOException {
        Seen seen = work.patiently(() -> see(original.jobId(), root, rootPath));
        return filing.replace(original, seen.arrival(), seen.judgement(), judge.framings(original, seen.judgement()));
    }

    private record Seen(Arrival arrival, Judgement judgement) {}

    private Seen see(UUID jobId, String root, String rootPath) throws IOException {
        // It is not closed: nothing of it is ours to take away.
        Arrival arrival = files.lying(root, rootPath);
        Judgement judgement = judge.judge(jobId, arrival);
        if (!files.isStill(arrival)) {
            throw new StillWrittenException(rootPath);
        }
        return new Seen(arrival, judgement);
    }

    /**
     * Puts a corrected file in an original's place: its name and, where the shape is the same, its framings stay.
     *
     * @throws ProblemException if the new file is no sound picture, or a run is at work on the original
     */
    public Original replace(Original original, Arrival arrival) throws IOException {
        Judgement judgement = work.patiently(() -> judge.judge(original.jobId(), arrival));
        if (judgement.state() != Original.State.SOUND) {
            Problem problem = judgement.problem().orElseThrow();
            throw ProblemException.invalid(
                    problem.code(),
                    original.path(),
                    "The new file for " + original.path() + " " + problem.text() + ". The old one stays.",
                    "Choose an intact picture.");
        }
        return filing.replace(original, arrival, judgement, judge.framings(original, judgement));
    }
}
