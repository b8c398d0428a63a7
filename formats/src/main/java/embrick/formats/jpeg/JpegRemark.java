package embrick.formats.jpeg;

import embrick.core.units.PixelSize;
import embrick.formats.PrintFile;
import embrick.formats.UnusablePictureException;
import embrick.formats.binding.FileBytes;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;

/**
 * Puts new marks on a JPEG and leaves its coded picture as it is, so that not one pixel changes.
 *
 * <p>Tables, frame and scans go over byte by byte (T.81, B.2); all other segments stay behind, as they do when a piece is
 * coded anew.
 */
public final class JpegRemark {
    private static final int DNL = 0xDC;
    private static final int CHUNK = 1 << 16;
    private static final byte[] RGB_COMPONENTS = {'R', 'G', 'B'};

    private final MemorySegment bytes;
    private long at = 2;

    private JpegRemark(MemorySegment bytes) {
        this.bytes = bytes;
    }

    /**
     * Whether a JPEG's colours are those that a JFIF header says: grey, or YCbCr. Files that are stored as RGB or CMYK would
     * look otherwise under new marks.
     */
    public static boolean isPossible(Path original) throws IOException {
        try (Arena arena = Arena.ofConfined()) {
            return new JpegRemark(FileBytes.whole(original, arena)).isJfifColour();
        } catch (IndexOutOfBoundsException cut) {
            return false;
        }
    }

    /** @throws UnusablePictureException if the picture ends before its end marker */
    public static void write(Path original, PixelSize size, PrintFile file, OutputStream to) throws IOException {
        DataOutputStream out = new DataOutputStream(to);
        JpegMarks.write(out, file, size);
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment bytes = FileBytes.whole(original, arena);
            try {
                new JpegRemark(bytes).copyPicture(out);
            } catch (IndexOutOfBoundsException cut) {
                throw UnusablePictureException.broken("cut-short", "is cut short after " + bytes.byteSize() + " bytes");
            }
        }
        out.flush();
    }

    private boolean isJfifColour() {
        boolean jfif = false;
        boolean inks = false;
        boolean letters = false;
        for (int marker = nextMarker(); marker != JpegHeader.SOS; marker = nextMarker()) {
            if (marker == JpegHeader.EOI) {
                return false;
            }
            long segment = at + 2;
            if (marker == JpegHeader.APP0 && begins(segment, JpegHeader.JFIF)) {
                jfif = true;
            } else if (marker == JpegHeader.APP14 && begins(segment, JpegHeader.APP14_ID)) {
                // The last byte tells how colours were made: 1 is YCbCr, 0 none, 2 YCCK.
                inks |= unsigned(segment + 11) != 1;
            } else if (isFrame(marker)) {
                int components = unsigned(segment + 5);
                letters = components == 3;
                for (int c = 0; c < components; c++) {
                    letters &= unsigned(segment + 6 + 3L * c) == RGB_COMPONENTS[c];
                }
                inks |= components > 3;
            }
            at += length();
        }
        return !inks && (jfif || !letters);
    }

    private void copyPicture(DataOutputStream out) throws IOException {
        for (int marker = nextMarker(); marker != JpegHeader.EOI; marker = nextMarker()) {
            long begin = at - 2;
            at += length();
            if (marker == JpegHeader.SOS) {
                at = endOfScan();
            }
            if (belongsToThePicture(marker)) {
                copy(begin, at, out);
            }
        }
        out.writeShort(0xFF00 | JpegHeader.EOI);
    }

    private static boolean belongsToThePicture(int marker) {
        return isFrame(marker)
                || switch (marker) {
                    case JpegHeader.DQT, JpegHeader.DHT, JpegHeader.DRI, JpegHeader.SOS, DNL -> true;
                    default -> false;
                };
    }

    /** Baseline, extended and progressive: the frames that are read. */
    private static boolean isFrame(int marker) {
        return marker >= JpegHeader.SOF0 && marker <= JpegHeader.SOF0 + 2;
    }

    /** Leaves {@link #at} behind the marker. */
    private int nextMarker() {
        while (unsigned(at) != 0xFF) {
            at++;
        }
        while (unsigned(at) == 0xFF) {
            at++;
        }
        return unsigned(at++);
    }

    /** Of a segment, its own two bytes counted. */
    private int length() {
        return unsigned(at) << 8 | unsigned(at + 1);
    }

    /** The first marker that is neither a stuffed zero nor a restart. */
    private long endOfScan() {
        for (long end = at; ; end++) {
            if (unsigned(end) == 0xFF) {
                int next = unsigned(end + 1);
                boolean restart = next >= JpegHeader.RST0 && next < JpegHeader.RST0 + 8;
                if (next != 0 && next != 0xFF && !restart) {
                    return end;
                }
            }
        }
    }

    private void copy(long from, long end, DataOutputStream out) throws IOException {
        byte[] chunk = new byte[CHUNK];
        for (long done = from; done < end; done += CHUNK) {
            int count = (int) Math.min(CHUNK, end - done);
            MemorySegment.copy(bytes, ValueLayout.JAVA_BYTE, done, chunk, 0, count);
            out.write(chunk, 0, count);
        }
    }

    private boolean begins(long from, byte[] id) {
        return bytes.asSlice(from, id.length).mismatch(MemorySegment.ofArray(id)) == -1;
    }

    private int unsigned(long from) {
        return bytes.get(ValueLayout.JAVA_BYTE, from) & 0xff;
    }
}
