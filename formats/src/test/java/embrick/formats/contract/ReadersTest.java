package embrick.formats.contract;

import embrick.formats.heif.HeifPictures;
import embrick.formats.jpeg.JpegPictures;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import embrick.formats.png.PngPictures;
import embrick.formats.tiff.TiffPictures;
import embrick.formats.webp.WebpPictures;
import embrick.testing.Outside;
import java.nio.file.Path;
import org.junit.jupiter.api.Nested;

/** Every format that is read. */
class ReadersTest {
    @Nested
    class Jpeg extends ReaderContract {
        @Override
        PictureFormat reader(PictureColours colours) {
            return new JpegPictures(colours);
        }

        @Override
        String suffix() {
            return "jpg";
        }

        @Override
        String settings() {
            return "{'quality': 95}";
        }

        /** Rounded coefficients at quality 95: a count or two in the mean. */
        @Override
        double meanDistance() {
            return 2;
        }
    }

    @Nested
    class ProgressiveJpeg extends ReaderContract {
        @Override
        PictureFormat reader(PictureColours colours) {
            return new JpegPictures(colours);
        }

        @Override
        String suffix() {
            return "jpg";
        }

        @Override
        String settings() {
            return "{'quality': 95, 'progressive': True}";
        }

        @Override
        double meanDistance() {
            return 2;
        }
    }

    @Nested
    class Png extends ReaderContract {
        @Override
        PictureFormat reader(PictureColours colours) {
            return new PngPictures(colours);
        }

        @Override
        String suffix() {
            return "png";
        }

        @Override
        double meanDistance() {
            return 0;
        }
    }

    @Nested
    class Tiff extends ReaderContract {
        @Override
        PictureFormat reader(PictureColours colours) {
            return new TiffPictures(colours);
        }

        @Override
        String suffix() {
            return "tif";
        }

        @Override
        String settings() {
            return "{'compression': 'tiff_adobe_deflate'}";
        }

        @Override
        double meanDistance() {
            return 0;
        }
    }

    @Nested
    class Webp extends ReaderContract {
        @Override
        PictureFormat reader(PictureColours colours) {
            return new WebpPictures(colours);
        }

        @Override
        String suffix() {
            return "webp";
        }

        @Override
        String settings() {
            return "{'quality': 95}";
        }

        /** Colour at half resolution: its finest detail goes. */
        @Override
        double meanDistance() {
            return 6;
        }
    }

    @Nested
    class Heif extends ReaderContract {
        @Override
        PictureFormat reader(PictureColours colours) {
            return HeifPictures.here(colours);
        }

        @Override
        String suffix() {
            return "png";
        }

        @Override
        double meanDistance() {
            return 6;
        }

        @Override
        Path convert(Path drawn) {
            Path file = drawn.resolveSibling("drawn.heic");
            Outside.shell("heif-enc -q 95 \"$1\" -o \"$2\" >/dev/null", drawn, file);
            return file;
        }
    }
}
