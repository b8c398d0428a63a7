package embrick.core.print;

import embrick.core.colour.ColourPath;
import embrick.core.colour.Encoding;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.resample.Resampling;
import embrick.core.sharpen.Sharpened;
import embrick.core.source.SourceFacts.Alpha;
import java.util.Optional;

/**
 * The stages of a plan, joined.
 *
 * @param last gives finished pixels of the picture in the output's profile, paper laid under see-through parts
 */
record Stages(PixelSource last, Optional<Sharpened> sharpening) {
    static Stages of(Plan plan, Raster original, float[] paper, Transforms transforms) {
        return new Joining(plan, original, paper, transforms).join();
    }

    /** Joins the stages of one plan. */
    private static final class Joining {
        private final Plan plan;
        private final Raster original;
        private final float[] paper;
        private final Transforms transforms;
        private final ColourPath path;
        private final boolean seeThrough;
        private final int channels;

        Joining(Plan plan, Raster original, float[] paper, Transforms transforms) {
            this.plan = plan;
            this.original = original;
            this.paper = paper;
            this.transforms = transforms;
            this.path = plan.colour();
            this.seeThrough = plan.source().alpha() == Alpha.SEE_THROUGH;
            this.channels = plan.source().channels();
        }

        Stages join() {
            // Inks have no luminance: sharpening comes before them, and after them where they come in.
            boolean toInks = path.to().model() == ColourModel.CMYK;
            boolean sharpensLast = (seeThrough && !toInks) || plan.source().model() == ColourModel.CMYK;
            if (plan.sharpening().isEmpty() || sharpensLast) {
                PixelSource source = converted(resampled(Encoded.Beyond.CLIPPED));
                Optional<Sharpened> sharpening = plan.sharpening()
                        .map(_ -> sharpening(source, path.to().model().channels(), path.to()));
                return new Stages(sharpening.isPresent() ? sharpening.get() : source, sharpening);
            }
            return seeThrough ? sharpenedUnderAlpha() : sharpenedFirst();
        }

        private Stages sharpenedFirst() {
            Sharpened sharpening = sharpening(resampled(Encoded.Beyond.KEPT), channels, path.from());
            return new Stages(converted(sharpening), Optional.of(sharpening));
        }

        private Stages sharpenedUnderAlpha() {
            float[] paperThere = Colours.in(path.from(), plan.paper(), transforms);
            PixelSource onPaper =
                    new OnPaper(resampled(Encoded.Beyond.CLIPPED), channels, Optional.empty(), paperThere);
            Sharpened sharpening = sharpening(onPaper, channels - 1, path.from());
            PixelSource source =
                    new SharpenedUnderAlpha(resampled(Encoded.Beyond.CLIPPED), channels, sharpening, paperThere);
            return new Stages(converted(source), Optional.of(sharpening));
        }

        private PixelSource resampled(Encoded.Beyond beyond) {
            Encoding encoding = transforms.encoding(path.from());
            PixelSource source = Resampler.of(
                    original,
                    plan.window(),
                    plan.resampling(),
                    seeThrough ? LastChannel.ALPHA : LastChannel.COLOUR,
                    encoding);
            return plan.resampling().light() == Resampling.Light.LINEAR
                    ? new Encoded(source, channels, seeThrough, encoding.tone(), beyond)
                    : source;
        }

        private Sharpened sharpening(PixelSource source, int colours, ProfileRef of) {
            return new Sharpened(
                    plan.sharpening().orElseThrow(), plan.window().output(), colours, transforms.encoding(of), source);
        }

        /** In the output's profile; under see-through pixels the paper is laid, once, after that. */
        private PixelSource converted(PixelSource source) {
            Optional<Transform> transform =
                    path.from().equals(path.to()) ? Optional.empty() : Optional.of(transforms.along(path));
            if (seeThrough) {
                return new OnPaper(source, channels, transform, paper);
            }
            return transform.isPresent() ? new Converted(source, channels, transform.get()) : source;
        }
    }
}
