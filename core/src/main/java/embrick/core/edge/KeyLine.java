package embrick.core.edge;

import embrick.core.colour.PaperColour;
import java.util.Objects;

/** A line of whole pixels round the sheet, on its bands. */
public record KeyLine(int width, PaperColour colour) {
    public KeyLine {
        Objects.requireNonNull(colour);
        if (width < 1) {
            throw new IllegalArgumentException("key line: expected 1 pixel or more, got " + width);
        }
    }
}
