package embrick.core.resample;

import embrick.core.colour.Encoding;
import embrick.core.colour.ToneCurve;
import embrick.core.learned.LearnedFilters;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.resample.DoubledBlock.Luminance;
import java.util.Optional;

/**
 * Gives any rectangle of an output, interpolated once from the original.
 *
 * <p>Not safe for several threads; each makes its own, on the same {@link Raster}.
 */
public interface Resampler extends PixelSource {
    /** Whether the last channel is alpha, by which the others are multiplied before they are mixed. */
    enum LastChannel {
        COLOUR,
        ALPHA
    }

    /**
     * Fills a rectangle of the output.
     * Shapes: into gets height × width × channels from {@code at}, interleaved, row-major.
     * Units: 0..1, may overshoot at edges; light if the settings say so, else as encoded; with alpha the colours are
     * premultiplied.
     */
    @Override
    void render(PixelRect region, float[] into, int at);

    /**
     * The path that suits window and settings.
     *
     * @param encoding the original's: its curve where pixels are mixed as light, its luminance where detail is learned
     */
    static Resampler of(Raster original, Window window, Resampling settings, LastChannel last, Encoding encoding) {
        if (settings.method().doubles(window.scale())) {
            return enlarged(original, window, settings, last, encoding);
        }
        Optional<ToneCurve> light =
                settings.light() == Resampling.Light.LINEAR ? Optional.of(encoding.tone()) : Optional.empty();
        SeenBlock block = new SeenBlock(original, window.seenAs(), last, light);
        if (light.isEmpty() && window.keepsPixels(block.seen())) {
            return new PixelCopy(block, window);
        }
        if (window.scale() >= ShrunkBlock.FROM) {
            if (settings.method() == Method.NEAREST) {
                return new PointResampler(block, window);
            }
            ShrunkBlock shrunk = ShrunkBlock.of(original, window, last, light);
            return by(settings, shrunk, shrunk.seenBy(window));
        }
        return TurnedResampler.of(
                window,
                block.channels(),
                along -> by(settings, new SeenBlock(original, along.seenAs(), last, light), along));
    }

    /** Rows of an output that another of the same would make once more, beyond what its kernel reaches. */
    static int rowsMadeAnew(Window window, Resampling settings) {
        return settings.method().doubles(window.scale()) ? (int) Math.ceil(DoubledBlock.ROWS / window.scale()) : 0;
    }

    /** Detail is looked for in pixels as they are encoded, as the filters were trained, and as they are seen. */
    private static Resampler enlarged(
            Raster original, Window window, Resampling settings, LastChannel last, Encoding encoding) {
        SeenBlock doubled = doubled(original, window, settings, last, encoding, DoubledBlock.Shows.PICTURE);
        Window on = DoubledBlock.seenBy(window);
        return on.keepsPixels(doubled.seen()) ? new PixelCopy(doubled, on) : by(settings, doubled, on);
    }

    private static SeenBlock doubled(
            Raster original,
            Window window,
            Resampling settings,
            LastChannel last,
            Encoding encoding,
            DoubledBlock.Shows shows) {
        SeenBlock block = new SeenBlock(original, window.seenAs(), last, Optional.empty());
        return new DoubledBlock(
                block,
                filters(settings.method()),
                Luminance.of(encoding, colours(block, last)),
                settings.ringing(),
                shows,
                window.isTilted());
    }

    private static int colours(SeenBlock block, LastChannel last) {
        return last == LastChannel.ALPHA ? block.channels() - 1 : block.channels();
    }

    /** Of the filters that a method uses at a scale; empty where it uses none. */
    static Optional<String> filtersDigest(Method method, double scale) {
        return method.doubles(scale) ? Optional.of(filters(method).digest()) : Optional.empty();
    }

    private static LearnedFilters filters(Method method) {
        return method == Method.LEARNED_SOFTENING ? LearnedFilters.softening() : LearnedFilters.clean();
    }

    /**
     * What a learned method added to an output, and what more its filters found that neighbours did not let stand.
     *
     * @throws IllegalArgumentException if the settings learn nothing at the window's scale
     */
    static LearnedShare learned(
            Raster original, Window window, Resampling settings, LastChannel last, Encoding encoding) {
        if (!settings.method().doubles(window.scale())) {
            throw new IllegalArgumentException("settings: expected a method that learns, got " + settings.method());
        }
        return new LearnedShare(
                share(original, window, settings, last, encoding, DoubledBlock.Shows.ADDED),
                share(original, window, settings, last, encoding, DoubledBlock.Shows.HELD_BACK),
                original.channels());
    }

    private static Resampler share(
            Raster original,
            Window window,
            Resampling settings,
            LastChannel last,
            Encoding encoding,
            DoubledBlock.Shows shows) {
        return by(
                Resampling.by(Method.BILINEAR),
                doubled(original, window, settings, last, encoding, shows),
                DoubledBlock.seenBy(window));
    }

    private static Resampler by(Resampling settings, SeenBlock block, Window window) {
        if (settings.method() == Method.CIRCULAR_LANCZOS) {
            return new CircularResampler(block, window, settings.ringing());
        }
        AxisKernel kernel = AxisKernel.of(settings.method(), window.scale());
        boolean bounded = settings.ringing() == Resampling.Ringing.LIMITED
                && settings.method().canRing();
        return window.isTilted()
                ? new TiltedResampler(block, window, kernel, bounded)
                : new SeparableResampler(block, window, kernel, bounded);
    }
}
