package embrick.server.originals;

import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.problems.ProblemException;
import embrick.server.storage.OriginalLostException;
import embrick.server.storage.PictureWork.Work;
import java.io.IOException;
import org.springframework.http.HttpStatus;

/** Tells people which picture it is that cannot be read, and what to do. */
public final class PictureProblems {
    private PictureProblems() {}

    /** Does work on a picture; what is wrong with that picture is told by its name. */
    public static <T> T naming(Original original, Work<T> work) throws IOException {
        try {
            return work.run();
        } catch (OriginalLostException lost) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "original-lost",
                    original.path(),
                    original.path() + " " + lost.text() + ".",
                    lost.remedy());
        } catch (NotExaminedException failed) {
            throw new ProblemException(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "not-examined",
                    original.path(),
                    original.path() + " could not be examined: " + failed.getMessage() + ".",
                    NotExaminedException.REMEDY);
        } catch (UnusablePictureException unusable) {
            throw ProblemException.invalid(
                    unusable.code(),
                    original.path(),
                    original.path() + " " + unusable.getMessage() + ".",
                    unusable.remedy());
        }
    }
}
