package embrick.core.plan;

import embrick.core.pixels.ColourModel;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.resample.Window;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.units.PixelSize;

/** Which method a plan uses. Embrick's rule; the pages on methods show the figures behind it. */
final class MethodRule {
    /** Enlarged further than this, the rings of sharper kernels show as lines beside edges. */
    private static final double SMOOTH_FROM_ENLARGEMENT = 3;
    /** The filters were not measured at larger enlargements. */
    private static final double LEARNED_UP_TO_ENLARGEMENT = 4;
    /** JPEGs up to this quality are softened: what the filters were trained on. Above it the marks are under the grain. */
    private static final int SOFTENED_UP_TO_QUALITY = 92;
    /** Marks of JPEG in a file of another kind, in counts of 255: half a count is more than any grain makes. */
    private static final double SOFTENED_FROM_MARKS = 0.5;

    private MethodRule() {}

    /** Ink amounts are no light, and have no luminance: CMYK is mixed as encoded, and no detail is learned of it. */
    static Resampling resolve(ResamplingChoice choice, Window window, PixelSize seen, SourceFacts facts) {
        if (window.keepsPixels(seen)) {
            return new Resampling(Method.NEAREST, Light.ENCODED, Ringing.FREE);
        }
        boolean isInk = facts.colour().model() == ColourModel.CMYK;
        Method method = choice.method().orElseGet(() -> byItself(choice, window));
        if (method.isLearned()) {
            if (isInk || !method.doubles(window.scale())) {
                method = withoutLearning(window);
            } else if (isSoftened(facts)) {
                method = Method.LEARNED_SOFTENING;
            }
        }
        // What filters find is of pixels as they are encoded.
        Light light = isInk || method.isLearned() ? Light.ENCODED : choice.light();
        return new Resampling(method, light, choice.ringing());
    }

    /** Who asks for linear light gets it. */
    private static Method byItself(ResamplingChoice choice, Window window) {
        boolean isLearned = choice.light() == Light.ENCODED
                && Method.LEARNED.doubles(window.scale())
                && window.scale() * LEARNED_UP_TO_ENLARGEMENT >= 1;
        return isLearned ? Method.LEARNED : withoutLearning(window);
    }

    private static Method withoutLearning(Window window) {
        return window.scale() * SMOOTH_FROM_ENLARGEMENT < 1 ? Method.MITCHELL : Method.LANCZOS3;
    }

    /** A JPEG of which nothing more is known came in before its tables were looked at: most are softened with gain. */
    private static boolean isSoftened(SourceFacts facts) {
        SourceDetail detail = facts.detail();
        boolean isCoarse = facts.kind() == FileKind.JPEG && detail.jpegQuality().orElse(0) <= SOFTENED_UP_TO_QUALITY;
        return isCoarse
                || detail.blockMarks()
                        .filter(marks -> marks >= SOFTENED_FROM_MARKS)
                        .isPresent();
    }
}
