package embrick.formats.webp;

import embrick.core.plan.Plan;
import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat;
import embrick.formats.binding.HugePages;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureFormat;
import embrick.formats.picture.PieceFormat;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Target;
import embrick.formats.picture.Verified;
import java.io.IOException;
import java.nio.file.Path;

/** Pieces as WebP. */
public final class WebpPieces implements PieceFormat {
    private final PictureFormat pictures;
    private final FileFormat.Webp coding;

    /** @param pictures by which a finished piece is decoded, in whatever process they do that */
    public WebpPieces(PictureFormat pictures, FileFormat.Webp coding) {
        this.pictures = pictures;
        this.coding = coding;
    }

    @Override
    public SampleSums write(PixelRows print, Plan plan, PrintFile marks, Target to, PrintFile.Progress progress)
            throws IOException {
        WebpWriter.write(print, coding.quality(), marks, to.stream(), progress);
        return SampleSums.NONE;
    }

    /** Decodes it whole: its size has a limit. */
    @Override
    public Verified verify(Path file, SampleSums written) throws IOException {
        Picture picture = pictures.read(file);
        picture.decode(Integer.MAX_VALUE, HugePages::raster).raster().close();
        return Verified.of(picture.facts());
    }
}
