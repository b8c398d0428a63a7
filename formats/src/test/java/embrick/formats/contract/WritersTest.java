package embrick.formats.contract;

import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import java.util.Optional;
import org.junit.jupiter.api.Nested;

/**
 * Every format that is written. WebP's code has no checks, any stretch of it decodes to something; a plain TIFF has none either and
 * is looked at in DeepFilesTest.
 */
class WritersTest {
    @Nested
    class Jpeg extends CheckedWriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Jpeg(92);
        }
    }

    @Nested
    class Png extends CheckedWriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Png();
        }
    }

    @Nested
    class Webp extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Webp(Optional.of(90));
        }
    }

    @Nested
    class LosslessWebp extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Webp(Optional.empty());
        }
    }

    @Nested
    class PackedTiff extends CheckedWriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Tiff(FileFormat.Packing.DEFLATE);
        }
    }

    @Nested
    class PageOfJpeg extends CheckedWriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Pdf(new PagePixels.Coded(new FileFormat.Jpeg(92)), PageMarks.NONE);
        }
    }

    @Nested
    class PageOfAllPixels extends CheckedWriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Pdf(new PagePixels.Whole(Depth.AS_ORIGINAL), PageMarks.NONE);
        }
    }
}
