package embrick.core.print;

import embrick.core.colour.ColourPath;
import embrick.core.colour.PaperColour;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transforms;

/** Plain colours of paper and lines in a profile's numbers: as near as it has them, its own white for white. */
final class Colours {
    private Colours() {}

    static float[] in(ProfileRef profile, PaperColour colour, Transforms transforms) {
        float[] srgb = {colour.red() / 255f, colour.green() / 255f, colour.blue() / 255f};
        if (profile instanceof ProfileRef.Srgb) {
            return srgb;
        }
        float[] converted = new float[profile.model().channels()];
        transforms.along(new ColourPath(new ProfileRef.Srgb(), profile)).apply(srgb, 0, converted, 0, 1);
        return converted;
    }
}
