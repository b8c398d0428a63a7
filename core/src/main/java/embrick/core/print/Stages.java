package embrick.core.print;

import embrick.core.colour.ColourPath;
import embrick.core.colour.Encoding;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.lift.Lift;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.resample.Resampling;
import embrick.core.source.SourceFacts.Alpha;
import java.util.Optional;

/**
 * The stages of a plan, joined.
 *
 * @param last gives finished pixels of the picture in the output's profile, paper laid under see-through parts
 */
record Stages(PixelSource last, Optional<Lift> lift) {
    static Stages of(Plan plan, Raster original, float[] paper, Transforms transforms) {
        ColourPath path = plan.colour();
        Encoding encoding = transforms.encoding(path.from());
        boolean seeThrough = plan.source().alpha() == Alpha.SEE_THROUGH;
        Optional<Transform> transform =
                path.from().equals(path.to()) ? Optional.empty() : Optional.of(transforms.along(path));
        PixelSource source = Resampler.of(
                original,
                plan.window(),
                plan.resampling(),
                seeThrough ? LastChannel.ALPHA : LastChannel.COLOUR,
                encoding.tone());
        int channels = plan.source().channels();
        if (plan.resampling().light() == Resampling.Light.LINEAR) {
            source = new Encoded(source, channels, seeThrough, encoding.tone());
        }
        boolean toInks = path.to().model() == ColourModel.CMYK;
        boolean liftsLast = (seeThrough && !toInks) || plan.source().model() == ColourModel.CMYK;
        if (plan.lift().isEmpty() || liftsLast) {
            source = converted(source, plan, transform, paper);
            Optional<Lift> lift = lift(plan, source, path.to().model().channels(), transforms.encoding(path.to()));
            return new Stages(lift.isPresent() ? lift.get() : source, lift);
        }
        if (seeThrough) {
            // Inks have no luminance: what shows through is laid on the paper in the original's own colours.
            float[] paperThere = Colours.in(path.from(), plan.paper(), transforms);
            source = new OnPaper(source, channels, Optional.empty(), paperThere);
            channels--;
        }
        Optional<Lift> lift = lift(plan, source, channels, encoding);
        source = lift.orElseThrow();
        return new Stages(transform.isPresent() ? new Converted(source, channels, transform.get()) : source, lift);
    }

    private static Optional<Lift> lift(Plan plan, PixelSource source, int channels, Encoding encoding) {
        return plan.lift().map(settings -> new Lift(settings, plan.window().output(), channels, encoding, source));
    }

    private static PixelSource converted(PixelSource source, Plan plan, Optional<Transform> transform, float[] paper) {
        if (plan.source().alpha() == Alpha.SEE_THROUGH) {
            return new OnPaper(source, plan.source().channels(), transform, paper);
        }
        return transform.isPresent() ? new Converted(source, plan.source().channels(), transform.get()) : source;
    }
}
