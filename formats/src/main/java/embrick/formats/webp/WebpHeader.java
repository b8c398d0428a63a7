package embrick.formats.webp;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.units.PixelSize;
import embrick.formats.binding.FileBytes;
import embrick.formats.exif.ExifFacts;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.UnusablePictureException;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Optional;

/** What a WebP file's chunks say (RFC 9649). */
record WebpHeader(PixelSize size, Alpha alpha, Optional<byte[]> icc, Optional<ExifFacts> exif) {
    private static final int RIFF = fourCc("RIFF");
    private static final int WEBP = fourCc("WEBP");
    private static final int EXTENDED = fourCc("VP8X");
    private static final int LOSSY = fourCc("VP8 ");
    private static final int LOSSLESS = fourCc("VP8L");
    private static final int PROFILE = fourCc("ICCP");
    private static final int EXIF = fourCc("EXIF");

    /** Flags of the VP8X chunk (RFC 9649, 2.7). */
    private static final int HAS_ALPHA = 0x10;

    private static final int IS_ANIMATED = 0x02;
    private static final int MOST_BLOCK = 16 << 20;
    private static final int LOSSLESS_MARK = 0x2F;

    private static int fourCc(String name) {
        return ByteBuffer.wrap(name.getBytes(java.nio.charset.StandardCharsets.US_ASCII))
                .order(ByteOrder.LITTLE_ENDIAN)
                .getInt();
    }

    static WebpHeader read(DataInputStream in, long fileBytes) throws IOException {
        Reading reading = new Reading();
        try {
            if (number(in) != RIFF) {
                throw UnusablePictureException.broken("not-webp", "does not begin as a WebP");
            }
            number(in);
            if (number(in) != WEBP) {
                throw UnusablePictureException.broken("not-webp", "does not begin as a WebP");
            }
            reading.chunks(in, fileBytes - 12);
        } catch (EOFException cut) {
            throw UnusablePictureException.broken(
                    "cut-short", "is cut short after " + fileBytes + " bytes, inside its header");
        }
        return reading.finish();
    }

    private static int number(DataInputStream in) throws IOException {
        return Integer.reverseBytes(in.readInt());
    }

    private static final class Reading {
        private int width;
        private int height;
        private boolean alpha;
        private Optional<byte[]> icc = Optional.empty();
        private Optional<ExifFacts> exif = Optional.empty();

        /** Exif may stand behind the pixels, so all chunks are walked. */
        void chunks(DataInputStream in, long left) throws IOException {
            while (left >= 8) {
                int type = number(in);
                long length = number(in) & 0xFFFF_FFFFL;
                long padded = length + (length & 1);
                left -= 8 + padded;
                if (type == PROFILE || type == EXIF) {
                    if (length > MOST_BLOCK) {
                        throw UnusablePictureException.broken("bad-chunk", "has a damaged header");
                    }
                    byte[] block = in.readNBytes((int) length);
                    in.skipNBytes(Math.min(padded - length, Math.max(0, left + padded - length)));
                    block(type, block);
                } else if (type == EXTENDED || type == LOSSY || type == LOSSLESS) {
                    byte[] head = in.readNBytes((int) Math.min(length, 10));
                    frame(type, head);
                    if (left < 0) {
                        throw UnusablePictureException.broken(
                                "cut-short", "is cut short: part of the picture is not in the file");
                    }
                    in.skipNBytes(padded - head.length);
                } else {
                    if (left < 0) {
                        return;
                    }
                    in.skipNBytes(padded);
                }
            }
        }

        private void block(int type, byte[] block) {
            if (type == PROFILE) {
                icc = Optional.of(block);
            } else {
                exif = ExifFacts.read(block);
            }
        }

        private void frame(int type, byte[] head) throws IOException {
            if (head.length < (type == LOSSLESS ? 5 : 10)) {
                throw new EOFException();
            }
            ByteBuffer at = ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN);
            if (type == EXTENDED) {
                if ((head[0] & IS_ANIMATED) != 0) {
                    throw UnusablePictureException.notRead(
                            "animation", "is an animation, not a picture", "Save the frame you want as PNG.");
                }
                alpha = (head[0] & HAS_ALPHA) != 0;
                width = 1 + (at.getInt(4) & 0xFFFFFF);
                height = 1 + (at.getInt(6) >>> 8);
            } else if (width == 0 && type == LOSSY) {
                width = at.getShort(6) & 0x3FFF;
                height = at.getShort(8) & 0x3FFF;
            } else if (width == 0 && head[0] == LOSSLESS_MARK) {
                int bits = at.getInt(1);
                width = 1 + (bits & 0x3FFF);
                height = 1 + (bits >> 14 & 0x3FFF);
                alpha = (bits >> 28 & 1) != 0;
            }
        }

        WebpHeader finish() throws IOException {
            if (width < 1 || height < 1) {
                throw UnusablePictureException.broken("no-frame", "has no picture in it");
            }
            return new WebpHeader(new PixelSize(width, height), alpha ? Alpha.SEE_THROUGH : Alpha.OPAQUE, icc, exif);
        }
    }

    Decoded decode(Path file, RasterMemory memory) throws IOException {
        int channels = alpha == Alpha.SEE_THROUGH ? 4 : 3;
        Raster raster = memory.allocate(size, channels, 1);
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment bytes = FileBytes.whole(file, arena);
            if (!LibWebp.decode(bytes, raster.samples(), size, channels)) {
                throw UnusablePictureException.broken(
                        "damaged", "is damaged or cut short inside: part of the picture cannot be read");
            }
            return Decoded.sound(raster);
        } catch (IOException | RuntimeException | Error failed) {
            raster.close();
            throw failed;
        }
    }
}
