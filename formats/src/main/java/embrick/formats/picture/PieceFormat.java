package embrick.formats.picture;

import embrick.core.plan.Plan;
import embrick.core.print.PixelRows;
import java.io.IOException;
import java.nio.file.Path;

/** A kind of file that pieces leave in, with its settings. Each is a package with one of these, listed in {@code Formats}. */
public interface PieceFormat {
    /**
     * Writes rows as a plan says, strip by strip.
     *
     * @param marks what goes into the file besides its pixels
     * @return what the file's samples must come to when it is read again
     */
    SampleSums write(PixelRows print, Plan plan, PrintFile marks, Target to, PrintFile.Progress progress)
            throws IOException;

    /**
     * Reads a finished file to its last pixel, without holding it, and gives what it says of itself.
     *
     * @param written what writing it gave, or {@link SampleSums#NONE} where only the file itself is to be looked at
     * @throws UnusablePictureException if anything in it is damaged or missing, or its decoder so much as warns
     */
    Verified verify(Path file, SampleSums written) throws IOException;
}
