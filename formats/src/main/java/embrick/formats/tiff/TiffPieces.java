package embrick.formats.tiff;

import embrick.core.plan.Plan;
import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat.Packing;
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

/** Pieces as TIFF, plain or packed by Deflate. */
public final class TiffPieces implements PieceFormat {
    private final TiffPictures pictures;
    private final Packing packing;
    private final Crew crew;

    public TiffPieces(ProfileShelf profiles, Packing packing, Crew crew) {
        this.crew = crew;
        this.pictures = new TiffPictures(new PictureColours(profiles));
        this.packing = packing;
    }

    @Override
    public SampleSums write(PixelRows print, Plan plan, PrintFile marks, Target to, PrintFile.Progress progress)
            throws IOException {
        return TiffWriter.write(print, marks, packing, to, crew, progress);
    }

    @Override
    public Verified verify(Path file, SampleSums written) throws IOException {
        TiffVerifier.verify(file, written);
        return Verified.of(pictures.read(file).facts());
    }
}
