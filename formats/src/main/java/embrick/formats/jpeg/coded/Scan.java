package embrick.formats.jpeg.coded;

import embrick.formats.jpeg.coded.Frame.Component;
import java.util.Arrays;
import java.util.Optional;

/** Walks through the blocks of one scan (T.81, B.2.3, F.2 and G.2) and holds every code against what can be. */
final class Scan {
    /** Largest size of a difference or coefficient that 8-bit samples have (T.81, tables F.1 and F.2). */
    private static final int MOST_DC_BITS = 11;

    private static final int MOST_AC_BITS = 10;
    private static final int BLOCK = 8;
    /** RST0 to RST7. */
    private static final int RESTART = 0xD0;

    /**
     * A mean of 8-bit samples is 8 times 128 away from grey at most; a quarter more is left for files whose coefficients were
     * changed without decoding.
     */
    private static final int MOST_MEAN = 1280;

    private final Frame frame;
    private final Part[] parts;
    private final Band band;
    private final CodedBits bits;
    private final Optional<RowIndex.Builder> index;
    private int endOfBand;

    /** A component in a scan, with its tables; those of coefficients may be missing where they are not used. */
    record Part(Component component, CodeTable means, CodeTable rest, int meanStep) {}

    /** Which coefficients a scan has, and which of their bits; all of both in a sequential file. */
    record Band(int first, int last, int high, int low) {
        boolean isFirstOfBits() {
            return high == 0;
        }
    }

    /** @param index notes the beginnings of rows, where reading can begin in the midst of this scan */
    Scan(Frame frame, Part[] parts, Band band, CodedBits bits, Optional<RowIndex.Builder> index) {
        this.index = index;
        this.frame = frame;
        this.parts = parts;
        this.band = band;
        this.bits = bits;
    }

    /** What is wrong, and at which row of pixels. */
    record Wrong(String what, int row) {}

    /**
     * Walks to the scan's end.
     *
     * @param interval groups between two restarts; 0 for none
     * @return the marker behind the scan, or what is wrong
     */
    Object walk(int interval) {
        boolean together = parts.length > 1;
        Component alone = parts[0].component();
        int wide = together ? frame.groupsWide() : alone.blocksWide;
        int high = together ? frame.groupsHigh() : alone.blocksHigh;
        int rowsHigh = BLOCK * (together ? frame.mostDown() : frame.mostDown() / Math.max(1, alone.down));
        int[] means = new int[parts.length];
        int left = interval;
        int restart = 0;
        for (int y = 0; y < high; y++) {
            try {
                for (int x = 0; x < wide; x++) {
                    if (interval > 0 && left == 0) {
                        restart(restart++);
                        left = interval;
                        Arrays.fill(means, 0);
                    }
                    if (x == 0 && index.isPresent() && (interval == 0 || left == interval)) {
                        index.get().begin(y, bits.place(), means);
                    }
                    left--;
                    if (together) {
                        group(x, y, means);
                    } else {
                        block(0, y * alone.stride + x, means);
                    }
                }
                if (bits.isOverdrawn()) {
                    return new Wrong("is cut short, or a part of its data is missing", y * rowsHigh);
                }
            } catch (DamagedCodeException damaged) {
                return new Wrong(damaged.getMessage(), y * rowsHigh);
            }
        }
        index.ifPresent(rows -> rows.end(bits.place()));
        try {
            return bits.end();
        } catch (DamagedCodeException stray) {
            return new Wrong(stray.getMessage(), 0);
        }
    }

    private void restart(int number) throws DamagedCodeException {
        endOfBand = 0;
        if (bits.isOverdrawn() || bits.end() != RESTART + number % 8) {
            throw new DamagedCodeException("has a restart that is missing or out of order");
        }
    }

    private void group(int x, int y, int[] means) throws DamagedCodeException {
        for (int part = 0; part < parts.length; part++) {
            Component component = parts[part].component();
            for (int v = 0; v < component.down; v++) {
                for (int h = 0; h < component.across; h++) {
                    block(part, (y * component.down + v) * component.stride + x * component.across + h, means);
                }
            }
        }
    }

