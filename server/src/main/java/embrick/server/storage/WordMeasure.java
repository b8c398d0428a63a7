package embrick.server.storage;

import embrick.core.plan.CaptionText;

/** Measures words in the font that captions are set in. */
public interface WordMeasure {
    CaptionText measured(String text);
}
