package embrick.core.edge;

import embrick.core.colour.PaperColour;
import java.util.Objects;

/**
 * Words on a band.
 *
 * @param emPixels the height of the letters' em
 * @param middleX where the line has its middle, in pixels of the total
 * @param baseline where its letters stand, in pixels of the total
 */
public record CaptionLine(String text, double emPixels, double middleX, double baseline, PaperColour colour) {
    public CaptionLine {
        Objects.requireNonNull(text);
        Objects.requireNonNull(colour);
    }
}
