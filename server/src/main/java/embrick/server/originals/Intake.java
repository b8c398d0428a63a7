package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.server.originals.Original.Judgement;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
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
    private final OriginalFiling filing;

    Intake(PictureWork work, PictureJudge judge, OriginalFiling filing) {
        this.work = work;
        this.judge = judge;
        this.filing = filing;
    }

    /** Takes one file. Sending it again changes nothing; an intact copy takes the place of a broken one. */
    public Original take(UUID jobId, String path, Arrival arrival) throws IOException {
        String clean = OriginalPath.clean(path);
        Judgement judgement = work.patiently(() -> judge.judge(jobId, arrival));
        return filing.file(jobId, clean, arrival, judgement);
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
