package embrick.formats.jpeg;

import embrick.core.plan.Plan;
import embrick.core.print.PixelRows;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PieceFormat;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Target;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Verified;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;

/** Pieces as JPEG, and the JPEGs on pages. */
public final class JpegPieces implements PieceFormat {
    private final JpegPictures pictures;
    private final FileFormat.Jpeg coding;
    private final Crew crew;

    public JpegPieces(ProfileShelf profiles, FileFormat.Jpeg coding, Crew crew) {
        this.crew = crew;
        this.pictures = new JpegPictures(new PictureColours(profiles));
        this.coding = coding;
    }

    @Override
    public SampleSums write(PixelRows print, Plan plan, PrintFile marks, Target to, PrintFile.Progress progress)
            throws IOException {
        if (coding.mostBytes().isPresent()) {
            JpegWithin.write(print, marks, coding, to.stream(), crew, progress);
        } else {
            write(print, marks, coding, to.stream(), crew, progress);
        }
        return SampleSums.NONE;
    }

    /** Writes rows as a JPEG somewhere else than into a file of its own. */
    public static void write(
            PixelRows print,
            PrintFile marks,
            FileFormat.Jpeg coding,
            OutputStream to,
            Crew crew,
            PrintFile.Progress progress)
            throws IOException {
        JpegWriter.write(print, marks, coding, to, crew, progress);
    }

    @Override
    public Verified verify(Path file, SampleSums written) throws IOException {
        JpegHeader header = JpegPictures.header(file);
        JpegReader.requireClean(file);
        if (!header.densitiesAgree()) {
            throw UnusablePictureException.broken("damaged", "marks one ppi for Exif and another for JFIF");
        }
        SourceFacts facts = pictures.read(file).facts();
        return Verified.ofJpeg(facts, header.quality());
    }

    /**
     * Reads the JPEG of a page, which was taken out of it.
     *
     * @param said what the page says of its picture's size
     */
    public static void verifyOnPage(Path jpeg, PixelSize said) throws IOException {
        JpegHeader header = JpegPictures.header(jpeg);
        if (header.width() != said.width() || header.height() != said.height()) {
            throw UnusablePictureException.broken(
                    "damaged", "has a picture of another size than its page says, " + said + " px");
        }
        JpegReader.requireClean(jpeg);
    }
}
