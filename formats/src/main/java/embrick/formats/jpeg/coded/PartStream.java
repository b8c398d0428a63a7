package embrick.formats.jpeg.coded;

import embrick.formats.jpeg.coded.Frame.Component;
import embrick.formats.jpeg.coded.Scan.Part;
import embrick.formats.jpeg.coded.Segments.ScanHeader;
import java.io.ByteArrayOutputStream;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Cuts a JPEG of some rows of groups out of a whole one, by its {@link RowIndex} and without decoding it: a decoder makes the
 * same pixels of them as of the whole, but near the cut where it smooths colour over rows.
 *
 * <p>The tables go before it as they are; the height is put right. The row's first group is coded anew, because its means are
 * told as differences from a row that is not there; what follows is copied bit by bit. Safe from several threads.
 */
public final class PartStream {
    private static final int BLOCK = 8;
    /** APP0 and APP14, which say what colours the components are. */
    private static final int JFIF = 0xE0;

    private static final int ADOBE = 0xEE;
    private static final int FIRST_APPLICATION = 0xE0;
    private static final int LAST_APPLICATION = 0xEF;
    private static final int COMMENT = 0xFE;

    /** What stands before the coded data: all tables, and where the height is told. */
    private record Head(byte[] bytes, int heightAt) {
        byte[] ofHeight(int height) {
            byte[] begin = bytes.clone();
            begin[heightAt] = (byte) (height >> 8);
            begin[heightAt + 1] = (byte) height;
            return begin;
        }
    }

    private final MemorySegment file;
    private final RowIndex index;
    private final Frame frame;
    private final ScanHeader scan;
    private final Head head;
    private final int interval;

    /** @param segments read up to the scan */
    private PartStream(MemorySegment file, RowIndex index, Segments segments, ScanHeader scan, Head head) {
        this.file = file;
        this.index = index;
        this.frame = segments.frame();
        this.scan = scan;
        this.head = head;
        this.interval = segments.interval();
    }

    /**
     * @param file a whole sound file, which must live as long as parts are cut
     * @return nothing if the index is of another file
     */
    public static Optional<PartStream> of(MemorySegment file, RowIndex index) {
        if (index.fileLength() != file.byteSize()) {
            return Optional.empty();
        }
        try {
            Segments segments = new Segments(file);
            ByteArrayOutputStream head = new ByteArrayOutputStream();
            head.write(0xFF);
            head.write(Segments.SOI);
            int heightAt = 0;
            int marker = segments.nextMarker();
            while (marker != Segments.SOS) {
                if (!Segments.standsAlone(marker)) {
                    if (Segments.isFrame(marker)) {
                        heightAt = head.size() + 5;
                    }
                    long from = segments.at();
                    segments.segment(marker);
                    if (isKept(marker)) {
                        write(file, marker, from, segments.at(), head);
                    }
                }
                marker = segments.nextMarker();
            }
            ScanHeader scan = segments.scan();
            write(file, Segments.SOS, segments.at(), scan.begins(), head);
            PartStream stream = new PartStream(file, index, segments, scan, new Head(head.toByteArray(), heightAt));
            return stream.fits() ? Optional.of(stream) : Optional.empty();
        } catch (DamagedCodeException | IndexOutOfBoundsException another) {
            return Optional.empty();
        }
    }

    private boolean fits() {
        int high = scan.parts().length > 1 ? frame.groupsHigh() : scan.parts()[0].component().blocksHigh;
        return !frame.progressive()
                && scan.parts().length == frame.components().length
                && index.scanAt() == scan.begins()
                && index.rows().length == high
                && index.means().length == scan.parts().length
                && index.rows()[0] == scan.begins() * 8;
    }

    private static boolean isKept(int marker) {
        boolean isApplication = marker >= FIRST_APPLICATION && marker <= LAST_APPLICATION;
        return marker == JFIF || marker == ADOBE || (!isApplication && marker != COMMENT);
    }

    private static void write(MemorySegment file, int marker, long from, long to, ByteArrayOutputStream head) {
        head.write(0xFF);
        head.write(marker);
        head.writeBytes(file.asSlice(from, to - from).toArray(ValueLayout.JAVA_BYTE));
    }

    /** Rows of groups in the whole file. */
    public int rows() {
        return index.rows().length;
    }

    /** Rows of pixels in a row of groups, but the last. */
    public int rowHeight() {
        return scan.parts().length > 1 ? BLOCK * frame.mostDown() : BLOCK;
    }

