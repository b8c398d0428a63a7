package embrick.formats.jpeg.coded;

import embrick.formats.jpeg.coded.Frame.Component;
import embrick.formats.jpeg.coded.Scan.Band;
import embrick.formats.jpeg.coded.Scan.Part;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;

/** The segments of a JPEG one after the other, and what those before a scan say of it (T.81, B.2). */
final class Segments {
    static final int SOI = 0xD8;
    static final int EOI = 0xD9;
    static final int SOS = 0xDA;
    private static final int SOF0 = 0xC0;
    private static final int SOF1 = 0xC1;
    private static final int SOF2 = 0xC2;
    private static final int DHT = 0xC4;
    private static final int DQT = 0xDB;
    private static final int DRI = 0xDD;
    private static final int TABLES = 4;

    private final MemorySegment file;
    private final CodeTable[] means = new CodeTable[TABLES];
    private final CodeTable[] rests = new CodeTable[TABLES];
    private final int[] meanSteps = new int[TABLES];
    private Frame frame;
    private int interval;
    private long at = 2;

    /** @param file a whole file, whose header was read */
    Segments(MemorySegment file) {
        this.file = file;
        Arrays.fill(meanSteps, 1);
    }

    /** A scan's header. @param begins where its coded data begin */
    record ScanHeader(Part[] parts, Band band, long begins) {}

    /** Null before the frame's segment. */
    Frame frame() {
        return frame;
    }

    /** Groups between two restarts; 0 for none. */
    int interval() {
        return interval;
    }

    /** Where the next marker, or behind one its segment, is. */
    long at() {
        return at;
    }

    void goOnAt(long place) {
        at = place;
    }

    /** TEM, restarts and the beginning, which have no length behind them. */
    static boolean standsAlone(int marker) {
        return marker == 0x01 || (marker >= 0xD0 && marker <= SOI);
    }

    static boolean isFrame(int marker) {
        return marker == SOF0 || marker == SOF1 || marker == SOF2;
    }

    int unsigned(long place) {
        return file.get(ValueLayout.JAVA_BYTE, place) & 0xff;
    }

    int two(long place) {
        return unsigned(place) << 8 | unsigned(place + 1);
    }

    /** The next marker; its segment is behind it. */
    int nextMarker() throws DamagedCodeException {
        if (unsigned(at) != 0xFF) {
            throw new DamagedCodeException("has data that belong to nothing");
        }
        while (unsigned(at) == 0xFF) {
            at++;
        }
        return unsigned(at++);
    }

    /** Takes in what the segment behind a marker says, and goes past it. */
    void segment(int marker) throws DamagedCodeException {
        long end = at + two(at);
        long from = at + 2;
        switch (marker) {
            case SOF0, SOF1, SOF2 -> frame(from, marker == SOF2);
            case DHT -> codeTables(from, end);
            case DQT -> steps(from, end);
            case DRI -> interval = two(from);
            default -> {
                // Words beside the picture.
            }
        }
        at = end;
    }

    private void frame(long from, boolean progressive) throws DamagedCodeException {
        int count = unsigned(from + 5);
        if (frame != null || count < 1 || count > TABLES) {
            throw new DamagedCodeException("has a damaged header");
        }
        Component[] components = new Component[count];
        for (int i = 0; i < count; i++) {
            long place = from + 6 + 3L * i;
            int sampling = unsigned(place + 1);
            components[i] =
                    new Component(unsigned(place), sampling >> 4, sampling & 15, unsigned(place + 2) & TABLES - 1);
            if (components[i].across < 1
                    || components[i].across > 4
                    || components[i].down < 1
                    || components[i].down > 4) {
                throw new DamagedCodeException("has a damaged header");
            }
        }
        frame = new Frame(two(from + 3), two(from + 1), progressive, components);
        frame.layOut();
    }

    private void codeTables(long from, long end) throws DamagedCodeException {
        for (long place = from; place < end; ) {
            int kind = unsigned(place++);
            int[] counts = new int[16];
            int all = 0;
            for (int i = 0; i < counts.length; i++) {
                counts[i] = unsigned(place++);
                all += counts[i];
            }
            if (all > 256 || place + all > end || (kind & 15) >= TABLES) {
                throw new DamagedCodeException("has a damaged code table");
            }
            byte[] symbols = new byte[all];
            MemorySegment.copy(file, ValueLayout.JAVA_BYTE, place, symbols, 0, all);
            place += all;
            (kind >> 4 == 0 ? means : rests)[kind & 15] = new CodeTable(counts, symbols);
        }
    }

    private void steps(long from, long end) throws DamagedCodeException {
        for (long place = from; place < end; ) {
            int kind = unsigned(place++);
            boolean isWide = kind >> 4 != 0;
            int length = isWide ? 128 : 64;
            if ((kind & 15) >= TABLES || place + length > end) {
                throw new DamagedCodeException("has a damaged table of steps");
            }
            meanSteps[kind & 15] = isWide ? two(place) : unsigned(place);
            for (int i = 0; i < 64; i++) {
                if ((isWide ? two(place + 2L * i) : unsigned(place + i)) == 0) {
                    throw new DamagedCodeException("has a damaged table of steps");
                }
            }
            place += length;
        }
    }

    /** Reads the header of the scan whose marker was read. */
    ScanHeader scan() throws DamagedCodeException {
        int count = unsigned(at + 2);
        if (frame == null || count < 1 || count > frame.components().length) {
            throw new DamagedCodeException("has a damaged scan");
        }
        long place = at + 3;
        long behind = place + 2L * count;
        int bitsOf = unsigned(behind + 2);
        Band band = frame.progressive()
                ? new Band(unsigned(behind), unsigned(behind + 1), bitsOf >> 4, bitsOf & 15)
                : new Band(0, 63, 0, 0);
        if (band.first() > band.last() || band.last() > 63 || (band.first() > 0 && count > 1)) {
            throw new DamagedCodeException("has a damaged scan");
        }
        Part[] parts = new Part[count];
        for (int i = 0; i < count; i++, place += 2) {
            parts[i] = part(unsigned(place), unsigned(place + 1), band);
        }
        return new ScanHeader(parts, band, at + two(at));
    }

    private Part part(int id, int tables, Band band) throws DamagedCodeException {
        for (Component component : frame.components()) {
            if (component.id == id) {
                boolean wantsMeans = band.first() == 0 && band.isFirstOfBits();
                boolean wantsRest = band.last() > 0;
                CodeTable ofMeans = means[tables >> 4 & TABLES - 1];
                CodeTable ofRest = rests[tables & TABLES - 1];
                if ((wantsMeans && ofMeans == null) || (wantsRest && ofRest == null)) {
                    throw new DamagedCodeException("has a scan without its code table");
                }
                component.isScanned |= wantsMeans;
                return new Part(component, ofMeans, ofRest, meanSteps[component.quantization]);
            }
        }
        throw new DamagedCodeException("has a scan of a colour that it does not have");
    }
}
