package embrick.bench;

import embrick.formats.icc.MatrixProfile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/**
 * What is measured on.
 *
 * @param original 24 MP JPEG, q95 4:4:4
 * @param small a folder of 603 pictures of about 600 × 400
 * @param profile opRGB, as a file
 * @param piece where results go
 */
record Pictures(Path original, Path small, Path profile, Path piece) {
    private static final int SMALL = 603;

    static Pictures draw(Path folder) throws IOException, InterruptedException {
        Pictures pictures = in(folder);
        Processes.run(List.of(
                "/usr/bin/python3",
                Reference.folder().resolve("draw.py").toString(),
                pictures.original.toString(),
                pictures.small.toString(),
                "" + SMALL));
        Processes.run(List.of("node", Reference.folder().resolve("draw.mjs").toString(), folder.toString()));
        // heif-enc is of libheif-examples.
        Processes.run(
                List.of("heif-enc", "-q", "60", "-o", pictures.phone().toString(), "" + folder.resolve("phone.jpg")));
        Files.write(pictures.profile, MatrixProfile.opRgb());
        return pictures;
    }

    static Pictures in(Path folder) {
        return new Pictures(
                folder.resolve("original.jpg"),
                folder.resolve("small"),
                folder.resolve("oprgb.icc"),
                folder.resolve("piece"));
    }

    /** The original, lying on its side and marked so. */
    Path sideways() {
        return folder().resolve("sideways.jpg");
    }

    /** 24 MP in 16 bits, packed by Deflate. */
    Path tiff() {
        return folder().resolve("original.tif");
    }

    /** 24 MP in 8 bits. */
    Path png() {
        return folder().resolve("original.png");
    }

    /** 6 MP as HEIC. */
    Path phone() {
        return folder().resolve("phone.heic");
    }

    Path folder() {
        return original.getParent();
    }
}