    private void block(int part, int place, int[] means) throws DamagedCodeException {
        if (!frame.progressive()) {
            mean(parts[part], part, means);
            rest(parts[part]);
        } else if (band.first() == 0) {
            if (band.isFirstOfBits()) {
                mean(parts[part], part, means);
            } else {
                bits.take(1);
            }
        } else if (band.isFirstOfBits()) {
            firstBits(parts[part], place);
        } else {
            furtherBits(parts[part], place);
        }
    }

    private void mean(Part part, int index, int[] means) throws DamagedCodeException {
        int size = part.means().next(bits);
        if (size > MOST_DC_BITS) {
            throw new DamagedCodeException("has a block far brighter or darker than there is");
        }
        means[index] += bits.takeSigned(size) << band.low();
        if (Math.abs(means[index]) * part.meanStep() > MOST_MEAN + part.meanStep()) {
            throw new DamagedCodeException("has a block brighter or darker than there is");
        }
    }

    private void rest(Part part) throws DamagedCodeException {
        CodeTable table = part.rest();
        int first = -1;
        boolean isOneAgain = true;
        for (int k = 1; k < 64; k++) {
            int symbol = table.next(bits);
            int size = symbol & 15;
            int zeros = symbol >> 4;
            if (size == 0) {
                if (zeros != 15) {
                    return;
                }
                k += 15;
                isOneAgain = false;
            } else {
                k += zeros;
                if (size > MOST_AC_BITS) {
                    throw new DamagedCodeException("has a coefficient larger than there is");
                }
                int value = bits.take(size) << 8 | symbol;
                first = k == 1 ? value : first;
                isOneAgain &= value == first;
            }
            if (k > 63) {
                throw new DamagedCodeException("has a block with more coefficients than there are");
            }
        }
        if (isOneAgain) {
            // What a stretch of zeros, or of any other one byte, is read as: no picture has sixty-three equal
            // coefficients.
            throw new DamagedCodeException("has a stretch that was overwritten");
        }
    }

    /** T.81, G.1.2.2: a band's first bits; blocks that have none of it are counted together. */
    private void firstBits(Part part, int place) throws DamagedCodeException {
        if (endOfBand > 0) {
            endOfBand--;
            return;
        }
        for (int k = band.first(); k <= band.last(); k++) {
            int symbol = part.rest().next(bits);
            int zeros = symbol >> 4;
            int size = symbol & 15;
            if (size == 0 && zeros < 15) {
                endOfBand = (1 << zeros) + bits.take(zeros) - 1;
                return;
            }
            k += zeros;
            if (k > band.last() || size > MOST_AC_BITS) {
                throw new DamagedCodeException("has a block with more coefficients than there are");
            }
            if (size > 0) {
                bits.take(size);
                part.component().known[place] |= 1L << k;
            }
        }
    }

    /** T.81, G.1.2.3: a further bit of each coefficient that is known, and those that become known by it. */
    private void furtherBits(Part part, int place) throws DamagedCodeException {
        long known = part.component().known[place];
        int k = band.first();
        if (endOfBand == 0) {
            while (k <= band.last()) {
                int symbol = part.rest().next(bits);
                int zeros = symbol >> 4;
                int size = symbol & 15;
                if (size == 0 && zeros < 15) {
                    endOfBand = (1 << zeros) + bits.take(zeros);
                    break;
                }
                if (size > 1) {
                    throw new DamagedCodeException("has a coefficient that changes its size");
                }
                if (size == 1) {
                    bits.take(1);
                }
                k = passed(known, k, zeros);
                if (k > band.last()) {
                    if (size == 1 || zeros == 15) {
                        throw new DamagedCodeException("has a block with more coefficients than there are");
                    }
                    break;
                }
                if (size == 1) {
                    part.component().known[place] |= 1L << k;
                }
                k++;
            }
        }
        if (endOfBand > 0) {
            for (; k <= band.last(); k++) {
                bits.take((int) (known >>> k & 1));
            }
            endOfBand--;
        }
    }

    /** Goes over so many zeros, a bit for each known coefficient between; where the next zero stands. */
    private int passed(long known, int from, int zeros) {
        int left = zeros;
        int k = from;
        for (; k <= band.last(); k++) {
            if ((known >>> k & 1) != 0) {
                bits.take(1);
            } else if (left-- == 0) {
                break;
            }
        }
        return k;
    }
}