    /** Whether a decoder makes rows of pixels from groups above and below too: where there are fewer rows of colour. */
    public boolean looksAround() {
        return scan.parts().length > 1 && frame.mostDown() > 1;
    }

    /** The last row at or before one at which a part can begin. */
    public int beginsAtOrBefore(int row) {
        return index.beginsAtOrBefore(row);
    }

    /** The first row at or after one at which a part can begin; {@link #rows} where none does. */
    public int beginsAtOrAfter(int row) {
        return index.beginsAtOrAfter(row);
    }

    /**
     * Parts of about the same height.
     *
     * @param least rows of groups in each but the last
     * @return the first row of each, and {@link #rows} behind the last
     */
    public int[] beginnings(int least) {
        IntStream.Builder begins = IntStream.builder();
        int row = 0;
        while (row < rows()) {
            begins.add(row);
            row = beginsAtOrAfter(Math.min(rows(), row + least));
        }
        return begins.add(rows()).build().toArray();
    }

    /** The whole file. */
    public MemorySegment file() {
        return file;
    }

    /** Rows of pixels that a part has. */
    public int height(int from, int to) {
        return Math.min(frame.height(), to * rowHeight()) - from * rowHeight();
    }

    /**
     * A file of the rows from one to before another, at both of which parts begin.
     *
     * @return nothing if the file has no code for its first means, or is not what the index says
     */
    public Optional<byte[]> cut(int from, int to) {
        byte[] begin = head.ofHeight(height(from, to));
        long at = index.place(from);
        long end = index.place(to);
        if (at < 0 || end < at || end > file.byteSize() * 8) {
            return Optional.empty();
        }
        CodeSink sink = new CodeSink(begin, (int) ((end - at) / 8 * 65 / 64) + 64);
        if (interval > 0) {
            sink.copyWithRestarts(file, at >> 3, to < rows() ? beforeRestart(end >> 3) : end + 7 >> 3);
        } else {
            try {
                CodedBits bits = new CodedBits(file, at >> 3);
                bits.take((int) (at & 7));
                if (!recodeGroup(bits, from, sink)) {
                    return Optional.empty();
                }
                long copied = bits.place();
                if (copied > end) {
                    return Optional.empty();
                }
                if (copied < end) {
                    sink.copy(file, copied, end);
                }
            } catch (DamagedCodeException | IndexOutOfBoundsException another) {
                return Optional.empty();
            }
        }
        return Optional.of(sink.end(Segments.EOI));
    }

    /** Where the data before a restart end: before its marker, and the bytes of ones that may fill up before it. */
    private long beforeRestart(long behind) {
        long end = behind - 2;
        while (file.get(ValueLayout.JAVA_BYTE, end - 1) == (byte) 0xFF) {
            end--;
        }
        return end;
    }

    /** @return whether there was a code for everything */
    private boolean recodeGroup(CodedBits bits, int row, CodeSink sink) throws DamagedCodeException {
        boolean together = scan.parts().length > 1;
        for (int i = 0; i < scan.parts().length; i++) {
            Part part = scan.parts()[i];
            Component component = part.component();
            int blocks = together ? component.across * component.down : 1;
            for (int block = 0; block < blocks; block++) {
                int before = block == 0 ? index.means()[i][row] : 0;
                if (!recodeMean(part, bits, before, sink)) {
                    return false;
                }
                recodeRest(part, bits, sink);
            }
        }
        return true;
    }

    private static boolean recodeMean(Part part, CodedBits bits, int before, CodeSink sink)
            throws DamagedCodeException {
        int difference = bits.takeSigned(part.means().next(bits)) + before;
        int size = Integer.SIZE - Integer.numberOfLeadingZeros(Math.abs(difference));
        int code = part.means().code(size);
        if (code == 0) {
            return false;
        }
        sink.put(code >> 5, code & 31);
        sink.put(difference < 0 ? difference - 1 : difference, size);
        return true;
    }

    private static void recodeRest(Part part, CodedBits bits, CodeSink sink) throws DamagedCodeException {
        for (int k = 1; k < 64; k++) {
            int symbol = part.rest().next(bits);
            int code = part.rest().code(symbol);
            sink.put(code >> 5, code & 31);
            int size = symbol & 15;
            int zeros = symbol >> 4;
            if (size == 0 && zeros < 15) {
                return;
            }
            k += zeros;
            sink.put(bits.take(size), size);
        }
    }
}
