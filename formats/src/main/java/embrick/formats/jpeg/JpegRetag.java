package embrick.formats.jpeg;

import embrick.core.source.SourceFacts.FileKind;
import embrick.core.units.PixelSize;
import embrick.formats.binding.FileBytes;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.probe.Probe;
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
 * coded anew. Only for files of which {@link JpegHeader#jfifColour} holds: others would look otherwise under new marks.
 */
public final class JpegRetag {
    private static final int DNL = 0xDC;
    private static final int CHUNK = 1 << 16;

    private final MemorySegment bytes;
    private long at = 2;

    private JpegRetag(MemorySegment bytes) {
        this.bytes = bytes;
    }

    /** Whether a file's coded picture looks the same under the marks that are written here. */
    public static boolean suits(Path original) throws IOException {
        return Probe.kindOf(original) == FileKind.JPEG
                && JpegPictures.header(original).jfifColour();
    }

    /** @throws UnusablePictureException if the picture ends before its end marker */
    public static void write(Path original, PixelSize size, PrintFile file, OutputStream to) throws IOException {
        DataOutputStream out = new DataOutputStream(to);
        JpegMarks.write(out, file, size, TurboJpeg.PixelLayout.RGB);
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment bytes = FileBytes.whole(original, arena);
            try {
                new JpegRetag(bytes).copyPicture(out);
            } catch (IndexOutOfBoundsException cut) {
                throw UnusablePictureException.broken("cut-short", "is cut short after " + bytes.byteSize() + " bytes");
            }
        }
        out.flush();
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

    private int unsigned(long from) {
        return bytes.get(ValueLayout.JAVA_BYTE, from) & 0xff;
    }
}
