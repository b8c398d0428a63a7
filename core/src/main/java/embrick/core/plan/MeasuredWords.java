package embrick.core.plan;

import java.util.Optional;

/**
 * The words that a plan draws, measured in the shipped font.
 *
 * @param caption of a border, where the ticket asks for one
 * @param mark over the picture, where the ticket asks for one
 */
public record MeasuredWords(Optional<CaptionText> caption, Optional<CaptionText> mark) {
    public static final MeasuredWords NONE = new MeasuredWords(Optional.empty(), Optional.empty());

    public static MeasuredWords ofCaption(Optional<CaptionText> caption) {
        return new MeasuredWords(caption, Optional.empty());
    }
}
