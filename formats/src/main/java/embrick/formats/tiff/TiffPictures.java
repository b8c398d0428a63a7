package embrick.formats.tiff;

import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.Pages;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.ifd.Ifd;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Examination;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import embrick.formats.picture.UnusablePictureException;
import java.io.EOFException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/** TIFF and BigTIFF. */
public final class TiffPictures implements PictureFormat {
    private final PictureColours colours;

    public TiffPictures(PictureColours colours) {
        this.colours = colours;
    }

    @Override
    public FileKind kind() {
        return FileKind.TIFF;
    }

    @Override
    public MetadataBlocks metadata(Path file) throws IOException {
        return TiffMetadata.read(file);
    }

    @Override
    public Picture read(Path file) throws IOException {
        TiffHeader header = header(file);
        SourceFacts facts = new SourceFacts(
                FileKind.TIFF,
                header.size(),
                header.marks().orientation(),
                PictureColours.ppi(header.marks().across(), header.marks().down()),
                colours.of(
                        header.model(),
                        header.samples().alpha(),
                        header.samples().bitsPerChannel(),
                        header.marks().icc(),
                        Optional.empty(),
                        header.remarks()),
                header.pages() > 1 ? Pages.FIRST_OF_SEVERAL : Pages.ONE,
                header.marks().title(),
                Files.size(file));
        return new Picture(
                facts,
                (_, memory) -> TiffDecoder.decode(file, header, memory),
                () -> Examination.of(examine(file, header)));
    }

    private static Optional<Damage> examine(Path file, TiffHeader header) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            return DeflateCheck.of(channel, header, TiffHeader.page(Ifd.over(channel), header.page()));
        } catch (UncheckedIOException notRead) {
            throw notRead.getCause();
        }
    }

    static TiffHeader header(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            return TiffHeader.read(Ifd.over(channel));
        } catch (UnusablePictureException known) {
            throw known;
        } catch (UncheckedIOException notRead) {
            throw notRead.getCause();
        } catch (EOFException cut) {
            throw UnusablePictureException.broken(
                    "cut-short",
                    "is cut short after " + Files.size(file)
                            + " bytes: the list of its parts, which stands behind them, is missing");
        } catch (DamagedDataException damaged) {
            throw UnusablePictureException.broken("damaged", "has a damaged header: " + damaged.getMessage());
        }
    }
}
