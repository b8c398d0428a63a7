package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.originals.Original.Judgement;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.PictureWork;
import embrick.server.storage.ReadingLane;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * Takes files in: to the disk, judged, with a small picture, into the job. A file that is no picture is kept in the list
 * with its reason; nothing about one file stops another.
 */
@Service
public class Intake {
    private static final Logger LOG = LoggerFactory.getLogger(Intake.class);

    private static final List<Duration> PAUSES = List.of(Duration.ofSeconds(1), Duration.ofSeconds(4));

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
        Judgement judgement = examined(() -> judge.judge(jobId, arrival));
        return filing.file(jobId, clean, arrival, judgement);
    }

    /**
     * Takes a file in that stays where it lies. Taking it again changes nothing.
     *
     * @param path in the job
     * @param rootPath below its root
     * @param reader of its folder
     * @throws StillWrittenException if somebody writes to it meanwhile
     * @throws NotTakenException if it is larger than any picture of its kind, or this machine could not look at it
     */
    public Original takeInPlace(UUID jobId, String path, String root, String rootPath, ReadingLane.Reader reader)
            throws IOException {
        String clean = OriginalPath.clean(path);
        Seen seen = see(jobId, root, rootPath, reader);
        return filing.file(jobId, clean, seen.arrival(), seen.judgement());
    }

    /** Takes a file in place that has been changed since, as it is now. */
    public Original renewInPlace(Original original, String root, String rootPath, ReadingLane.Reader reader)
            throws IOException {
        Seen seen = see(original.jobId(), root, rootPath, reader);
        return filing.replace(original, seen.arrival(), seen.judgement(), judge.framings(original, seen.judgement()));
    }

    /** What the machine could not do now it may do in a moment; what it cannot do then is told. */
    private <T> T examined(PictureWork.Work<T> examination) throws IOException {
        for (Duration pause : PAUSES) {
            try {
                return work.patiently(examination);
            } catch (NotExaminedException failed) {
                LOG.warn("a file is examined again in {} s: {}", pause.toSeconds(), failed.getMessage());
                await(pause);
            }
        }
        return work.patiently(examination);
    }

    private static void await(Duration pause) throws IOException {
        try {
            Thread.sleep(pause);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted while a file waited to be examined again", interrupted);
        }
    }

    private record Seen(Arrival arrival, Judgement judgement) {}

    private Seen see(UUID jobId, String root, String rootPath, ReadingLane.Reader reader) throws IOException {
        try {
            judge.requireSensibleLength(files.placeOf(root, rootPath));
            return seen(jobId, root, rootPath, reader);
        } catch (UnusablePictureException tooLarge) {
            throw new NotTakenException(tooLarge.getMessage(), tooLarge);
        } catch (NotExaminedException failed) {
            throw new NotTakenException("could not be examined: " + failed.getMessage() + ". Take it in again", failed);
        }
    }

    private Seen seen(UUID jobId, String root, String rootPath, ReadingLane.Reader reader) throws IOException {
        // It is not closed: nothing of it is ours to take away.
        Arrival arrival = files.lying(root, rootPath, reader);
        Judgement judgement = examined(() -> judgeStill(jobId, arrival, rootPath));
        if (!files.isStill(arrival)) {
            throw new StillWrittenException(rootPath);
        }
        return new Seen(arrival, judgement);
    }

    /** What could not be examined because somebody is writing to it is waited for, not looked at again as it was. */
    private Judgement judgeStill(UUID jobId, Arrival arrival, String rootPath) throws IOException {
        try {
            return judge.judge(jobId, arrival);
        } catch (NotExaminedException failed) {
            if (!files.isStill(arrival)) {
                throw new StillWrittenException(rootPath);
            }
            throw failed;
        }
    }

    /**
     * Puts a corrected file in an original's place: its name and, where the shape is the same, its framings stay.
     *
     * @throws ProblemException if the new file is no sound picture, or a run is at work on the original
     */
    public Original replace(Original original, Arrival arrival) throws IOException {
        Judgement judgement = examined(() -> judge.judge(original.jobId(), arrival));
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
