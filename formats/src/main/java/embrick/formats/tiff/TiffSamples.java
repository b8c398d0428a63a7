package embrick.formats.tiff;

import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts.Alpha;
import embrick.formats.tiff.TiffHeader.ExtraKind;
import java.lang.foreign.MemorySegment;

/** Makes a raster's samples of unpacked ones: of any depth from 1 to 16 bits, signed or not, by a palette or as they are. */
final class TiffSamples {
    private final SampleLayout layout;
    private final Raster raster;
    private final MemorySegment out;
    private final int bits;
    private final int channels;
    private final int full;
    private final long most;
    /** The raster's channel of each stored one; −1 for those that are not used. */
    private final int[] channelOf;

    TiffSamples(SampleLayout layout, Raster raster) {
        this.layout = layout;
        this.raster = raster;
        this.out = raster.samples();
        this.bits = layout.depth().bits();
        this.channels = raster.channels();
        this.full = raster.bytesPerSample() == 2 ? 65_535 : 255;
        this.most = (1L << bits) - 1;
        this.channelOf = new int[layout.stored()];
        for (int stored = 0; stored < channelOf.length; stored++) {
            channelOf[stored] = stored < layout.colours() ? stored : -1;
        }
        if (layout.alpha() == Alpha.SEE_THROUGH) {
            channelOf[layout.extra().at()] = channels - 1;
        }
    }

    /**
     * Puts a part of a row into its place.
     *
     * @param from where the part's bits begin, high bits first; of 16 bits in the machine's own order
     * @param plane the stored channel that this is, where each has its own
     */
    void put(MemorySegment unpacked, long from, int x, int y, int count, int plane) {
        boolean together = layout.planes() == SampleLayout.Planes.TOGETHER;
        int perPixel = together ? layout.stored() : 1;
        for (int pixel = 0; pixel < count; pixel++) {
            long at = ((long) y * raster.stored().width() + x + pixel) * channels;
            for (int sample = 0; sample < perPixel; sample++) {
                int stored = together ? sample : plane;
                if (channelOf[stored] >= 0) {
                    set(at, stored, value(unpacked, from, (long) pixel * perPixel + sample));
                }
            }
        }
    }

    /** RGB out of a row of RGBA in bytes. */
    void putRgba(MemorySegment rgba, long from, int x, int y, int count) {
        for (int pixel = 0; pixel < count; pixel++) {
            long at = ((long) y * raster.stored().width() + x + pixel) * channels;
            MemorySegment.copy(rgba, JAVA_BYTE, from + 4L * pixel, out, JAVA_BYTE, at, 3);
        }
    }

    private int value(MemorySegment unpacked, long from, long index) {
        int value = switch (bits) {
            case 8 -> LibTiff.unsigned(unpacked, from + index);
            case 16 -> unpacked.get(java.lang.foreign.ValueLayout.JAVA_SHORT_UNALIGNED, from + 2 * index) & 0xffff;
            default -> bitsAt(unpacked, from, index * bits);
        };
        // From the least number upwards: two's complement with its sign turned round.
        return layout.depth().kind() == SampleKind.SIGNED ? value ^ 1 << bits - 1 : value;
    }

    private int bitsAt(MemorySegment unpacked, long from, long bit) {
        int value = 0;
        for (int left = bits; left > 0; ) {
            int inByte = (int) (bit & 7);
            int taken = Math.min(left, 8 - inByte);
            int part = LibTiff.unsigned(unpacked, from + (bit >> 3)) >> 8 - inByte - taken & (1 << taken) - 1;
            value = value << taken | part;
            bit += taken;
            left -= taken;
        }
        return value;
    }

    private void set(long at, int stored, int value) {
        if (layout.photometric() == Photometric.PALETTE && stored == 0) {
            int entries = layout.palette().length / 3;
            for (int c = 0; c < 3; c++) {
                out.set(JAVA_BYTE, at + c, (byte) layout.palette()[c * entries + value]);
            }
            return;
        }
        set(at + channelOf[stored], most == full ? value : (int) ((value * (long) full + most / 2) / most));
    }

    private void set(long index, int value) {
        if (full == 255) {
            out.set(JAVA_BYTE, index, (byte) value);
        } else {
            out.set(JAVA_SHORT, 2 * index, (short) value);
        }
    }

    private int get(long index) {
        return full == 255 ? out.get(JAVA_BYTE, index) & 0xff : out.get(JAVA_SHORT, 2 * index) & 0xffff;
    }

    /** What is left to do when all samples are there: colours that were premultiplied made straight, white at zero turned. */
    void finish() {
        boolean premultiplied =
                layout.alpha() == Alpha.SEE_THROUGH && layout.extra().kind() == ExtraKind.PREMULTIPLIED;
        boolean turned = layout.photometric() == Photometric.WHITE_IS_ZERO;
        if (!premultiplied && !turned) {
            return;
        }
        int colours = raster.channels() - (layout.alpha() == Alpha.SEE_THROUGH ? 1 : 0);
        long all = raster.stored().pixels() * channels;
        for (long at = 0; at < all; at += channels) {
            int alpha = premultiplied ? get(at + colours) : full;
            for (int c = 0; c < colours; c++) {
                int value = get(at + c);
                if (alpha < full && alpha > 0) {
                    value = (int) Math.min(full, ((long) value * full + alpha / 2) / alpha);
                }
                set(at + c, turned ? full - value : value);
            }
        }
    }
}
