package embrick.core.resample;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;

/** Reads blocks of the seen picture as floats, colours multiplied by alpha where there is one. */
final class SeenBlock {
    private final Raster original;
    private final Orientation seenAs;
    private final Resampler.LastChannel last;
    private final PixelSize seen;

    SeenBlock(Raster original, Orientation seenAs, Resampler.LastChannel last) {
        this.original = original;
        this.seenAs = seenAs;
        this.last = last;
        this.seen = seenAs.seenSize(original.stored());
    }

    PixelSize seen() {
        return seen;
    }

    int channels() {
        return original.channels();
    }

    /** Rows that are read together: where axes are swapped a block uses each cache line it touches. */
    int rowsTogether() {
        return seenAs.swapsAxes() ? 16 : 1;
    }

    void read(int x, int y, int count, int rows, float[] into) {
        original.readSeen(seenAs, x, y, count, rows, into);
        if (last == Resampler.LastChannel.ALPHA) {
            int channels = channels();
            for (int pixel = 0; pixel < count * rows; pixel++) {
                int at = pixel * channels;
                float alpha = into[at + channels - 1];
                for (int c = 0; c < channels - 1; c++) {
                    into[at + c] *= alpha;
                }
            }
        }
    }
}
