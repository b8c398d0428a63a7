package embrick.formats.contract;

import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import org.junit.jupiter.api.Nested;

/** Every format that is written; a plain TIFF, which has no checks of its pixels, is looked at in DeepFilesTest. */
class WritersTest {
    @Nested
    class Jpeg extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Jpeg(92);
        }
    }

    @Nested
    class Png extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Png();
        }
    }

    @Nested
    class PackedTiff extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Tiff(FileFormat.Packing.DEFLATE);
        }
    }

    @Nested
    class PageOfJpeg extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Pdf(new PagePixels.Coded(new FileFormat.Jpeg(92)), PageMarks.NONE);
        }
    }

    @Nested
    class PageOfAllPixels extends WriterContract {
        @Override
        FileFormat format() {
            return new FileFormat.Pdf(new PagePixels.Whole(Depth.AS_ORIGINAL), PageMarks.NONE);
        }
    }
}
