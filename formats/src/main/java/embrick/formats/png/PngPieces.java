package embrick.formats.png;

import embrick.core.plan.Plan;
import embrick.core.print.PixelRows;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PieceFormat;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Target;
import embrick.formats.picture.Verified;
import java.io.IOException;
import java.nio.file.Path;

/** Pieces as PNG. */
public final class PngPieces implements PieceFormat {
    private final PngPictures pictures;
    private final Crew crew;

    public PngPieces(ProfileShelf profiles, Crew crew) {
        this.crew = crew;
        this.pictures = new PngPictures(new PictureColours(profiles));
    }

    @Override
    public SampleSums write(PixelRows print, Plan plan, PrintFile marks, Target to, PrintFile.Progress progress)
            throws IOException {
        PngWriter.write(print, marks, to.stream(), crew, progress);
        return SampleSums.NONE;
    }

    @Override
    public Verified verify(Path file, SampleSums written) throws IOException {
        PngVerifier.verify(file);
        return Verified.of(pictures.read(file).facts());
    }
}
