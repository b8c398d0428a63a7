package embrick.formats.heif;

import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.units.PixelSize;
import embrick.formats.binding.FileBytes;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.UnusablePictureException;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;

/**
 * The first picture of a HEIF file. Its rotation and mirror boxes are carried out by the library, so it is upright as it is
 * decoded and Exif's orientation is not applied again.
 *
 * @param bits as coded: 8, or 10 and 12, which become 16
 */
record HeifFile(
        PixelSize size, Alpha alpha, int bits, Optional<byte[]> icc, Primaries primaries, Optional<byte[]> exif) {
    /** What the nclx box names (ISO/IEC 23091-2, colour primaries 1 and 12). */
    enum Primaries {
        SRGB,
        P3,
        NOT_NAMED
    }

    private static final int MOST_SIDE = 65_535;
    private static final long MOST_BLOCK = 16 << 20;

    /** Sends the facts from a child to its parent, which has {@link #read(DataInputStream)}. */
    void write(DataOutputStream out) throws IOException {
        out.writeInt(size.width());
        out.writeInt(size.height());
        out.writeUTF(alpha.name());
        out.writeInt(bits);
        byte[] profile = icc.orElse(new byte[0]);
        out.writeInt(profile.length);
        out.write(profile);
        out.writeUTF(primaries.name());
        byte[] block = exif.orElse(new byte[0]);
        out.writeInt(block.length);
        out.write(block);
    }

    static HeifFile read(DataInputStream in) throws IOException {
        PixelSize size = new PixelSize(in.readInt(), in.readInt());
        Alpha alpha = Alpha.valueOf(in.readUTF());
        int bits = in.readInt();
        byte[] icc = in.readNBytes(in.readInt());
        Primaries primaries = Primaries.valueOf(in.readUTF());
        byte[] exif = in.readNBytes(in.readInt());
        return new HeifFile(
                size,
                alpha,
                bits,
                icc.length == 0 ? Optional.empty() : Optional.of(icc),
                primaries,
                exif.length == 0 ? Optional.empty() : Optional.of(exif));
    }

    int channels() {
        return alpha == Alpha.SEE_THROUGH ? 4 : 3;
    }

    int bytesPerSample() {
        return bits > 8 ? 2 : 1;
    }

    /** Reads the facts by the library, which damaged files can make fall over: only in a child. */
    static HeifFile read(Path file) throws IOException {
        try (Arena arena = Arena.ofConfined();
                LibHeif.Picture picture = new LibHeif.Picture(FileBytes.whole(file, arena), MOST_SIDE)) {
            int width = picture.width();
            int height = picture.height();
            if (width < 1 || height < 1) {
                throw UnusablePictureException.broken(
                        "no-pixels", "says it is " + width + " × " + height + " px: there is no picture in it");
            }
            byte[] icc = picture.profile(MOST_BLOCK);
            return new HeifFile(
                    new PixelSize(width, height),
                    picture.hasAlpha() ? Alpha.SEE_THROUGH : Alpha.OPAQUE,
                    Math.max(8, picture.bits()),
                    icc.length == 0 ? Optional.empty() : Optional.of(icc),
                    switch (picture.primaries()) {
                        case 1 -> Primaries.SRGB;
                        case 12 -> Primaries.P3;
                        default -> Primaries.NOT_NAMED;
                    },
                    exif(picture.exif(MOST_BLOCK)));
        } catch (UnusablePictureException known) {
            throw known;
        } catch (DamagedDataException damaged) {
            throw UnusablePictureException.broken(
                    "damaged", "is a HEIF picture that cannot be read: " + damaged.getMessage());
        }
    }

    /** The block begins with the offset of its TIFF header (ISO/IEC 23008-12, A.2.1). */
    private static Optional<byte[]> exif(byte[] block) {
        if (block.length < 8) {
            return Optional.empty();
        }
        long start = 4 + (ByteBuffer.wrap(block).getInt() & 0xFFFF_FFFFL);
        return start >= block.length
                ? Optional.empty()
                : Optional.of(Arrays.copyOfRange(block, (int) start, block.length));
    }

    /** Decodes by the library: only in a child. */
    Decoded decode(Path file, RasterMemory memory) throws IOException {
        boolean deep = bits > 8;
        boolean seeThrough = alpha == Alpha.SEE_THROUGH;
        int chroma = deep
                ? (seeThrough ? LibHeif.CHROMA_RRGGBBAA_LE : LibHeif.CHROMA_RRGGBB_LE)
                : (seeThrough ? LibHeif.CHROMA_RGBA : LibHeif.CHROMA_RGB);
        try (Arena arena = Arena.ofConfined();
                LibHeif.Picture picture = new LibHeif.Picture(FileBytes.whole(file, arena), MOST_SIDE);
                LibHeif.Pixels pixels = picture.decode(chroma)) {
            if (pixels.width() != size.width() || pixels.height() != size.height()) {
                throw new DamagedDataException(
                        "promises " + size + " px and holds " + pixels.width() + " × " + pixels.height());
            }
            Raster raster = memory.allocate(size, channels(), bytesPerSample());
            copy(pixels, raster);
            return Decoded.sound(raster);
        } catch (UnusablePictureException known) {
            throw known;
        } catch (DamagedDataException damaged) {
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + damaged.getMessage());
        }
    }

    private static void copy(LibHeif.Pixels pixels, Raster raster) throws IOException {
        try {
            int rowBytes = Math.toIntExact(raster.rowBytes());
            LibHeif.Pixels.Plane plane = pixels.plane(rowBytes);
            for (int y = 0; y < raster.stored().height(); y++) {
                MemorySegment.copy(
                        plane.bytes(),
                        JAVA_BYTE,
                        (long) y * plane.stride(),
                        raster.samples(),
                        JAVA_BYTE,
                        y * raster.rowBytes(),
                        rowBytes);
            }
            if (raster.bytesPerSample() == 2) {
                widen(raster.samples(), pixels.bits());
            }
        } catch (IOException | RuntimeException | Error failed) {
            raster.close();
            throw failed;
        }
    }

    /** From counts of so many bits to counts of 16. */
    private static void widen(MemorySegment samples, int bits) {
        int most = (1 << bits) - 1;
        for (long at = 0; at < samples.byteSize(); at += 2) {
            int value = Math.min(samples.get(JAVA_SHORT, at) & 0xffff, most);
            samples.set(JAVA_SHORT, at, (short) ((value * 65535 + most / 2) / most));
        }
    }
}
