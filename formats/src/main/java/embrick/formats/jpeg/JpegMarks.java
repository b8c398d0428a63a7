package embrick.formats.jpeg;

import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.exif.ExifBlock;
import embrick.formats.jpeg.TurboJpeg.PixelLayout;
import embrick.formats.picture.PrintFile;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.Arrays;

/** What stands before the coded picture: JFIF's density, Exif, the profile in parts. */
final class JpegMarks {
    /** Most profile bytes in one APP2 segment: 65 535 less length, name and counters (ICC.1, B.4). */
    private static final int ICC_PART = 65_519;

    private JpegMarks() {}

    /** @param layout of the coded samples; JFIF knows grey and colour only, four inks have APP14 instead */
    static void write(DataOutputStream out, PrintFile file, PixelSize size, PixelLayout layout) throws IOException {
        Resolution marked = file.marked();
        out.writeShort(0xFF00 | JpegHeader.SOI);
        if (layout == PixelLayout.CMYK) {
            writeApp14(out);
        } else {
            writeJfif(out, marked);
        }
        byte[] exif = ExifBlock.of(marked, size, file.colour(), file.metadata().exif());
        out.writeShort(0xFF00 | JpegHeader.APP1);
        out.writeShort(2 + JpegHeader.EXIF.length + exif.length);
        out.write(JpegHeader.EXIF);
        out.write(exif);
        JpegMetadata.write(file.metadata(), out);
        writeProfile(out, file.profile());
    }

    private static void writeJfif(DataOutputStream out, Resolution marked) throws IOException {
        out.writeShort(0xFF00 | JpegHeader.APP0);
        out.writeShort(16);
        out.write(JpegHeader.JFIF);
        out.writeShort(0x0102);
        out.writeByte(1);
        int density = Math.clamp(marked.roundedPerInch(), 1, 65_535);
        out.writeShort(density);
        out.writeShort(density);
        out.writeShort(0);
    }

    /** ITU-T T.872, its APP14 segment (clause 6.5.3 from memory): version 100, no flags, transform 2: inks turned round and coded as luminance and chroma. */
    private static void writeApp14(DataOutputStream out) throws IOException {
        out.writeShort(0xFF00 | JpegHeader.APP14);
        out.writeShort(14);
        out.write(JpegHeader.APP14_ID);
        out.writeShort(100);
        out.writeShort(0);
        out.writeShort(0);
        out.writeByte(2);
    }

    private static void writeProfile(DataOutputStream out, byte[] profile) throws IOException {
        int parts = Math.ceilDiv(profile.length, ICC_PART);
        if (parts > 255) {
            throw new IOException("profile: expected at most 255 parts in a JPEG, got " + parts);
        }
        for (int part = 0; part < parts; part++) {
            byte[] bytes =
                    Arrays.copyOfRange(profile, part * ICC_PART, Math.min(profile.length, (part + 1) * ICC_PART));
            out.writeShort(0xFF00 | JpegHeader.APP2);
            out.writeShort(2 + JpegHeader.ICC.length + 2 + bytes.length);
            out.write(JpegHeader.ICC);
            out.writeByte(part + 1);
            out.writeByte(parts);
            out.write(bytes);
        }
    }
}
