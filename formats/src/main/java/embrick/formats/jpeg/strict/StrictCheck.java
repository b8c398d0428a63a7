package embrick.formats.jpeg.strict;

import embrick.formats.jpeg.strict.Frame.Component;
import embrick.formats.jpeg.strict.Scan.Band;
import embrick.formats.jpeg.strict.Scan.Part;
import embrick.formats.jpeg.strict.Scan.Wrong;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Holds the coded data of a JPEG against ITU-T T.81, bit by bit, without making pixels of them.
 *
 * <p>A code of this kind finds its step again after damage: a decoder reads on, and what it shows is shifted or coloured
 * wrongly, often without anything that it would warn of. It does not see coefficients beyond the last of a block, means far
 * outside of what 8 bits can be, or up to seven bytes left over. These are looked for here, with whatever a decoder warns of:
 * codes that do not exist, restarts out of order, data that belong to nothing, scans that are missing, an end that is missing.
 * Damage within tables, and damage whose codes all could be, has no check in the format: it cannot be seen by anybody.
 */
public final class StrictCheck {
    private static final int SOF0 = 0xC0;
    private static final int SOF1 = 0xC1;
    private static final int SOF2 = 0xC2;
    private static final int DHT = 0xC4;
    private static final int EOI = 0xD9;
    private static final int SOS = 0xDA;
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

    private StrictCheck(MemorySegment file) {
        this.file = file;
        Arrays.fill(meanSteps, 1);
    }

    /**
     * What is wrong.
     *
     * @param what follows the picture's name
     * @param row of pixels from which on the picture is not to be trusted; empty where any part can be wrong
     */
    public record Finding(String what, OptionalInt row) {}

    /** @param file a whole file, whose header was read */
    public static Optional<Finding> of(MemorySegment file) {
        try {
            return new StrictCheck(file).walk();
        } catch (DamagedCodeException damaged) {
            return Optional.of(new Finding(damaged.getMessage(), OptionalInt.empty()));
        } catch (IndexOutOfBoundsException cut) {
            return Optional.of(new Finding("is cut short inside its header", OptionalInt.empty()));
        }
    }

    private Optional<Finding> walk() throws DamagedCodeException {
        int marker = nextMarker();
        while (marker != EOI) {
            if (marker == SOS) {
                Object ended = scan();
                if (ended instanceof Wrong wrong) {
                    // Scans of a progressive picture are laid over one another: only the whole can be right.
                    boolean isRowKnown = !frame.progressive() && wrong.row() > 0;
                    return Optional.of(
                            new Finding(wrong.what(), isRowKnown ? OptionalInt.of(wrong.row()) : OptionalInt.empty()));
                }
                marker = (int) ended;
                if (marker == 0) {
                    return Optional.of(new Finding("is cut short: its end is missing", OptionalInt.empty()));
                }
            } else {
                if (!standsAlone(marker)) {
                    segment(marker);
                }
                marker = nextMarker();
            }
        }
        requireAllScanned();
        return Optional.empty();
    }

    /** TEM and restarts, which have no length behind them. */
    private static boolean standsAlone(int marker) {
        return marker == 0x01 || (marker >= 0xD0 && marker <= 0xD8);
    }

    private void requireAllScanned() throws DamagedCodeException {
        if (frame == null) {
            throw new DamagedCodeException("has no picture in it");
        }
        for (Component component : frame.components()) {
            if (!component.isScanned) {
                throw new DamagedCodeException("lacks a part of its colours");
            }
        }
    }

    private int unsigned(long place) {
        return file.get(ValueLayout.JAVA_BYTE, place) & 0xff;
    }

    private int two(long place) {
        return unsigned(place) << 8 | unsigned(place + 1);
    }

    private int nextMarker() throws DamagedCodeException {
        if (unsigned(at) != 0xFF) {
            throw new DamagedCodeException("has data that belong to nothing");
        }
        while (unsigned(at) == 0xFF) {
            at++;
        }
        return unsigned(at++);
    }

    private void segment(int marker) throws DamagedCodeException {
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

    private Object scan() throws DamagedCodeException {
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
        CodedBits bits = new CodedBits(file, at + two(at));
        Object ended = new Scan(frame, parts, band, bits).walk(interval);
        at = bits.position();
        return ended;
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
