package embrick.formats.tiff;

import embrick.core.source.SourceFacts.Alpha;
import embrick.formats.tiff.TiffHeader.Extra;
import embrick.formats.tiff.TiffHeader.ExtraKind;

/**
 * How samples lie in a TIFF, and what becomes of them.
 *
 * @param stored channels in the file
 * @param palette all reds, all greens, all blues of 8 bits; else empty
 */
record SampleLayout(
        Photometric photometric,
        Compression compression,
        Depth depth,
        int stored,
        Extra extra,
        Planes planes,
        int[] palette) {

    /** @param bits of a sample, 1 to 16 */
    record Depth(int bits, SampleKind kind) {}

    /** Whether the channels of a pixel lie together, or each channel has a plane of its own. */
    enum Planes {
        TOGETHER,
        EACH
    }

    /** Channels that are the picture's colours. */
    int colours() {
        return photometric == Photometric.PALETTE ? 1 : photometric.model().channels();
    }

    Alpha alpha() {
        return extra.kind() == ExtraKind.NONE || isMadeRgb() ? Alpha.OPAQUE : Alpha.SEE_THROUGH;
    }

    /** Channels of the raster. */
    int channels() {
        return photometric.model().channels() + (alpha() == Alpha.SEE_THROUGH ? 1 : 0);
    }

    /** Of the raster: 8 or 16. */
    int bitsPerChannel() {
        return photometric == Photometric.PALETTE || depth.bits() <= 8 ? 8 : 16;
    }

    /** Whether libtiff itself makes RGB of it: luminance and differences that no JPEG codec turns. */
    boolean isMadeRgb() {
        return photometric == Photometric.YCBCR && compression != Compression.JPEG;
    }

    /** Whether the unpacked rows are the raster's rows as they are. */
    boolean isAsStored() {
        return planes == Planes.TOGETHER
                && stored == channels()
                && photometric != Photometric.PALETTE
                && depth.kind() == SampleKind.UNSIGNED
                && depth.bits() == bitsPerChannel();
    }
}
