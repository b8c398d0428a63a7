package embrick.formats.pdf;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.PageLayout;
import embrick.core.plan.Plan;
import embrick.core.print.PixelRows;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.jpeg.JpegPieces;
import embrick.formats.pdf.PdfPages.Packing;
import embrick.formats.picture.PieceFormat;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Target;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Verified;
import embrick.formats.png.PackedRows;
import embrick.formats.png.PngWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Pieces as PDF pages, their pixels packed as JPEG or without loss. */
public final class PdfPieces implements PieceFormat {
    private final ProfileShelf profiles;
    private final FileFormat.PagePixels pixels;
    private final Path scratch;
    private final Crew crew;

    /** @param scratch a folder for files that are needed for a moment */
    public PdfPieces(ProfileShelf profiles, FileFormat.PagePixels pixels, Path scratch, Crew crew) {
        this.crew = crew;
        this.profiles = profiles;
        this.pixels = pixels;
        this.scratch = scratch;
    }

    @Override
    public SampleSums write(PixelRows print, Plan plan, PrintFile marks, Target to, PrintFile.Progress progress)
            throws IOException {
        try (PdfPages pages = new PdfPages("", scratch)) {
            switch (pixels) {
                case FileFormat.PagePixels.Coded(FileFormat.Jpeg jpeg) ->
                    pages.add(
                            PageLayout.of(plan),
                            PdfPages.picture(Packing.JPEG, plan, marks.profile()),
                            out -> JpegPieces.write(print, marks, jpeg, out, crew, progress));
                case FileFormat.PagePixels.Whole _ ->
                    pages.add(
                            PageLayout.of(plan),
                            PdfPages.picture(Packing.PNG_ROWS, plan, marks.profile()),
                            out -> PngWriter.packRows(print, out, crew, progress));
            }
            if (marks.metadata().xmp().isPresent()) {
                pages.describe(marks.metadata().xmp().get());
            }
            pages.save(to.stream());
        }
        return SampleSums.NONE;
    }

    @Override
    public Verified verify(Path file, SampleSums written) throws IOException {
        try (PdfPiece piece = PdfPiece.open(file)) {
            try {
                return verified(piece, Files.size(file));
            } finally {
                piece.requireRead();
            }
        }
    }

    private Verified verified(PdfPiece piece, long fileBytes) throws IOException {
        PdfPages.Picture picture = piece.picture();
        PixelSize size = new PixelSize(picture.width(), picture.height());
        switch (picture.packing()) {
            case JPEG -> verifyJpegOn(piece, size);
            case PNG_ROWS -> {
                try (InputStream packed = piece.packed()) {
                    PackedRows.verify(packed, size.width(), size.height(), picture.channels(), picture.bits());
                }
            }
        }
        ColourModel model = modelOf(picture.channels());
        SourceFacts facts = new SourceFacts(
                FileKind.PDF,
                size,
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(model, Alpha.OPAQUE, picture.bits(), profiles.add(picture.profile(), model)),
                fileBytes);
        return new Verified(facts, Optional.of(piece.boxes()), Optional.empty());
    }

    private static ColourModel modelOf(int channels) throws IOException {
        return switch (channels) {
            case 1 -> ColourModel.GREY;
            case 3 -> ColourModel.RGB;
            case 4 -> ColourModel.CMYK;
            default -> throw UnusablePictureException.broken("damaged", "has a picture of " + channels + " channels");
        };
    }

    /** The page's own JPEG, taken out and read as one. */
    private void verifyJpegOn(PdfPiece piece, PixelSize size) throws IOException {
        Path jpeg = Files.createTempFile(scratch, "page", ".jpg");
        try {
            try (OutputStream out = Files.newOutputStream(jpeg)) {
                piece.copyPacked(out);
            }
            JpegPieces.verifyOnPage(jpeg, size);
        } finally {
            Files.delete(jpeg);
        }
    }
}
