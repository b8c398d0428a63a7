package embrick.core.resample;

import embrick.core.colour.ToneCurve;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.util.Optional;

/** Reads blocks of the seen picture as floats: as light where asked, colours multiplied by alpha where there is one. */
class SeenBlock {
    private final Raster original;
    private final Orientation seenAs;
    private final Resampler.LastChannel last;
    private final PixelSize seen;
    private final Optional<float[]> lights;

    SeenBlock(Raster original, Orientation seenAs, Resampler.LastChannel last, Optional<ToneCurve> tone) {
        this.original = original;
        this.seenAs = seenAs;
        this.last = last;
        this.seen = seenAs.seenSize(original.stored());
        this.lights = tone.map(curve -> curve.ofCounts(mostCount(original)));
    }

    /** Of the same picture, by one that reads it otherwise. */
    SeenBlock(SeenBlock same) {
        this.original = same.original;
        this.seenAs = same.seenAs;
        this.last = same.last;
        this.seen = same.seen;
        this.lights = same.lights;
    }

    private static int mostCount(Raster original) {
        return original.bytesPerSample() == 1 ? 255 : 65535;
    }

    PixelSize seen() {
        return seen;
    }

    int channels() {
        return original.channels();
    }

    /** Reads count × rows pixels from (x, y) into the array from {@code at}. */
    void read(int x, int y, int count, int rows, float[] into, int at) {
        original.readSeen(seenAs, x, y, count, rows, into, at);
        int end = at + count * rows * channels();
        if (lights.isPresent()) {
            toLight(lights.get(), into, at, end);
        }
        if (last == Resampler.LastChannel.ALPHA) {
            multiplyByAlpha(into, at, end);
        }
    }

    private void toLight(float[] table, float[] into, int at, int end) {
        float most = table.length - 1;
        int channels = channels();
        int colours = last == Resampler.LastChannel.ALPHA ? channels - 1 : channels;
        for (int pixel = at; pixel < end; pixel += channels) {
            for (int c = 0; c < colours; c++) {
                into[pixel + c] = table[(int) (into[pixel + c] * most + 0.5f)];
            }
        }
    }

    private void multiplyByAlpha(float[] into, int at, int end) {
        int channels = channels();
        for (int pixel = at; pixel < end; pixel += channels) {
            float alpha = into[pixel + channels - 1];
            for (int c = 0; c < channels - 1; c++) {
                into[pixel + c] *= alpha;
            }
        }
    }
}
