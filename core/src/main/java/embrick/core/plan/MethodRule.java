package embrick.core.plan;

import embrick.core.pixels.ColourModel;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.resample.Window;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.units.PixelSize;

/** Which method a plan uses. Embrick's rule; the pages on methods show the figures behind it. */
final class MethodRule {
    /** Enlarged further than this, the rings of sharper kernels show as lines beside edges. */
    private static final double SMOOTH_FROM_ENLARGEMENT = 3;

    private MethodRule() {}

    /** Ink amounts are no light, and have no luminance: CMYK is mixed as encoded, and no detail is learned of it. */
    static Resampling resolve(ResamplingChoice choice, Window window, PixelSize seen, ColourModel model) {
        if (window.keepsPixels(seen)) {
            return new Resampling(Method.NEAREST, Light.ENCODED, Ringing.FREE);
        }
        boolean isInk = model == ColourModel.CMYK;
        Method method = choice.method().orElseGet(() -> byItself(window));
        if (method == Method.LEARNED && (isInk || method.doublings(window.scale()) == 0)) {
            method = Method.LANCZOS3;
        }
        // What filters find is of pixels as they are encoded.
        Light light = isInk || method == Method.LEARNED ? Light.ENCODED : choice.light();
        return new Resampling(method, light, choice.ringing());
    }

    private static Method byItself(Window window) {
        return window.scale() * SMOOTH_FROM_ENLARGEMENT < 1 ? Method.MITCHELL : Method.LANCZOS3;
    }
}
